<script lang="ts">
	import { untrack } from 'svelte';
	import { bringing } from '$store/ways/bringing.svelte.ts';

	/** A frame that no one sees, in which pages are shown as they came in and as they would be. */
	let frame = $state<HTMLIFrameElement | undefined>();
	let loaded = $state(false);

	$effect(() => {
		const { proof, isProving, boxes } = bringing;
		if (!frame || !loaded || !proof || isProving) return;
		const given = new AbortController();
		const shown = frame;
		untrack(() => void boxes.go(shown, proof.paths, given.signal));
		return () => given.abort();
	});
</script>

<iframe
	bind:this={frame}
	title="Comparing"
	aria-hidden="true"
	tabindex="-1"
	sandbox="allow-same-origin"
	src="/stage"
	onload={() => (loaded = true)}
></iframe>

<style>
	iframe {
		position: fixed;
		left: -4000px;
		top: 0;
		width: 1280px;
		height: 800px;
		border: 0;
		visibility: hidden;
		pointer-events: none;
	}
</style>
