<script lang="ts">
	import { untrack } from 'svelte';
	import type { HolderRef } from '$core/model/command.ts';
	import type { PieceView } from '$core/edit/pieces/piece-view.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { askNewPiece } from '../../commands/asking.ts';
	import { choice } from '../choice.svelte.ts';
	import StandIns from './StandIns.svelte';

	/** The markup of the pieces that stand somewhere. */
	const { holder }: { holder: HolderRef } = $props();

	let pieces = $state.raw<readonly PieceView[]>([]);
	let refused = $state.raw<Readonly<Record<string, string>>>({});
	const key = $derived(JSON.stringify(holder));
	const chosen = $derived(choice.subject.kind === 'piece' ? choice.subject.piece.piece : undefined);

	$effect(() => {
		// Asked again for another block, and after each edit of the text.
		const [asked] = [key, store.texts];
		untrack(() => {
			void store.core.answers.piecesIn(holder).then((found) => {
				if (asked === key) pieces = found;
			});
		});
	});

	async function write(name: string, markup: string): Promise<boolean> {
		const sentence = await commands.type({ kind: 'set-markup', holder, name, markup });
		const { [name]: _before, ...others } = refused;
		refused = sentence === undefined ? others : { ...others, [name]: sentence };
		return sentence === undefined;
	}
</script>

<div class="pieces">
	{#each pieces as piece (`${key} ${piece.name}`)}
		<section aria-label="Piece {piece.name}">
			<button
				class="mono name"
				aria-pressed={piece.name === chosen}
				onclick={() => choice.pickPiece({ holder, piece: piece.name })}>{piece.name}</button
			>
			{#if piece.markup === undefined}
				<p class="small">
					A list of the links {piece.nav ? `below ${piece.nav.from}, ${piece.nav.depth} deep` : ''}.
				</p>
			{:else}
				{#await import('./MarkupEditor.svelte') then { default: MarkupEditor }}
					<MarkupEditor
						name={piece.name}
						markup={piece.markup}
						write={(markup) => write(piece.name, markup)}
						complete={(before) => store.core.places.completeMarkup(holder, before)}
					/>
				{/await}
				<StandIns {piece} {holder} />
			{/if}
			{#if refused[piece.name]}
				<p class="refused small" role="alert">Not in the site yet: {refused[piece.name]}</p>
			{/if}
		</section>
	{:else}
		<p class="small none">There is no piece here yet.</p>
	{/each}
	<button class="act" onclick={() => askNewPiece(holder)}>Add piece …</button>
</div>

<style>
	.pieces {
		padding: 2px 8px 8px;
	}
	section {
		padding: 3px 0 6px;
	}
	.name {
		font-weight: 500;
		border-bottom: 2px solid transparent;
	}
	.name[aria-pressed='true'] {
		color: var(--cedar);
		border-color: var(--cedar);
	}
	.refused {
		color: var(--fault);
		margin-top: 4px;
	}
	.none {
		padding: 8px 0;
	}
	.act {
		font-size: var(--text-small);
	}
</style>
