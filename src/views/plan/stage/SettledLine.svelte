<script lang="ts">
	import { page as address } from '$app/state';
	import { placeQuery, readPlace } from '$store/address.ts';
	import type { SettledPage } from './settled.svelte.ts';

	/** Says where the page on the stage is not as it was computed, and which style does it. */
	const { page }: { page: SettledPage } = $props();
</script>

{#if page.differs}
	{@const { sentence, place } = page.differs}
	<p class="line small" role="status">
		{sentence}
		{#if place}
			<a
				class="mono"
				href="/source?{placeQuery(readPlace(address.url))}&file={place.file}&at={place.at}"
			>
				{place.file}, line {place.line}
			</a>
		{/if}
	</p>
{/if}

<style>
	.line {
		position: absolute;
		left: 8px;
		bottom: 34px;
		z-index: 3;
		max-width: calc(100% - 40px);
		padding: 2px 8px;
		background: var(--sheet);
		border: 1px solid var(--cedar);
		border-radius: var(--radius);
	}
</style>
