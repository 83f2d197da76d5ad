<script lang="ts">
	import type { ManyView } from '$core/view-models/chosen/many-view.ts';
	import {
		sharedSpans,
		shareWays,
		shareWords,
		type ShareWay
	} from '$core/view-models/chosen/share-out.ts';
	import { forEach, isPieceRef, type Command, type PieceRef } from '$core/model/command.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { askGroup, askMovePieces, askWrap } from '../../commands/asking.ts';
	import { choice } from '../choice.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import MakePart from './MakePart.svelte';
	import BandStrip from '../strip/BandStrip.svelte';

	/** Several boxes or pieces at once: what they have in common, and what is done to all of them. */
	const { many }: { many: ManyView } = $props();

	const band = $derived(many.view.bands[many.view.band] ?? '');
	const pieces = $derived(many.refs.filter((ref): ref is PieceRef => isPieceRef(ref)));
	const allPieces = $derived(pieces.length === many.refs.length);
	/** The place they stand in together, where it is one. */
	const holder = $derived.by(() => {
		const [first] = pieces;
		const word = JSON.stringify(first?.holder);
		return allPieces && pieces.every((one) => JSON.stringify(one.holder) === word)
			? first?.holder
			: undefined;
	});
	const regions = $derived.by(() => {
		const [first] = many.refs;
		if (!first || isPieceRef(first) || first.only || first.box === undefined) return undefined;
		const members = [first.box, ...choice.alsoIn(first.layout)];
		return members.length === many.refs.length ? { layout: first.layout, members } : undefined;
	});

	function shared(way: ShareWay): Command {
		const spans = sharedSpans(way, many.refs.length, many.columns ?? 1);
		return forEach(many.refs, shareWords[way], (box) => {
			const value = spans[many.refs.indexOf(box)] ?? '1';
			return { kind: 'set-setting', box, setting: 'span', value, band };
		});
	}

	let making = $state(false);
	/** The pieces of their place in order, so that they can go up or down among them. */
	let beside = $state.raw<readonly string[]>([]);

	$effect(() => {
		const [asked] = [holder, store.texts];
		if (!asked) return;
		void store.core.answers.piecesIn(asked).then((all) => (beside = all.map(({ name }) => name)));
	});

	/** Lets all of them go in front of the one before the first, or behind the one after the last. */
	function order(by: -1 | 1): Command | undefined {
		const places = many.names.map((name) => beside.indexOf(name));
		const next = by === -1 ? Math.min(...places) - 1 : Math.max(...places) + 1;
		const name = beside[next];
		if (!holder || name === undefined) return undefined;
		return {
			kind: 'move-pieces',
			holder,
			pieces: many.names,
			to: holder,
			beside: { name, where: by === -1 ? 'before' : 'after' }
		};
	}

	function make(command: Command | undefined): void {
		if (command) void commands.make(command);
	}

	const copy = $derived<Command | undefined>(
		holder && { kind: 'copy-pieces', holder, pieces: many.names }
	);
	const remove = $derived<Command | undefined>(
		holder && { kind: 'remove-pieces', holder, pieces: pieces.map(({ piece }) => piece) }
	);
</script>

<div class="panel">
	<p>
		<b>{many.refs.length} chosen</b>
		<span class="mono small">{many.names.join(', ')}</span>
	</p>
	<p class="small">
		What is set below is set for all of them, in one step. Where they differ it says "mixed".
	</p>
	{#if many.columns !== undefined}
		<div class="actions" role="group" aria-label="Share out {many.columns} columns at {band}">
			<span class="small">columns:</span>
			{#each shareWays as way (way)}
				<button
					class="act"
					onpointerenter={() => commands.look(shared(way))}
					onpointerleave={() => commands.forget()}
					onfocus={() => commands.look(shared(way))}
					onblur={() => commands.forget()}
					onclick={() => void commands.make(shared(way))}>{shareWords[way]}</button
				>
			{/each}
		</div>
	{/if}
	<div class="actions">
		{#if holder}
			<button class="act" onclick={() => askGroup(holder, many.names)}>Wrap them …</button>
		{:else if regions}
			<button class="act" onclick={() => askWrap(regions.layout, regions.members)}
				>Wrap them …</button
			>
		{/if}
		{#if allPieces}
			<button class="act" onclick={() => (making = true)}>Make a part of them …</button>
		{/if}
		{#if holder && remove}
			<button class="act" onclick={() => make(copy)}>Copy them</button>
			<button
				class="act"
				aria-label="Move them up"
				disabled={!order(-1)}
				onclick={() => make(order(-1))}>▴</button
			>
			<button
				class="act"
				aria-label="Move them down"
				disabled={!order(1)}
				onclick={() => make(order(1))}>▾</button
			>
			<button class="act" onclick={() => askMovePieces(holder, many.names)}>Move to …</button>
			<button
				class="act"
				onpointerenter={() => commands.look(remove)}
				onpointerleave={() => commands.forget()}
				onclick={() => void commands.make(remove)}>Remove them</button
			>
		{/if}
		<button class="act" onclick={() => (choice.also = [])}>Only the first</button>
	</div>
</div>
{#if pieces[0]}
	<MakePart
		piece={pieces[0]}
		among={pieces.slice(1)}
		open={making}
		onClose={() => (making = false)}
	/>
{/if}
<BandStrip view={many.view} boxes={many.refs} />

<style>
	.panel {
		padding: 8px 10px 6px;
	}
	b {
		font-weight: 600;
		color: var(--cedar);
	}
</style>
