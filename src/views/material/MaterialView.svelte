<script lang="ts">
	import type { MaterialView } from '$core/drawing/material-view.ts';
	import { store } from '$store/site.svelte.ts';
	import FilesPart from './FilesPart.svelte';
	import TokensPart from './TokensPart.svelte';

	/** What pages are made of and no page owns. */
	let view = $state.raw<MaterialView | undefined>();

	$effect(() => {
		void [store.site, store.assets];
		void store.core.material().then((found) => (view = found));
	});
</script>

<div class="material">
	{#if view}
		<TokensPart bands={view.bands} tokens={view.tokens} />
		<FilesPart files={view.files} />
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
