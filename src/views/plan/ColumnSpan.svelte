<script lang="ts">
	import type { BoxView } from '$core/drawing/box-view.ts';
	import { wishes } from '$store/wishes.svelte.ts';
	import type { MeasuredTracks } from './frame.ts';

	interface Props {
		/** The region that spans columns. */
		view: BoxView;
		band: string;
		/** Number of columns. */
		count: number;
		/** Where the region is, px of the page. */
		at: { readonly x: number; readonly width: number; readonly y: number; readonly height: number };
		tracks: MeasuredTracks;
		/** Screen px for one px of the page. */
		scale: number;
		rtl: boolean;
	}
	const { view, band, count, at, tracks, scale, rtl }: Props = $props();

	let spanning = $state<number | undefined>();
	let offsetting = $state<number | undefined>();

	/** Columns from the region's start to a place of the pointer, at least one. */
	function columnsTo(x: number): number {
		const covered = tracks.columns.filter((column) =>
			rtl
				? column.to <= at.x + at.width + 1 && (column.from + column.to) / 2 >= x
				: column.from >= at.x - 1 && (column.from + column.to) / 2 <= x
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
		if (columns === undefined) return;
		await setSpan(columns);
	}

	function setSpan(columns: number): Promise<boolean> {
		const value = String(Math.min(count, Math.max(1, columns)));
		return wishes.make({ kind: 'set-setting', box: view.ref, setting: 'span', value, band });
	}

	/** Columns left free before the region, if it began at a place of the pointer. */
	function freeBefore(x: number): number {
		const { columns } = tracks;
		const widest = Math.max(1, count);
		const index = rtl
			? columns.filter((column) => (column.from + column.to) / 2 > x).length
			: columns.filter((column) => (column.from + column.to) / 2 < x).length;
		return Math.min(widest - 1, Math.max(0, index - startOfRun()));
	}

	/** The first column that was free for the region: where the offset it has begins. */
	function startOfRun(): number {
		const edge = rtl ? at.x + at.width : at.x;
		const index = tracks.columns.filter((column) =>
			rtl ? column.from >= edge - 1 : column.to <= edge + 1
		).length;
		const row = view.strip.find((one) => one.setting === 'offset');
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
		return wishes.make({ kind: 'set-setting', box: view.ref, setting: 'offset', value, band });
	}

	function onOffsetKey(event: KeyboardEvent): void {
		const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		if (step === undefined) return;
		event.preventDefault();
		const edge = rtl ? at.x + at.width : at.x;
		void setOffset(freeBefore(edge) + step * (rtl ? -1 : 1));
	}

	function onSpanKey(event: KeyboardEvent): void {
		const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		if (step === undefined) return;
		event.preventDefault();
		const end = rtl ? at.x : at.x + at.width;
		void setSpan(columnsTo(end) + step * (rtl ? -1 : 1));
	}
</script>

<span
	class="edge across span"
	role="slider"
	tabindex="0"
	aria-label="Columns left free before {view.name}"
	aria-valuenow={freeBefore(rtl ? at.x + at.width : at.x)}
	title="Drag over the columns, or use the arrow keys"
	style:left="{(rtl ? at.x + at.width : at.x) * scale}px"
	style:top="{at.y * scale}px"
	style:height="{at.height * scale}px"
	onpointerdown={(event) => {
		event.currentTarget.setPointerCapture(event.pointerId);
		offsetting = freeBefore(at.x);
	}}
	onpointermove={dragOffset}
	onpointerup={() => void dropOffset()}
	onpointercancel={() => (offsetting = undefined)}
	onkeydown={onOffsetKey}
>
	{#if offsetting !== undefined}
		<b class="mono">offset {offsetting}, {((offsetting / count) * 100).toFixed(1)} %</b>
	{/if}
</span>

<span
	class="edge across span"
	class:moving={spanning !== undefined}
	role="slider"
	tabindex="0"
	aria-label="Columns that {view.name} spans"
	aria-valuenow={columnsTo(rtl ? at.x : at.x + at.width)}
	title="Drag over the columns, or use the arrow keys"
	style:left="{(rtl ? at.x : at.x + at.width) * scale}px"
	style:top="{at.y * scale}px"
	style:height="{at.height * scale}px"
	onpointerdown={(event) => {
		event.currentTarget.setPointerCapture(event.pointerId);
		spanning = columnsTo(at.x + at.width);
	}}
	onpointermove={dragSpan}
	onpointerup={() => void dropSpan()}
	onpointercancel={() => (spanning = undefined)}
	onkeydown={onSpanKey}
>
	{#if spanning !== undefined}
		<b class="mono">span {spanning}, {((spanning / count) * 100).toFixed(1)} %</b>
	{/if}
</span>

<style>
	.edge {
		position: absolute;
		width: 9px;
		margin-left: -5px;
		pointer-events: auto;
		touch-action: none;
		cursor: col-resize;
		z-index: 1;
		background: linear-gradient(90deg, transparent 3px, var(--cedar) 3px 6px, transparent 6px);
	}
	b {
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
