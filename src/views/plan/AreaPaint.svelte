<script lang="ts">
	import { isBetween, painted, type Cell } from '$core/drawing/track-gestures.ts';
	import type { BoxRef, Wish } from '$core/edit/wish.ts';
	import { wishes } from '$store/wishes.svelte.ts';
	import type { MeasuredTracks } from './frame.ts';

	interface Props {
		/** The box whose areas are painted, and how it is called. */
		box: BoxRef;
		name: string;
		band: string;
		/** Names of areas, row by row. */
		cells: readonly (readonly string[])[];
		/** What is laid where one paints. */
		member: string;
		tracks: MeasuredTracks;
		/** Screen px for one px of the page. */
		scale: number;
	}
	const { box, name, band, cells, member, tracks, scale }: Props = $props();

	/** Corners of what is being painted. */
	let painting = $state.raw<{ readonly from: Cell; readonly to: Cell } | undefined>();

	function wishFor(from: Cell, to: Cell): Wish {
		return { kind: 'set-areas', box, cells: painted(cells, member, from, to), band };
	}

	function paint(cell: Cell): void {
		if (!painting) return;
		painting = { ...painting, to: cell };
		wishes.previewSoon(wishFor(painting.from, cell));
	}

	function drop(): void {
		const area = painting;
		painting = undefined;
		if (area) void wishes.make(wishFor(area.from, area.to));
	}
</script>

{#each cells as row, y (y)}
	{#each row as area, x (x)}
		{@const column = tracks.columns[x]}
		{@const line = tracks.rows[y]}
		{#if column && line}
			<button
				class="cell"
				class:mine={area === member}
				class:painted={painting && isBetween([x, y], painting.from, painting.to)}
				aria-label="Cell {x + 1}, {y + 1} of {name}: {name === '.'
					? 'empty'
					: name}. Put {member} here."
				title="Draw over cells to lay {member} there"
				style:left="{column.from * scale + 6}px"
				style:top="{(line.from + line.to) * 0.5 * scale - 9}px"
				onpointerdown={(event) => {
					event.currentTarget.releasePointerCapture(event.pointerId);
					painting = { from: [x, y], to: [x, y] };
				}}
				onpointerenter={() => paint([x, y])}
				onpointerup={() => drop()}
				onkeydown={(event) => {
					if (event.key !== 'Enter' && event.key !== ' ') return;
					event.preventDefault();
					void wishes.make(wishFor([x, y], [x, y]));
				}}
			></button>
		{/if}
	{/each}
{/each}

<style>
	.cell {
		position: absolute;
		width: 18px;
		height: 18px;
		pointer-events: auto;
		border: 1.5px solid var(--cedar);
		border-radius: var(--radius);
		background: color-mix(in srgb, var(--sheet) 70%, transparent);
		cursor: cell;
		touch-action: none;
		z-index: 2;
	}
	.cell.mine,
	.cell.painted {
		background: var(--cedar);
	}
</style>
