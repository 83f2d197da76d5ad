<script lang="ts">
	import type { Arrangement } from '$core/model/arrange.ts';

	/** A small drawing of a way to arrange. */
	const { kind }: { kind: Arrangement['kind'] | 'flow' } = $props();

	/** Rectangles: left, top, width, height. */
	const drawings: Readonly<
		Record<Arrangement['kind'] | 'flow', readonly (readonly [number, number, number, number])[]>
	> = {
		areas: [[1, 1, 22, 4], [1, 7, 6, 8], [9, 7, 14, 8]],
		columns: [[1, 1, 6, 6], [9, 1, 6, 6], [17, 1, 6, 6], [1, 9, 14, 6]],
		row: [[1, 3, 5, 10], [8, 3, 9, 10], [19, 3, 4, 10]],
		stack: [[6, 1, 12, 3], [6, 6, 12, 6], [6, 14, 12, 2]],
		flow: [[1, 2, 22, 2], [1, 7, 22, 2], [1, 12, 14, 2]]
	}; // prettier-ignore
</script>

<svg width="24" height="16" viewBox="0 0 24 16" aria-hidden="true">
	{#each drawings[kind] as [x, y, width, height] (`${x} ${y}`)}
		<rect {x} {y} {width} {height} />
	{/each}
</svg>

<style>
	rect {
		fill: none;
		stroke: currentcolor;
		stroke-width: 1;
	}
</style>
