<script lang="ts">
	import type { BoxView } from '$core/drawing/box-view.ts';
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
	let spanning = $state<number | undefined>();
	let offsetting = $state<number | undefined>();
	let painting = $state.raw<{ from: [number, number]; to: [number, number] } | undefined>();

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

	function paint(cell: [number, number]): void {
		if (painting) painting = { ...painting, to: cell };
	}

	async function painted(): Promise<void> {
		const area = painting;
		painting = undefined;
		if (!area || member === undefined || !arrangement) return;
		const [left, right] = [area.from[0], area.to[0]].sort((a, b) => a - b);
		const [top, bottom] = [area.from[1], area.to[1]].sort((a, b) => a - b);
		const cells = arrangement.cells.map((row, y) =>
			row.map((name, x) => {
				const inside =
					x >= (left ?? 0) && x <= (right ?? 0) && y >= (top ?? 0) && y <= (bottom ?? 0);
				return inside ? member : name === member ? '.' : name;
			})
		);
		await wishes.make({ kind: 'set-areas', box: view.ref, cells, band });
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

	/** Columns from the region's start to a place of the pointer, at least one. */
	function columnsTo(x: number): number {
		if (!chosenBox) return 1;
		const covered = tracks.columns.filter((column) =>
			rtl
				? column.to <= chosenBox.x + chosenBox.width + 1 && (column.from + column.to) / 2 >= x
				: column.from >= chosenBox.x - 1 && (column.from + column.to) / 2 <= x
		);
		return Math.max(1, covered.length);
	}

	function dragSpan(event: PointerEvent & { currentTarget: HTMLElement }): void {
		const sheet = event.currentTarget.closest('.tracks')?.getBoundingClientRect();
		if (spanning === undefined || !sheet) return;
		spanning = columnsTo((event.clientX - sheet.left) / scale);
	}

	async function dropSpan(): Promise<void> {
		const columns = spanning;
		spanning = undefined;
		if (columns === undefined || !chosen) return;
		await setSpan(columns);
	}

	function setSpan(columns: number): Promise<boolean> {
		const value = String(Math.min(arrangement?.count ?? 1, Math.max(1, columns)));
		const box = chosen?.ref ?? view.ref;
		return wishes.make({ kind: 'set-setting', box, setting: 'span', value, band });
	}

	/** Columns left free before the region, if it began at a place of the pointer. */
	function freeBefore(x: number): number {
		const { columns } = tracks;
		const widest = Math.max(1, arrangement?.count ?? 1);
		const at = rtl
			? columns.filter((column) => (column.from + column.to) / 2 > x).length
			: columns.filter((column) => (column.from + column.to) / 2 < x).length;
		return Math.min(widest - 1, Math.max(0, at - startOfRun()));
	}

	/** The first column that was free for the region: where the offset it has begins. */
	function startOfRun(): number {
		if (!chosenBox) return 0;
		const edge = rtl ? chosenBox.x + chosenBox.width : chosenBox.x;
		const index = tracks.columns.filter((column) =>
			rtl ? column.from >= edge - 1 : column.to <= edge + 1
		).length;
		const row = chosen?.strip.find((one) => one.setting === 'offset');
		const held = row?.overhangs.find((one) => one.from <= view.band && view.band < one.to);
		return Math.max(0, index - Number(held?.value ?? 0));
	}

	function dragOffset(event: PointerEvent & { currentTarget: HTMLElement }): void {
		const sheet = event.currentTarget.closest('.tracks')?.getBoundingClientRect();
		if (offsetting === undefined || !sheet) return;
		offsetting = freeBefore((event.clientX - sheet.left) / scale);
	}

	async function dropOffset(): Promise<void> {
		const value = offsetting;
		offsetting = undefined;
		if (value !== undefined) await setOffset(value);
	}

	function setOffset(columns: number): Promise<boolean> {
		const value = String(Math.max(0, columns));
		const box = chosen?.ref ?? view.ref;
		return wishes.make({ kind: 'set-setting', box, setting: 'offset', value, band });
	}

	function onOffsetKey(event: KeyboardEvent): void {
		const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		if (step === undefined || !chosenBox) return;
		event.preventDefault();
		const edge = rtl ? chosenBox.x + chosenBox.width : chosenBox.x;
		void setOffset(freeBefore(edge) + step * (rtl ? -1 : 1));
	}

	function onSpanKey(event: KeyboardEvent): void {
		const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		if (step === undefined || !chosenBox) return;
		event.preventDefault();
		const end = rtl ? chosenBox.x : chosenBox.x + chosenBox.width;
		void setSpan(columnsTo(end) + step * (rtl ? -1 : 1));
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
			{#each arrangement.cells as row, y (y)}
				{#each row as name, x (x)}
					{@const column = tracks.columns[x]}
					{@const line = tracks.rows[y]}
					{#if column && line}
						<button
							class="cell"
							class:mine={name === member}
							class:painted={isPainted(x, y)}
							aria-label="Cell {x + 1}, {y + 1} of {view.name}: {name === '.'
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
		{/if}
		{#if member !== undefined && arrangement.kind === 'columns' && chosenBox}
			<span
				class="edge across span"
				role="slider"
				tabindex="0"
				aria-label="Columns left free before {member}"
				aria-valuenow={freeBefore(rtl ? chosenBox.x + chosenBox.width : chosenBox.x)}
				title="Drag over the columns, or use the arrow keys"
				style:left="{(rtl ? chosenBox.x + chosenBox.width : chosenBox.x) * scale}px"
				style:top="{chosenBox.y * scale}px"
				style:height="{chosenBox.height * scale}px"
				onpointerdown={(event) => {
					event.currentTarget.setPointerCapture(event.pointerId);
					offsetting = freeBefore(chosenBox.x);
				}}
				onpointermove={dragOffset}
				onpointerup={() => void dropOffset()}
				onpointercancel={() => (offsetting = undefined)}
				onkeydown={onOffsetKey}
			>
				{#if offsetting !== undefined}
					<b class="mono"
						>offset {offsetting}, {((offsetting / arrangement.count) * 100).toFixed(1)} %</b
					>
				{/if}
			</span>
		{/if}
		{#if member !== undefined && arrangement.kind === 'columns' && chosenBox}
			{@const covered = spanning ?? 0}
			<span
				class="edge across span"
				class:moving={spanning !== undefined}
				role="slider"
				tabindex="0"
				aria-label="Columns that {member} spans"
				aria-valuenow={columnsTo(rtl ? chosenBox.x : chosenBox.x + chosenBox.width)}
				title="Drag over the columns, or use the arrow keys"
				style:left="{(rtl ? chosenBox.x : chosenBox.x + chosenBox.width) * scale}px"
				style:top="{chosenBox.y * scale}px"
				style:height="{chosenBox.height * scale}px"
				onpointerdown={(event) => {
					event.currentTarget.setPointerCapture(event.pointerId);
					spanning = columnsTo(chosenBox.x + chosenBox.width);
				}}
				onpointermove={dragSpan}
				onpointerup={() => void dropSpan()}
				onpointercancel={() => (spanning = undefined)}
				onkeydown={onSpanKey}
			>
				{#if spanning !== undefined}
					<b class="mono">span {covered}, {((covered / arrangement.count) * 100).toFixed(1)} %</b>
				{/if}
			</span>
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
	.span {
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
