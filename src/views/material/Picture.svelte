<script lang="ts">
	import mime from 'mime';
	import { releaseUrl } from '$store/files/object-url.ts';
	import { store } from '$store/site.svelte.ts';

	/** A picture of the site, small. What is in it never runs: it is only an image. */
	const { path }: { path: string } = $props();

	let url = $state('');
	const bytes = $derived(store.assets.get(path));

	$effect(() => {
		if (!bytes) return;
		const type = mime.getType(path) ?? 'application/octet-stream';
		const made = URL.createObjectURL(new Blob([new Uint8Array(bytes)], { type }));
		url = made;
		return () => releaseUrl(made);
	});
</script>

{#if url}<img src={url} alt="" loading="lazy" />{/if}

<style>
	img {
		width: 100%;
		height: 100%;
		object-fit: contain;
	}
</style>
