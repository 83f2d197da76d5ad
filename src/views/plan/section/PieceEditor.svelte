<script lang="ts">
	import { untrack } from 'svelte';
	import type { HolderRef } from '$core/model/wish.ts';
	import type { PieceView } from '$core/edit/pieces/pieces.ts';
	import { ask } from '$store/ask.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { wishes } from '$store/wishes.svelte.ts';
	import MarkupEditor from './MarkupEditor.svelte';
	import { selection } from '../selection.svelte.ts';

	interface Props {
		holder: HolderRef;
		/** What the pieces are, in a few words. */
		title: string;
	}
	const { holder, title }: Props = $props();

	let pieces = $state.raw<readonly PieceView[]>([]);
	let refused = $state.raw<Readonly<Record<string, string>>>({});
	const key = $derived(JSON.stringify(holder));

	$effect(() => {
		// Asked again for another block, and after each edit of the text.
		const [asked] = [key, store.texts];
		untrack(() => {
			void store.core.piecesIn(holder).then((found) => {
				if (asked === key) pieces = found;
			});
		});
	});

	async function write(name: string, markup: string): Promise<boolean> {
		const sentence = await wishes.type({ kind: 'set-markup', holder, name, markup });
		const { [name]: _before, ...others } = refused;
		refused = sentence === undefined ? others : { ...others, [name]: sentence };
		return sentence === undefined;
	}

	function askName(
		words: { title: string; value: string; act: string },
		make: (name: string) => Promise<boolean>
	): void {
		ask.question = {
			title: words.title,
			says: 'By its name a piece is found again; it is unique where it stands.',
			fields: [{ label: 'Name', value: words.value, mono: true }],
			act: words.act,
			answer: ([name = '']) => make(name)
		};
	}
</script>

<aside aria-label="Pieces">
	<header>
		<h2 class="cap">{title}</h2>
		<button class="act" onclick={() => (selection.editing = false)}>Close</button>
	</header>
	{#each pieces as piece, index (`${key} ${piece.name}`)}
		<section aria-label="Piece {piece.name}">
			<div class="line">
				<b class="mono">{piece.name}</b>
				<button
					class="act"
					onclick={() =>
						askName({ title: `Rename ${piece.name}`, value: piece.name, act: 'Rename it' }, (to) =>
							wishes.make({ kind: 'rename-piece', holder, name: piece.name, to })
						)}>Rename</button
				>
				<button
					class="act"
					disabled={index === 0}
					aria-label="Move {piece.name} up"
					onclick={() =>
						void wishes.make({ kind: 'reorder-piece', holder, name: piece.name, by: -1 })}>▴</button
				>
				<button
					class="act"
					disabled={index === pieces.length - 1}
					aria-label="Move {piece.name} down"
					onclick={() =>
						void wishes.make({ kind: 'reorder-piece', holder, name: piece.name, by: 1 })}>▾</button
				>
				<button
					class="act"
					onclick={() => void wishes.make({ kind: 'remove-piece', holder, name: piece.name })}
					>Remove</button
				>
			</div>
			{#if piece.markup === undefined}
				<p class="small">A list of links, made from the routes. Its text stands in Source.</p>
			{:else}
				<MarkupEditor
					name={piece.name}
					markup={piece.markup}
					write={(markup) => write(piece.name, markup)}
				/>
			{/if}
			{#if refused[piece.name]}
				<p class="refused" role="alert">Not in the site yet: {refused[piece.name]}</p>
			{/if}
		</section>
	{:else}
		<p class="small none">There is no piece here yet.</p>
	{/each}
	<button
		class="act add"
		onclick={() =>
			askName({ title: 'Add a piece', value: '', act: 'Add it' }, (name) =>
				wishes.make({ kind: 'add-piece', holder, name })
			)}>Add piece</button
	>
</aside>

<style>
	aside {
		border-left: 1px solid var(--hair);
		background: var(--sheet);
		overflow-y: auto;
		min-height: 0;
	}
	header,
	.line {
		display: flex;
		align-items: baseline;
		gap: 4px;
	}
	header {
		justify-content: space-between;
		padding: 8px 12px;
		border-bottom: 1px solid var(--hair);
		position: sticky;
		top: 0;
		background: var(--sheet);
		z-index: 2;
	}
	section {
		border-bottom: 1px solid var(--hair);
		padding: 6px 12px 10px;
	}
	.line b {
		margin-right: auto;
		font-weight: 500;
	}
	.refused {
		color: var(--fault);
		margin-top: 4px;
	}
	.none {
		padding: 12px;
	}
	.add {
		margin: 8px;
	}
</style>
