<script lang="ts">
	import type { DeliveredView } from '$workers/messages.ts';
	import { goto } from '$app/navigation';
	import { store } from '$store/site.svelte.ts';
	import { openView } from '$views/commands/commands.ts';
	import { sizeText } from '$views/shell/size-text.ts';

	const { name, files }: { name: string; files: readonly DeliveredView[] } = $props();

	/** Rows that are drawn at a time; no one reads ten thousand. */
	const step = 200;
	let shown = $state(step);

	/** What a file comes from, and is shown as; undefined where it is made of many things. */
	function comesFrom({ path, kind }: DeliveredView): string | undefined {
		if (kind === 'page' || kind === 'moved') return 'Show the page in Plan';
		if (kind === 'text') return 'Show the text in Source';
		return store.assets.has(path) ? 'Show the file in Material' : undefined;
	}

	/** Goes to where what is handed over comes from: the page in Plan, or the file in Material. */
	async function goTo({ path, kind }: DeliveredView): Promise<void> {
		if (kind === 'page' || kind === 'moved') {
			const address = `/${path.replace(/(^|\/)index\.html$/, '').replace(/\.html$/, '')}`;
			if (await store.follow(address)) await openView('/plan');
		} else if (kind === 'text') {
			await goto(`/source?${new URLSearchParams({ file: path }).toString()}`);
		} else {
			await openView('/material');
			await goto(`#file ${path}`);
		}
	}
</script>

<div>
	<table>
		<caption class="cap">{name}, {files.length}</caption>
		<tbody>
			{#each files.slice(0, shown) as file (file.path)}
				<tr>
					<td class="mono">
						{#if comesFrom(file) === undefined}{file.path}{:else}
							<button title={comesFrom(file)} onclick={() => void goTo(file)}>{file.path}</button>
						{/if}
					</td>
					<td class="mono size">{sizeText(file.size)}</td>
				</tr>
			{/each}
		</tbody>
	</table>
	{#if files.length > shown}
		<button class="act" onclick={() => (shown += step)}>
			Show {Math.min(step, files.length - shown)} more of {files.length - shown}
		</button>
	{/if}
</div>

<style>
	td button {
		text-align: left;
	}
	td button:hover {
		text-decoration: underline;
		color: var(--cedar);
	}
	caption {
		text-align: left;
		padding: 6px 0;
	}
	td {
		border-bottom: 1px solid var(--hair);
		padding: 3px 0;
		overflow-wrap: anywhere;
	}
	table {
		width: 100%;
	}
	.size {
		text-align: right;
		color: var(--ink-2);
		white-space: nowrap;
	}
</style>
