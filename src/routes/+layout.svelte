<script lang="ts">
	import '../app.css';
	import { page } from '$app/state';
	import { onMount, untrack, type Snippet } from 'svelte';
	import { readPlace, writePlace } from '$store/address.ts';
	import { look } from '$store/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import TopBar from '$views/shell/TopBar.svelte';
	import AskDialog from '$views/shell/AskDialog.svelte';
	import ConfirmEdit from '$views/shell/ConfirmEdit.svelte';
	import NoticeLine from '$views/shell/NoticeLine.svelte';

	const { children }: { children: Snippet } = $props();

	let failure = $state<string | undefined>();

	onMount(() => {
		look.start();
		const place = readPlace(page.url);
		// An address that names a screen means all of it.
		if (place.width !== undefined) {
			look.width = place.width;
			look.height = place.height;
		}
		store.start(place.wish).catch((reason: unknown) => {
			failure = reason instanceof Error ? reason.message : String(reason);
		});
		const keep = () => void store.keepNow();
		addEventListener('pagehide', keep);
		return () => removeEventListener('pagehide', keep);
	});

	$effect(() => {
		document.documentElement.dataset['mode'] = look.mode;
		look.keep();
	});

	// The address follows what is shown …
	$effect(() => {
		const shown = store.page;
		const { width, height } = look;
		if (!shown) return;
		const several = shown.addresses.length > 1 && shown.address !== shown.addresses[0];
		const wish = { page: shown.page, address: several ? shown.address : undefined };
		untrack(() => void writePlace(page.url, { wish, width, height }));
	});

	// … and what is shown follows the address, where the visitor goes back or forward.
	$effect(() => {
		const place = readPlace(page.url);
		untrack(() => {
			const shown = store.page;
			if (!shown || !place.wish) return;
			const address = place.wish.address ?? shown.addresses[0];
			const same =
				place.wish.page === shown.page && (address === shown.address || !place.wish.address);
			if (!same) void store.goTo(place.wish);
		});
	});

	function onKey(event: KeyboardEvent): void {
		if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
		const key = event.key.toLowerCase();
		const inField =
			event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
		if (inField || (key !== 'z' && key !== 'y')) return;
		event.preventDefault();
		if (key === 'y' || event.shiftKey) void store.redo();
		else void store.undo();
	}
</script>

<svelte:window onkeydown={onKey} />

<div class="shell">
	<TopBar />
	<NoticeLine />
	<main data-ready={store.ready || undefined}>
		{#if failure}
			<p class="failure" role="alert">The site could not be opened: {failure}</p>
		{:else if store.ready}
			{@render children()}
		{:else}
			<p class="failure small" role="status">Opening the site …</p>
		{/if}
	</main>
</div>

<AskDialog />
<ConfirmEdit />

<style>
	.shell {
		height: 100vh;
		display: grid;
		grid-template-rows: auto auto minmax(0, 1fr);
	}
	main {
		min-height: 0;
		grid-row: 3;
	}
	.failure {
		padding: 24px;
	}
</style>
