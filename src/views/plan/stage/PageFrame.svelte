<script lang="ts">
	import { overlayBoxes, type MeasuredBox } from '$core/drawing/overlay.ts';
	import type { Mark } from '$core/drawing/marks.ts';
	import { sameTrace, type Trace } from '$core/model/trace.ts';
	import { hot } from '$store/hot.svelte.ts';
	import { look } from '$store/look.svelte.ts';
	import type { BetweenView, PageView } from '$workers/messages.ts';
	import { chosenBox } from '../section/chosen-box.svelte.ts';
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
	} from '$views/frame/frame.ts';
	import { byId, partsOf } from '$views/frame/dom.ts';
	import { outside } from '$views/frame/outside.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { takeDrop } from '$store/drop.ts';
	import { measures } from './measures.svelte.ts';
	import Tracks from './Tracks.svelte';

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
		onPick: (trace: Trace) => void;
	}
	const { page, marks, scale, height, inert, between, main, onLink, onPick }: Props = $props();

	let frame = $state<HTMLIFrameElement | undefined>();
	/** How often the frame has got a document of its own; 0 while it has none. */
	let loads = $state(0);
	const source = $derived(store.outside ? '/stage?outside' : '/stage');
	let measured = $state.raw<readonly MeasuredBox[]>([]);
	let tracks = $state.raw<MeasuredTracks | undefined>();
	let rtl = $state(false);
	/** A modifier is held that shows distances. */
	let measuring = $state(false);
	let frameRequest = 0;
	let lastHtml = '';

	const boxes = $derived(overlayBoxes(measured, marks));
	const chosenAt = $derived.by(() => {
		const ref = chosenBox.view?.ref;
		return measured.find(
			({ trace }) =>
				trace.layer === ref?.layout && trace.region === ref?.box && ref?.box !== undefined
		);
	});
	const pointedAt = $derived(boxOf(hot.trace));
	/** Pairs of boxes to draw distances between: those that are kept, and the one under the pointer. */
	const distances = $derived.by(() => {
		const kept = measures.kept.map(({ from, to }) => [boxOf(from), boxOf(to)] as const);
		const begun = boxOf(measures.start) ?? (measuring ? chosenAt : undefined);
		return [...kept, [begun, pointedAt] as const].flatMap(([from, to]) =>
			from && to && from !== to ? [{ from, to }] : []
		);
	});

	function boxOf(trace: Trace | undefined): MeasuredBox | undefined {
		return trace && measured.find((box) => sameTrace(box.trace, trace));
	}

	$effect(() => {
		if (!frame || loads === 0) return;
		// The same page again loads nothing again.
		if (main && page.html !== lastHtml) outside.clear();
		lastHtml = page.html;
		if (showInFrame(frame, page.html, page.address, measure)) measure();
	});

	$effect(() => {
		// Another width or height lays the page out anew.
		void [look.width, height, chosenBox.around];
		measure();
	});

	function measure(): void {
		cancelAnimationFrame(frameRequest);
		frameRequest = requestAnimationFrame(() => {
			const inner = frame?.contentDocument;
			const root = inner && partsOf(inner)?.root;
			if (!root) return;
			measured = measureBoxes(inner);
			if (!main) return;
			chosenBox.noteSpaces(measureSpaces(inner));
			const around = chosenBox.around?.ref;
			tracks = around && measureTracks(inner, around);
			rtl = root.dir === 'rtl';
		});
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
		for (const kind of ['click', 'auxclick'] as const) inner.addEventListener(kind, onClick);
		inner.addEventListener('submit', (event) => event.preventDefault());
		inner.addEventListener('dragover', (event) => event.preventDefault());
		inner.addEventListener('drop', (event) => void takeDrop(event));
		inner.addEventListener('securitypolicyviolation', (event) => outside.note(event.blockedURI));
		inner.addEventListener('pointermove', (event) => {
			hot.point(traceAt(event));
			measuring = event.altKey;
		});
		inner.addEventListener('keydown', onModifier);
		inner.addEventListener('keyup', onModifier);
		inner.addEventListener('pointerleave', () => hot.point(undefined));
		inner.addEventListener('scroll', measure);
		// Images and fonts come later than the page, and change its boxes.
		inner.addEventListener('load', measure, true);
		inner.fonts?.addEventListener('loadingdone', measure);
	}

	function onModifier(event: KeyboardEvent): void {
		measuring = event.altKey;
	}

	function onClick(event: Event): void {
		const link = followedLink(event, page.address);
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
		} else {
			onPick(trace);
		}
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

