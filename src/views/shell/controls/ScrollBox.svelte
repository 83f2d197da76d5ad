<script lang="ts">
	import type { Snippet } from 'svelte';

	/** Something to read that scrolls, so it can be reached by keyboard. */
	const { label, children }: { label: string; children: Snippet } = $props();
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div tabindex="0" role="group" aria-label={label}>{@render children()}</div>

<style>
	div {
		flex: 1;
		min-height: 0;
		min-width: 0;
		overflow: auto;
	}
</style>
