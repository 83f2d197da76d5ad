<script lang="ts">
	import { areaCells, painted, trackReached, type Cell } from '$core/view-models/track-gestures.ts';
	import type { ArrangedRef, Command } from '$core/model/command.ts';
	import { commands } from '$store/commands.svelte.ts';
	import EdgeHandle from './EdgeHandle.svelte';
	import type { MeasuredTracks } from '$browser/frame.ts';

	interface Props {
		/** The box whose areas they are. */
		box: ArrangedRef;
		band: string;
		/** Names of areas, row by row. */
		cells: readonly (readonly string[])[];
		/** The member whose ends are dragged over the lines. */
		member: string;
		tracks: MeasuredTracks;
		/** Screen px for one px of the page. */
		scale: number;
		rtl: boolean;
	}
	const { box, band, cells, member, tracks, scale, rtl }: Props = $props();

	type Axis = 'across' | 'down';
	const axes: readonly Axis[] = ['across', 'down'];

	/** Short, so that the tracks' own edges can be taken beside it; px of the screen. */
	const grip = 28;

	/** The last cell, while an end is dragged. */
	let reached = $state.raw<{ readonly axis: Axis; readonly to: Cell } | undefined>();

	const area = $derived(areaCells(cells, member));
	const place = $derived.by(() => {
		if (!area) return undefined;
		const columns = tracks.columns.slice(area.from[0], area.to[0] + 1);
		const rows = tracks.rows.slice(area.from[1], area.to[1] + 1);
		return {
			left: Math.min(...columns.map((one) => one.from)),
			right: Math.max(...columns.map((one) => one.to)),
			top: Math.min(...rows.map((one) => one.from)),
			bottom: Math.max(...rows.map((one) => one.to))
		};
	});

	function commandFor(from: Cell, to: Cell): Command {
		return { kind: 'set-areas', box, cells: painted(cells, member, from, to), band };
	}

	/** The last cell when one axis reaches another track; the area keeps its first cell. */
	function lastCell(axis: Axis, track: number): Cell | undefined {
		if (!area) return undefined;
		const { from, to } = area;
		const most = (axis === 'across' ? tracks.columns : tracks.rows).length - 1;
		const at = Math.min(most, Math.max(axis === 'across' ? from[0] : from[1], track));
		return axis === 'across' ? [at, to[1]] : [to[0], at];
	}

	function drag(axis: Axis, at: number): void {
		const track =
			axis === 'across'
				? trackReached(tracks.columns, at, rtl)
				: trackReached(tracks.rows, at, false);
		const to = lastCell(axis, track);
		if (!area || !to || String(to) === String(reached?.to)) return;
		reached = { axis, to };
		commands.look(commandFor(area.from, to));
	}

	function cancel(): void {
		reached = undefined;
		commands.forget();
	}

	function drop(): void {
		const to = reached?.to;
		cancel();
		if (area && to && String(to) !== String(area.to)) void commands.make(commandFor(area.from, to));
	}

	function step(axis: Axis, by: number): void {
		if (!area) return;
		const now = axis === 'across' ? area.to[0] : area.to[1];
		const to = lastCell(axis, now + Math.sign(by) * (axis === 'across' && rtl ? -1 : 1));
		if (to && String(to) !== String(area.to)) void commands.make(commandFor(area.from, to));
	}

	function said(axis: Axis): string | undefined {
		if (!area || reached?.axis !== axis) return undefined;
		const [first, last] =
			axis === 'across' ? [area.from[0], reached.to[0]] : [area.from[1], reached.to[1]];
		const count = `${last - first + 1} ${axis === 'across' ? 'columns' : 'rows'}`;
		return [count, commands.elsewhere(band)].filter(Boolean).join('; ');
	}
</script>

{#if area && place}
	{#each axes as axis (axis)}
		{@const isAcross = axis === 'across'}
		<EdgeHandle
			{axis}
			drawn
			label={isAcross ? `Columns of the area ${member}` : `Rows of the area ${member}`}
			title="Drag its end over the lines, or use the arrow keys"
			value={isAcross ? area.to[0] - area.from[0] + 1 : area.to[1] - area.from[1] + 1}
			at={(isAcross ? (rtl ? place.left : place.right) : place.bottom) * scale}
			start={((isAcross ? place.top + place.bottom : place.left + place.right) / 2) * scale -
				grip / 2}
			length={grip}
			{scale}
			said={said(axis)}
			onMove={(at) => drag(axis, at)}
			onDrop={drop}
			onCancel={cancel}
			onStep={(by) => step(axis, by)}
		/>
	{/each}
{/if}
