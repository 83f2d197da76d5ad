<script lang="ts">
	import type { PartView } from '$core/view-models/material/part-view.ts';
	import { commands } from '$store/commands.svelte.ts';
	import PanelField from '$views/shell/PanelField.svelte';

	/** The markup of a part and what it is given, as they are written. */
	const { part }: { part: PartView } = $props();

	let typed = $state<string | undefined>();
	let refused = $state('');
	const id = $props.id();

	$effect(() => {
		void part.markup;
		typed = undefined;
	});

	async function take(): Promise<void> {
		const markup = typed ?? part.markup;
		refused = (await commands.attempt({ kind: 'set-part-markup', name: part.name, markup })) ?? '';
	}
</script>

<PanelField
	label="given"
	value={part.parameters}
	mono
	placeholder="title, tone = plain | ripe"
	take={(text) => commands.attempt({ kind: 'set-parameters', name: part.name, text })}
	hint="Names; with = what holds where nothing is given; several with | are its variants."
/>
<label class="unseen" for={id}>Markup of {part.name}</label>
<textarea
	{id}
	class="field mono"
	rows="8"
	spellcheck="false"
	value={typed ?? part.markup}
	oninput={(event) => (typed = event.currentTarget.value)}></textarea>
<div class="line">
	<button class="field" disabled={typed === undefined} onclick={() => void take()}>Take it</button>
	{#if refused}<span class="small refused" role="alert">{refused}</span>{/if}
</div>

<style>
	textarea {
		display: block;
		width: 100%;
		max-width: 760px;
		white-space: pre;
		tab-size: 2;
	}
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
		margin: 6px 0;
	}
	.refused {
		color: var(--fault);
	}
</style>
