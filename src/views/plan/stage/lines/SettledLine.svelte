<script lang="ts">
	import { page as address } from '$app/state';
	import { placeQuery, readPlace } from '$store/address.ts';
	import StageLine from './StageLine.svelte';
	import type { SettledPage } from '../settled.svelte.ts';

	/** Says where the page on the stage is not as it was computed, and which style does it. */
	const { page }: { page: SettledPage } = $props();
</script>

{#if page.differs}
	{@const { sentence, place } = page.differs}
	<StageLine above>
		{sentence}
		{#if place}
			<a
				class="mono"
				href="/source?{placeQuery(readPlace(address.url))}&file={place.file}&at={place.at}"
			>
				{place.file}, line {place.line}
			</a>
		{/if}
	</StageLine>
{/if}
