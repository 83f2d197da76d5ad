<script lang="ts">
	import { panes, type PaneName } from '$store/ways/panes.svelte.ts';

	interface Props {
		/** The pane that it makes larger and smaller. */
		pane: PaneName;
		/** How the pane is called. */
		label: string;
		/** The side of the pane that it stands at. */
		side: 'left' | 'right' | 'top';
	}
	const { pane, label, side }: Props = $props();

	const down = $derived(side === 'top');
	const sign = $derived(side === 'right' ? 1 : -1);
	const size = $derived(panes.sizeOf(pane));
	const folded = $derived(panes.isFolded(pane));
	let start: { at: number; size: number } | undefined;

	function placeOf(event: PointerEvent): number {
		return down ? event.clientY : event.clientX;
	}

	function grab(event: PointerEvent & { currentTarget: HTMLElement }): void {
		start = { at: placeOf(event), size };
		event.currentTarget.setPointerCapture(event.pointerId);
		event.preventDefault();
		event.currentTarget.focus();
	}

	function drag(event: PointerEvent): void {
		if (start) panes.resize(pane, start.size + sign * (placeOf(event) - start.at));
	}

	function onKey(event: KeyboardEvent): void {
		const step = event.shiftKey ? 40 : 8;
		const [less, more] = down ? ['ArrowDown', 'ArrowUp'] : ['ArrowLeft', 'ArrowRight'];
		const direction = { [less]: -1, [more]: 1 }[event.key];
		const bounds = panes.boundsOf(pane);
		if (direction !== undefined) panes.resize(pane, size + direction * (down ? 1 : sign) * step);
		else if (event.key === 'Home') panes.resize(pane, bounds.least);
		else if (event.key === 'End') panes.resize(pane, bounds.most);
		else if (event.key === 'Enter') panes.fold(pane, !folded);
		else return;
		event.preventDefault();
	}
</script>

<!-- A separator that can be moved is a control (WAI-ARIA 1.2, separator). -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	class="separator {side}"
	role="separator"
	tabindex="0"
	aria-label="Size of {label}"
	aria-orientation={down ? 'horizontal' : 'vertical'}
	aria-valuenow={size}
	aria-valuemin={Math.round(panes.boundsOf(pane).least)}
	aria-valuemax={Math.round(panes.boundsOf(pane).most)}
	aria-valuetext="{size} px"
	title="Drag, or use the arrow keys, to give {label} more or less room; Enter folds it, a double click resets it"
	onpointerdown={grab}
	onpointermove={drag}
	onpointerup={() => (start = undefined)}
	onpointercancel={() => (start = undefined)}
	ondblclick={() => panes.reset(pane)}
	onkeydown={onKey}
></div>

<style>
	.separator {
		position: absolute;
		z-index: 8;
		touch-action: none;
	}
	.left,
	.right {
		top: 0;
		bottom: 0;
		width: 9px;
		cursor: col-resize;
	}
	.left {
		left: -5px;
	}
	.right {
		right: -5px;
	}
	.top {
		left: 0;
		right: 0;
		top: -5px;
		height: 9px;
		cursor: row-resize;
	}
	.separator:hover,
	.separator:focus-visible {
		background: color-mix(in srgb, var(--cedar) 40%, transparent);
		outline: none;
	}
</style>
