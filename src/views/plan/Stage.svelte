<script lang="ts">
	import { clampWidth } from '$store/address.ts';
	import { look } from '$store/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import type { BandView, PageView } from '$workers/messages.ts';
	import { followedLink, showInFrame } from './frame.ts';
	import Ruler from './Ruler.svelte';

	interface Props {
		page: PageView;
		bands: readonly BandView[];
	}
	const { page, bands }: Props = $props();

	let paneWidth = $state(900);
	let paneHeight = $state(400);
	let frame = $state<HTMLIFrameElement | undefined>();
	let loaded = $state(false);
	let dragging = $state(false);
	/** The scale stays as it was while the edge is dragged, so that the edge keeps to the pointer. */
	let dragScale = $state(1);

	/** Room beside the page, px of the screen, for the edge and what it says. */
	const margin = 130;
	const fitScale = $derived(Math.min(1, (paneWidth - margin) / look.width));
	const scale = $derived(dragging ? dragScale : fitScale);
	const reach = $derived(paneWidth / scale);
	const pageHeight = $derived(Math.max(200, (paneHeight - 34) / scale));
	const next = $derived(nextBreakpoints(bands, look.width));

	$effect(() => {
		if (frame && loaded) showInFrame(frame, page.html, page.address);
	});

	function nextBreakpoints(all: readonly BandView[], width: number): string {
		const below = all.findLast((band) => band.from <= width);
		const above = all.find((band) => band.from > width);
		const words = [];
		if (below && below.from > 0) words.push(`${below.name} ends below ${below.from} px`);
		if (above) words.push(`${above.name} starts at ${above.from} px`);
		return words.join(', ');
	}

	function onLoad(): void {
		const inner = frame?.contentDocument;
		if (!inner) return;
		loaded = true;
		for (const kind of ['click', 'auxclick'] as const) inner.addEventListener(kind, onClick);
		inner.addEventListener('submit', (event) => event.preventDefault());
	}

	function onClick(event: Event): void {
		const link = followedLink(event, page.address);
		if (!link) return;
		event.preventDefault();
		if (link.kind === 'address') {
			void store.follow(link.address);
		} else if (link.kind === 'outside') {
			store.notice = { kind: 'fine', sentence: `This link leads out of the site, to ${link.url}.` };
		} else {
			frame?.contentDocument?.getElementById(link.id)?.scrollIntoView();
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

<div class="pane" bind:clientWidth={paneWidth} bind:clientHeight={paneHeight}>
	<Ruler {bands} width={look.width} {scale} {reach} />
	<div class="page" style:width="{look.width * scale}px">
		<!-- Without allow-scripts: markup of the site never runs in the application. -->
		<iframe
			bind:this={frame}
			title="The page {page.address} at {look.width} px"
			sandbox="allow-same-origin"
			srcdoc="<!doctype html><html><head></head><body></body></html>"
			style:width="{look.width}px"
			style:height="{pageHeight}px"
			style:transform="scale({scale})"
			style:pointer-events={dragging ? 'none' : 'auto'}
			onload={onLoad}
		></iframe>
	</div>
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
		<span class="read mono">{look.width} px</span>
		<span class="hint small">{next}</span>
		{#if scale < 0.995}<span class="scale small">drawn at {Math.round(scale * 100)} %</span>{/if}
	</div>
</div>

<style>
	.pane {
		position: relative;
		flex: 1;
		min-height: 160px;
		margin: 0 16px;
		overflow: hidden;
	}
	.page {
		position: absolute;
		top: 34px;
		bottom: 0;
		left: 0;
		background: #fff;
		box-shadow: 0 0 0 1px var(--rule);
		overflow: hidden;
	}
	iframe {
		border: 0;
		transform-origin: 0 0;
		background: #fff;
	}
	.edge {
		position: absolute;
		top: 0;
		bottom: 0;
		width: 15px;
		margin-left: -7px;
		cursor: ew-resize;
		touch-action: none;
	}
	.edge::before {
		content: '';
		position: absolute;
		left: 7px;
		top: 0;
		bottom: 0;
		width: 2px;
		background: var(--cedar);
	}
	.grip {
		position: absolute;
		left: 2px;
		top: 42%;
		width: 12px;
		height: 44px;
		border-radius: 6px;
		background: var(--cedar);
	}
	.dragging .grip {
		outline: 3px solid var(--cedar-wash);
	}
	.read,
	.hint,
	.scale {
		position: absolute;
		left: 17px;
		width: 104px;
		pointer-events: none;
	}
	.read {
		top: 42px;
		color: var(--cedar);
		font-weight: 500;
	}
	.hint {
		top: 64px;
		line-height: 1.35;
	}
	.scale {
		bottom: 8px;
	}
</style>
