<script lang="ts">
	import { page } from '$app/state';
	import { tick } from 'svelte';
	import type { MaterialView } from '$core/drawing/material-view.ts';
	import { store } from '$store/site.svelte.ts';
	import FilesPart from './FilesPart.svelte';
	import TokensPart from './TokensPart.svelte';

	/** What pages are made of and no page owns. */
	let view = $state.raw<MaterialView | undefined>();

	/** What a link asks for, such as `token --gutter`. */
	const wanted = $derived(decodeURIComponent(page.url.hash.slice(1)));

	$effect(() => {
		// Once it is there; drawn after this.
		if (!view || wanted === '') return;
		void tick().then(() => document.getElementById(wanted)?.scrollIntoView({ block: 'nearest' }));
	});

	$effect(() => {
		void [store.site, store.assets];
		void store.core.material().then((found) => (view = found));
	});
</script>

<div class="material">
	{#if view}
		<TokensPart bands={view.bands} tokens={view.tokens} {wanted} />
		<FilesPart files={view.files} {wanted} />
	{/if}
</div>

<style>
	.material {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		height: 100%;
	}
	@media (max-width: 900px) {
		.material {
			grid-template-columns: minmax(0, 1fr);
			overflow-y: auto;
		}
	}
</style>
