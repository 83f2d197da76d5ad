<script lang="ts">
	import { untrack } from 'svelte';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { bestStart, type PartStart } from '$core/edit/content/part-start.ts';
	import { counted } from '$core/messages/wording.ts';
	import type { PieceRef } from '$core/model/command.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import Question from '$views/shell/dialogs/Question.svelte';

	/** A piece, or an element in it, becomes a part; where the same stands elsewhere, that can use it too. */
	interface Props {
		piece: PieceRef;
		/** Pieces that are to become uses of it, too; undefined: wherever the same stands. */
		among?: readonly PieceRef[];
		open: boolean;
		onClose: () => void;
	}
	const { piece, among, open, onClose }: Props = $props();

	let starts = $state.raw<readonly PartStart[]>([]);
	let start = $state(0);
	let name = $state('card');
	/** Places that are to stay as they are. */
	let left = $state.raw<readonly number[]>([]);
	let refused = $state('');
	const id = $props.id();

	const chosen = $derived(starts[start]);

	/** Which piece, as a word: what is chosen here stays while the page is drawn anew. */
	const wanted = $derived(JSON.stringify(piece));

	$effect(() => {
		void wanted;
		if (!open) return;
		void store.core.answers.partStarts(untrack(() => piece)).then((found) => {
			starts = found;
			// Of several pieces it is all of each.
			start = among ? 0 : bestStart(found);
			left = leftAtFirst(found[start]);
			refused = '';
		});
	});

	function leftAtFirst(one: PartStart | undefined): readonly number[] {
		if (one && among) {
			const wanted = new Set(among.map((ref) => `${ref.holder.layer.name} ${ref.piece}`));
			return one.others.flatMap((other, at) =>
				wanted.has(`${other.owner} ${other.piece}`) ? [] : [at]
			);
		}
		return one && !one.isTelling ? one.others.map((_, at) => at) : [];
	}

	function short(markup: string): string {
		const line = markup.replace(/\s+/g, ' ');
		return line.length > 70 ? `${line.slice(0, 70)}…` : line;
	}

	async function make(): Promise<void> {
		const others = (chosen?.others ?? []).flatMap((_, at) => (left.includes(at) ? [] : [at]));
		refused = (await commands.attempt({ kind: 'make-part', piece, start, name, others })) ?? '';
		if (refused === '') onClose();
	}
</script>

<Question
	open={open && commands.asking === undefined}
	title="Make a part of {piece.piece}"
	says="It is written once, and each place that uses it says what differs there."
	onClose={() => {
		if (!commands.asking) onClose();
	}}
>
	{#if chosen}
		<label class="small" for="{id}-what">What becomes the part</label>
		<select
			id="{id}-what"
			class="field mono"
			bind:value={start}
			onchange={() => {
				left = leftAtFirst(starts[start]);
			}}
		>
			{#each starts as one, at (at)}
				<option value={at}
					>{one.others.length > 0 ? `${one.others.length + 1} places: ` : ''}{short(
						one.markup
					)}</option
				>
			{/each}
		</select>
		<label class="small" for="{id}-name">Its name</label>
		<input id="{id}-name" class="field mono" bind:value={name} />
		<p class="small">
			{chosen.parameters.length === 0
				? 'Nothing in it differs, so it takes no parameters.'
				: `Its parameters: ${chosen.parameters.map((one) => one.name).join(', ')}.`}
		</p>
		{#if chosen.others.length > 0}
			<fieldset>
				<legend class="cap"
					>{counted(chosen.others.length, 'other place')} with the same markup</legend
				>
				{#each chosen.others as other, at (at)}
					<label class="other">
						<input
							type="checkbox"
							checked={!left.includes(at)}
							onchange={(event) =>
								(left = event.currentTarget.checked
									? left.filter((one) => one !== at)
									: [...left, at])}
						/>
						<span class="small"
							><b>{other.owner}</b>, {other.piece}, line {other.line}:
							<span class="mono">{short(other.markup)}</span></span
						>
					</label>
				{/each}
			</fieldset>
		{/if}
	{:else}
		<p>There is no element in this piece that could stand by itself.</p>
	{/if}
	{#if refused}<p class="refused" role="alert">{refused}</p>{/if}
	<div class="buttons">
		<button class="primary" disabled={!chosen} onclick={() => void make()}>Make the part</button>
		<Dialog.CloseTrigger class="act">Cancel</Dialog.CloseTrigger>
	</div>
</Question>

<style>
	select,
	input.field {
		width: 100%;
		margin: 2px 0 8px;
	}
	fieldset {
		max-height: 180px;
		overflow-y: auto;
		margin: 6px 0 10px;
	}
	.other {
		display: flex;
		gap: 6px;
		align-items: baseline;
	}
</style>
