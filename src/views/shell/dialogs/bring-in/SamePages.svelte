<script lang="ts">
	import type { BroughtView } from '$core/bring-in/brought-view.ts';
	import { proofWidths } from '$core/bring-in/proving/box-shift.ts';
	import { counted, listWords } from '$core/messages/wording.ts';
	import { bringing } from '$store/ways/bringing.svelte.ts';
	import { sizeText } from '$views/shell/size-text.ts';
	import type { ProofView } from '$workers/desk/bringing-in.ts';

	/** Whether the pages come out as they came in: elements, attributes and text, one by one. */
	interface Props {
		found: BroughtView;
		proof: ProofView | undefined;
		isProving: boolean;
	}
	const { found, proof, isProving }: Props = $props();
	const { boxes, choosing } = bringing;
	const others = $derived([...(proof?.others ?? []), ...boxes.shifted]);
	const widths = listWords(proofWidths.map(String));
</script>

<div class="proof">
	<p role="status">
		<b>{proof?.same ?? 0} of {counted(found.pages, 'page')}</b>
		{isProving ? 'are the same so far …' : 'come out the same: elements, attributes and text.'}
		<span class="small">{sizeText(found.bytes)} of pages, {sizeText(found.letters)} of text</span>
	</p>
	{#if proof && !isProving && proof.paths.length > 0}
		<p role="status">
			<b>{boxes.done - boxes.shifted.length} of {counted(proof.paths.length, 'page')}</b>
			{boxes.isGoing ? 'have every box where it was so far …' : 'have every box where it was,'}
			<span class="small">at {widths} px, as this browser shows them</span>
		</p>
		{#if boxes.isGoing}
			<progress
				max={proof.paths.length}
				value={boxes.done}
				aria-label="Pages whose boxes are compared"
			></progress>
		{/if}
	{/if}
	{#if others.length > 0}
		<ul aria-label="Pages that differ">
			{#each others as { path, words } (path)}
				<li>
					<button class="act mono" title="Look at it" onclick={() => void choosing.look(path)}
						>{path}</button
					>
					<span class="small">{words}</span>
				</li>
			{/each}
		</ul>
	{/if}
</div>

<style>
	.proof {
		display: grid;
		gap: 8px;
	}
	progress {
		width: 100%;
		accent-color: var(--cedar);
	}
	ul {
		max-height: 20vh;
		overflow-y: auto;
		overflow-wrap: anywhere;
	}
	li {
		padding: 4px 0;
		border-top: 1px solid var(--hair);
	}
</style>
