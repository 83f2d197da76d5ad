<script lang="ts">
	import { page } from '$app/state';
	import { store } from '$store/site.svelte.ts';
	import { idle, restTime } from '$store/ways/quiet.ts';
	import HiddenFrame from '$views/frame/HiddenFrame.svelte';
	import { measurePages } from '$views/frame/measure-pages.ts';
	import { Settler } from '$views/frame/settler.ts';

	/** Measures all pages behind whatever else is done, again where an edit changed them. */

	/** ms after an edit, or after the pointer or a key, where what is measured is what one looks at. */
	const shortRest = 1000;
	const wait = $derived(page.url.pathname === '/findings' ? shortRest : restTime);
	let settler = $state.raw<Settler | undefined>();
	/** The page in sight is drawn: a frame that nobody sees may come. */
	let isDrawn = $state(false);

	$effect(() => {
		if (store.ready) void idle().then(() => (isDrawn = true));
	});

	$effect(() => {
		const settles = settler;
		const ms = wait;
		void [store.site, store.page];
		if (!settles || !store.ready) return;
		const given = new AbortController();
		const timer = setTimeout(() => {
			void measurePages(settles, ms, given.signal).catch((failure: unknown) => {
				store.sayFailure('The pages could not be measured', failure);
			});
		}, ms);
		return () => {
			clearTimeout(timer);
			given.abort();
		};
	});
</script>

{#if isDrawn}
	<HiddenFrame onReady={(frame) => (settler = new Settler(frame))} />
{/if}
