<script lang="ts">
	import { untrack } from 'svelte';
	import { all, attribute, heightOfAll, isLaidOut, partsOf, rectOf } from '$browser/dom.ts';
	import type { ShownPage } from '$browser/page-boxes.ts';
	import ShownInFrame from '$views/frame/ShownInFrame.svelte';
	import Choices from '../../controls/Choices.svelte';

	/** A page as it is and as it would be, at one width: over each other, or one of the two. */
	interface Props {
		before: ShownPage;
		after: ShownPage;
		/** px of the screen */
		width: number;
	}
	const { before, after, width }: Props = $props();

	const ways = ['over each other', 'as it is', 'as it would be'] as const;
	let way = $state<(typeof ways)[number]>('over each other');
	/** px; a page without anything in it still has a place. */
	const leastHeight = 400;
	let room = $state(600);
	let height = $state(leastHeight);
	const scale = $derived(Math.min(1, room / width));

	interface Outline {
		readonly name: string;
		readonly isRegion: boolean;
		readonly style: string;
	}
	/** The boxes that it would have. */
	let outlines = $state.raw<readonly Outline[]>([]);

	function onShown(inner: Document, isNew: boolean): () => void {
		const measure = (): void => {
			const root = partsOf(inner)?.root;
			if (root) height = Math.max(leastHeight, Math.ceil(heightOfAll(root)));
			if (isNew) outlines = outlinesIn(inner);
		};
		measure();
		inner.addEventListener('load', measure, true);
		return () => inner.removeEventListener('load', measure, true);
	}

	function outlinesIn(inner: Document): Outline[] {
		const by = untrack(() => scale);
		const px = (value: number): string => `${Math.round(value * by * 10) / 10}px`;
		return all(inner, '[data-region], [data-wrapper]').flatMap((element) => {
			const region = attribute(element, 'data-region');
			const name = region ?? attribute(element, 'data-wrapper');
			if (name === undefined || !isLaidOut(element)) return [];
			const { x, y, width: wide, height: tall } = rectOf(element);
			const style = `left: ${px(x)}; top: ${px(y)}; width: ${px(wide)}; height: ${px(tall)}`;
			return [{ name, isRegion: region !== undefined, style }];
		});
	}
</script>

<div class="whole">
	<Choices
		label="at {width} px"
		options={ways.map((value) => ({ value, name: value }))}
		value={way}
		choose={(one) => (way = one)}
	/>
	<div class="stage" bind:clientWidth={room}>
		<div class="page" style="width: {width * scale}px; height: {height * scale}px">
			{#key width}
				{#if way !== 'as it is'}
					<ShownInFrame
						page={after}
						title="The page {after.address} as it would be"
						{width}
						{height}
						{scale}
						onShown={(inner) => onShown(inner, true)}
					/>
				{/if}
				{#if way !== 'as it would be'}
					<div class={way === 'over each other' ? 'over' : ''}>
						<ShownInFrame
							page={before}
							title="The page {before.address} as it is"
							{width}
							{height}
							{scale}
							onShown={(inner) => onShown(inner, false)}
						/>
					</div>
				{/if}
			{/key}
			{#if way !== 'as it is'}
				{#each outlines as { name, isRegion, style }, at (at)}
					<i class={isRegion ? 'region' : 'wrapper'} data-hue="1" {style}>
						{#if isRegion}<b>{name}</b>{/if}
					</i>
				{/each}
			{/if}
		</div>
	</div>
</div>

<style>
	.whole {
		display: grid;
		grid-template-rows: auto 1fr;
		gap: 8px;
		min-height: 0;
		min-width: 0;
	}
	.stage {
		overflow: auto;
		min-height: 0;
		border: 1px solid var(--hair);
		background: var(--paper);
	}
	.page {
		position: relative;
		overflow: hidden;
	}
	i {
		position: absolute;
		pointer-events: none;
		border: 1px dotted var(--hue);
	}
	.region {
		border: 2px dashed var(--hue);
	}
	b {
		position: absolute;
		right: 0;
		top: 0;
		padding: 0 3px;
		font: 600 10px / 1.3 var(--mono);
		font-style: normal;
		color: var(--sheet);
		background: var(--hue);
	}
	.over {
		position: absolute;
		inset: 0;
		opacity: 0.5;
		pointer-events: none;
	}
</style>
