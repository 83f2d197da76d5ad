<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A line over the stage that says something of the page, and moves nothing when it comes. */
	const { children, above = false }: { children: Snippet; above?: boolean } = $props();
</script>

<p class="line small" class:above role="status">{@render children()}</p>

<style>
	.line {
		position: absolute;
		left: 8px;
		bottom: 6px;
		z-index: 3;
		max-width: calc(100% - 40px);
		padding: 2px 8px;
		background: var(--sheet);
		border: 1px solid var(--hair);
		border-radius: var(--radius);
	}
	.above {
		bottom: 34px;
		border-color: var(--cedar);
	}
</style>
