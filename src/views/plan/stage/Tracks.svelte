<script lang="ts">
	import type { BoxView } from '$core/drawing/box-view.ts';
	import { sizeWords, trackText } from '$core/drawing/track-gestures.ts';
	import type { Wish } from '$core/model/wish.ts';
	import AreaPaint from './AreaPaint.svelte';
	import AreaSpan from './AreaSpan.svelte';
	import ColumnSpan from './ColumnSpan.svelte';
	import EdgeHandle from './EdgeHandle.svelte';
	import { wishes } from '$store/wishes.svelte.ts';
	import type { MeasuredTracks, Stretch } from '$views/frame/frame.ts';

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
	}
	const { view, tracks, scale, rtl, chosen, chosenBox }: Props = $props();

	type Axis = 'columns' | 'rows';
	let dragging = $state.raw<
		{ readonly axis: Axis; readonly index: number; readonly size: number } | undefined
	>();

	const arrangement = $derived(view.arrangement);
	const band = $derived(view.bands[view.band] ?? '');
	const member = $derived(
		chosen && view.members.includes(chosen.name) && chosen.ref.layout === view.ref.layout
			? chosen.name
			: undefined
	);

	function stretches(axis: Axis): readonly Stretch[] {
		return axis === 'columns' ? tracks.columns : tracks.rows;
	}

	function written(axis: Axis, index: number, size: number): string {
		const before = arrangement?.[axis][index]?.size ?? '';
		return trackText(before, size, axis === 'columns' ? tracks.width : 0);
	}

	function wishFor(axis: Axis, index: number, size: string): Wish {
		return { kind: 'set-track', box: view.ref, axis, index, size, band };
	}

	function drag(axis: Axis, index: number, at: number): void {
		const track = stretches(axis)[index];
		if (!track) return;
		const size = Math.max(
			0,
			Math.round(axis === 'columns' && rtl ? track.to - at : at - track.from)
		);
		if (dragging === undefined)
			wishes.previewSoon(wishFor(axis, index, written(axis, index, size + 1)));
		dragging = { axis, index, size };
	}

	function cancel(): void {
		dragging = undefined;
		wishes.forget();
	}

	function drop(): void {
		const dragged = dragging;
		cancel();
		if (!dragged) return;
		const { axis, index, size } = dragged;
		const track = stretches(axis)[index];
		if (!track || Math.round(track.to - track.from) === size) return;
		void wishes.make(wishFor(axis, index, written(axis, index, size)));
	}

	function step(axis: Axis, index: number, by: number): void {
		const track = stretches(axis)[index];
		if (!track) return;
		const size = Math.max(0, Math.round(track.to - track.from) + by);
		void wishes.make(wishFor(axis, index, written(axis, index, size)));
	}

	/** What to read of a track while it is dragged. */
	function said(axis: Axis, index: number): string | undefined {
		if (dragging?.axis !== axis || dragging.index !== index) return undefined;
		const size =
			axis === 'columns' ? sizeWords(dragging.size, tracks.width) : `${dragging.size} px`;
		return [size, wishes.elsewhere(band)].filter(Boolean).join('; ');
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
		if (!(await wishes.make(wishFor(axis, index, input.value.trim() || 'auto')))) {
			input.value = before;
		}
	}
</script>

{#if arrangement}
	<div class="tracks" role="group" aria-label="Tracks of {view.name}">
		<span
			class="whose mono"
			style:left="{tracks.x * scale}px"
			style:top="{Math.max(0, tracks.y * scale - 15)}px"
		>
			{view.name}: {arrangement.kind}, {arrangement.here ? 'set here' : `from ${arrangement.band}`}
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
					<input
						class="mono"
						aria-label="Column {index + 1} of {view.name}"
						disabled={!size.own}
						value={size.size}
						oninput={(event) =>
							wishes.previewSoon(wishFor('columns', index, event.currentTarget.value))}
						onblur={() => wishes.forget()}
						onchange={(event) => void type(event, 'columns', index)}
					/>
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
				<span
					class="row"
					style:left="{tracks.x * scale}px"
					style:width="{tracks.width * scale}px"
					style:top="{row.from * scale}px"
					style:height="{(row.to - row.from) * scale}px"
				>
					{#if (row.to - row.from) * scale > 24}
						<input
							class="mono"
							aria-label="Row {index + 1} of {view.name}"
							value={size.size}
							oninput={(event) =>
								wishes.previewSoon(wishFor('rows', index, event.currentTarget.value))}
							onblur={() => wishes.forget()}
							onchange={(event) => void type(event, 'rows', index)}
						/>
					{/if}
				</span>
				<EdgeHandle
					axis="down"
					label="Height of row {index + 1} of {view.name}"
					title="Drag, or use the arrow keys: 1 px, with Shift 10 px"
					value={Math.round(row.to - row.from)}
					valueText="{Math.round(row.to - row.from)} px"
					at={edgeOf('rows', index, row) * scale}
					start={tracks.x * scale}
					length={tracks.width * scale}
					{scale}
					said={said('rows', index)}
					onMove={(at) => drag('rows', index, at)}
					onDrop={drop}
					onCancel={cancel}
					onStep={(by) => step('rows', index, by)}
				/>
			{/if}
		{/each}
		{#if member !== undefined && arrangement.kind === 'areas'}
			<AreaPaint
				box={view.ref}
				name={view.name}
				{band}
				cells={arrangement.cells}
				{member}
				{tracks}
				{scale}
			/>
			<AreaSpan box={view.ref} {band} cells={arrangement.cells} {member} {tracks} {scale} {rtl} />
		{/if}
		{#if chosen && member !== undefined && arrangement.kind === 'columns' && chosenBox}
			<ColumnSpan
				view={chosen}
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
	input,
	.number {
		position: absolute;
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
	.column > input,
	.number {
		left: 50%;
		top: 17px;
		transform: translateX(-50%);
	}
	.row > input {
		right: 3px;
		top: 50%;
		transform: translateY(-50%);
	}
</style>
