<script lang="ts">
	import { store } from '$store/site.svelte.ts';
	import HiddenFrame from '$views/frame/HiddenFrame.svelte';
	import { measurePages } from '$views/frame/measure-pages.ts';
	import { Settler } from '$views/frame/settler.ts';

	/** Measures all pages behind whatever else is done, again where an edit changed them. */

	/** ms after an edit: whoever edits is not done yet. */
	const rest = 1200;
	let settler = $state.raw<Settler | undefined>();

	$effect(() => {
		const settles = settler;
		void store.site;
		if (!settles || !store.ready) return;
		const given = new AbortController();
		const timer = setTimeout(() => {
			void measurePages(settles, given.signal).catch((failure: unknown) => {
				store.sayFailure('The pages could not be measured', failure);
			});
		}, rest);
		return () => {
			clearTimeout(timer);
			given.abort();
		};
	});
</script>

{#if store.ready}
	<HiddenFrame onReady={(frame) => (settler = new Settler(frame))} />
{/if}
