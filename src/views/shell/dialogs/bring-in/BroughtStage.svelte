<script lang="ts">
	import { untrack } from 'svelte';
	import type { PartOnPage } from '$core/bring-in/choosing/parts-on-page.ts';
	import { rectOf, heightOfAll, partsOf, isElement } from '$browser/dom.ts';
	import { elementAtPlace, placeIn } from '$browser/element-place.ts';
	import type { ShownPage } from '$browser/page-boxes.ts';
	import Choices from '../../controls/Choices.svelte';
	import ShownInFrame from '$views/frame/ShownInFrame.svelte';

	/** A page as it would be shown, and over it whose its elements are. A click asks about one. */
	interface Props {
		page: ShownPage;
		/** The same as it came in. */
		before: ShownPage | undefined;
		parts: readonly PartOnPage[];
		/** The element that is looked at. */
		element: PartOnPage | undefined;
		/** The hue of each frame. */
		hueOf: (frame: string | undefined) => number;
		onPoint: (at: readonly number[]) => void;
	}
	const { page, before, parts, element, hueOf, onPoint }: Props = $props();

	/** px of the screen that the page is drawn for. */
	const screen = 1280;
	/** px; a page without anything in it still has a place to click at. */
	const leastHeight = 400;

	const ways = ['as it will be', 'side by side', 'over each other'] as const;
	let way = $state<(typeof ways)[number]>('as it will be');
	/** The document that the page is in. */
	let inner = $state.raw<Document | undefined>();
	let room = $state(600);
	let height = $state(leastHeight);
	/** Counts up whenever the page lies otherwise. */
	let laid = $state(0);
	const scale = $derived(Math.min(1, (way === 'side by side' ? room / 2 - 6 : room) / screen));

	function onShown(shown: Document): () => void {
		const measure = (): void => {
			const root = partsOf(shown)?.root;
			if (root) height = Math.max(leastHeight, Math.ceil(heightOfAll(root)));
			laid = untrack(() => laid) + 1;
		};
		const point = (event: Event): void => {
			event.preventDefault();
			if (isElement(event.target)) onPoint(placeIn(shown, event.target));
		};
		inner = shown;
		measure();
		// Pictures and sheets that come later move what is below them.
		shown.addEventListener('load', measure, true);
		shown.addEventListener('click', point, true);
		return () => {
			shown.removeEventListener('load', measure, true);
			shown.removeEventListener('click', point, true);
		};
	}

	interface Drawn {
		readonly part: PartOnPage;
		readonly box: string;
	}

	const drawn = $derived.by((): readonly Drawn[] => {
		void laid;
		return parts.flatMap((part) => {
			if (part.part === 'frame' && part.isMixed) return [];
			const box = boxOf(part.at);
			return box === undefined ? [] : [{ part, box }];
		});
	});
	const pointed = $derived.by(() => {
		void laid;
		return element && boxOf(element.at);
	});

	function boxOf(at: readonly number[]): string | undefined {
		const found = inner && elementAtPlace(inner, at);
		if (!found) return undefined;
		const { x, y, width, height: tall } = rectOf(found);
		if (width === 0 || tall === 0) return undefined;
		const px = (value: number): string => `${Math.round(value * scale * 10) / 10}px`;
		return `left: ${px(x)}; top: ${px(y)}; width: ${px(width)}; height: ${px(tall)}`;
	}
</script>

{#if before}
	<Choices
		label="the page"
		options={ways.map((value) => ({ value, name: value }))}
		value={way}
		choose={(one) => (way = one)}
	/>
{/if}
<div class={way === 'side by side' ? 'stage beside' : 'stage'} bind:clientWidth={room}>
	{#if before && way !== 'as it will be'}
		<figure
			class:over={way === 'over each other'}
			style="width: {screen * scale}px; height: {height * scale}px"
		>
			<ShownInFrame
				page={before}
				title="The page {page.address} as it came in"
				width={screen}
				{height}
				{scale}
			/>
			{#if way === 'side by side'}<figcaption class="small">as it came in</figcaption>{/if}
		</figure>
	{/if}
	<div class="page" style="width: {screen * scale}px; height: {height * scale}px">
		<ShownInFrame
			{page}
			title="The page {page.address} as it would be"
			width={screen}
			{height}
			{scale}
			{onShown}
		/>
		{#each drawn as { part, box } (part.at.join())}
			<i
				class="part {part.part}"
				data-hue={part.part === 'own' || part.part === 'slot' ? 0 : hueOf(part.frame)}
				style={box}
			>
				{#if part.region !== undefined && part.part !== 'own'}<b>{part.region}</b>{/if}
			</i>
		{/each}
		{#if pointed}<i class="pointed" style={pointed}></i>{/if}
	</div>
</div>

<style>
	.stage {
		position: relative;
		overflow: auto;
		min-height: 0;
		border: 1px solid var(--hair);
		background: var(--paper);
	}
	.beside {
		display: flex;
		gap: 12px;
	}
	figure {
		position: relative;
		flex: none;
		overflow: hidden;
	}
	figcaption {
		position: absolute;
		right: 0;
		top: 0;
		padding: 0 6px;
		background: var(--sheet);
	}
	.over {
		position: absolute;
		z-index: 1;
		opacity: 0.5;
		pointer-events: none;
	}
	.page {
		flex: none;
		position: relative;
		overflow: hidden;
	}
	i {
		position: absolute;
		pointer-events: none;
	}
	.part {
		border: 1px solid var(--hue);
	}
	.frame {
		background: repeating-linear-gradient(
			135deg,
			color-mix(in srgb, var(--hue) 16%, transparent) 0 1px,
			transparent 1px 5px
		);
	}
	.region {
		border-width: 2px;
		border-style: dashed;
	}
	.slot {
		border-width: 2px;
	}
	.own {
		border-style: dotted;
	}
	.part b {
		position: absolute;
		right: 0;
		top: 0;
		padding: 0 4px;
		font: 600 var(--text-small) / 1.5 var(--mono);
		font-style: normal;
		color: var(--sheet);
		background: var(--hue);
	}
	.pointed {
		outline: 3px solid var(--cedar);
		outline-offset: -1px;
	}
</style>
