<script lang="ts">
	import type { Snippet } from 'svelte';

	/** The line over a view: what is said of all of it, what can be done with it, and what of it is shown. */
	interface Props {
		summary: string;
		actions?: Snippet;
		children: Snippet;
	}
	const { summary, actions, children }: Props = $props();
</script>

<div class="bar">
	<p class="cap" aria-live="polite">{summary}</p>
	{#if actions}<div class="controls">{@render actions()}</div>{/if}
	<div class="controls small">{@render children()}</div>
</div>

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 6px 16px;
		padding: 7px 16px;
		border-bottom: 1px solid var(--hair);
	}
	.controls {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px 14px;
	}
</style>
