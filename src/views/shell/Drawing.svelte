<script lang="ts">
	import type { Snippet } from 'svelte';
	import { reasonOf } from '$core/messages/problem.ts';

	/** One drawing of a view. Where it fails, the others stay, and it says so in its own place. */
	const { name, children }: { name: string; children: Snippet } = $props();
</script>

<svelte:boundary>
	{@render children()}
	{#snippet failed(failure, reset)}
		<div class="failed" role="alert">
			<p>{name} stopped: {reasonOf(failure)}. Everything else works on, and nothing is lost.</p>
			<button class="act" onclick={reset}>Draw it again</button>
		</div>
	{/snippet}
</svelte:boundary>

<style>
	.failed {
		padding: 12px 16px;
		color: var(--fault);
		background: var(--fault-wash);
	}
</style>
