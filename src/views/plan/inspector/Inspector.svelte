<script lang="ts">
	import FoldButton from '$views/shell/controls/FoldButton.svelte';
	import { counted } from '$core/messages/wording.ts';
	import { store } from '$store/site.svelte.ts';
	import { choice, type CellFacts } from '../choice.svelte.ts';
	import { chosenBox } from '../chosen-box.svelte.ts';
	import BoxPanel from './BoxPanel.svelte';
	import LayerPanel from './LayerPanel.svelte';
	import ManyPanel from './ManyPanel.svelte';
	import PagesPanel from './PagesPanel.svelte';
	import PiecePanel from './PiecePanel.svelte';
	import PlacePanel from './PlacePanel.svelte';
	import NodePanel from './markup/NodePanel.svelte';
	import { chosenNode } from '../chosen-node.svelte.ts';
	import SitePanel from './SitePanel.svelte';
	import ScrollBox from '$views/shell/controls/ScrollBox.svelte';

	interface Props {
		/** The block of the cross-section that is chosen. */
		facts: CellFacts | undefined;
	}
	const { facts }: Props = $props();

	const subject = $derived(choice.subject);
	const layer = $derived(
		subject.kind === 'layer'
			? subject.layer
			: subject.kind === 'piece'
				? subject.piece.holder.layer
				: subject.kind === 'box'
					? ({ kind: 'layout', name: subject.box.layout } as const)
					: subject.kind === 'pages'
						? undefined
						: facts?.layer
	);
	const region = $derived(facts?.region);

	// What stands in the markup of the chosen piece, as the text is now.
	$effect(() => {
		void [store.texts, store.page];
		const piece = choice.subject.kind === 'piece' ? choice.subject.piece : undefined;
		void chosenNode.ask(piece, choice.node?.part);
	});
</script>

<aside aria-label="Inspector" data-tour="inspector">
	<header>
		<nav aria-label="What is chosen">
			<button aria-current={subject.kind === 'site' || undefined} onclick={() => choice.pickSite()}
				>site</button
			>
			{#if layer}
				<span aria-hidden="true">›</span>
				<button
					class="mono"
					aria-current={subject.kind === 'layer' || undefined}
					onclick={() => choice.pickLayer(layer)}>{layer.name}</button
				>
			{/if}
			{#if subject.kind === 'box' && subject.box.box !== undefined}
				<span aria-hidden="true">›</span>
				<button class="mono" aria-current="true">{subject.box.box}</button>
			{:else if subject.kind === 'pages'}
				<span aria-hidden="true">›</span>
				<span aria-current="true">{counted(subject.pages.length, 'page')}</span>
			{:else if facts && subject.kind !== 'site' && subject.kind !== 'layer' && subject.kind !== 'box'}
				<span aria-hidden="true">›</span>
				<button
					class="mono"
					aria-current={subject.kind === 'place' || undefined}
					onclick={() => choice.pick(facts.place)}>{region?.name ?? 'content'}</button
				>
			{/if}
			{#if subject.kind === 'piece'}
				<span aria-hidden="true">›</span>
				<button class="mono" aria-current="true" onclick={() => (choice.node = undefined)}
					>{subject.piece.piece}</button
				>
			{/if}
		</nav>
		<FoldButton pane="side" label="the inspector" />
	</header>
	<ScrollBox label="Values of what is chosen">
		{#if chosenBox.many && choice.also.length > 0}
			<ManyPanel many={chosenBox.many} />
		{:else if subject.kind === 'site'}
			<SitePanel />
		{:else if subject.kind === 'pages'}
			<PagesPanel pages={subject.pages} />
		{:else if subject.kind === 'layer'}
			<LayerPanel layer={subject.layer} />
		{:else if subject.kind === 'piece' && chosenNode.view}
			<NodePanel piece={subject.piece} view={chosenNode.view} />
		{:else if subject.kind === 'piece'}
			<PiecePanel piece={subject.piece} {facts} />
		{:else if subject.kind === 'box'}
			{#if chosenBox.view}<BoxPanel view={chosenBox.view} />{/if}
		{:else if facts && store.page}
			<PlacePanel {facts} section={store.page.section} />
		{:else}
			<p class="small none">
				This layer lies outside the region: it stands further in. Choose another block of the
				cross-section.
			</p>
		{/if}
	</ScrollBox>
</aside>

<style>
	aside {
		display: flex;
		flex-direction: column;
		height: 100%;
	}
	header {
		display: flex;
		align-items: center;
		height: 36px;
		flex: none;
		padding: 0 6px 0 8px;
		border-bottom: 1px solid var(--hair);
	}
	nav {
		display: flex;
		align-items: center;
		flex: 1;
		min-width: 0;
		gap: 1px;
		white-space: nowrap;
		overflow: hidden;
		font-size: var(--text-small);
		color: var(--ink-2);
	}
	nav button {
		min-width: 14px;
		flex: 0 1 auto;
		padding: 2px 2px;
		overflow: hidden;
		text-overflow: ellipsis;
		border-radius: var(--radius);
		font-size: var(--text-small);
	}
	nav button:last-of-type {
		flex-shrink: 0;
		max-width: 60%;
	}
	nav button:hover {
		background: var(--cedar-wash);
	}
	nav [aria-current] {
		color: var(--cedar);
		font-weight: 600;
	}
	.none {
		padding: 12px;
	}
</style>
