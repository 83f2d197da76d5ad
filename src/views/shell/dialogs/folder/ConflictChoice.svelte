<script lang="ts">
	import type { Content } from '$core/in-step/content.ts';
	import type { Choice, Part } from '$core/in-step/merge.ts';
	import type { Conflict } from '$core/in-step/reconcile.ts';
	import { folder } from '$store/folder/folder.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import ScrollBox from '$views/shell/controls/ScrollBox.svelte';

	/** A file that was changed here and in the folder at the same place: both are shown, and one chooses. */
	const { conflict }: { conflict: Conflict } = $props();

	/** Where there is no text to merge, it is the one file or the other. */
	const places = $derived(
		conflict.parts?.filter(
			(part): part is Extract<Part, { kind: 'differs' }> => part.kind === 'differs'
		) ?? [{ before: '', here: sayOf(conflict.here), there: sayOf(conflict.there) }]
	);
	let choices = $state<Choice[]>([]);
	const all = $derived(places.every((_, index) => choices[index] !== undefined));

	function sayOf(content: Content | undefined): string {
		if (!content) return 'removed';
		return content.kind === 'text' ? content.text : `${content.bytes.length} bytes`;
	}

	async function take(): Promise<void> {
		if (await folder.choose(conflict, choices)) return;
		store.say(`${conflict.path} was changed meanwhile, so nothing was chosen: look again.`);
	}

	const options: readonly { value: Choice; says: string }[] = [
		{ value: 'here', says: 'what is here' },
		{ value: 'there', says: 'what the folder has' },
		{ value: 'both', says: 'both, one after the other' }
	];
</script>

<section aria-label="Changed on both sides: {conflict.path}">
	<h3 class="cap">Changed on both sides: <span class="mono">{conflict.path}</span></h3>
	{#each places as { here, there }, index (index)}
		<div class="two">
			{#each [{ name: 'here', text: here }, { name: 'in the folder', text: there }] as { name, text } (name)}
				<figure>
					<figcaption class="small">{name}</figcaption>
					<ScrollBox label="{conflict.path}, {name}">
						<pre class="mono">{text || '(nothing)'}</pre>
					</ScrollBox>
				</figure>
			{/each}
		</div>
		<fieldset>
			<legend class="unseen">What stays of place {index + 1} in {conflict.path}</legend>
			<span class="small">stays:</span>
			{#each options.filter(({ value }) => conflict.parts || value !== 'both') as { value, says } (value)}
				<label>
					<input type="radio" name="{conflict.path} {index}" {value} bind:group={choices[index]} />
					{says}
				</label>
			{/each}
		</fieldset>
	{/each}
	<button class="act" disabled={!all} onclick={() => void take()}>Take these</button>
	<span class="small">What is not chosen is one step back in undo.</span>
</section>

<style>
	section {
		margin-top: 14px;
		padding-top: 10px;
		border-top: 1px solid var(--hair);
	}
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 12px;
		margin-top: 8px;
	}
	figure {
		display: flex;
		flex-direction: column;
		max-height: 200px;
	}
	pre {
		padding: 6px 8px;
		white-space: pre-wrap;
		overflow-wrap: anywhere;
		background: var(--paper);
		border: 1px solid var(--hair);
		border-radius: var(--radius);
		font-size: var(--text-code);
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 14px;
		margin: 8px 0 10px;
	}
	label {
		display: flex;
		gap: 5px;
		align-items: center;
	}
</style>
