<script lang="ts">
	import type { MeasuredBox } from '$core/drawing/overlay.ts';
	import { dimensionLines } from '$core/drawing/dimensions.ts';

	interface Props {
		from: MeasuredBox;
		to: MeasuredBox;
		/** Screen px for one px of the page. */
		scale: number;
	}
	const { from, to, scale }: Props = $props();

	const lines = $derived(dimensionLines(from, to));
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
		<text
			x={(x1 + x2) / 2 + (across ? 0 : 6)}
			y={(y1 + y2) / 2 - (across ? 5 : 0)}
			text-anchor={across ? 'middle' : 'start'}>{Math.round(size)} px</text
		>
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
	text {
		font: 600 11px var(--mono);
		fill: var(--cedar);
		paint-order: stroke;
		stroke: var(--sheet);
		stroke-width: 4px;
	}
</style>
