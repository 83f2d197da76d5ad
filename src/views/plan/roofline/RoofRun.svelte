<script lang="ts">
	import type { Mark } from '$core/view-models/marks.ts';
	import type { RooflineRun } from '$core/view-models/roofline.ts';
	import { hot } from '$store/ways/hot.svelte.ts';

	interface Props {
		run: RooflineRun;
		mark: Mark | undefined;
		/** Something is dragged: the bar is a place to drop it. */
		dragging: boolean;
		/** px */
		left: number;
		top: number;
		height: number;
		onGrab: (event: PointerEvent, end: 'start' | 'end') => void;
	}
	const { run, mark, dragging, left, top, height, onGrab }: Props = $props();

	const isBar = $derived(run.kind === 'bar');
</script>

<div
	class={isBar ? 'bar layer-fill' : 'thread'}
	class:lit={hot.trace?.kind === 'layout' && hot.trace.layer === run.layout}
	data-hue={mark?.hue}
	data-hatch={mark?.hatch}
	data-drop={dragging ? run.layout : undefined}
	title={isBar ? run.layout : `${run.layout} goes on below`}
	style:left="{left}px"
	style:top="{top + (isBar ? 3 : 0)}px"
	style:height="{height - (isBar ? 6 : 0)}px"
>
	{#if isBar && !dragging}
		<span
			class="tip top"
			role="presentation"
			title="Drag to let {run.layout} start at another route"
			onpointerdown={(event) => onGrab(event, 'start')}
		></span>
		<span
			class="tip bottom"
			role="presentation"
			title="Drag over the branch that {run.layout} should cover"
			onpointerdown={(event) => onGrab(event, 'end')}
		></span>
	{/if}
</div>

<style>
	.bar,
	.thread {
		position: absolute;
		width: 13px;
		z-index: 3;
		pointer-events: none;
		transition:
			top var(--move),
			height var(--move);
	}
	.lit {
		outline: 2px solid var(--cedar);
		outline-offset: 1px;
	}
	/* The eave: a layout's bar starts under a short slope and a line. */
	.bar::before {
		content: '';
		position: absolute;
		inset: -3px -6px auto -6px;
		height: 7px;
		background: var(--hue);
		clip-path: polygon(0 100%, 30% 0, 100% 0, 100% 34%, 36% 34%, 10% 100%);
	}
	.thread {
		background: repeating-linear-gradient(var(--hue) 0 2px, transparent 2px 5px) center / 1.5px 100%
			no-repeat;
	}
	.tip {
		position: absolute;
		left: -3px;
		right: -3px;
		height: 8px;
		cursor: ns-resize;
		pointer-events: auto;
		z-index: 4;
	}
	.top {
		top: -4px;
	}
	.bottom {
		bottom: -4px;
	}
	.tip:hover {
		background: var(--cedar);
		border-radius: 2px;
	}
</style>
