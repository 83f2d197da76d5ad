<script lang="ts">
	import type { BoxView } from '$core/drawing/box-view.ts';
	import AreaPaint from './AreaPaint.svelte';
	import ColumnSpan from './ColumnSpan.svelte';
	import { wishes } from '$store/wishes.svelte.ts';
	import type { MeasuredTracks, Stretch } from './frame.ts';

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

	const twelfths = (size: number, whole: number): string =>
		`${Math.round(size)} px, ${((size / whole) * 100).toFixed(1)} %, ${((size / whole) * 12).toFixed(1)} of 12`;

	function stretches(axis: Axis): readonly Stretch[] {
		return axis === 'columns' ? tracks.columns : tracks.rows;
	}

	function start(
		event: PointerEvent & { currentTarget: HTMLElement },
		axis: Axis,
		index: number
	): void {
		const track = stretches(axis)[index];
		if (!track) return;
		dragging = { axis, index, size: track.to - track.from };
		event.currentTarget.setPointerCapture(event.pointerId);
	}

	function drag(event: PointerEvent & { currentTarget: HTMLElement }): void {
		if (!dragging) return;
		const sheet = event.currentTarget.closest('.tracks')?.getBoundingClientRect();
		const track = stretches(dragging.axis)[dragging.index];
		if (!sheet || !track) return;
		const at =
			dragging.axis === 'columns'
				? (event.clientX - sheet.left) / scale
				: (event.clientY - sheet.top) / scale;
		const size = dragging.axis === 'columns' && rtl ? track.to - at : at - track.from;
		dragging = { ...dragging, size: Math.max(0, Math.round(size)) };
	}

	/** In the unit that is written: shares stay shares, all else becomes px. */
	function written(axis: Axis, index: number, size: number): string {
		const before = arrangement?.[axis][index]?.size ?? '';
		if (axis === 'columns' && /^[\d.]+%$/.test(before)) {
			return `${Number(((size / tracks.width) * 100).toFixed(2))}%`;
		}
		return `${size}px`;
	}

	async function drop(): Promise<void> {
		const dragged = dragging;
		dragging = undefined;
		if (!dragged) return;
		const { axis, index, size } = dragged;
		const track = stretches(axis)[index];
		if (!track || Math.round(track.to - track.from) === size) return;
		await setTrack(axis, index, written(axis, index, size));
	}

	function setTrack(axis: Axis, index: number, size: string): Promise<boolean> {
		return wishes.make({ kind: 'set-track', box: view.ref, axis, index, size, band });
	}

	function onKey(event: KeyboardEvent, axis: Axis, index: number): void {
		const step = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key];
		const track = stretches(axis)[index];
		if (step === undefined || !track) return;
		event.preventDefault();
		const size = Math.max(0, Math.round(track.to - track.from) + step * (event.shiftKey ? 10 : 1));
		void setTrack(axis, index, written(axis, index, size));
	}

	async function type(
		event: Event & { currentTarget: HTMLInputElement },
		axis: Axis,
		index: number
	): Promise<void> {
		const input = event.currentTarget;
		const before = arrangement?.[axis][index]?.size ?? '';
		if (!(await setTrack(axis, index, input.value.trim() || 'auto'))) input.value = before;
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
						onchange={(event) => void type(event, 'columns', index)}
					/>
				{:else if index === 0 || arrangement.kind === 'columns'}
					<span class="number mono">{index + 1}</span>
				{/if}
			</span>
			{#if size?.own}
				{@const shown =
					dragging?.axis === 'columns' && dragging.index === index ? dragging.size : undefined}
				{@const edge = rtl
					? shown === undefined
						? column.from
						: column.to - shown
					: shown === undefined
						? column.to
						: column.from + shown}
				<span
					class="edge across"
					class:moving={shown !== undefined}
					role="slider"
					tabindex="0"
					aria-label="Width of column {index + 1} of {view.name}"
					aria-valuenow={Math.round(column.to - column.from)}
					aria-valuetext={twelfths(column.to - column.from, tracks.width)}
					title="Drag, or use the arrow keys: 1 px, with Shift 10 px"
					style:left="{edge * scale}px"
					style:top="{tracks.y * scale}px"
					style:height="{tracks.height * scale}px"
					onpointerdown={(event) => start(event, 'columns', index)}
					onpointermove={drag}
					onpointerup={() => void drop()}
					onpointercancel={() => (dragging = undefined)}
					onkeydown={(event) => onKey(event, 'columns', index)}
				>
					{#if shown !== undefined}<b class="mono">{twelfths(shown, tracks.width)}</b>{/if}
				</span>
			{/if}
		{/each}
		{#each tracks.rows as row, index (index)}
			{@const size = arrangement.rows[index]}
			{#if size}
				{@const shown =
					dragging?.axis === 'rows' && dragging.index === index ? dragging.size : undefined}
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
							onchange={(event) => void type(event, 'rows', index)}
						/>
					{/if}
				</span>
				<span
					class="edge down"
					class:moving={shown !== undefined}
					role="slider"
					tabindex="0"
					aria-label="Height of row {index + 1} of {view.name}"
					aria-valuenow={Math.round(row.to - row.from)}
					aria-valuetext="{Math.round(row.to - row.from)} px"
					title="Drag, or use the arrow keys: 1 px, with Shift 10 px"
					style:left="{tracks.x * scale}px"
					style:width="{tracks.width * scale}px"
					style:top="{(shown === undefined ? row.to : row.from + shown) * scale}px"
					onpointerdown={(event) => start(event, 'rows', index)}
					onpointermove={drag}
					onpointerup={() => void drop()}
					onpointercancel={() => (dragging = undefined)}
					onkeydown={(event) => onKey(event, 'rows', index)}
				>
					{#if shown !== undefined}<b class="mono">{shown} px</b>{/if}
				</span>
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
	.edge {
		position: absolute;
		pointer-events: auto;
		touch-action: none;
		z-index: 1;
	}
	.across {
		width: 9px;
		margin-left: -5px;
		cursor: col-resize;
	}
	.down {
		height: 9px;
		margin-top: -5px;
		cursor: row-resize;
	}
	.across:hover,
	.across.moving {
		background: linear-gradient(90deg, transparent 3px, var(--cedar) 3px 6px, transparent 6px);
	}
	.down:hover,
	.down.moving {
		background: linear-gradient(transparent 3px, var(--cedar) 3px 6px, transparent 6px);
	}
	.edge b {
		position: absolute;
		left: 8px;
		top: 6px;
		padding: 0 5px;
		font-size: 10.5px;
		font-weight: 500;
		line-height: 16px;
		white-space: nowrap;
		background: var(--cedar);
		color: var(--on-cedar);
		border-radius: var(--radius);
		z-index: 4;
	}
</style>
