<script lang="ts">
	import type { DeliveredView } from '$workers/messages.ts';
	import { sizeText } from './size-text.ts';

	const { name, files }: { name: string; files: readonly DeliveredView[] } = $props();

	/** Rows that are drawn at a time; no one reads ten thousand. */
	const step = 200;
	let shown = $state(step);
</script>

<div>
	<table>
		<caption class="cap">{name}, {files.length}</caption>
		<tbody>
			{#each files.slice(0, shown) as file (file.path)}
				<tr>
					<td class="mono">{file.path}</td>
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
