<script lang="ts">
	import type { Use } from '$core/view-models/material/uses.ts';
	import { counted } from '$core/messages/wording.ts';
	import { page as address } from '$app/state';
	import { placeQuery, readPlace } from '$store/address.ts';

	/** Where something is used: each place leads to its text. */
	const { uses }: { uses: readonly Use[] } = $props();

	const most = 12;
	let open = $state(false);
	const query = $derived(placeQuery(readPlace(address.url)));
</script>

{#if uses.length === 0}
	<span class="small none">used nowhere</span>
{:else}
	<button class="act small" aria-expanded={open} onclick={() => (open = !open)}
		>used in {counted(uses.length, 'place')}</button
	>
	{#if open}
		<ul>
			{#each uses.slice(0, most) as use (`${use.file} ${use.from}`)}
				<li class="small">
					<span class="mono">{use.owner}</span>,
					<a class="mono" href="/source?{query}&file={use.file}&at={use.from}"
						>{use.file}, line {use.line}</a
					>
				</li>
			{/each}
			{#if uses.length > most}<li class="small">and {uses.length - most} more</li>{/if}
		</ul>
	{/if}
{/if}

<style>
	.act {
		padding: 0;
	}
	ul {
		grid-column: 1 / -1;
		padding: 2px 0 4px 10px;
	}
	a {
		text-decoration: underline;
		font-size: var(--text-small);
	}
</style>
