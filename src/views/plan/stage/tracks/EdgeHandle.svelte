<script lang="ts">
	interface Props {
		/** What moves: an edge between left and right, or one between above and below. */
		axis: 'across' | 'down';
		label: string;
		title: string;
		value: number;
		valueText?: string;
		/** Where the edge is along its axis, and where it begins and how long it is on the other, px of the screen. */
		at: number;
		start: number;
		length: number;
		/** Screen px for one px of the page. */
		scale: number;
		/** It is drawn also while nothing points at it. */
		drawn?: boolean;
		/** What to read beside the edge while it is dragged. */
		said: string | undefined;
		/** A place along the axis, px of the page. */
		onMove: (at: number) => void;
		onDrop: () => void;
		onCancel: () => void;
		/** Arrow keys: 1, with Shift 10, forward or back. */
		onStep: (by: number) => void;
	}
	const {
		axis,
		label,
		title,
		value,
		valueText,
		at,
		start,
		length,
		scale,
		drawn = false,
		said,
		onMove,
		onDrop,
		onCancel,
		onStep
	}: Props = $props();

	let moving = $state(false);

	function move(event: PointerEvent & { currentTarget: HTMLElement }): void {
		const sheet = event.currentTarget.offsetParent?.getBoundingClientRect();
		if (!moving || !sheet) return;
		onMove(
			axis === 'across' ? (event.clientX - sheet.left) / scale : (event.clientY - sheet.top) / scale
		);
	}

	function end(done: () => void): void {
		if (!moving) return;
		moving = false;
		done();
	}

	function onKey(event: KeyboardEvent): void {
		const step = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key];
		if (step === undefined) return;
		event.preventDefault();
		onStep(step * (event.shiftKey ? 10 : 1));
	}
</script>

<span
	class="edge {axis}"
	class:drawn={drawn || moving}
	role="slider"
	tabindex="0"
	aria-label={label}
	aria-valuenow={value}
	aria-valuetext={valueText}
	{title}
	style:left="{axis === 'across' ? at : start}px"
	style:top="{axis === 'across' ? start : at}px"
	style:width={axis === 'across' ? undefined : `${length}px`}
	style:height={axis === 'across' ? `${length}px` : undefined}
	onpointerdown={(event) => {
		moving = true;
		event.currentTarget.setPointerCapture(event.pointerId);
	}}
	onpointermove={move}
	onpointerup={() => end(onDrop)}
	onpointercancel={() => end(onCancel)}
	onkeydown={onKey}
>
	{#if moving && said !== undefined}<b class="mono">{said}</b>{/if}
</span>

<style>
	.edge {
		position: absolute;
		pointer-events: auto;
		touch-action: none;
		z-index: 1;
	}
	.across {
		width: 9px;
		margin-left: -5px;
		cursor: col-resize;
	}
	.down {
		height: 9px;
		margin-top: -5px;
		cursor: row-resize;
	}
	.across:hover,
	.across.drawn {
		background: linear-gradient(90deg, transparent 3px, var(--cedar) 3px 6px, transparent 6px);
	}
	.down:hover,
	.down.drawn {
		background: linear-gradient(transparent 3px, var(--cedar) 3px 6px, transparent 6px);
	}
	b {
		position: absolute;
		left: 8px;
		top: 6px;
		padding: 0 5px;
		font-size: 10.5px;
		font-weight: 500;
		line-height: 16px;
		white-space: nowrap;
		background: var(--cedar);
		color: var(--on-cedar);
		border-radius: var(--radius);
		z-index: 6;
	}
</style>
