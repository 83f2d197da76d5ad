<script lang="ts">
	import { Portal, Tooltip } from '@skeletonlabs/skeleton-svelte';
	import type { Snippet } from 'svelte';
	import { meaningOf, type TermWord } from '$core/view-models/words/glossary.ts';
	import TermDrawing from './TermDrawing.svelte';

	/** A word that is ours: pointed at or with the focus, it says what it means. */
	const { word, children }: { word: TermWord; children: Snippet } = $props();

	let open = $state(false);
</script>

<Tooltip
	openDelay={250}
	closeDelay={80}
	positioning={{ placement: 'bottom-start' }}
	onOpenChange={(details) => (open = details.open)}
>
	<Tooltip.Trigger class="term">{@render children()}</Tooltip.Trigger>{#if open}<Portal>
			<Tooltip.Positioner class="term-place">
				<Tooltip.Content class="term-says">
					<TermDrawing {word} />
					<span>{meaningOf(word)}</span>
				</Tooltip.Content>
			</Tooltip.Positioner>
		</Portal>{/if}
</Tooltip>

<style>
	:global(.term) {
		font: inherit;
		color: inherit;
		letter-spacing: inherit;
		text-decoration: underline dotted var(--rule);
		text-underline-offset: 3px;
		cursor: help;
	}
	/* Over all that the views draw; the library gives it a place of its own otherwise. */
	:global(.term-place) {
		z-index: 60 !important;
	}
	:global(.term-says) {
		display: flex;
		gap: 12px;
		align-items: center;
		max-width: 360px;
		padding: 10px 12px;
		color: var(--ink);
		font-size: var(--text-small);
		white-space: normal;
		background: var(--sheet);
		border: 1px solid var(--rule);
		border-radius: var(--radius);
	}
</style>
