<script lang="ts">
	import { valueNow, type BoxView } from '$core/view-models/chosen/box-view.ts';
	import { offsetAt, spanTo, type SpanGround } from '$core/view-models/track-gestures.ts';
	import type { Command, SizedRef } from '$core/model/command.ts';
	import { commands } from '$store/commands.svelte.ts';
	import EdgeHandle from './EdgeHandle.svelte';
	import type { MeasuredTracks } from '$browser/frame.ts';

	interface Props {
		/** The region that spans columns. */
		view: BoxView;
		box: SizedRef;
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
	const { view, box, band, count, at, tracks, scale, rtl }: Props = $props();

	type Kind = 'span' | 'offset';
	let dragging = $state.raw<{ readonly kind: Kind; readonly columns: number } | undefined>();

	/** As it was when the drag began: what it would do is drawn meanwhile. */
	let begun = $state.raw<SpanGround | undefined>();
	const ground = $derived<SpanGround>(
		begun ?? { columns: tracks.columns, region: { from: at.x, to: at.x + at.width }, rtl }
	);
	const begin = $derived(rtl ? at.x + at.width : at.x);
	const end = $derived(rtl ? at.x : at.x + at.width);
	const offset = $derived(Number(valueNow(view, 'offset') ?? 0));
	const kinds: readonly Kind[] = ['offset', 'span'];

	/** Columns that are meant at a place of the pointer. */
	function columnsAt(kind: Kind, x: number): number {
		return kind === 'span' ? spanTo(ground, x) : offsetAt(ground, offset, x);
	}

	function commandFor(kind: Kind, columns: number): Command {
		const least = kind === 'span' ? 1 : 0;
		const value = String(Math.min(count - (1 - least), Math.max(least, columns)));
		return { kind: 'set-setting', box, setting: kind, value, band };
	}

	function drag(kind: Kind, x: number): void {
		begun ??= ground;
		const columns = columnsAt(kind, x);
		if (dragging?.columns === columns) return;
		dragging = { kind, columns };
		commands.look(commandFor(kind, columns));
	}

	function cancel(): void {
		dragging = begun = undefined;
		commands.forget();
	}

	function drop(): void {
		const dragged = dragging;
		const before = dragged && now(dragged.kind);
		cancel();
		if (dragged && dragged.columns !== before) {
			void commands.make(commandFor(dragged.kind, dragged.columns));
		}
	}

	function now(kind: Kind): number {
		const { from, to } = ground.region;
		return kind === 'span' ? spanTo(ground, rtl ? from : to) : offset;
	}

	/** The share that so many of the columns come to. */
	function said(kind: Kind): string | undefined {
		if (dragging?.kind !== kind) return undefined;
		const { columns } = dragging;
		const share = `${kind} ${columns}, ${((columns / count) * 100).toFixed(1)} %`;
		return [share, commands.elsewhere(band)].filter(Boolean).join('; ');
	}
</script>

{#each kinds as kind (kind)}
	<EdgeHandle
		axis="across"
		drawn
		label={kind === 'span'
			? `Columns that ${view.name} spans`
			: `Columns left free before ${view.name}`}
		title="Drag over the columns, or use the arrow keys"
		value={now(kind)}
		at={(kind === 'span' ? end : begin) * scale}
		start={at.y * scale}
		length={at.height * scale}
		{scale}
		said={said(kind)}
		onMove={(x) => drag(kind, x)}
		onDrop={drop}
		onCancel={cancel}
		onStep={(by) =>
			void commands.make(commandFor(kind, now(kind) + Math.sign(by) * (rtl ? -1 : 1)))}
	/>
{/each}
