<script lang="ts">
	import { overlayBoxes, type MeasuredBox } from '$core/view-models/overlay.ts';
	import type { Mark } from '$core/view-models/marks.ts';
	import { sameTrace, type Trace } from '$core/model/trace.ts';
	import { hot } from '$store/ways/hot.svelte.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import type { BetweenView, PageView } from '$workers/messages.ts';
	import { chosenBox } from '../chosen-box.svelte.ts';
	import Distances from './Distances.svelte';
	import {
		followedLink,
		measureBoxes,
		measureSpaces,
		measureTracks,
		showInFrame,
		stageOf,
		traceAt,
		type FollowedLink,
		type MeasuredTracks
	} from '$browser/frame.ts';
	import { byId, isElement, numberIn, partsOf, scrolledTo, setScrollbars } from '$browser/dom.ts';
	import { openDrawers, turnDrawer } from '$browser/drawers.ts';
	import { frameScrolled, scrollFrame, type FrameScroll } from '$browser/scrolled.ts';
	import { outside } from '$views/frame/outside.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { takeDrop } from '$store/files/drop.ts';
	import { placeLabels, wordsOfPage, type LabelPlace, type Rect } from '$browser/labels.ts';
	import { wordsAt, type PageWords } from '$browser/words.ts';
	import type { WrittenWords } from '$core/view-models/markup/written-words.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { arrangingOfView } from '$core/view-models/chosen/box-view.ts';
	import { isPieceRef, type ArrangedRef } from '$core/model/command.ts';
	import { isAlso } from '$views/shell/controls/also.ts';
	import { choice } from '../choice.svelte.ts';
	import { chosenNode } from '../chosen-node.svelte.ts';
	import { putPicture } from '../pictures/put-picture.svelte.ts';
	import { chosenDrawer, rectsOfNode, type ChosenDrawer } from './chosen-on-page.ts';
	import { pieceFrame } from './piece-frame.svelte.ts';
	import { menu } from '../../commands/menu.svelte.ts';
	import { measures } from './measures.svelte.ts';
	import Overlay from './Overlay.svelte';
	import PageRectangles from './PageRectangles.svelte';
	import { regionDrag } from './region-drag.svelte.ts';
	import Tracks from './tracks/Tracks.svelte';
	import WordsField from './WordsField.svelte';
	import { untrack } from 'svelte';

	interface Props {
		page: PageView;
		marks: ReadonlyMap<string, Mark>;
		/** Screen px for one px of the page. */
		scale: number;
		/** Height of the window the page is in, px of the page. */
		height: number;
		/** Pointers pass through, as while the edge is dragged. */
		inert: boolean;
		between: BetweenView | undefined;
		/** The page that is worked on, not one held beside it. */
		main: boolean;
		onLink: (link: FollowedLink) => void;
		/** `itself`: a piece at once, not first the region that it stands in; `element`: which of the page's body it is. */
		onPick: (trace: Trace, itself?: boolean, element?: number) => void;
		/** Something is chosen beside what is chosen, and all in a frame that was drawn. */
		onPickAlso: (trace: Trace) => void;
		onPickAll: (traces: readonly Trace[]) => void;
		/** How far what is scrolled; undefined where nobody says. */
		scrolled?: FrameScroll;
		/** Told whenever it is scrolled, px. */
		onScrolled?: (px: number) => void;
		/** Told of the document that the page is in. */
		onInner?: (inner: Document) => void;
	}
	const {
		page,
		marks,
		scale,
		height,
		inert,
		between,
		main,
		scrolled,
		onScrolled,
		onLink,
		onPick,
		onPickAlso,
		onPickAll,
		onInner
	}: Props = $props();

	let frame = $state<HTMLIFrameElement | undefined>();
	/** How often the frame has got a document of its own; 0 while it has none. */
	let loads = $state(0);
	const source = $derived(store.outside ? '/stage?outside' : '/stage');
	let measured = $state.raw<readonly MeasuredBox[]>([]);
	let tracks = $state.raw<MeasuredTracks | undefined>();
	let rtl = $state(false);
	/** What tracks should not write over. */
	let covered = $state.raw<readonly Rect[]>([]);
	/** A modifier is held that shows distances. */
	let measuring = $state(false);
	let frameRequest = 0;
	let lastHtml = '';
	/** Where names of boxes find room, by the places of the boxes; undefined where there is none. */
	let labels = $state.raw<readonly (LabelPlace | undefined)[]>([]);
	/** Where the chosen element stands; of one that repeats in a list, so many times at most. */
	let nodeAt = $state.raw<readonly Rect[]>([]);
	/** px of the page that stay free above what is scrolled to, such as for a head that sticks. */
	const edgeRoom = 80;
	/** The chosen region, where it is a drawer at this width, and how that stands. */
	let drawer = $state.raw<ChosenDrawer | undefined>();
	/** Words of the page that are being written anew. */
	let words = $state.raw<(PageWords & WrittenWords) | undefined>();

	const boxes = $derived(overlayBoxes(measured, marks));
	/** The page as it is, or as the edit under the pointer would make it. */
	const html = $derived((main ? commands.preview?.html : undefined) ?? page.html);
	const chosenAt = $derived(placeOfRef(chosenBox.view?.ref));
	/** Where all are that are chosen, where they are several. */
	const alsoAt = $derived.by(() => {
		if (!main || choice.also.length === 0) return [];
		return [
			...(chosenAt ? [chosenAt] : []),
			...choice.also.flatMap((ref) => placeOfRef(ref) ?? [])
		];
	});

	/** Where something is on the page; undefined where it is not seen there. */
	function placeOfRef(ref: ArrangedRef | undefined): MeasuredBox | undefined {
		if (!ref) return undefined;
		if (isPieceRef(ref)) {
			const { layer } = ref.holder;
			return measured.find(
				({ trace }) =>
					trace.layer === layer.name && trace.kind === layer.kind && trace.piece === ref.piece
			);
		}
		return measured.find(
			({ trace }) => trace.layer === ref.layout && trace.region === ref.box && ref.box !== undefined
		);
	}
	/** A chosen region that is too small to be seen has a place here all the same. */
	const empty = $derived(
		chosenAt && isFlat(chosenAt.width, chosenAt.height) ? chosenAt : undefined
	);
	const pointedAt = $derived(boxOf(hot.trace));
	/** Pairs of boxes to draw distances between: those that are kept, and the one under the pointer. */
	const distances = $derived.by(() => {
		const kept = measures.kept.map(({ from, to }) => [boxOf(from), boxOf(to)] as const);
		const begun = boxOf(measures.start) ?? (measuring ? chosenAt : undefined);
		return [...kept, [begun, pointedAt] as const].flatMap(([from, to]) =>
			from && to && from !== to ? [{ from, to }] : []
		);
	});

	/** Laid out, and too flat to be seen or hit; what is hidden has no place at all. */
	function isFlat(width: number, height: number): boolean {
		return (width > 0 || height > 0) && (width * scale < 6 || height * scale < 6);
	}

	function boxOf(trace: Trace | undefined): MeasuredBox | undefined {
		return trace && measured.find((box) => sameTrace(box.trace, trace));
	}

	// What would come of a choice is of this text, and seen here alone.
	$effect(() => {
		void store.texts;
		if (main) return () => commands.forget();
	});

	$effect(() => {
		void [chosenBox.view, chosenBox.around];
		if (main) untrack(() => regionDrag.again());
	});

	$effect(() => {
		if (!frame || loads === 0) return;
		// The same page again loads nothing again.
		if (main && html !== lastHtml) outside.clear();
		lastHtml = html;
		if (showInFrame(frame, html, page.address, measure)) measure();
	});

	// What was gone to by its name is scrolled into sight.
	$effect(() => {
		const box = main ? boxOf(choice.sought) : undefined;
		const inner = frame?.contentDocument;
		if (!box || !inner) return;
		choice.sought = undefined;
		if (box.y < 0 || box.y + Math.min(box.height, height) > height) {
			scrollFrame(inner, { px: scrolledTo(inner).y + box.y - edgeRoom, within: undefined });
		}
	});

	$effect(() => {
		// Another width or height lays the page out anew.
		void [
			look.width,
			look.overlay,
			look.tracks,
			height,
			chosenBox.view,
			chosenBox.tracked,
			chosenNode.view
		];
		measure();
	});

	$effect(() => {
		const inner = frame?.contentDocument;
		// At another width other regions are drawers.
		void [html, look.width];
		if (loads === 0 || !inner || !store.trial.drawersOpen) return;
		openDrawers(inner);
		measure();
	});

	$effect(() => {
		const inner = frame?.contentDocument;
		if (loads > 0 && inner) setScrollbars(inner, look.scrollbars);
		measure();
	});

	$effect(() => {
		const inner = frame?.contentDocument;
		void html;
		if (loads > 0 && inner && scrolled) scrollFrame(inner, scrolled);
	});

	function onScroll(): void {
		const inner = frame?.contentDocument;
		if (inner && scrolled) onScrolled?.(Math.round(frameScrolled(inner, scrolled.within)));
		measure();
	}

	function measure(): void {
		cancelAnimationFrame(frameRequest);
		frameRequest = requestAnimationFrame(() => {
			const inner = frame?.contentDocument;
			const root = inner && partsOf(inner)?.root;
			if (!root) return;
			measured = measureBoxes(inner);
			if (look.overlay) labels = placeLabels(inner, overlayBoxes(measured, marks), scale);
			if (!main) return;
			nodeAt = rectsOfNode(inner, chosenNode.view);
			drawer = chosenDrawer(inner, chosenBox.view);
			chosenBox.noteSpaces(measureSpaces(inner));
			const around = arrangingOfView(chosenBox.tracked);
			const found = around && measureTracks(inner, around);
			// A track that only a preview takes away keeps its controls where they are: one of them is under the pointer.
			// Moved away from it, it would end the preview, come back, and begin it again.
			if (!commands.preview || !tracks || !found || hasSameTracks(tracks, found)) tracks = found;
			if (!commands.preview) covered = look.tracks ? wordsOfPage(inner) : [];
			rtl = root.dir === 'rtl';
		});
	}

	function turn(): void {
		const inner = frame?.contentDocument;
		if (!inner || !drawer) return;
		turnDrawer(inner, drawer.layout, drawer.region);
		measure();
	}

	function hasSameTracks(one: MeasuredTracks, other: MeasuredTracks): boolean {
		return one.columns.length === other.columns.length && one.rows.length === other.rows.length;
	}

	/** Words are written anew where they are written; where they are not, that is said. */
	async function writeAnew(found: PageWords | undefined): Promise<void> {
		if (!found) return;
		const asked = { page: page.page, address: page.address, ...store.seeing };
		const written = await store.core.places.wordsAt(asked, found);
		if ('kind' in written) commands.sayRefused(written);
		else words = { ...found, ...written };
	}

	function onLoad(): void {
		if (!frame) return;
		const inner = stageOf(frame);
		if (!inner) {
			// Whatever led it away, the stage shows the site and comes back.
			frame.src = source;
			return;
		}
		loads++;
		onInner?.(inner);
		for (const kind of ['click', 'auxclick'] as const) inner.addEventListener(kind, onClick);
		inner.addEventListener('dblclick', (event) => {
			if (main) void writeAnew(wordsAt(inner, event));
		});
		inner.addEventListener('contextmenu', (event) => {
			const trace = traceAt(event);
			if (!main || !trace || !frame) return;
			event.preventDefault();
			onPick(trace);
			const at = frame.getBoundingClientRect();
			menu.openAt(at.left + event.clientX * scale, at.top + event.clientY * scale);
		});
		inner.addEventListener('submit', (event) => event.preventDefault());
		inner.addEventListener('dragover', (event) => {
			event.preventDefault();
			if (main) putPicture.drag(inner, event);
		});
		inner.addEventListener('dragleave', () => putPicture.leave());
		inner.addEventListener('drop', (event) => {
			if (!main || !putPicture.drop(inner, event)) void takeDrop(event);
		});
		inner.addEventListener('securitypolicyviolation', (event) => outside.note(event.blockedURI));
		inner.addEventListener('pointermove', (event) => {
			hot.point(traceAt(event));
			measuring = event.altKey;
		});
		if (main) pieceFrame.follow(inner, () => measured, onPickAll);
		inner.addEventListener('keydown', onModifier);
		inner.addEventListener('keyup', onModifier);
		inner.addEventListener('pointerleave', () => hot.point(undefined));
		inner.addEventListener('scroll', onScroll, true);
		// Images and fonts come later than the page, and change its boxes.
		inner.addEventListener('load', measure, true);
		inner.fonts?.addEventListener('loadingdone', measure);
	}

	function onModifier(event: KeyboardEvent): void {
		measuring = event.altKey;
	}

	function onClick(event: Event): void {
		const link = followedLink(event, page.address);
		const pointed = link && traceAt(event);
		if (pointed && isWorkedOn(pointed)) {
			// In a piece that is worked on, a link is an element like any other.
			event.preventDefault();
			onPick(pointed, false, elementAt(event));
			return;
		}
		if (link) {
			event.preventDefault();
			if (link.kind === 'place') scrollTo(link.id);
			else onLink(link);
			return;
		}
		const trace = traceAt(event);
		if (!trace) return;
		if ('altKey' in event && event.altKey === true && chosenAt) {
			measures.toggle(chosenAt.trace, trace);
		} else if (main && isAlso(event)) {
			if (!pieceFrame.hasDrawn) onPickAlso(trace);
		} else {
			onPick(trace, false, elementAt(event));
		}
	}

	/** It is the chosen piece, and there is markup of it to choose from. */
	function isWorkedOn({ piece, kind, layer: name }: Trace): boolean {
		const { subject } = choice;
		if (!main || subject.kind !== 'piece' || !chosenNode.outline) return false;
		const { holder } = subject.piece;
		return (
			subject.piece.piece === piece && holder.layer.kind === kind && holder.layer.name === name
		);
	}

	/** Which element of the page's body an event happened to. */
	function elementAt({ target }: Event): number | undefined {
		const inner = frame?.contentDocument;
		const body = inner && partsOf(inner)?.body;
		return body && isElement(target) ? numberIn(body, target) : undefined;
	}

	/** A region is dragged by its name: onto another to change places, to one of its sides to stand there. */
	function onDragStart(event: PointerEvent, box: MeasuredBox): void {
		if (!isTogether(box.trace)) onPick(box.trace, true);
		// The boxes as they are now: what the drag previews moves them.
		const begun = measured;
		regionDrag.start(event, box.trace, () => {
			const sheet = frame?.getBoundingClientRect();
			return sheet && { measured: begun, sheet, scale };
		});
	}

	/** It is one of several pieces that are chosen, which are dragged together. */
	function isTogether({ piece, kind, layer: name }: Trace): boolean {
		const { subject } = choice;
		if (piece === undefined || subject.kind !== 'piece' || choice.also.length === 0) return false;
		const { holder } = subject.piece;
		const isSame = holder.layer.kind === kind && holder.layer.name === name;
		return isSame && choice.togetherWith({ holder, piece }).length > 1;
	}

	function scrollTo(id: string): void {
		const inner = frame?.contentDocument;
		if (inner) byId(inner, id)?.scrollIntoView();
	}

	function isLit(trace: Trace): boolean {
		const { trace: now } = hot;
		if (!now) return false;
		if (sameTrace(trace, now)) return true;
		const wholeLayer = now.region === undefined && now.piece === undefined;
		return wholeLayer && now.kind === trace.kind && now.layer === trace.layer;
	}

	function fateOf(trace: Trace): string | undefined {
		return between?.regions.find(
			(one) => one.layout === trace.layer && one.region === trace.region && one.fate !== 'gone'
		)?.fate;
	}
