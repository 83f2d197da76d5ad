<script lang="ts">
	import type { PieceView } from '$core/edit/pieces/piece-view.ts';
	import { standInKinds, type StandIn } from '$core/model/trial.ts';
	import type { HolderRef } from '$core/model/command.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';

	/** What stands in for a piece where pages are tried with less or more content. */
	interface Props {
		piece: PieceView;
		holder: HolderRef;
	}
	const { piece, holder }: Props = $props();

	let refused = $state.raw<Partial<Record<StandIn, string>>>({});

	async function write(of: StandIn, markup: string): Promise<boolean> {
		const sentence = await commands.type({
			kind: 'set-stand-in',
			holder,
			name: piece.name,
			of,
			markup
		});
		const { [of]: _before, ...others } = refused;
		refused = sentence === undefined ? others : { ...others, [of]: sentence };
		return sentence === undefined;
	}

	/** It is written, and the page is tried with it, so that one sees what it does. */
	async function begin(of: StandIn): Promise<void> {
		if (await write(of, piece.standIns[of]?.markup ?? '')) {
			await store.tryWith({ ...store.trial, content: of });
		}
	}

	function takeAway(of: StandIn): void {
		void commands.make({ kind: 'set-stand-in', holder, name: piece.name, of, markup: undefined });
	}
</script>

{#each standInKinds as of (of)}
	{@const standIn = piece.standIns[of]}
	{#if standIn?.written}
		<div class="head">
			<span class="small"
				><b>{of}</b>, stands in for it where pages are tried with {of} content</span
			>
			<button
				class="act"
				aria-label="Make it again: the {of} {piece.name}"
				onclick={() => takeAway(of)}>Make it again</button
			>
		</div>
		{#await import('./MarkupEditor.svelte') then { default: MarkupEditor }}
			<MarkupEditor
				name="{of} {piece.name}"
				markup={standIn.markup}
				write={(markup) => write(of, markup)}
				complete={(before) => store.core.places.completeMarkup(holder, before)}
			/>
		{/await}
	{/if}
	{#if refused[of]}
		<p class="refused small" role="alert">Not in the site yet: {refused[of]}</p>
	{/if}
{/each}
<p class="small starts">
	{#each standInKinds.filter((kind) => !piece.standIns[kind]?.written) as of (of)}
		<button
			class="act"
			title="Without it, {of} content of {piece.name} is made from what is written"
			onclick={() => void begin(of)}>Write a {of} one</button
		>
	{/each}
</p>

<style>
	.head {
		display: flex;
		align-items: baseline;
		justify-content: space-between;
		gap: 8px;
		margin-top: 5px;
	}
	.act {
		font-size: var(--text-small);
		padding: 1px 3px;
	}
	.refused {
		color: var(--fault);
	}
	.starts {
		display: flex;
		gap: 6px;
	}
</style>
