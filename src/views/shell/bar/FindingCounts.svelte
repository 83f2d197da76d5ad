<script lang="ts">
	import { severities } from '$core/messages/severity.ts';
	import { counted } from '$core/messages/wording.ts';
	import { found } from '$store/findings.svelte.ts';
	import TileMark from '../marks/TileMark.svelte';

	/** How much is found of each kind; none of what there is none of. */
	const counts = $derived(
		severities.map((severity) => ({ severity, count: found.sure(severity) }))
	);
	const some = $derived(counts.filter(({ count }) => count > 0));
	const words = $derived(some.map(({ severity, count }) => counted(count, severity)).join(', '));
</script>

{#if some.length > 0}
	<span class="counts" title={words}>
		<span class="unseen">({words})</span>
		{#each some as { severity, count } (severity)}
			<span aria-hidden="true"><TileMark {severity} />{count}</span>
		{/each}
	</span>
{/if}

<style>
	/* Beneath the name of the view: what is found later moves nothing. */
	.counts {
		position: absolute;
		left: 10px;
		bottom: 1px;
		display: flex;
		gap: 6px;
		font-size: var(--text-small);
		line-height: 1;
	}
	.counts > span:not(.unseen) {
		display: flex;
		align-items: center;
		gap: 3px;
	}
</style>
