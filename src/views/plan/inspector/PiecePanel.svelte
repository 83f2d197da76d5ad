<script lang="ts">
	import { page as address } from '$app/state';
	import { placeQuery, readPlace } from '$store/address.ts';
	import type { PieceView } from '$core/edit/pieces/piece-view.ts';
	import { standInKinds } from '$core/model/trial.ts';
	import { isPieceRef, type Command, type NavSaid, type PieceRef } from '$core/model/command.ts';
	import { sizedOfView } from '$core/view-models/chosen/box-view.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import RoleChoice from '$views/shell/controls/RoleChoice.svelte';
	import PanelField from '$views/shell/controls/PanelField.svelte';
	import {
		askCopyPiece,
		askGroup,
		askMovePiece,
		askNewPiece,
		askRenamePiece
	} from '../../commands/asking.ts';
	import { putPicture } from '../pictures/put-picture.svelte.ts';
	import { choice, type CellFacts } from '../choice.svelte.ts';
	import { chosenBox } from '../chosen-box.svelte.ts';
	import MarkupOutline from './markup/MarkupOutline.svelte';
	import FromData from './FromData.svelte';
	import MakePart from './MakePart.svelte';
	import ArrangementPanel from './ArrangementPanel.svelte';
	import BandStrip from '../strip/BandStrip.svelte';

	interface Props {
		piece: PieceRef;
		facts: CellFacts | undefined;
	}
	const { piece, facts }: Props = $props();

	let pieces = $state.raw<readonly PieceView[]>([]);
	/** The text that they are of: of an earlier one they say nothing of what is there now. */
	let piecesOf = $state.raw<unknown>();
	const found = $derived(pieces.find((one) => one.name === piece.piece));
	const index = $derived(pieces.findIndex((one) => one.name === piece.piece));
	const view = $derived(
		chosenBox.view && JSON.stringify(chosenBox.view.ref) === JSON.stringify(piece)
			? chosenBox.view
			: undefined
	);
	const around = $derived(view && chosenBox.around);
	const { holder, piece: name } = $derived(piece);
	let making = $state(false);
	let filling = $state(false);
	/** Values of shared data that it shows. */
	let values = $state.raw<readonly { readonly path: string; readonly says: string }[]>([]);
	const query = $derived(placeQuery(readPlace(address.url)));

	$effect(() => {
		const [asked] = [piece, store.site];
		let isWanted = true;
		void store.core.answers.valuesIn(asked.holder.layer.name, asked.piece).then((all) => {
			if (isWanted) values = all;
		});
		return () => (isWanted = false);
	});

	$effect(() => {
		const [asked, texts] = [holder, store.texts];
		let isWanted = true;
		void store.core.answers.piecesIn(asked).then((all) => {
			if (!isWanted) return;
			pieces = all;
			piecesOf = texts;
		});
		return () => (isWanted = false);
	});

	// A piece that is gone leaves its place chosen.
	$effect(() => {
		if (piecesOf === store.texts && pieces.length > 0 && !found && facts) choice.pick(facts.place);
	});

	/** Pieces that differ in words alone, here and elsewhere. */
	let alike = $state.raw<readonly PieceRef[]>([]);

	$effect(() => {
		const [asked] = [piece, store.site];
		let isWanted = true;
		void store.core.answers.alikePieces(asked).then((all) => {
			if (isWanted) alike = all;
		});
		return () => (isWanted = false);
	});

	async function nav(said: NavSaid): Promise<string | undefined> {
		return commands.attempt({ kind: 'set-nav', holder, name, said });
	}

	/** It first, and all others of its place beside it. */
	function chooseAll(): void {
		const others = pieces.filter((one) => one.name !== name);
		choice.pickPieces([piece, ...others.map((one) => ({ holder, piece: one.name }))]);
	}

	/** Goes to what it lies in: a wrapper, or the block of the cross-section. */
	function pickAround(): void {
		const group = around && sizedOfView(around);
		if (group && isPieceRef(group)) choice.pickPiece(group);
		else if (facts) choice.pick(facts.place);
	}

	function reorder(by: -1 | 1): Command {
		return { kind: 'reorder-piece', holder, name, by };
	}
</script>

