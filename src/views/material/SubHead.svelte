<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		title: string;
		says: string;
		/** What can be done with all of it. */
		children?: Snippet;
	}
	const { title, says, children }: Props = $props();
</script>

<header>
	<h2 class="cap">{title}</h2>
	<span class="small">{says}</span>
	<span class="acts">{@render children?.()}</span>
</header>

<style>
	header {
		display: flex;
		align-items: baseline;
		gap: 12px;
		padding: 9px 16px;
		border-bottom: 1px solid var(--hair);
	}
	.acts {
		margin-left: auto;
	}
</style>
