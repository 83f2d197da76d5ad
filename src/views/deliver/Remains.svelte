<script lang="ts">
	import { page as address } from '$app/state';
	import { severities } from '$core/messages/severity.ts';
	import { counted, listWords } from '$core/messages/wording.ts';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { found } from '$store/findings.svelte.ts';
	import { measuredWords } from '$views/findings/finding-words.ts';

	/** What is found and still there as the site is handed over, and how to see it. */
	const query = $derived(placeQuery(readPlace(address.url)));
	const some = $derived(
		severities
			.map((severity) => ({ severity, count: found.count(severity) }))
			.filter(({ count }) => count > 0)
	);
	const total = $derived(some.reduce((sum, { count }) => sum + count, 0));
	const words = $derived(listWords(some.map(({ severity, count }) => counted(count, severity))));
	/** What was not measured may still hold something. */
	const soFar = $derived(
		found.measuredPages && !found.allMeasured ? ` (${measuredWords(found.measuredPages)})` : ''
	);
</script>

<p class="remains" role="status">
	{#if !found.all}
		The site is being looked over …
	{:else if total === 0}
		{found.allMeasured ? 'Nothing is found on any page.' : `Nothing is found so far${soFar}.`}
	{:else}
		<a class="act" href="/findings?{query}">{words} {total === 1 ? 'remains' : 'remain'}</a
		>{soFar}.{found.count('error') === 0 ? ' The site can be delivered all the same.' : ''}
	{/if}
</p>

<style>
	.remains {
		padding: 9px 24px;
		border-bottom: 1px solid var(--hair);
		color: var(--ink-2);
	}
	.remains .act {
		padding: 0;
	}
</style>
