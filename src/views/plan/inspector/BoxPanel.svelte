<script lang="ts">
	import {
		arrangingOfView,
		boxOfView,
		sizedOfView,
		type BoxView
	} from '$core/view-models/chosen/box-view.ts';
	import { askWrap } from '../../commands/asking.ts';
	import { choice } from '../choice.svelte.ts';
	import { chosenBox } from '../chosen-box.svelte.ts';
	import PanelField from '../../shell/controls/PanelField.svelte';
	import BandStrip from '../strip/BandStrip.svelte';
	import { commands } from '$store/commands.svelte.ts';
	import ArrangementPanel from './ArrangementPanel.svelte';

	/** The sizes of a box, and how it arranges what is in it. */
	const { view }: { view: BoxView } = $props();

	const box = $derived(boxOfView(view));
	const around = $derived(chosenBox.view === view ? chosenBox.around : undefined);
	const outer = $derived(boxOfView(around));
	const sized = $derived(sizedOfView(view));
	const arranging = $derived(arrangingOfView(view));

	const example = 'class="top"';

	async function setAttributes(text: string): Promise<string | undefined> {
		if (box?.box === undefined) return undefined;
		const said = text === '' ? undefined : text;
		return commands.attempt({ kind: 'set-box-attributes', layout: box.layout, box: box.box, text: said }); // prettier-ignore
	}
</script>

{#if sized}<BandStrip {view} boxes={[sized]} />{/if}
{#if arranging}<ArrangementPanel {view} box={arranging} />{/if}
{#if box?.box !== undefined && !box.only && view.attributes !== undefined}
	<section class="around" aria-label="Its element">
		<PanelField
			label="attributes"
			value={view.attributes}
			placeholder={example}
			mono
			take={setAttributes}
		/>
	</section>
{/if}
{#if around && outer}
	<section class="around" aria-label="What it stands in">
		<p class="small">
			It stands in
			<button class="mono link" onclick={() => choice.pickBox(outer)}>{around.name}</button>,
			{around.arrangement ? `arranged in ${around.arrangement.kind}` : 'one below the other'}.
		</p>
		{#if view.kind === 'wrapper' && box}
			<button
				class="act"
				onpointerenter={() =>
					commands.look({ kind: 'unwrap', layout: box.layout, name: view.name })}
				onpointerleave={() => commands.forget()}
				onclick={() => void commands.make({ kind: 'unwrap', layout: box.layout, name: view.name })}
				>Take the wrapper away</button
			>
		{/if}
		{#if view.kind !== 'piece' && box && !box.only}
			<button
				class="act"
				title="Shift with a click on other regions chooses several"
				onclick={() => askWrap(box.layout, [view.name])}>Wrap it …</button
			>
		{/if}
	</section>
{/if}

<style>
	.around {
		padding: 6px 10px 10px;
		border-top: 1px solid var(--hair);
	}
	.link {
		text-decoration: underline;
		text-underline-offset: 3px;
		font-size: var(--text-small);
	}
</style>
