<script lang="ts">
	import { counted } from '$core/messages/wording.ts';
	import type { PieceRef } from '$core/model/command.ts';
	import { putAround, setTag, takeAway } from '$core/outline/element-edits.ts';
	import { forText } from '$core/outline/tag-text.ts';
	import type { NodeView } from '$core/view-models/markup/outline-view.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { askPart } from '../../../commands/asking-content.ts';
	import { choice } from '../../choice.svelte.ts';
	import { chosenNode } from '../../chosen-node.svelte.ts';
	import FromData from '../FromData.svelte';
	import ConditionFields from './ConditionFields.svelte';
	import ElementFields from './ElementFields.svelte';
	import PartFields from './PartFields.svelte';

	/** Something in the markup of a piece: the way up to the piece, what it says, and what can be done with it. */
	interface Props {
		piece: PieceRef;
		view: NodeView;
	}
	const { piece, view }: Props = $props();

	const node = $derived(view.node);
	const part = $derived(choice.node?.part);
	const of = $derived(chosenNode.outline?.of.name ?? piece.piece);
	let filling = $state(false);
	let refused = $state('');
	let current: HTMLElement;

	// The button that led here is gone with what it stood in.
	$effect(() => {
		void view;
		if (document.activeElement === document.body) current.focus();
	});

	/** Where a link of the site leads, so far as it is written there. */
	const leads = $derived.by(() => {
		if (node.kind !== 'element') return undefined;
		const href = node.attributes.find(({ name }) => name === 'href')?.text ?? '';
		return href.startsWith('/') && !href.includes('{') ? href : undefined;
	});

	const up = $derived(chosenNode.way.slice(0, -1));

	function labelAt(at: number): string {
		return chosenNode.outline?.nodes[at]?.label ?? '';
	}

	function go(at: number): void {
		choice.node = { part, at };
	}

	/** Arrow up goes to what it stands in, down to the first that stands in it. */
	function onKey(event: KeyboardEvent): void {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		const above = up.at(-1);
		const [below] = chosenNode.inside;
		if (event.key === 'ArrowUp' && above !== undefined) go(above);
		else if (event.key === 'ArrowUp' || event.key === 'Escape') choice.node = undefined;
		else if (event.key === 'ArrowDown' && below !== undefined) go(below);
		else return;
		event.preventDefault();
		event.stopPropagation();
	}

	async function remove(): Promise<void> {
		const edit = takeAway(node);
		const above = up.at(-1);
		refused = (await chosenNode.write(edit)) ?? '';
		if (refused === '') choice.node = above === undefined ? undefined : { part, at: above };
	}

	function open(): void {
		void commands
			.attempt({ kind: 'open-block', of, place: node.span, before: node.written })
			.then((sentence) => (refused = sentence ?? ''));
	}

	/** Shows it only where something is so: the first value in scope, to be changed. */
	async function showIf(): Promise<void> {
		const path = chosenNode.scope.values[0]?.path ?? 'page.title';
		refused = (await chosenNode.write(putAround(node, `{if ${path}}`))) ?? '';
	}
</script>

