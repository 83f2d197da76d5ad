<script lang="ts">
	import type { MeasuredBox } from '$core/view-models/overlay.ts';
	import { dimensionLines } from '$core/view-models/dimensions.ts';

	interface Props {
		from: MeasuredBox;
		to: MeasuredBox;
		/** Screen px for one px of the page. */
		scale: number;
	}
	const { from, to, scale }: Props = $props();

	const lines = $derived(dimensionLines(from, to));
	/** Width of a letter of the labels, px. */
	const letter = 6.6;
</script>

<svg class="distances" aria-hidden="true">
	{#each lines as { axis, from: start, to: end, at, size } (axis + start)}
		{@const across = axis === 'across'}
		{@const [x1, x2] = across ? [start * scale, end * scale] : [at * scale, at * scale]}
		{@const [y1, y2] = across ? [at * scale, at * scale] : [start * scale, end * scale]}
		<path
			d="M{x1} {y1}L{x2} {y2}M{x1 - (across ? 0 : 4)} {y1 - (across ? 4 : 0)}l{across
				? '0 8'
				: '8 0'}M{x2 - (across ? 0 : 4)} {y2 - (across ? 4 : 0)}l{across ? '0 8' : '8 0'}"
		/>
		{@const words = `${Math.round(size)} px`}
		{@const width = words.length * letter + 10}
		{@const [x, y] = across ? [(x1 + x2) / 2, y1 - 12] : [x1 + width / 2 + 6, (y1 + y2) / 2]}
		<rect x={x - width / 2} y={y - 8} {width} height="16" rx="2" />
		<text {x} y={y + 4} text-anchor="middle">{words}</text>
	{/each}
</svg>

<style>
	.distances {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
		pointer-events: none;
	}
	path {
		stroke: var(--cedar);
		stroke-width: 1.5;
		fill: none;
	}
	rect {
		fill: var(--cedar);
	}
	text {
		font: 500 11px var(--mono);
		fill: var(--on-cedar);
	}
</style>
