<script lang="ts">
	import Term from '$views/shell/marks/Term.svelte';
	import type { ArrangementView, BoxView } from '$core/view-models/chosen/box-view.ts';
	import { alignments, justifications, type Arrangement } from '$core/model/arrange.ts';
	import {
		isPieceRef,
		type ArrangedRef,
		type ArrangedWord,
		type Axis,
		type ColumnsSaid,
		type Command
	} from '$core/model/command.ts';
	import { arrangementKinds, arrangements } from '$core/settings/arrangements/list.ts';
	import { commands } from '$store/commands.svelte.ts';
	import SizeInput from '../strip/SizeInput.svelte';
	import ArrangementPicture from './ArrangementPicture.svelte';

	interface Props {
		view: BoxView;
		box: ArrangedRef;
		/** What it is that is arranged, at the head. */
		what?: string;
	}
	const { view, box, what }: Props = $props();

	const band = $derived(view.bands[view.band] ?? '');
	const only = $derived(isPieceRef(box) ? undefined : box.only);
	const now = $derived(view.arrangement);
	/** What it is that is arranged. */
	const words = $derived(
		view.kind !== 'region'
			? 'What is in it'
			: only
				? `All that lands in ${view.name}`
				: 'Its pieces'
	);
	let refused = $state('');

	function setKind(arrangement: Arrangement['kind'] | undefined): Command {
		return { kind: 'set-arrangement', box, arrangement, band };
	}

	function setWord(word: ArrangedWord, value: string | undefined): Command {
		return { kind: 'set-arranged', box, word, value, band };
	}

	function setColumns(said: Partial<ColumnsSaid>): Command {
		return { kind: 'set-columns', box, said, band };
	}

	async function make(command: Command): Promise<void> {
		refused = (await commands.attempt(command)) ?? '';
	}

	/** Tracks are added and taken away at the end; undefined where there are as many already. */
	function trackCommand(axis: Axis, has: number, wanted = has): Command | undefined {
		if (wanted === has) return undefined;
		const kind = wanted > has ? 'add-track' : 'remove-track';
		const index = wanted > has ? has : has - 1;
		return { kind, box, axis, index, band, count: Math.abs(wanted - has) };
	}

	function count(event: Event & { currentTarget: HTMLInputElement }): number | undefined {
		const number = event.currentTarget.valueAsNumber;
		return Number.isInteger(number) && number > 0 ? number : undefined;
	}

	function said(arrangement: ArrangementView | undefined): string {
		if (!arrangement) return 'one below the other';
		if (arrangement.here) return `set at ${band}`;
		const from = `from ${arrangement.band}`;
		return arrangement.by === undefined ? from : `${from}, said by ${arrangement.by}`;
	}
</script>