<div class="panel">
	<p>
		<b class="mono">{name}</b>
		<span class="small">a {found?.isGroup ? 'wrapper' : 'piece'} of {holder.layer.name}</span>
	</p>
	{#if found?.nav}
		{@const list = found.nav}
		<PanelField
			label="links below"
			value={list.from}
			mono
			options={[
				...new Set([
					list.from,
					...store.roofline.rows.filter((row) => row.kind === 'route').map((row) => row.page)
				])
			]}
			take={(from) => nav({ ...list, from })}
		/>
		<PanelField
			label="segments"
			value={String(list.depth)}
			mono
			take={(depth) => nav({ ...list, depth: Math.max(1, Math.round(Number(depth)) || 1) })}
			hint="How many segments down it reaches."
		/>
		<label class="small start"
			><input
				type="checkbox"
				checked={list.withStart}
				onchange={(event) => void nav({ ...list, withStart: event.currentTarget.checked })}
			/>
			{list.from} itself is the first of the links</label
		>
	{/if}
	{#if found && (store.site?.roles.length ?? 0) > 0}
		<RoleChoice
			legend="{name} is for"
			roles={store.site?.roles ?? []}
			chosen={found.seenBy}
			take={(roles) => void commands.make({ kind: 'set-seen-by', holder, name, roles })}
		/>
	{/if}
	<div class="actions">
		{#if found?.markup !== undefined}
			<button class="act" onclick={() => choice.editPieces()}
				>Edit its markup <kbd>Enter</kbd></button
			>
		{/if}
		{#if found?.markup !== undefined}
			<button class="act" onclick={() => (making = true)}>Make a part …</button>
			<button class="act" onclick={() => (filling = true)}>Fill from data …</button>
			<button
				class="act"
				title="Pictures can be dropped among the words of the page, too"
				onclick={() => void putPicture.ask({ owner: holder.layer.name, piece: name }, [])}
				>Add a picture …</button
			>
		{/if}
		<button class="act" onclick={() => askRenamePiece(piece)}>Rename</button>
		<button class="act" onclick={() => askCopyPiece(piece)}>Copy</button>
		<button class="act" onclick={() => askMovePiece(piece)}>Move to …</button>
		<button class="act" onclick={() => askGroup(holder, [name])}>Wrap it …</button>
		{#if pieces.length > 1}
			<button
				class="act"
				title="Shift with a click chooses more; drawn on the page with Shift, a frame chooses all in it"
				onclick={chooseAll}>Choose all {pieces.length}</button
			>
		{/if}
		{#if alike.length > 0}
			<button
				class="act"
				title="Pieces that differ in words and values alone: {alike
					.map((one) => `${one.piece} of ${one.holder.layer.name}`)
					.join(', ')}"
				onclick={() => choice.pickPieces([piece, ...alike])}
				>Choose all {alike.length + 1} alike</button
			>
		{/if}
		{#if found?.isGroup}
			<button class="act" onclick={() => askNewPiece({ ...holder, group: name })}
				>Add piece …</button
			>
			<button
				class="act"
				onpointerenter={() => commands.look({ kind: 'ungroup', holder, name })}
				onpointerleave={() => commands.forget()}
				onclick={() => void commands.make({ kind: 'ungroup', holder, name })}
				>Take the wrapper away</button
			>
		{/if}
		<button
			class="act"
			disabled={index <= 0}
			aria-label="Move {name} up"
			onclick={() => void commands.make(reorder(-1))}>▴</button
		>
		<button
			class="act"
			disabled={index === -1 || index === pieces.length - 1}
			aria-label="Move {name} down"
			onclick={() => void commands.make(reorder(1))}>▾</button
		>
		<button
			class="act"
			onpointerenter={() => commands.look({ kind: 'remove-piece', holder, name })}
			onpointerleave={() => commands.forget()}
			onclick={() => void commands.make({ kind: 'remove-piece', holder, name })}>Remove</button
		>
	</div>
	{#if values.length > 0}
		<p class="small values">
			It shows
			{#each values as value, at (value.path)}{at > 0 ? ', ' : ''}<a
					class="mono"
					href="/material?{query}#data {value.path.replaceAll('*', '0')}"
					title="{value.says}: show it in Material">{value.path}</a
				>{/each}
		</p>
	{/if}
	{#if found?.markup !== undefined}
		<p class="small">
			{#each standInKinds as of (of)}
				{of}: {found.standIns[of]?.written ? 'written' : 'made from it'}{of === 'short'
					? '; '
					: '.'}
			{/each}
			<button class="link small" onclick={() => choice.editPieces()}>Write them</button>
		</p>
	{/if}
	<p class="small">
		A further click on the page chooses an element in it, a double click writes its words anew.
	</p>
</div>
{#if found?.markup !== undefined}<MarkupOutline />{/if}
<MakePart {piece} open={making} onClose={() => (making = false)} />
<FromData {piece} open={filling} onClose={() => (filling = false)} />
{#if view}
	<BandStrip {view} boxes={[piece]} />
	{#if found?.isGroup}<ArrangementPanel {view} box={piece} />{/if}
	{#if around}
		<p class="small in">
			It lies in <button class="mono link" onclick={pickAround}>{around.name}</button>, {around.arrangement
				? `arranged in ${around.arrangement.kind}`
				: 'which arranges nothing: one below the other'}.
		</p>
	{/if}
{/if}

<style>
	.panel {
		padding: 8px 10px 6px;
	}
	b {
		font-weight: 600;
		color: var(--cedar);
	}
	.start {
		display: flex;
		gap: 5px;
		align-items: center;
		margin: 4px 0;
	}
	.values a {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	kbd {
		font: var(--text-small) var(--mono);
		color: var(--ink-2);
	}
	.in {
		padding: 4px 10px 10px;
	}
	.link {
		text-decoration: underline;
		text-underline-offset: 3px;
		font-size: var(--text-small);
	}
</style>
