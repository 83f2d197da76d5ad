<script lang="ts">
	import Term from '$views/shell/marks/Term.svelte';
	import type { CrossSection } from '$core/view-models/cross-section.ts';
	import { fillActions, regionActions } from '$core/view-models/chosen/place-actions.ts';
	import { scopesOf, scopeWords } from '$core/view-models/chosen/scopes.ts';
	import { sizeActions, type Action } from '$core/view-models/chosen/size-actions.ts';
	import { regionElements } from '$core/model/site.ts';
	import { arrangingOfView } from '$core/view-models/chosen/box-view.ts';
	import { isPieceRef, type Command } from '$core/model/command.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import RoleChoice from '$views/shell/controls/RoleChoice.svelte';
	import LayerMark from '$views/shell/marks/LayerMark.svelte';
	import { askNewPiece, askNewRegion, askRenameRegion } from '../../commands/asking.ts';
	import { choice, holderOf, traceOf, type CellFacts } from '../choice.svelte.ts';
	import { chosenBox } from '../chosen-box.svelte.ts';
	import { measures } from '../stage/measures.svelte.ts';
	import ArrangementPanel from './ArrangementPanel.svelte';
	import BoxPanel from './BoxPanel.svelte';

	interface Props {
		facts: CellFacts;
		section: CrossSection;
	}
	const { facts, section }: Props = $props();

	const region = $derived(facts.region);
	const ref = $derived(region && { layout: region.layout, region: region.name });
	const owner = $derived(section.layers.find((layer) => layer.name === region?.layout));
	/** The sizes of this very region, once they are known. */
	const view = $derived.by(() => {
		const { view: found } = chosenBox;
		if (!found || isPieceRef(found.ref) || region?.inFrame) return undefined;
		const isThis = found.ref.layout === region?.layout && found.ref.box === region?.name;
		const only = facts.isOwn ? undefined : facts.layer.name;
		return isThis && found.ref.only?.name === only ? found : undefined;
	});
	const actions = $derived.by((): readonly Action[] => {
		if (!region) return [];
		if (!facts.isOwn) {
			const sizes = view ? sizeActions(view) : [];
			return [...fillActions(facts.layer, region, facts.entry), ...sizes];
		}
		return [...regionActions(region), ...(view ? sizeActions(view) : [])];
	});
	const whole = $derived(chosenBox.whole && arrangingOfView(chosenBox.whole));
	const scopes = $derived(region ? scopesOf(section, region) : []);
	/** A place in a frame of own markup has no box of its own that one could say something of. */
	const isPlace = $derived(facts.isOwn && region?.inFrame === true);
	const holder = $derived(isPlace ? undefined : holderOf(facts));

	function look(command: Command): void {
		commands.look(command);
	}
</script>

