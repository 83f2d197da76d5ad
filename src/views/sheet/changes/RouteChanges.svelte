<script lang="ts">
	import { untrack } from 'svelte';
	import { counted } from '$core/messages/wording.ts';
	import { changeWords } from '$core/changes/site-changes.ts';
	import { store } from '$store/site.svelte.ts';
	import type { Changes } from './changes.svelte.ts';

	/** The routes that two states draw differently, by the layer through which they do. */
	const { changes }: { changes: Changes } = $props();

	let through = $state.raw<readonly (readonly string[])[]>([]);
	const layers = $derived(byLayer());

	$effect(() => {
		const pages = changes.found.map(({ page }) => page);
		untrack(async () => {
			const found = await store.core.sheet.changedThrough(pages).catch(() => []);
			if (changes.found.length === pages.length) through = found;
		});
	});

	function byLayer(): { layer: string; pages: string[] }[] {
		const found = new Map<string, string[]>();
		for (const [index, { page }] of changes.found.entries()) {
			for (const layer of through[index] ?? []) {
				found.set(layer, [...(found.get(layer) ?? []), page]);
			}
		}
		return [...found].map(([layer, pages]) => ({ layer, pages }));
	}
</script>

<div class="routes" role="region" aria-label="Routes that changed">
	{#if layers.length > 0}
		<h2 class="cap">Through which layer</h2>
		<table>
			<thead><tr><th scope="col">layer</th><th scope="col">pages</th></tr></thead>
			<tbody>
				{#each layers as { layer, pages } (layer)}
					<tr>
						<th scope="row" class="mono">{layer}</th>
						<td>{counted(pages.length, 'page')}: <span class="mono">{pages.join(', ')}</span></td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
	<h2 class="cap">Route by route</h2>
	<table>
		<thead>
			<tr><th scope="col">route</th><th scope="col">through</th><th scope="col">what</th></tr>
		</thead>
		<tbody>
			{#each changes.found as change, index (change.page)}
				<tr>
					<th scope="row" class="mono">{change.page}</th>
					<td class="mono">{(through[index] ?? []).join(', ')}</td>
					<td>
						{#each changeWords(change) as words (words)}<p>{words}</p>{/each}
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
</div>

<style>
	.routes {
		flex: 1;
		min-height: 0;
		padding: 12px 16px;
		overflow: auto;
	}
	table {
		width: 100%;
		margin: 4px 0 18px;
		border-collapse: collapse;
	}
	th,
	td {
		padding: 5px 14px 5px 0;
		text-align: left;
		vertical-align: top;
		border-bottom: 1px solid var(--hair);
	}
	thead th {
		font-size: var(--text-small);
		color: var(--ink-2);
	}
</style>