<div class="page" style:width="{look.width * scale}px">
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
		onload={onLoad}
	></iframe>
	{#if look.overlay}
		<div class="overlay on-page" aria-hidden="true">
			{#each boxes as box, index (index)}
				{@const least = box.kind === 'region' ? 30 : 70}
				{@const roomy = box.width * scale > 64 && box.height * scale > least}
				{@const lit = isLit(box.trace)}
				{@const fate = box.kind === 'region' ? fateOf(box.trace) : undefined}
				<div
					class="box {box.kind}"
					class:lit
					class:kept={fate === 'kept'}
					data-hue={box.mark?.hue ?? 0}
					style:left="{box.x * scale}px"
					style:top="{box.y * scale}px"
					style:width="{box.width * scale}px"
					style:height="{box.height * scale}px"
				>
					{#if roomy || lit}
						<b>{box.name}{fate ? `, ${fate}` : ''}</b>
						{#if lit || box.kind === 'region'}<em>{box.size}</em>{/if}
					{/if}
				</div>
			{/each}
		</div>
	{/if}
	{#if main}
		{#each distances as { from, to }, index (index)}
			<Distances {from} {to} {scale} />
		{/each}
	{/if}
	{#if main && look.tracks && tracks && chosenBox.around}
		<Tracks
			view={chosenBox.around}
			{tracks}
			{scale}
			{rtl}
			chosen={chosenBox.view}
			chosenBox={chosenAt}
		/>
	{/if}
</div>

<style>
	.page {
		position: relative;
		height: 100%;
		flex: none;
		background: #fff;
		box-shadow: 0 0 0 1px var(--rule);
		overflow: hidden;
	}
	iframe {
		border: 0;
		transform-origin: 0 0;
		background: #fff;
	}
	.overlay {
		position: absolute;
		inset: 0;
		pointer-events: none;
		overflow: hidden;
	}
	.box {
		position: absolute;
	}
	.region {
		box-shadow: inset 0 0 0 1.5px var(--hue);
	}
	.guest {
		box-shadow: inset 0 0 0 1.5px var(--hue);
		background: color-mix(in srgb, var(--hue) 7%, transparent);
	}
	.kept {
		background: repeating-linear-gradient(
			135deg,
			color-mix(in srgb, var(--hue) 22%, transparent) 0 2px,
			transparent 2px 9px
		);
	}
	.lit {
		box-shadow: inset 0 0 0 3px var(--cedar);
		background: color-mix(in srgb, var(--cedar) 10%, transparent);
		z-index: 1;
	}
	b {
		position: absolute;
		top: 0;
		left: 0;
		font: 500 9.5px/13px var(--mono);
		padding: 0 4px;
		background: var(--hue);
		color: var(--on-layer);
		opacity: 0.92;
		white-space: nowrap;
	}
	.guest b {
		left: auto;
		right: 0;
	}
	.lit b {
		background: var(--cedar);
		color: var(--on-cedar);
	}
	em {
		position: absolute;
		right: 3px;
		bottom: 2px;
		font: 400 9.5px/12px var(--mono);
		padding: 0 3px;
		color: var(--ink-2);
		background: rgb(255 255 255 / 0.82);
	}
</style>
