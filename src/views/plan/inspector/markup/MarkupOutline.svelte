<script lang="ts">
	import { choice } from '../../choice.svelte.ts';
	import { chosenNode } from '../../chosen-node.svelte.ts';

	/** What stands in the markup of the chosen piece, to be chosen from. */
	const most = 60;
	let all = $state(false);
	const nodes = $derived(chosenNode.outline?.nodes ?? []);
	const listed = $derived(all ? nodes : nodes.slice(0, most));

	function words(at: number): string {
		const node = nodes[at]?.node;
		if (node?.kind !== 'element') return '';
		const said =
			node.words.map(({ text }) => text).join(' ') ||
			(node.attributes.find(({ name }) => name === 'alt')?.text ?? '');
		return said.length > 40 ? `${said.slice(0, 40)}…` : said;
	}
</script>

{#if nodes.length > 0}
	<div class="listed">
		<span class="cap">In its markup</span>
		<ul>
			{#each listed as { node, label }, at (at)}
				<li style:padding-left="{node.depth * 10}px">
					<button class="mono" onclick={() => (choice.node = { part: undefined, at })}
						>{label}<span class="small">{words(at)}</span></button
					>
				</li>
			{/each}
		</ul>
		{#if !all && nodes.length > most}
			<button class="act small" onclick={() => (all = true)}>and {nodes.length - most} more</button>
		{/if}
	</div>
{/if}

<style>
	.listed {
		padding: 4px 10px 8px;
	}
	button {
		display: block;
		max-width: 100%;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		font-size: var(--text-small);
		text-align: start;
	}
	li button:hover {
		background: var(--cedar-wash);
	}
	button span {
		margin-left: 6px;
		color: var(--ink-2);
		font-family: var(--sans, inherit);
	}
</style>
