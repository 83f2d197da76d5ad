<script lang="ts">
	import type { Snippet } from 'svelte';
	import { reasonOf } from '$core/messages/wording.ts';

	/** One drawing of a view. Where it fails, the others stay, and it says so in its own place. */
	interface Props {
		name: string;
		/** What it draws; where that is another, it is tried again. */
		of?: string;
		children: Snippet;
	}
	const { name, of = '', children }: Props = $props();

	let again: (() => void) | undefined;
	let failedOn = '';

	$effect(() => {
		const now = of;
		if (again && failedOn !== now) {
			const reset = again;
			again = undefined;
			reset();
		}
	});
</script>

<svelte:boundary
	onerror={(_, reset) => {
		again = reset;
		failedOn = of;
	}}
>
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
