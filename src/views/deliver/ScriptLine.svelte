<script lang="ts">
	import type { ActiveView } from '$workers/messages.ts';

	/** What the author wrote that runs script in the delivered pages; the application adds none. */
	const { active }: { active: readonly ActiveView[] } = $props();
	const most = 6;
</script>

{#if active.length === 0}
	<span>No script.</span>
{:else}
	<span>The only script is what you wrote:</span>
	<ul>
		{#each active.slice(0, most) as { what, layer, piece, file, from, line }, index (index)}
			<li>
				<span class="mono">{what}</span> in {piece} of {layer}
				<a class="act mono" href="/source?file={file}&at={from}">{file}:{line}</a>
			</li>
		{/each}
		{#if active.length > most}<li>and {active.length - most} more</li>{/if}
	</ul>
{/if}

<style>
	ul {
		margin: 4px 0 8px;
		padding-left: 18px;
		list-style: disc;
	}
</style>
