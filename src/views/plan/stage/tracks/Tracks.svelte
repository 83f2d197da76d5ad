<script lang="ts">
	import {
		arrangingOfView,
		holderInView,
		sizedOfView,
		type BoxView
	} from '$core/view-models/chosen/box-view.ts';
	import { sizeWords, trackText } from '$core/view-models/track-gestures.ts';
	import type { Command } from '$core/model/command.ts';
	import AreaPaint from './AreaPaint.svelte';
	import AreaSpan from './AreaSpan.svelte';
	import ColumnSpan from './ColumnSpan.svelte';
	import EdgeHandle from './EdgeHandle.svelte';
	import { commands } from '$store/commands.svelte.ts';
	import { freeSpot, type Rect } from '$browser/labels.ts';
	import type { MeasuredTracks, Stretch } from '$browser/frame.ts';

	interface Props {
		/** The box whose tracks are drawn. */
		view: BoxView;
		tracks: MeasuredTracks;
		/** Screen px for one px of the page. */
		scale: number;
		rtl: boolean;
		/** The region that is chosen, to paint cells with and to span by. */
		chosen: BoxView | undefined;
		/** Where the chosen region is, px of the page. */
		chosenBox:
			| { readonly x: number; readonly width: number; readonly y: number; readonly height: number }
			| undefined;
		/** Words and pictures of the page, px: sizes stand where they cover none, if there is such a place. */
		words: readonly Rect[];
		/** Another box whose tracks could be drawn. */
		other: BoxView | undefined;
		/** Draws those. */
		onOther: () => void;
	}
	const { view, tracks, scale, rtl, chosen, chosenBox, words, other, onOther }: Props = $props();

	type Axis = 'columns' | 'rows';
	/** No box is called so: a view without one draws no tracks. */
	const nothing = { layout: '', box: undefined } as const;
	/** px of the screen. */
	const lowRow = 20;
	let dragging = $state.raw<
		| {
				readonly axis: Axis;
				readonly index: number;
				readonly size: number;
				/** As it was when the drag began: what it would be is drawn meanwhile. */
				readonly before: number;
		  }
		| undefined
	>();

	const arrangement = $derived(view.arrangement);
	const band = $derived(view.bands[view.band] ?? '');
	const member = $derived(
		chosen && chosenBox && chosen !== view && isMember(chosen) ? chosen.name : undefined
	);
	const box = $derived(arrangingOfView(view));

	/** Whether what is chosen lies in the tracks: of a region, pieces that other layers bring do, too. */
	function isMember({ kind, name }: BoxView): boolean {
		const isPiece = kind === 'piece' || kind === 'group';
		if (view.kind === 'region') return isPiece;
		return isPiece === (view.kind === 'group') && view.members.includes(name);
	}

	const chosenRef = $derived(chosen && sizedOfView(chosen));

	function stretches(axis: Axis): readonly Stretch[] {
		return axis === 'columns' ? tracks.columns : tracks.rows;
	}

	function written(axis: Axis, index: number, size: number): string {
		const before = arrangement?.[axis][index]?.size ?? '';
		return trackText(before, size, axis === 'columns' ? tracks.width : 0);
	}

	function commandFor(axis: Axis, index: number, size: string): Command {
		return { kind: 'set-track', box: box ?? nothing, axis, index, size, band };
	}

	function addTrack(axis: Axis, index: number): Command {
		return { kind: 'add-track', box: box ?? nothing, axis, index, band };
	}

	function removeTrack(axis: Axis, index: number): Command {
		return { kind: 'remove-track', box: box ?? nothing, axis, index, band };
	}

	/** px of the screen that a size takes with its button. */
	const plateWidth = 62;
	const plateHeight = 18;

	/** Where the size of a column stands, px of the screen: below its top, or at the lines of the rows. */
	function columnSpot({ from, to }: Stretch): { x: number; y: number } {
		const width = Math.min(plateWidth, (to - from) * scale) / scale;
		const height = plateHeight / scale;
		const x = (from + to - width) / 2;
		const tops = [
			tracks.y + 14 / scale,
			...tracks.rows.flatMap((row) => [row.from + 2 / scale, row.to - height - 2 / scale])
		];
		const spot = freeSpot(
			tops.map((y) => ({ x, y, width, height })),
			words
		);
		return { x: (spot?.x ?? x) * scale, y: (spot?.y ?? tracks.y) * scale };
	}

	/** Where the sizes of columns stand, px of the page: nothing may cover their buttons. */
	const columnPlates = $derived(
		tracks.columns.flatMap((column, index): Rect[] => {
			if (!arrangement?.columns[index]) return [];
			const { x, y } = columnSpot(column);
			const width = Math.min(plateWidth, (column.to - column.from) * scale) / scale;
			return [{ x: x / scale, y: y / scale, width, height: plateHeight / scale }];
		})
	);

	/** The same for a row: at the end of its line, or at the lines of the columns. */
	function rowSpot({ from, to }: Stretch, low: number): { x: number; y: number } {
		const width = plateWidth / scale;
		const height = plateHeight / scale;
		const y = (from + to - height) / 2;
		const end = tracks.x + tracks.width - width - (3 + low * 66) / scale;
		const starts = [end, ...tracks.columns.flatMap((column) => [column.to - width, column.from])];
		const spots = starts.map((x) => ({ x, y, width, height }));
		const spot = freeSpot(spots, words, columnPlates);
		return { x: (spot?.x ?? end) * scale, y: y * scale };
	}

	/** And for what says whose tracks they are. */
	const nameSpot = $derived.by(() => {
		const width = 150 / scale;
		const height = 15 / scale;
		const places = [tracks.y - height, tracks.y + tracks.height, tracks.y + tracks.height - height]
			.filter((y) => y >= 0)
			.map((y) => ({ x: tracks.x, y, width, height }));
		return freeSpot(places, words, columnPlates) ?? { x: tracks.x, y: tracks.y };
	});

	/** One column less or more: of equal ones another number, of those with sizes of their own the last, or one behind it. */
	function countTo(columns: number): Command {
		const count = arrangement?.count ?? 0;
		if ((arrangement?.columns.length ?? 0) === 0) {
			return { kind: 'set-columns', box: box ?? nothing, said: { columns: String(columns) }, band };
		}
		return columns > count ? addTrack('columns', count) : removeTrack('columns', count - 1);
	}

	/** Rows too low for a handle of their own stand beside each other: how many come before this one. */
	function lowBefore(index: number): number {
		let count = 0;
		while (count < index && isLow(tracks.rows[index - count - 1])) count++;
		return isLow(tracks.rows[index]) ? count : 0;
	}

	function isLow(row: Stretch | undefined): boolean {
		return row !== undefined && (row.to - row.from) * scale < lowRow;
	}

	function drag(axis: Axis, index: number, at: number): void {
		const track = stretches(axis)[index];
		if (!track) return;
		const size = Math.max(
			0,
			Math.round(axis === 'columns' && rtl ? track.to - at : at - track.from)
		);
		commands.look(commandFor(axis, index, written(axis, index, size)));
		const before = dragging?.before ?? Math.round(track.to - track.from);
		dragging = { axis, index, size, before };
	}

	function cancel(): void {
		dragging = undefined;
		commands.forget();
	}

	function drop(): void {
		const dragged = dragging;
		cancel();
		if (!dragged) return;
		const { axis, index, size, before } = dragged;
		if (before === size) return;
		void commands.make(commandFor(axis, index, written(axis, index, size)));
	}

	function step(axis: Axis, index: number, by: number): void {
		const track = stretches(axis)[index];
		if (!track) return;
		const size = Math.max(0, Math.round(track.to - track.from) + by);
		void commands.make(commandFor(axis, index, written(axis, index, size)));
	}

	/** What to read of a track while it is dragged. */
	function said(axis: Axis, index: number): string | undefined {
		if (dragging?.axis !== axis || dragging.index !== index) return undefined;
		const size =
			axis === 'columns' ? sizeWords(dragging.size, tracks.width) : `${dragging.size} px`;
		return [size, commands.elsewhere(band)].filter(Boolean).join('; ');
	}

	/** Where the edge of a track is that can be dragged: its end, as far as it was dragged. */
	function edgeOf(axis: Axis, index: number, track: Stretch): number {
		const size =
			dragging?.axis === axis && dragging.index === index ? dragging.size : track.to - track.from;
		return axis === 'columns' && rtl ? track.to - size : track.from + size;
	}

	async function type(
		event: Event & { currentTarget: HTMLInputElement },
		axis: Axis,
		index: number
	): Promise<void> {
		const input = event.currentTarget;
		const before = arrangement?.[axis][index]?.size ?? '';
		if (!(await commands.make(commandFor(axis, index, input.value.trim() || 'auto')))) {
			input.value = before;
		}
	}
