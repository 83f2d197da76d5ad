<script lang="ts">
	import type { CrossSection } from '$core/drawing/cross-section.ts';
	import { fillKindsOf, type FillKind } from '$core/model/site.ts';
	import type { Wish } from '$core/model/wish.ts';
	import { wishes } from '$store/wishes.svelte.ts';
	import { askRenameRegion } from '../asking.ts';
	import BandStrip from './BandStrip.svelte';
	import { chosenBox } from './chosen-box.svelte.ts';
	import LayerMark from './LayerMark.svelte';
	import { measures } from '../stage/measures.svelte.ts';
	import { selection, traceOf, type CellFacts } from '../selection.svelte.ts';
	import { sizeDeeds, type Deed } from '$core/drawing/size-deeds.ts';

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
		const same = found?.ref.layout === region?.layout && found?.ref.box === region?.name;
		return same ? found : undefined;
	});
	const around = $derived(view && chosenBox.around);
	/** The strip shows the box around the region instead of the region. */
	let ofAround = $state(false);
	const deeds = $derived(facts.isOwn ? regionDeeds() : fillDeeds());

	const fillKeys: Readonly<Record<FillKind, string>> = {
		before: 'B',
		after: 'A',
		instead: 'I',
		empty: 'E'
	};

	function fillDeeds(): Deed[] {
		if (!ref || !region || region.locked) return [];
		const { layer, entry } = facts;
		const made = fillKindsOf(region).map((fill): Deed => {
			const wish: Wish = { kind: 'set-fill', layer, region: ref, fill };
			return { name: fill, key: fillKeys[fill], wish, on: entry?.action === fill };
		});
		const wish: Wish = { kind: 'remove-fill', layer, region: ref };
		const fills = entry !== undefined && entry.action !== 'content' && entry.action !== 'gave';
		return fills ? [...made, { name: 'let pass', key: 'P', wish, on: false }] : made;
	}

	function regionDeeds(): Deed[] {
		if (!ref || !region) return [];
		const flag = (name: 'locked' | 'required', key: string): Deed => {
			const on = region[name];
			return { name, key, on, wish: { kind: 'set-flag', region: ref, flag: name, on: !on } };
		};
		return [flag('locked', 'L'), flag('required', 'R'), ...(view ? sizeDeeds(view) : [])];
	}
</script>

<div class="panel">
	<p class="what">
		{#if region}
			<b class="mono">{region.name}</b>
			<span class="small">
				{region.element}, {region.locked
					? 'locked'
					: region.slot
						? 'the slot'
						: 'open'}{region.required ? ', required' : ''}, from
			</span>
			<LayerMark mark={owner?.mark} /><span class="mono">{region.layout}</span>
		{:else}
			<b class="mono">content</b> <span class="small">of a bare page</span>
		{/if}
	</p>
	<p class="small said">
		{#if facts.isOwn}
			{#if region?.slot}
				What sits under {facts.layer.name} lands here{facts.entry?.pieces.length
					? `; without it, ${facts.entry.pieces.join(', ')}`
					: ''}.
			{:else}
				{facts.layer.name} gives {facts.entry?.label || 'nothing'}.
			{/if}
		{:else if facts.entry}
			{facts.layer.name}: {facts.entry.label}.
		{:else if region?.locked}
			{facts.layer.name} cannot fill it: {region.layout} has locked it.
		{:else}
			{facts.layer.name} lets it pass.
		{/if}
	</p>
	{#if deeds.length > 0}
		<div class="deeds" role="group" aria-label="What {facts.layer.name} does with {region?.name}">
			{#each deeds as deed (deed.name)}
				<button
					class="deed"
					aria-pressed={deed.on}
					title="{deed.name} ({deed.key})"
					onpointerenter={() => void wishes.preview(deed.wish)}
					onpointerleave={() => wishes.forget()}
					onfocus={() => void wishes.preview(deed.wish)}
					onblur={() => wishes.forget()}
					onclick={() => void wishes.make(deed.wish)}
				>
					{deed.name} <kbd>{deed.key}</kbd>
				</button>
			{/each}
		</div>
	{/if}
	<div class="deeds">
		{#if facts.holder}
			<button class="act" onclick={() => (selection.editing = true)}
				>Edit pieces <kbd>Enter</kbd></button
			>
		{/if}
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
		{#if facts.isOwn && ref && region}
			<button class="act" onclick={() => askRenameRegion(ref.layout, ref.region)}>Rename</button>
			<button
				class="act"
				aria-label="Move the region {region.name} one earlier"
				onclick={() => void wishes.make({ kind: 'reorder-region', region: ref, by: -1 })}>◂</button
			>
			<button
				class="act"
				aria-label="Move the region {region.name} one later"
				onclick={() => void wishes.make({ kind: 'reorder-region', region: ref, by: 1 })}>▸</button
			>
			<button
				class="act"
				onpointerenter={() => void wishes.preview({ kind: 'remove-region', region: ref })}
				onpointerleave={() => wishes.forget()}
				onclick={() => void wishes.make({ kind: 'remove-region', region: ref })}>Remove</button
			>
		{/if}
	</div>
	{#if view}
		{#if around}
			<div class="deeds" role="group" aria-label="Whose sizes">
				<button class="whose" aria-pressed={!ofAround} onclick={() => (ofAround = false)}
					>{view.name}</button
				>
				<button class="whose" aria-pressed={ofAround} onclick={() => (ofAround = true)}
					>{around.name}, {around.kind} around it</button
				>
			</div>
		{/if}
		<BandStrip view={ofAround && around ? around : view} />
	{/if}
</div>

<style>
	.panel {
		border-left: 1px solid var(--hair);
		padding: 10px 14px;
		overflow-y: auto;
		min-height: 0;
	}
	.what {
		display: flex;
		align-items: baseline;
		flex-wrap: wrap;
		gap: 2px 6px;
	}
	.what :global(i) {
		align-self: center;
	}
	.said {
		margin: 4px 0 10px;
	}
	.deeds {
		display: flex;
		flex-wrap: wrap;
		gap: 5px;
		margin-bottom: 8px;
	}
	.deed {
		border: 1px solid var(--rule);
		border-radius: var(--radius);
		padding: 2px 8px;
		background: var(--sheet);
	}
	.deed:hover {
		border-color: var(--cedar);
	}
	.deed[aria-pressed='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	.whose {
		font-size: 11.5px;
		padding: 0 2px;
		color: var(--ink-2);
		border-bottom: 2px solid transparent;
	}
	.whose[aria-pressed='true'] {
		color: var(--ink);
		border-color: var(--cedar);
	}
	kbd {
		font: 10.5px var(--mono);
		color: var(--ink-2);
	}
</style>
