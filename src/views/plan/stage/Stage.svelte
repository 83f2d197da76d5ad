<script lang="ts">
	import type { RooflineLayout } from '$core/view-models/roofline.ts';
	import { plainHeight } from '$core/sheet/columns.ts';
	import { type Trace } from '$core/model/trace.ts';
	import { clampWidth } from '$store/address.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import type { BandView, BetweenView, PageView } from '$workers/messages.ts';
	import type { FollowedLink } from '$browser/frame.ts';
	import PageFrame from './PageFrame.svelte';
	import OutsideLine from './lines/OutsideLine.svelte';
	import PlaceLine from './lines/PlaceLine.svelte';
	import Ruler from './Ruler.svelte';
	import ScreenSize from './lines/ScreenSize.svelte';
	import SettledLine from './lines/SettledLine.svelte';
	import { SettledPage, type Resting } from './settled.svelte.ts';
	import { untrack } from 'svelte';
	import { shownBoxes } from '$browser/frame.ts';
	import { scrolledTo } from '$browser/dom.ts';
	import ScrollStrip from './scroll/ScrollStrip.svelte';
	import { Scrolling } from './scroll/scrolling.svelte.ts';
	import HiddenFrame from '$views/frame/HiddenFrame.svelte';
	import { Settler } from '$views/frame/settler.ts';

	interface Props {
		page: PageView;
		bands: readonly BandView[];
		layouts: readonly RooflineLayout[];
		between: BetweenView | undefined;
		onPick: (trace: Trace, itself?: boolean, element?: number) => void;
		onPickAlso: (trace: Trace) => void;
		onPickAll: (traces: readonly Trace[]) => void;
	}
	const { page, bands, layouts, between, onPick, onPickAlso, onPickAll }: Props = $props();

	let paneWidth = $state(900);
	let paneHeight = $state(400);
	let dragging = $state(false);
	/** The scale stays as it was while the edge is dragged, so that the edge keeps to the pointer. */
	let dragScale = $state(1);

	const scrolling = new Scrolling();
	/** Room beside the page for its edge, px of the screen. */
	const margin = 18;
	const gap = 14;
	const rulerHeight = 34;
	const marks = $derived(new Map(layouts.map((layout) => [layout.name, layout.mark])));
	const held = $derived(store.held);
	/** Beside the page stands another, or the same at another place. */
	const beside = $derived(held !== undefined || scrolling.second !== undefined);
	const room = $derived(beside ? (paneWidth - gap - 24) / 2 : paneWidth - margin);
	const fitScale = $derived(Math.min(1, room / look.width));
	const scale = $derived(dragging ? dragScale : fitScale);
	const reach = $derived((beside ? room + 12 : paneWidth) / scale);
	/** Two places are seen through a screen as tall as the one. */
	const heightScale = $derived(
		beside && !held ? Math.min(1, (paneWidth - margin) / look.width) : scale
	);
	const pageHeight = $derived(
		look.height ?? Math.max(200, Math.round((paneHeight - rulerHeight) / heightScale))
	);
	/** Once the frame that measures has its document. */
	let settled = $state.raw<SettledPage | undefined>();
	/** The document of the page that is worked on. */
	let inner = $state.raw<Document | undefined>();

	/** The page as it rests, as soon as it does. */
	function resting(width: number, height: number): Resting {
		const { page: asked, address, html, seen } = page;
		const { stands } = seen;
		return {
			request: { page: stands ?? asked, address, ...store.seeing },
			html,
			width,
			height,
			scrollbars: look.scrollbars,
			scrolled: () => (inner ? scrolledTo(inner).y : 0),
			shown: () => (inner ? shownBoxes(inner) : [])
		};
	}

	/** Does something once nothing has changed for a while; gives what takes it back. */
	function onceAtRest(wait: number, work: (signal: AbortSignal) => Promise<void>): () => void {
		const given = new AbortController();
		const timer = setTimeout(() => void work(given.signal), wait);
		return () => {
			given.abort();
			clearTimeout(timer);
		};
	}

	// Its boxes are held against the calculation, at the width shown.
	$effect(() => {
		const worked = settled;
		const page = resting(look.width, pageHeight);
		void [bands, inner];
		if (!worked) return;
		worked.compared = false;
		worked.differs = undefined;
		// What a choice would make of the page is not the page that was worked out.
		if (dragging || commands.preview) return;
		return onceAtRest(250, (signal) => worked.compare(page, signal));
	});

	// What scrolling does is worked out, where one looks at it.
	$effect(() => {
		const worked = settled;
		const page = resting(look.width, pageHeight);
		void [bands, scrolling.within];
		if (!worked || !look.scrolling || dragging) return;
		return onceAtRest(300, (signal) => scrolling.work(page, worked.settler, signal));
	});

	// Another page begins at its top.
	$effect(() => {
		void page.page;
		untrack(() => {
			scrolling.choose(undefined);
			scrolling.view = undefined;
		});
	});

	// The widths at which something jumps are worked out.
	$effect(() => {
		const worked = settled;
		const page = resting(0, plainHeight);
		void bands;
		if (!worked) return;
		worked.jumps = undefined;
		return onceAtRest(600, (signal) => worked.findJumps(page, signal));
	});

	function onLink(link: FollowedLink): void {
		if (link.kind === 'address') void store.follow(link.address);
		else if (link.kind === 'outside') {
			store.notice = { kind: 'fine', sentence: `This link leads out of the site, to ${link.url}.` };
		}
	}

	function startDrag(event: PointerEvent & { currentTarget: HTMLElement }): void {
		dragScale = fitScale;
		dragging = true;
		event.currentTarget.setPointerCapture(event.pointerId);
	}

	function drag(event: PointerEvent & { currentTarget: HTMLElement }): void {
		if (!dragging) return;
		const left = event.currentTarget.parentElement?.getBoundingClientRect().left ?? 0;
		look.width = clampWidth((event.clientX - left) / dragScale);
	}

	function onKey(event: KeyboardEvent): void {
		const direction = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		if (direction !== undefined) {
			look.width = clampWidth(look.width + direction * (event.shiftKey ? 10 : 1));
		} else if (event.key === 'PageUp' || event.key === 'PageDown') {
			const starts = bands.map((band) => band.from).filter((from) => from > 0);
			const target =
				event.key === 'PageUp'
					? starts.find((from) => from > look.width)
					: starts.findLast((from) => from < look.width);
			if (target !== undefined) look.width = clampWidth(target);
		} else {
			return;
		}
		event.preventDefault();
	}
