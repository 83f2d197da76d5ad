<script lang="ts">
	import type { BlockView } from '$core/bring-in/brought-view.ts';
	import { counted } from '$core/messages/wording.ts';
	import { bringing } from '$store/ways/bringing.svelte.ts';
	import { sizeText } from '$views/shell/size-text.ts';

	/** Blocks that pages repeat word for word: as parts they would be said once. */
	const { blocks }: { blocks: readonly BlockView[] } = $props();
	const { choosing } = bringing;

	/** Those that are named; there may be hundreds. */
	const most = 5;
	const isChosen = $derived(choosing.made.some(({ choice }) => choice.kind === 'blocks'));
	const saved = $derived(blocks.reduce((sum, one) => sum + one.saved, 0));
</script>

{#if blocks.length > 0}
	<section aria-label="Blocks that pages repeat">
		<p>
			<b>{counted(blocks.length, 'block')}</b>
			{blocks.length === 1 ? 'stands' : 'stand'} on several pages word for word
			<span class="small">{sizeText(saved)} said again</span>
		</p>
		<p class="small names">
			{blocks
				.slice(0, most)
				.map(({ name, pages }) => `${name} (${counted(pages, 'page')})`)
				.join(', ')}{blocks.length > most ? ' …' : ''}
		</p>
		{#if isChosen}
			<p class="small">They are parts in this site.</p>
		{:else}
			<button class="act" onclick={() => void choosing.choose({ kind: 'blocks' })}
				>Make each of them a part</button
			>
		{/if}
	</section>
{/if}

<style>
	.names {
		overflow-wrap: anywhere;
	}
</style>
