<script lang="ts">
	import { page } from '$app/state';
	import { tick } from 'svelte';
	import { SvelteMap } from 'svelte/reactivity';
	import type { DataView } from '$core/view-models/material/data-view.ts';
	import type { MaterialView } from '$core/view-models/material/material-view.ts';
	import type { PartView } from '$core/view-models/material/part-view.ts';
	import { store } from '$store/site.svelte.ts';
	import { placeQuery, readPlace } from '$store/address.ts';
	import DataPart from './data/DataPart.svelte';
	import FilesPart from './FilesPart.svelte';
	import PartsPart from './parts/PartsPart.svelte';
	import TokensPart from './TokensPart.svelte';

	/** What pages are made of and no page owns. */

	const kinds = ['data', 'parts', 'files', 'tokens'] as const;
	type Kind = (typeof kinds)[number];

	let view = $state.raw<MaterialView | undefined>();
	let data = $state.raw<readonly DataView[] | undefined>();
	let parts = $state.raw<readonly PartView[] | undefined>();

	/** The page as on which a part is drawn, by its name, where one was chosen. */
	const drawnOn = new SvelteMap<string, string>();

	/** What a link asks for, such as `token --gutter`. */
	const wanted = $derived(decodeURIComponent(page.url.hash.slice(1)));
	const asked = $derived(page.url.searchParams.get('of'));
	/** A link to one thing leads to its kind. */
	const kind = $derived<Kind>(
		kinds.find((one) => one === asked) ??
			kinds.find((one) => wanted.startsWith(`${one.replace(/s$/, '')} `)) ??
			'data'
	);
	const query = $derived(placeQuery(readPlace(page.url)));
	const counts = $derived<Record<Kind, number | undefined>>({
		data: data?.length,
		parts: parts?.length,
		files: view?.files.length,
		tokens: view?.tokens.length
	});

	$effect(() => {
		// Once it is there; drawn after this.
		if (!view || !data || !parts || wanted === '') return;
		void tick().then(() => document.getElementById(wanted)?.scrollIntoView({ block: 'nearest' }));
	});

	$effect(() => {
		void [store.site, store.assets];
		void store.core.answers.material().then((found) => (view = found));
		void store.core.answers.data().then((found) => (data = found));
	});

	$effect(() => {
		void [store.site, store.assets];
		void store.core.answers.parts(new Map(drawnOn)).then((found) => (parts = found));
	});
</script>

<div class="material">
	<nav aria-label="Material">
		{#each kinds as one (one)}
			<a href="/material?{query}&of={one}" aria-current={one === kind ? 'page' : undefined}
				>{one}<span class="small">{counts[one] ?? ''}</span></a
			>
		{/each}
	</nav>
	{#if kind === 'data' && data}
		<DataPart sources={data} {wanted} />
	{:else if kind === 'parts' && parts}
		<PartsPart {parts} {wanted} drawOn={(part, page) => drawnOn.set(part, page)} />
	{:else if kind === 'files' && view}
		<FilesPart files={view.files} {wanted} />
	{:else if kind === 'tokens' && view}
		<TokensPart bands={view.bands} tokens={view.tokens} {wanted} />
	{:else}
		<p class="waiting small" role="status">Reading what the site is made of …</p>
	{/if}
</div>

<style>
	.material {
		display: grid;
		grid-template-columns: 132px minmax(0, 1fr);
		height: 100%;
		background: var(--sheet);
	}
	nav {
		display: flex;
		flex-direction: column;
		padding: 10px 0;
		background: var(--paper);
		border-right: 1px solid var(--hair);
	}
	nav a {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		padding: 6px 14px;
		border-left: 3px solid transparent;
	}
	.waiting {
		padding: 10px 14px;
	}
	nav a:hover {
		background: color-mix(in srgb, var(--cedar-wash) 45%, transparent);
	}
	nav a[aria-current] {
		font-weight: 600;
		border-color: var(--cedar);
		background: var(--sheet);
	}
</style>
