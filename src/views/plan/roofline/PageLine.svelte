<script lang="ts">
	import type { RooflineLayout } from '$core/drawing/roofline.ts';
	import { look } from '$store/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import type { PageView } from '$workers/messages.ts';
	import LongSelect from '$views/shell/LongSelect.svelte';
	import LayerMark from '../section/LayerMark.svelte';
	import UnderMenu from '../section/UnderMenu.svelte';

	interface Props {
		page: PageView;
		layouts: readonly RooflineLayout[];
		/** All pages of the site, to come from. */
		pages: readonly string[];
		comingFrom: string;
		underOpen: boolean;
	}
	let { page, layouts, pages, comingFrom = $bindable(), underOpen = $bindable() }: Props = $props();

	const marks = $derived(new Map(layouts.map((layout) => [layout.name, layout.mark])));
	const others = $derived(pages.filter((one) => one !== page.page));
	const isRoute = $derived(page.page.startsWith('/'));
</script>

<div class="line">
	<span class="mono name">{page.page}</span>
	{#if page.chain.length === 0}
		<span class="small">sits under nothing: it is bare</span>
	{:else}
		<span class="small">sits under</span>
		{#each page.chain as name, index (name)}
			{#if index > 0}<span class="small">then</span>{/if}
			<span class="mono layer"><LayerMark mark={marks.get(name)} />{name}</span>
		{/each}
	{/if}
	{#if isRoute}
		<UnderMenu layer={{ kind: 'route', name: page.page }} bind:open={underOpen} />
	{/if}
	<span class="end">
		{#if page.addresses.length > 1}
			<LongSelect
				label="Which of its pages"
				value={page.address}
				options={page.addresses}
				choose={(address) => void store.goTo({ page: page.page, address })}
			/>
		{/if}
		<LongSelect
			label="Coming from"
			title="Marks what stays and what is thrown away when a visitor comes from another page"
			value={comingFrom}
			none="coming from …"
			options={others}
			choose={(name) => (comingFrom = name)}
		/>
		<button
			class="field"
			aria-pressed={store.held !== undefined}
			title="Keeps this page, as it is now, next to the one at work"
			onclick={() => (store.held = store.held ? undefined : page)}
		>
			{store.held ? 'Let go' : 'Hold beside'}
		</button>
		<button
			class="field"
			aria-pressed={look.overlay}
			title="Whose each box is, and how large"
			onclick={() => (look.overlay = !look.overlay)}>Boxes</button
		>
		<button
			class="field"
			aria-pressed={look.tracks}
			title="Columns and rows of the box around the chosen region"
			onclick={() => (look.tracks = !look.tracks)}>Tracks</button
		>
	</span>
</div>

<style>
	.line {
		display: flex;
		align-items: center;
		flex-wrap: wrap;
		gap: 4px 8px;
		padding: 7px 16px 6px;
	}
	.name {
		font-weight: 500;
	}
	.layer {
		display: inline-flex;
		align-items: center;
		gap: 6px;
	}
	.end {
		margin-left: auto;
		display: flex;
		gap: 6px;
		font-size: var(--text-code);
		align-items: center;
	}
	button {
		white-space: nowrap;
	}
	[aria-pressed='true'].field {
		border-color: var(--cedar);
	}
</style>
