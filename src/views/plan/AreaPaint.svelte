<script lang="ts">
	import type { BoxRef } from '$core/edit/wish.ts';
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

	/** Corners of what is being painted: column and row. */
	let painting = $state.raw<{ from: [number, number]; to: [number, number] } | undefined>();

	function paint(cell: [number, number]): void {
		if (painting) painting = { ...painting, to: cell };
	}

	async function painted(): Promise<void> {
		const area = painting;
		painting = undefined;
		if (!area) return;
		const [left, right] = [area.from[0], area.to[0]].sort((a, b) => a - b);
		const [top, bottom] = [area.from[1], area.to[1]].sort((a, b) => a - b);
		const next = cells.map((row, y) =>
			row.map((name, x) => {
				const inside =
					x >= (left ?? 0) && x <= (right ?? 0) && y >= (top ?? 0) && y <= (bottom ?? 0);
				return inside ? member : name === member ? '.' : name;
			})
		);
		await wishes.make({ kind: 'set-areas', box, cells: next, band });
	}

	function isPainted(x: number, y: number): boolean {
		if (!painting) return false;
		const { from, to } = painting;
		return (
			x >= Math.min(from[0], to[0]) &&
			x <= Math.max(from[0], to[0]) &&
			y >= Math.min(from[1], to[1]) &&
			y <= Math.max(from[1], to[1])
		);
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
				class:painted={isPainted(x, y)}
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
				onpointerup={() => void painted()}
				onkeydown={(event) => {
					if (event.key !== 'Enter' && event.key !== ' ') return;
					event.preventDefault();
					painting = { from: [x, y], to: [x, y] };
					void painted();
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