</script>

<div
	class="pane"
	data-compared={settled?.compared ? (settled.differs?.sentence ?? '') : undefined}
	bind:clientWidth={paneWidth}
	bind:clientHeight={paneHeight}
>
	<Ruler {bands} width={look.width} {scale} {reach} />
	<div class="pages" style:gap="{gap + 12}px">
		<PageFrame
			{page}
			{marks}
			{scale}
			height={pageHeight}
			inert={dragging}
			{between}
			main
			scrolled={{ px: scrolling.px, within: scrolling.within }}
			onScrolled={(px) => (scrolling.px = px)}
			onInner={(document) => (inner = document)}
			{onLink}
			{onPick}
			{onPickAlso}
			{onPickAll}
		/>
		{#if look.scrolling && scrolling.second !== undefined && !held}
			<PageFrame
				{page}
				{marks}
				{scale}
				height={pageHeight}
				inert={dragging}
				between={undefined}
				main={false}
				scrolled={{ px: scrolling.second, within: scrolling.within }}
				onScrolled={(px) => (scrolling.second = px)}
				{onLink}
				{onPick}
				{onPickAlso}
				{onPickAll}
			/>
		{/if}
		{#if held}
			<PageFrame
				page={held}
				{marks}
				{scale}
				height={pageHeight}
				inert={dragging}
				between={undefined}
				main={false}
				{onLink}
				{onPick}
				{onPickAlso}
				{onPickAll}
			/>
		{/if}
	</div>
	{#if look.scrolling && scrolling.second !== undefined && !held}
		<p class="held small" style:left="{look.width * scale + gap + 12}px">
			the same page, <span class="mono">{scrolling.second} px</span> down
		</p>
	{/if}
	{#if held}
		<p class="held small" style:left="{look.width * scale + gap + 12}px">
			held: <span class="mono">{held.address}</span>
		</p>
	{/if}
	<div
		class="edge"
		class:dragging
		role="slider"
		tabindex="0"
		aria-label="Width of the page"
		aria-valuemin={280}
		aria-valuemax={2560}
		aria-valuenow={look.width}
		aria-valuetext="{look.width} px"
		title="Drag, or use the arrow keys: 1 px, with Shift 10 px; Page Up and Page Down go to breakpoints"
		style:left="{look.width * scale}px"
		onpointerdown={startDrag}
		onpointermove={drag}
		onpointerup={() => (dragging = false)}
		onpointercancel={() => (dragging = false)}
		onkeydown={onKey}
	>
		<span class="grip"></span>
	</div>
	{#if page.fault}<p class="fault small" role="alert">
			{page.fault} This is how it was before.
		</p>{/if}
	<OutsideLine />
</div>
{#if look.scrolling}
	<ScrollStrip
		{scrolling}
		close={() => {
			look.scrolling = false;
			scrolling.second = undefined;
		}}
	/>
{/if}
<div class="below">
	<PlaceLine page={page.page} />
	{#if settled}<SettledLine page={settled} />{/if}
	<ScreenSize {bands} jumps={settled?.jumps} {scale} />
</div>
<HiddenFrame onReady={(frame) => (settled = new SettledPage(new Settler(frame)))} />

<style>
	.below {
		container: below / inline-size;
		display: flex;
		align-items: center;
		height: 26px;
		flex: none;
		overflow: hidden;
		border-top: 1px solid var(--hair);
		padding-right: 10px;
	}
	.pane {
		position: relative;
		flex: 1;
		min-height: 120px;
		margin-left: 8px;
		overflow: hidden;
	}
	.pages {
		position: absolute;
		top: 34px;
		bottom: 0;
		left: 0;
		display: flex;
		overflow: hidden auto;
	}
	.fault {
		position: absolute;
		inset: auto 0 0;
		background: var(--fault-wash);
		padding: 2px 16px;
		color: var(--fault);
	}
	.held {
		position: absolute;
		top: 14px;
		background: var(--paper);
		padding: 0 4px;
	}
	.edge {
		position: absolute;
		top: 0;
		bottom: 0;
		width: 15px;
		z-index: 4;
		cursor: ew-resize;
		touch-action: none;
	}
	.edge::before {
		content: '';
		position: absolute;
		left: 0;
		top: 0;
		bottom: 0;
		width: 2px;
		background: var(--cedar);
	}
	.grip {
		position: absolute;
		left: 1px;
		top: 42%;
		width: 12px;
		height: 44px;
		border-radius: 6px;
		background: var(--cedar);
	}
	.dragging .grip {
		outline: 3px solid var(--cedar-wash);
	}
</style>
