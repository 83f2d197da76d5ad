<script lang="ts">
	import type { DataView } from '$core/view-models/material/data-view.ts';
	import { whyNotJson } from '$core/data/edit-json.ts';
	import { positionAt } from '$core/model/span.ts';
	import { sources } from '$store/sources.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';

	/** The JSON of a source as text: read at each key, taken when it is said to be done. */
	const { source }: { source: DataView } = $props();

	let typed = $state<string | undefined>();
	let atSource = $state<string | undefined>();
	let refused = $state('');
	const id = $props.id();

	const now = $derived((source.isUrl ? atSource : undefined) ?? source.text ?? '');
	const text = $derived(typed ?? now);
	const wrong = $derived(whyNotJson(text));
	const place = $derived(wrong && positionAt(text, wrong.offset));

	$effect(() => {
		const { name, isUrl } = source;
		typed = undefined;
		if (isUrl) void sources.atSource(name).then((found) => (atSource = found));
	});

	async function take(): Promise<void> {
		const written = text;
		refused =
			(source.isUrl
				? await sources.change(source.name, written)
				: await commands.attempt({ kind: 'set-json', name: source.name, text: written })) ?? '';
		if (refused !== '') return;
		atSource = written;
		typed = undefined;
	}
</script>

<label class="small" for={id}>
	{source.isUrl ? `What the stub service answers for ${source.from}` : source.from}
</label>
<textarea
	{id}
	class="field mono"
	rows="18"
	spellcheck="false"
	value={text}
	oninput={(event) => (typed = event.currentTarget.value)}></textarea>
<div class="line">
	<button
		class="primary"
		disabled={typed === undefined || wrong !== undefined}
		onclick={() => void take()}>Take it</button
	>
	<button class="field" disabled={typed === undefined} onclick={() => (typed = undefined)}
		>Discard</button
	>
	{#if wrong && place}
		<span class="small refused" role="status"
			>This is not JSON yet (line {place.line}, column {place.column}): {wrong.why}.</span
		>
	{:else if refused}
		<span class="small refused" role="alert">{refused}</span>
	{/if}
</div>

<style>
	textarea {
		display: block;
		width: 100%;
		resize: vertical;
		white-space: pre;
		tab-size: 2;
	}
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
		margin-top: 6px;
	}
	.refused {
		color: var(--fault);
	}
</style>