<div class="panel">
	<p class="what">
		{#if region}
			<b class="mono">{region.name}</b>
			<LayerMark mark={owner?.mark} /><span class="mono small">{region.layout}</span>
			<span class="small">
				{region.locked ? 'locked' : region.slot ? 'the slot' : 'open'}{region.required
					? ', required'
					: ''}
			</span>
		{:else}
			<b class="mono">content</b> <span class="small">of a bare page</span>
		{/if}
	</p>
	<p class="small said">
		{#if facts.isOwn}
			{#if region?.slot}
				What <Term word="sits under">sits under</Term>
				{facts.layer.name} lands here{facts.entry?.pieces.length
					? `; without it, ${facts.entry.pieces.join(', ')}`
					: ''}.
			{:else}
				{facts.layer.name} gives {facts.entry?.label || 'nothing'}.
			{/if}
		{:else if facts.entry}
			{facts.layer.name}: {facts.entry.label}.
		{:else if region?.locked}
			{facts.layer.name} cannot <Term word="fill">fill</Term> it: {region.layout} has locked it.
		{:else if !region}
			Nothing stands on {facts.layer.name} yet.
		{:else}
			{facts.layer.name} lets it pass, without a <Term word="fill">fill</Term> of its own.
		{/if}
	</p>
	{#if actions.length > 0}
		<div class="actions" role="group" aria-label="What {facts.layer.name} does with {region?.name}">
			{#each actions as action (action.name)}
				<button
					class="action"
					aria-pressed={action.on}
					title="{action.name} ({action.key})"
					onpointerenter={() => look(action.command)}
					onpointerleave={() => commands.forget()}
					onfocus={() => look(action.command)}
					onblur={() => commands.forget()}
					onclick={() => void commands.make(action.command)}
				>
					{action.name} <kbd>{action.key}</kbd>
				</button>
			{/each}
		</div>
	{/if}
	{#if holder}
		<div class="actions pieces" role="group" aria-label="Pieces of {facts.layer.name} here">
			{#each facts.entry?.pieces ?? [] as piece (piece)}
				<button class="piece mono" onclick={() => choice.pickPiece({ holder, piece })}
					>{piece}</button
				>
			{/each}
			{#if facts.isOwn || !region?.locked}
				<button class="act" onclick={() => askNewPiece(holder)}>Add piece …</button>
			{/if}
			{#if facts.holder}
				<button class="act" onclick={() => choice.editPieces()}>Edit <kbd>Enter</kbd></button>
			{/if}
		</div>
	{/if}
	{#if isPlace && region}
		<p class="small said">
			A place in the frame of {region.layout}, which is its own markup: its box lies as the sheets
			of the page say, and is measured. What pages bring here is changed on their own blocks; the
			frame itself in Source.
		</p>
	{/if}
	{#if facts.isOwn && ref && region && !isPlace}
		<div class="actions">
			<label class="small"
				>as <select
					class="field"
					aria-label="Element of {region.name}"
					value={region.element}
					onchange={(event) =>
						void commands.make({
							kind: 'set-element',
							region: ref,
							element: event.currentTarget.value
						})}
				>
					{#each regionElements as element (element)}<option>{element}</option>{/each}
				</select></label
			>
			<button class="act" onclick={() => askRenameRegion(ref.layout, ref.region)}>Rename</button>
			<button
				class="act"
				onpointerenter={() => look({ kind: 'remove-region', region: ref })}
				onpointerleave={() => commands.forget()}
				onclick={() => void commands.make({ kind: 'remove-region', region: ref })}>Remove</button
			>
			<button class="act" onclick={() => askNewRegion(ref.layout)}>Add region …</button>
		</div>
	{/if}
	{#if ref && facts.entry?.fillFor && (store.site?.roles.length ?? 0) > 0}
		<RoleChoice
			legend="what {facts.layer.name} puts here is for"
			roles={store.site?.roles ?? []}
			chosen={facts.entry.fillFor}
			take={(roles) =>
				void commands.make({ kind: 'set-fill-seen-by', layer: facts.layer, region: ref, roles })}
		/>
	{/if}
	<div class="actions">
		<button
			class="act"
			aria-pressed={measures.start !== undefined}
			title="Distances to another region; on the page, Alt with a click"
			onclick={() => measures.pick(traceOf(facts))}
			>{measures.start ? 'Measure to here' : 'Measure from here'} <kbd>M</kbd></button
		>
		{#if measures.kept.length > 0}
			<button class="act" onclick={() => measures.clear()}>Clear the distances</button>
		{/if}
	</div>
</div>
{#if chosenBox.whole && whole}
	<ArrangementPanel view={chosenBox.whole} box={whole} what="What {facts.layer.name} brings here" />
{/if}
{#if view && region}
	<div class="scope" role="group" aria-label="For which pages {region.name} is changed">
		<p class="small">
			What is set below holds {facts.isOwn
				? `for all pages of ${region.layout}`
				: `only ${scopeWords(facts.layer)}`}: {view.pages}
			{view.pages === 1 ? 'page' : 'pages'}.
			{#if region.locked && facts.isOwn}Layers further in cannot change it: it is locked.{/if}
		</p>
		{#each scopes.length > 1 ? scopes : [] as { layer, at, label } (at)}
			<button
				class="act"
				aria-pressed={layer.name === facts.layer.name}
				onclick={() => choice.pick({ layer: at, column: facts.place.column })}>{label}</button
			>
		{/each}
	</div>
	<BoxPanel {view} />
{/if}

<style>
	.panel {
		padding: 8px 10px 4px;
	}
	.what {
		display: flex;
		align-items: center;
		gap: 5px;
		white-space: nowrap;
		overflow: hidden;
	}
	.what b {
		font-weight: 600;
		color: var(--cedar);
	}
	.said {
		margin: 2px 0 5px;
		line-height: 1.35;
		min-height: 30px;
	}
	.scope {
		padding: 5px 10px;
		border-top: 1px solid var(--hair);
	}
	.scope .act {
		margin-right: 6px;
		font-size: var(--text-small);
	}
	.scope .act[aria-pressed='true'] {
		font-weight: 600;
		text-decoration: none;
		color: var(--ink);
	}
	.actions {
		display: flex;
		flex-wrap: wrap;
		gap: 3px;
		align-items: center;
		margin-bottom: 4px;
	}
	.action {
		padding: 1px 6px;
		border: 1px solid var(--rule);
		border-radius: var(--radius);
		background: var(--sheet);
		font-size: var(--text-small);
	}
	.action:hover {
		border-color: var(--cedar);
	}
	.action[aria-pressed='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	.action[aria-pressed='true'] kbd {
		color: var(--sheet);
	}
	.piece {
		padding: 1px 6px;
		font-size: var(--text-small);
		border: 1px solid var(--hair);
		border-radius: var(--radius);
		background: var(--paper);
	}
	.piece:hover {
		border-color: var(--cedar);
	}
	.actions .act {
		font-size: var(--text-small);
		padding: 1px 3px;
	}
	select {
		padding: 0 3px;
		font-size: var(--text-small);
	}
	kbd {
		font: var(--text-small) var(--mono);
		color: var(--ink-2);
	}
</style>
