<script lang="ts">
	import { untrack } from 'svelte';
	import { bringing } from '$store/ways/bringing.svelte.ts';
	import UnseenFrame from '$views/frame/UnseenFrame.svelte';

	/** Shows pages as they came in and as they would be, one after the other, so that their boxes can be compared. */
	let frame = $state.raw<HTMLIFrameElement | undefined>();

	$effect(() => {
		const { proof, isProving, boxes } = bringing;
		const shown = frame;
		if (!shown || !proof || isProving) return;
		const given = new AbortController();
		untrack(() => void boxes.go(shown, proof.paths, given.signal));
		return () => given.abort();
	});
</script>

<UnseenFrame title="Comparing" onReady={(one) => (frame = one)} />