</script>

<svelte:window onkeydown={onModifier} onkeyup={onModifier} />

<div
	class="page"
	style:width="{look.width * scale}px"
	style:height="min(100%, {Math.ceil(height * scale)}px)"
>
	<!-- Without allow-scripts: markup of the site never runs in the application. -->
	<iframe
		bind:this={frame}
		title="The page {page.address} at {look.width} px"
		sandbox="allow-same-origin"
		src={source}
		style:width="{look.width}px"
		style:height="{height}px"
		style:transform="scale({scale})"
		style:pointer-events={inert ? 'none' : 'auto'}
		style:color-scheme={look.night ? 'dark' : 'light'}
		onload={onLoad}
	></iframe>
	{#if look.overlay}
		<Overlay
			{boxes}
			{labels}
			{scale}
			{isLit}
			{fateOf}
			handles={main}
			tracks={main && look.tracks}
			{onDragStart}
		/>
	{/if}
	{#if main}
		{#each distances as { from, to }, index (index)}
			<Distances {from} {to} {scale} />
		{/each}
	{/if}
	{#if main && look.tracks && tracks && chosenBox.tracked}
		<Tracks
			view={chosenBox.tracked}
			{tracks}
			{scale}
			{rtl}
			chosen={chosenBox.view}
			chosenBox={chosenAt}
			words={covered}
			other={chosenBox.trackedElse}
			onOther={() => (chosenBox.wantsAround = !chosenBox.wantsAround)}
		/>
	{/if}
	{#if main}
		<PageRectangles
			also={alsoAt}
			node={nodeAt}
			drawn={pieceFrame.drawn}
			zone={regionDrag.zone}
			edge={putPicture.over}
			{scale}
		/>
	{/if}
	{#if main && drawer}
		<button class="drawer on-page" onclick={turn}
			>{drawer.region} is a drawer here: {drawer.state === 'open' ? 'shut it' : 'open it'}</button
		>
	{/if}
	{#if main && commands.preview?.html !== undefined}
		<span class="as-if on-page" role="status">as it would be</span>
	{/if}
	{#if main && words}
		<WordsField {words} {scale} done={() => (words = undefined)} />
	{/if}
	{#if main && empty}
		<span
			class="empty-place on-page"
			aria-hidden="true"
			style:left="{empty.x * scale}px"
			style:top="{empty.y * scale}px"
			style:width="{Math.max(28, empty.width * scale)}px"
			style:height="{Math.max(18, empty.height * scale)}px"
			>{chosenBox.view?.name}: nothing in it yet</span
		>
	{/if}
</div>

<style>
	.page {
		position: relative;
		height: 100%;
		flex: none;
		background: Canvas;
		box-shadow: 0 0 0 1px var(--rule);
		overflow: hidden;
	}
	iframe {
		border: 0;
		transform-origin: 0 0;
		background: #fff;
	}
	.as-if {
		position: absolute;
		z-index: 4;
		right: 0;
		top: 0;
		padding: 1px 8px;
		font-size: var(--text-small);
		background: var(--cedar);
		color: var(--on-cedar);
		pointer-events: none;
	}
	.drawer {
		position: absolute;
		z-index: 4;
		right: 0;
		bottom: 0;
		padding: 2px 8px;
		font-size: var(--text-small);
		background: var(--cedar-wash);
		color: var(--cedar);
		border: 1px solid var(--cedar);
	}
	.empty-place {
		position: absolute;
		z-index: 2;
		min-width: 120px;
		padding: 1px 5px;
		font-size: var(--text-small);
		line-height: 15px;
		border: 1px dashed var(--cedar);
		background: color-mix(in srgb, var(--cedar-wash) 85%, transparent);
		color: var(--cedar);
		white-space: nowrap;
		pointer-events: none;
	}
</style>
