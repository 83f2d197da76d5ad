<script lang="ts">
	import { page as address } from '$app/state';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { hot } from '$store/ways/hot.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import type { PlaceView } from '$workers/messages.ts';

	/** Says of what the pointer is on where it is written. Without a pointer: of the page. */
	const { page }: { page: string } = $props();

	let place = $state.raw<PlaceView | undefined>();
	let words = $state('');

	$effect(() => {
		const { trace } = hot;
		const kind = page.startsWith('/') ? 'route' : 'state';
		const asked = trace ?? { kind, layer: page, region: undefined, piece: undefined };
		void store.texts;
		void store.core.places.placeOf(asked).then((found) => {
			if (trace !== hot.trace) return;
			place = found;
			const part = asked.piece ?? asked.region;
			words = part === undefined ? asked.layer : `${part}, of ${asked.layer}`;
		});
	});
</script>

<p class="small">
	{#if place}
		<span class="mono">{words}</span> is written in
		<a
			class="mono"
			href="/source?{placeQuery(readPlace(address.url))}&file={place.file}&at={place.at}"
		>
			{place.file}, line {place.line}
		</a>
	{:else}
		&nbsp;
	{/if}
</p>

<style>
	p {
		padding: 3px 16px;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		min-width: 0;
	}
	a {
		text-decoration: underline;
		font-size: var(--text-small);
	}
</style>
