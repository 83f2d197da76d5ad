<script lang="ts">
	import { isEmptyCell } from '$core/model/arrange.ts';
	import { isBetween, painted, type Cell } from '$core/view-models/track-gestures.ts';
	import {
		isPieceRef,
		type ArrangedRef,
		type Command,
		type HolderRef
	} from '$core/model/command.ts';
	import { commands } from '$store/commands.svelte.ts';
	import type { MeasuredTracks } from '$browser/frame.ts';
	import { askNewPiece, askNewRegion } from '../../../commands/asking.ts';

	interface Props {
		/** The box whose areas are painted, and how it is called. */
		box: ArrangedRef;
		/** Where a new piece in it would be written; undefined where regions stand in it. */
		holder: HolderRef | undefined;
		name: string;
		band: string;
		/** Names of areas, row by row. */
		cells: readonly (readonly string[])[];
		/** What is laid where one paints; a new region, over empty cells, where nothing is chosen. */
		member: string | undefined;
		tracks: MeasuredTracks;
		/** Screen px for one px of the page. */
		scale: number;
	}
	const { box, holder, name, band, cells, member, tracks, scale }: Props = $props();

	const fresh = $derived(holder ? 'a new piece' : 'a new region');
	/** Corners of what is being painted. */
	let painting = $state.raw<{ readonly from: Cell; readonly to: Cell } | undefined>();
	/** What painting here would hide is said while one paints. */
	const hides = $derived(painting ? (commands.preview?.consequences ?? []).join(' ') : '');

	function commandFor(from: Cell, to: Cell): Command | undefined {
		if (member === undefined) return undefined;
		return { kind: 'set-areas', box, cells: painted(cells, member, from, to), band };
	}

	function paint(cell: Cell): void {
		if (!painting) return;
		painting = { ...painting, to: cell };
		const command = commandFor(painting.from, cell);
		if (command) commands.look(command);
	}

	function drop(): void {
		const area = painting;
		painting = undefined;
		if (area) make(area.from, area.to);
	}

	function make(from: Cell, to: Cell): void {
		const command = commandFor(from, to);
		if (command) void commands.make(command);
		else if (holder) {
			askNewPiece(holder, (added) => ({ box, cells: painted(cells, added, from, to), band }));
		} else if (!isPieceRef(box)) {
			askNewRegion(box.layout, (added) => {
				return { box, cells: painted(cells, added, from, to), band };
			});
		}
	}
</script>

<svelte:window onpointerup={() => drop()} />

{#each cells as row, y (y)}
	{#each row as area, x (x)}
		{@const column = tracks.columns[x]}
		{@const line = tracks.rows[y]}
		{#if column && line && (member !== undefined || isEmptyCell(area))}
			<button
				class="cell"
				class:mine={area === member}
				class:empty={isEmptyCell(area)}
				class:painted={painting && isBetween([x, y], painting.from, painting.to)}
				aria-label="Cell {x + 1}, {y + 1} of {name}: {isEmptyCell(area)
					? 'empty'
					: area}. Put {member ?? fresh} here."
				title="Draw over cells to lay {member ?? fresh} there"
				style:left="{column.from * scale + 1}px"
				style:top="{line.to * scale - 21}px"
				onpointerdown={(event) => {
					event.currentTarget.releasePointerCapture(event.pointerId);
					painting = { from: [x, y], to: [x, y] };
				}}
				onpointerenter={() => paint([x, y])}
				onkeydown={(event) => {
					if (event.key !== 'Enter' && event.key !== ' ') return;
					event.preventDefault();
					make([x, y], [x, y]);
				}}
			></button>
		{/if}
	{/each}
{/each}
{#if hides}
	<p
		class="hides small"
		role="status"
		style:left="{tracks.x * scale + 4}px"
		style:top="{tracks.y * scale + 34}px"
	>
		{hides}
	</p>
{/if}

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
	.cell.empty::before {
		border-style: dashed;
	}
	.cell:hover::before {
		inset: 1px;
	}
	.cell.mine::before,
	.cell.painted::before {
		background: var(--cedar);
	}
	.hides {
		position: absolute;
		z-index: 6;
		max-width: 320px;
		padding: 3px 8px;
		background: var(--fault-wash);
		color: var(--fault);
	}
</style>
