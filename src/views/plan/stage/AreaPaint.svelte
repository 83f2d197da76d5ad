<script lang="ts">
	import { isBetween, painted, type Cell } from '$core/drawing/track-gestures.ts';
	import type { BoxRef, Wish } from '$core/model/wish.ts';
	import { wishes } from '$store/wishes.svelte.ts';
	import type { MeasuredTracks } from '$views/frame/frame.ts';

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
				style:left="{column.from * scale + 1}px"
				style:top="{line.to * scale - 21}px"
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
		width: 20px;
		height: 20px;
		pointer-events: auto;
		cursor: cell;
		touch-action: none;
		z-index: 2;
	}
	/* Drawn smaller than it can be hit, in the corner where the page has least to say. */
	.cell::before {
		content: '';
		position: absolute;
		inset: 4px;
		border: 1.5px solid var(--cedar);
		border-radius: var(--radius);
		background: var(--sheet);
	}
	.cell:hover::before {
		inset: 1px;
	}
	.cell.mine::before,
	.cell.painted::before {
		background: var(--cedar);
	}
</style>