<section aria-label="How {view.name} arranges at {band}">
	<p class="small head">
		{#if what === undefined && words === 'Its pieces'}
			<b>Its <Term word="piece">pieces</Term></b><span>, {said(now)}</span>
		{:else}
			<b>{what ?? words}</b><span>, {said(now)}</span>
		{/if}
	</p>
	<div class="kinds">
		{#each arrangementKinds as kind (kind)}
			<button
				class="kind"
				aria-pressed={now?.kind === kind}
				aria-label="{kind}: {arrangements[kind].says}"
				title="{kind}: {arrangements[kind].says}"
				onpointerenter={() => commands.look(setKind(kind))}
				onpointerleave={() => commands.forget()}
				onclick={() => void make(setKind(kind))}><ArrangementPicture {kind} />{kind}</button
			>
		{/each}
		<button
			class="kind"
			aria-pressed={!now}
			disabled={!now?.here}
			aria-label={only
				? `as outside of ${only.name}`
				: view.band > 0
					? 'as narrower'
					: 'one below the other'}
			title={now?.here
				? 'Takes back what is set at this band'
				: 'Nothing is set at this band to take back'}
			onpointerenter={() => now?.here && commands.look(setKind(undefined))}
			onpointerleave={() => commands.forget()}
			onclick={() => void make(setKind(undefined))}
			><ArrangementPicture kind="flow" />{only
				? 'outside'
				: view.band > 0
					? 'narrower'
					: 'none'}</button
		>
	</div>
	<div class="fields">
		{#if now?.said}
			{@const said = now.said}
			<label class="small columns"
				>columns <SizeInput
					label="Columns of {view.name} at {band}"
					value={said.columns}
					placeholder="3 or 180px 1fr"
					typed={(text) => text !== '' && commands.look(setColumns({ columns: text }))}
					take={(text) => {
						if (text !== '' && text !== said.columns) void make(setColumns({ columns: text }));
					}}
					cancel={() => commands.forget()}
				/></label
			>
			<label class="small" title="How many columns a member takes that says nothing itself"
				>each takes <input
					class="field mono"
					type="number"
					min="1"
					max={now.count}
					aria-label="Columns that each takes in {view.name} at {band}"
					placeholder={now.columns.length > 0 ? '1' : 'all'}
					value={said.each === 'unsaid' ? '' : said.each}
					onchange={(event) => void make(setColumns({ each: count(event) ?? 'unsaid' }))}
				/></label
			>
			<label class="small" title="How many rows share alike; further rows come as they are needed"
				>rows <input
					class="field mono"
					type="number"
					min="1"
					max="100"
					aria-label="Rows of {view.name} at {band}"
					placeholder="any"
					value={said.rows === 'any' ? '' : said.rows}
					onchange={(event) => void make(setColumns({ rows: count(event) ?? 'any' }))}
				/></label
			>
			{#if said.rows !== 'any'}
				<label
					class="small check"
					title="Rows are as high as each other whatever is in them, also those beyond the number"
					><input
						type="checkbox"
						checked={said.equalRows}
						onchange={(event) => void make(setColumns({ equalRows: event.currentTarget.checked }))}
					/> equal</label
				>
			{/if}
		{:else if now?.kind === 'areas'}
			{#each ['columns', 'rows'] as const as axis (axis)}
				<label class="small"
					>{axis}
					<input
						class="field mono"
						type="number"
						min="1"
						max="40"
						aria-label="{axis === 'columns' ? 'Columns' : 'Rows'} of areas"
						value={now[axis].length}
						onchange={(event) => {
							const command = trackCommand(axis, now[axis].length, count(event));
							if (command) void make(command);
						}}
					/></label
				>
			{/each}
		{:else if now?.line}
			<label class="small"
				>spread <select
					class="field"
					value={now.line.justify}
					onchange={(event) => void make(setWord('justify', event.currentTarget.value))}
				>
					{#each justifications as word (word)}<option>{word}</option>{/each}
				</select></label
			>
			<label class="small"
				>line up <select
					class="field"
					value={now.line.align}
					onchange={(event) => void make(setWord('align', event.currentTarget.value))}
				>
					{#each alignments as word (word)}<option>{word}</option>{/each}
				</select></label
			>
			{#if now.kind === 'row'}
				<label class="small check"
					><input
						type="checkbox"
						checked={now.line.wrap}
						onchange={(event) =>
							void make(setWord('wrap', event.currentTarget.checked ? '' : undefined))}
					/> wraps</label
				>
			{/if}
		{/if}
		{#if now}
			<label class="small gap"
				>gap <SizeInput
					label="Gap of {view.name} at {band}"
					value={now.gap ?? ''}
					placeholder="none"
					sizes
					typed={(text) => text !== '' && commands.look(setWord('gap', text))}
					take={(text) => {
						if (text !== (now.gap ?? '')) void make(setWord('gap', text === '' ? undefined : text));
					}}
					cancel={() => commands.forget()}
				/></label
			>
		{/if}
	</div>
	{#if refused}<p class="small refused" role="alert">{refused}</p>{/if}
</section>

<style>
	section {
		padding: 6px 10px 8px;
		border-top: 1px solid var(--hair);
	}
	.head b {
		font-weight: 600;
		color: var(--ink);
	}
	.kinds {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(43px, 1fr));
		gap: 3px;
		margin: 4px 0 6px;
	}
	.kind {
		display: grid;
		justify-items: center;
		gap: 1px;
		padding: 4px 0 2px;
		font-size: var(--text-small);
		font-stretch: 80%;
		border: 1px solid var(--hair);
		border-radius: var(--radius);
		background: var(--sheet);
	}
	.kind:hover:not(:disabled) {
		border-color: var(--cedar);
	}
	.kind[aria-pressed='true'] {
		border-color: var(--cedar);
		background: var(--cedar-wash);
		color: var(--cedar);
	}
	.kind:disabled {
		color: var(--ink-2);
	}
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 8px;
		align-items: center;
	}
	label {
		display: flex;
		align-items: center;
		gap: 4px;
	}
	.fields input[type='number'] {
		width: 46px;
		padding: 1px 4px;
	}
	select {
		padding: 1px 4px;
		font-size: var(--text-small);
	}
	.columns {
		flex: 1 1 100%;
	}
	.gap {
		flex: 1 1 84px;
	}
	.refused {
		color: var(--fault);
		margin-top: 4px;
	}
</style>