<div class="panel" role="group" aria-label="In the markup of {of}">
	<nav class="way mono" aria-label="What it stands in">
		<button onclick={() => (choice.node = undefined)}>{piece.piece}</button>
		{#if part !== undefined}<span aria-hidden="true">›</span><span>part {part}</span>{/if}
		{#each up as at (at)}
			<span aria-hidden="true">›</span><button onkeydown={onKey} onclick={() => go(at)}
				>{labelAt(at)}</button
			>
		{/each}
		<span aria-hidden="true">›</span><button
			class="current"
			aria-current="true"
			bind:this={current}
			onkeydown={onKey}
			title="Arrow up: what it stands in; arrow down: what stands in it">{view.label}</button
		>
	</nav>
	{#if part !== undefined}
		<p class="small">It is written in the part {part}: it changes wherever that is used.</p>
	{:else if view.shown.length > 1}
		<p class="small">
			It stands here {counted(view.shown.length, 'time')}, written once.
		</p>
	{/if}
	{#if node.kind === 'element'}
		{#key `${part} ${choice.node?.at}`}<ElementFields {node} />{/key}
	{:else if node.tag.kind === 'for'}
		{@const { name, list } = node.tag}
		<label class="list small"
			>each {name.text} of
			<select
				class="field mono"
				aria-label="The list"
				value={list.path.join('.')}
				onchange={(event) => {
					const select = event.currentTarget;
					void chosenNode.write(setTag(node, forText(name.text, select.value))).then((sentence) => {
						refused = sentence ?? '';
						select.value = list.path.join('.');
					});
				}}
			>
				{#each new Set( [list.path.join('.'), ...chosenNode.scope.lists.map((one) => one.path)] ) as path (path)}
					{@const found = chosenNode.scope.lists.find((one) => one.path === path)}
					<option value={path}
						>{path}{found ? `: ${counted(found.count, 'member')}, ${found.says}` : ''}</option
					>
				{/each}
			</select></label
		>
		{#if node.hasElse}<p class="small">It says what shows where the list is empty.</p>{/if}
	{:else if node.tag.kind === 'if'}
		<ConditionFields tag={node.tag} take={(tag) => chosenNode.write(setTag(node, tag))} />
		{#if node.hasElse}<p class="small">It says what shows otherwise.</p>{/if}
	{:else}
		<PartFields
			tag={node.tag}
			written={node.written}
			take={(tag) => chosenNode.write(setTag(node, tag))}
		/>
		<button
			class="act small"
			onclick={() => {
				if (node.kind === 'block' && node.tag.kind === 'use')
					choice.node = { part: node.tag.part.text, at: 0 };
			}}>Go into the part</button
		>
	{/if}
	{#if refused}<p class="small refused" role="alert">{refused}</p>{/if}
	{#if chosenNode.inside.length > 0}
		<p class="small inside">
			in it:
			{#each chosenNode.inside as at (at)}
				<button class="act mono" onkeydown={onKey} onclick={() => go(at)}>{labelAt(at)}</button>
			{/each}
		</p>
	{/if}
	<div class="actions">
		{#if node.kind === 'element' && part === undefined}
			<button class="act" onclick={() => (filling = true)}>Fill from data …</button>
		{/if}
		{#if node.kind === 'element'}
			<button class="act" onclick={() => void showIf()}>Only if …</button>
		{/if}
		{#if (chosenNode.outline?.parts.length ?? 0) > 0}
			<button class="act" onclick={() => askPart(node)}>Use a part …</button>
		{/if}
		{#if node.kind === 'block' && node.tag.kind !== 'use'}
			<button class="act" onclick={open}
				>{node.tag.kind === 'for' ? 'Keep only its first' : 'Show it always'}</button
			>
		{/if}
		{#if leads !== undefined}
			<button class="act" title="Goes to {leads}" onclick={() => void store.follow(leads)}
				>Follow the link</button
			>
		{/if}
		<button class="act" onclick={() => void remove()}>Remove</button>
		<button class="act" onclick={() => choice.editPieces()}>Edit the markup</button>
	</div>
</div>
<FromData {piece} element={node.written} open={filling} onClose={() => (filling = false)} />

<style>
	.panel {
		padding: 8px 10px 6px;
	}
	.way {
		display: flex;
		flex-wrap: wrap;
		gap: 1px 3px;
		align-items: baseline;
		margin-bottom: 4px;
		font-size: var(--text-small);
	}
	.way button {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	.way .current {
		text-decoration: none;
		font-weight: 600;
		text-align: start;
		overflow-wrap: anywhere;
	}
	.list {
		display: grid;
		gap: 3px;
		margin: 2px 0;
	}
	.list select {
		min-width: 0;
		max-width: 100%;
	}
	.inside {
		margin-top: 4px;
	}
	.inside .act {
		font-size: var(--text-small);
		padding: 0 2px;
	}
	.refused {
		color: var(--fault);
	}
</style>