</script>

{#if arrangement && box}
	<div class="tracks" role="group" aria-label="Tracks of {view.name}">
		<span
			class="whose mono"
			style:left="{nameSpot.x * scale}px"
			style:top="{Math.max(0, nameSpot.y * scale)}px"
		>
			{view.name}: {arrangement.kind}, {arrangement.here
				? 'set here'
				: `from ${arrangement.band}`}{arrangement.by === undefined
				? ''
				: `, said by ${arrangement.by}`}
			{#if other}
				<button class="other" title="Draw the tracks of {other.name} instead" onclick={onOther}
					>{other.name} instead</button
				>
			{/if}
		</span>
		{#each tracks.columns as column, index (index)}
			{@const size = arrangement.columns[index]}
			<span
				class="column"
				style:left="{column.from * scale}px"
				style:width="{(column.to - column.from) * scale}px"
				style:top="{tracks.y * scale}px"
				style:height="{tracks.height * scale}px"
			>
				{#if size}
					{@const spot = columnSpot(column)}
					<span
						class="sizes"
						style:left="{spot.x - column.from * scale}px"
						style:top="{spot.y - tracks.y * scale}px"
					>
						<input
							class="mono"
							aria-label="Column {index + 1} of {view.name}"
							disabled={!size.own}
							value={size.size}
							oninput={(event) =>
								commands.look(commandFor('columns', index, event.currentTarget.value))}
							onblur={() => commands.forget()}
							onchange={(event) => void type(event, 'columns', index)}
						/><button
							class="mono less"
							aria-label="Remove column {index + 1} of {view.name}"
							title="Remove this column"
							onpointerenter={() => commands.look(removeTrack('columns', index))}
							onpointerleave={() => commands.forget()}
							onclick={() => void commands.make(removeTrack('columns', index))}>−</button
						></span
					>
				{:else if index === 0 || arrangement.kind === 'columns'}
					<span class="number mono">{index + 1}</span>
				{/if}
			</span>
			{#if size?.own}
				<EdgeHandle
					axis="across"
					label="Width of column {index + 1} of {view.name}"
					title="Drag, or use the arrow keys: 1 px, with Shift 10 px"
					value={Math.round(column.to - column.from)}
					valueText={sizeWords(column.to - column.from, tracks.width)}
					at={edgeOf('columns', index, column) * scale}
					start={tracks.y * scale}
					length={tracks.height * scale}
					{scale}
					said={said('columns', index)}
					onMove={(at) => drag('columns', index, at)}
					onDrop={drop}
					onCancel={cancel}
					onStep={(by) => step('columns', index, by)}
				/>
			{/if}
		{/each}
		{#each tracks.rows as row, index (index)}
			{@const size = arrangement.rows[index]}
			{#if size}
				{@const spot = rowSpot(row, lowBefore(index))}
				<span
					class="row"
					style:left="{tracks.x * scale}px"
					style:width="{tracks.width * scale}px"
					style:top="{row.from * scale}px"
					style:height="{(row.to - row.from) * scale}px"
				>
					<span
						class="sizes"
						style:left="{spot.x - tracks.x * scale}px"
						style:top="{spot.y - row.from * scale}px"
					>
						<input
							class="mono"
							aria-label="Row {index + 1} of {view.name}"
							value={size.size}
							oninput={(event) =>
								commands.look(commandFor('rows', index, event.currentTarget.value))}
							onblur={() => commands.forget()}
							onchange={(event) => void type(event, 'rows', index)}
						/><button
							class="mono less"
							aria-label="Remove row {index + 1} of {view.name}"
							title="Remove this row"
							onpointerenter={() => commands.look(removeTrack('rows', index))}
							onpointerleave={() => commands.forget()}
							onclick={() => void commands.make(removeTrack('rows', index))}>−</button
						>
					</span>
				</span>
				<EdgeHandle
					axis="down"
					label="Height of row {index + 1} of {view.name}"
					title="Drag, or use the arrow keys: 1 px, with Shift 10 px"
					value={Math.round(row.to - row.from)}
					valueText="{Math.round(row.to - row.from)} px"
					at={edgeOf('rows', index, row) * scale}
					start={tracks.x * scale + lowBefore(index) * 46}
					length={isLow(row) ? 42 : tracks.width * scale}
					{scale}
					said={said('rows', index)}
					onMove={(at) => drag('rows', index, at)}
					onDrop={drop}
					onCancel={cancel}
					onStep={(by) => step('rows', index, by)}
				/>
			{/if}
		{/each}
		{#if arrangement.kind === 'areas'}
			{#each ['columns', 'rows'] as const as axis (axis)}
				{@const lines = stretches(axis)}
				{#each [...lines, undefined] as track, index (index)}
					{@const at = track?.from ?? lines.at(-1)?.to ?? 0}
					<button
						class="more mono {axis}"
						aria-label="Add a {axis === 'columns' ? 'column' : 'row'} at line {index +
							1} of {view.name}"
						title="Add a {axis === 'columns' ? 'column' : 'row'} here"
						style:left="{(axis === 'columns' ? at : tracks.x) * scale}px"
						style:top="{(axis === 'rows' ? at : tracks.y) * scale}px"
						onpointerenter={() => commands.look(addTrack(axis, index))}
						onpointerleave={() => commands.forget()}
						onclick={() => void commands.make(addTrack(axis, index))}>+</button
					>
				{/each}
			{/each}
			<AreaPaint
				{box}
				holder={holderInView(view)}
				name={view.name}
				{band}
				cells={arrangement.cells}
				{member}
				{tracks}
				{scale}
			/>
		{:else if arrangement.kind === 'columns'}
			<span
				class="counts"
				style:left="{(tracks.x + tracks.width) * scale}px"
				style:top="{tracks.y * scale}px"
			>
				<button
					class="mono"
					aria-label="One column less in {view.name}"
					title="One column less"
					disabled={arrangement.count <= 1}
					onclick={() => void commands.make(countTo(arrangement.count - 1))}>−</button
				><button
					class="mono"
					aria-label="One column more in {view.name}"
					title="One column more"
					onclick={() => void commands.make(countTo(arrangement.count + 1))}>+</button
				>
			</span>
		{/if}
		{#if member !== undefined && arrangement.kind === 'areas'}
			<AreaSpan {box} {band} cells={arrangement.cells} {member} {tracks} {scale} {rtl} />
		{/if}
		{#if chosen && chosenRef && member !== undefined && arrangement.kind === 'columns' && chosenBox}
			<ColumnSpan
				view={chosen}
				box={chosenRef}
				{band}
				count={arrangement.count}
				at={chosenBox}
				{tracks}
				{scale}
				{rtl}
			/>
		{/if}
	</div>
{/if}

<style>
	.tracks {
		position: absolute;
		inset: 0;
		pointer-events: none;
		overflow: hidden;
	}
	.whose {
		position: absolute;
		padding: 0 4px;
		font-size: 9.5px;
		line-height: 14px;
		background: var(--ink);
		color: var(--sheet);
		z-index: 3;
	}
	.other {
		pointer-events: auto;
		font: inherit;
		color: inherit;
		text-decoration: underline;
		padding: 0 2px;
	}
	.column,
	.row {
		position: absolute;
		border: 0 dashed var(--cedar);
	}
	.column {
		border-width: 0 1px;
		background: color-mix(in srgb, var(--cedar) 5%, transparent);
	}
	.row {
		border-width: 1px 0;
	}
	.number {
		position: absolute;
	}
	input,
	.number {
		pointer-events: auto;
		font-size: 10px;
		line-height: 15px;
		height: 17px;
		padding: 0 3px;
		border: 1px solid var(--cedar);
		border-radius: var(--radius);
		background: var(--sheet);
		color: var(--cedar);
		text-align: center;
		field-sizing: content;
		min-width: 26px;
		max-width: 100%;
		z-index: 2;
	}
	.number {
		border: 0;
		background: none;
	}
	input:disabled {
		color: var(--ink-2);
		border-color: var(--rule);
	}
	.sizes {
		position: absolute;
		display: flex;
		z-index: 2;
		max-width: 100%;
	}
	.number {
		left: 50%;
		top: 14px;
		transform: translateX(-50%);
	}
	.less,
	.more,
	.counts button {
		pointer-events: auto;
		width: 15px;
		height: 17px;
		font-size: 11px;
		line-height: 14px;
		color: var(--cedar);
		background: var(--sheet);
		border: 1px solid var(--cedar);
		border-radius: var(--radius);
	}
	.less {
		border-left: 0;
	}
	.more {
		position: absolute;
		z-index: 3;
		width: 13px;
		height: 13px;
		line-height: 9px;
		border-radius: 7px;
		transform: translate(-50%, -50%);
	}
	.more.columns {
		transform: translate(-50%, 0);
	}
	.more.rows {
		transform: translate(0, -50%);
	}
	.more:hover,
	.less:hover {
		background: var(--cedar);
		color: var(--on-cedar);
	}
	.counts {
		position: absolute;
		display: flex;
		z-index: 3;
		transform: translate(-100%, 0);
	}
</style>
