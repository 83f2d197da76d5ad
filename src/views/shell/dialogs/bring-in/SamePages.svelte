<script lang="ts">
	import type { BroughtView } from '$core/bring-in/brought-view.ts';
	import { counted } from '$core/messages/problem.ts';
	import { sizeText } from '$views/shell/size-text.ts';
	import type { ProofView } from '$workers/desk/bringing-in.ts';

	/** Whether the pages come out as they came in: elements, attributes and text, one by one. */
	interface Props {
		found: BroughtView;
		proof: ProofView | undefined;
		isProving: boolean;
	}
	const { found, proof, isProving }: Props = $props();
</script>

<div class="proof">
	<p role="status">
		<b>{proof?.same ?? 0} of {counted(found.pages, 'page')}</b>
		{isProving ? 'are the same so far …' : 'come out the same: elements, attributes and text.'}
		<span class="small">{sizeText(found.bytes)} of pages, {sizeText(found.letters)} of text</span>
	</p>
	{#if proof && proof.others.length > 0}
		<ul aria-label="Pages that differ">
			{#each proof.others as { path, words } (path)}
				<li><span class="mono">{path}</span> <span class="small">{words}</span></li>
			{/each}
		</ul>
	{/if}
</div>

<style>
	.proof {
		display: grid;
		gap: 8px;
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
