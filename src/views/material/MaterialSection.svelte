<script lang="ts">
	import type { Snippet } from 'svelte';
	import ScrollBox from '$views/shell/controls/ScrollBox.svelte';

	/** One kind of material: its head, with what can be done with all of it, and below it what there is. */
	interface Props {
		title: string;
		says: string;
		/** Buttons in the head. */
		acts: Snippet;
		/** What scrolls below the head is called so; without, what is below scrolls by itself. */
		scrolls?: string;
		children: Snippet;
	}
	const { title, says, acts, scrolls, children }: Props = $props();
</script>

<section aria-label={title}>
	<header>
		<h2 class="cap">{title}</h2>
		<span class="small">{says}</span>
		<span class="acts">{@render acts()}</span>
	</header>
	{#if scrolls}
		<ScrollBox label={scrolls}><div class="inner">{@render children()}</div></ScrollBox>
	{:else}
		{@render children()}
	{/if}
</section>

<style>
	section {
		display: flex;
		flex-direction: column;
		min-height: 0;
		min-width: 0;
	}
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
	.inner {
		padding: 0 16px 24px;
	}
</style>
