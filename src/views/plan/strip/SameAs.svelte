<script lang="ts">
	import type { Command, SizedRef } from '$core/model/command.ts';
	import type { BoxView } from '$core/view-models/chosen/box-view.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { askSameAs } from '../../commands/asking.ts';
	import { copied } from './copied.svelte.ts';

	/** Settings are taken over from another box, in all bands at once. */
	interface Props {
		view: BoxView;
		boxes: readonly SizedRef[];
	}
	const { view, boxes }: Props = $props();

	const only = $derived(boxes.length === 1 ? boxes[0] : undefined);
	/** What a layer further out says is not its own to be copied. */
	const saysSomething = $derived(
		view.strip.some(({ overhangs }) => overhangs.some(({ by }) => by === undefined))
	);
	const from = $derived(copied.of);
	const paste = $derived<Command | undefined>(
		from && JSON.stringify(from.ref) !== JSON.stringify(only)
			? { kind: 'copy-settings', of: from.ref, boxes }
			: undefined
	);
</script>

<div class="same">
	{#if only && saysSomething}
		<button
			class="act small"
			title="To paste them for another box"
			onclick={() => (copied.of = { ref: only, name: view.name })}>Copy its settings</button
		>
	{/if}
	{#if paste && from}
		<button
			class="act small"
			onpointerenter={() => commands.look(paste)}
			onpointerleave={() => commands.forget()}
			onclick={() => void commands.make(paste)}>Paste those of {from.name}</button
		>
	{/if}
	<button class="act small" onclick={() => askSameAs(view.name, boxes)}>The same as …</button>
</div>

<style>
	.same {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 8px;
		padding: 2px 8px 6px;
	}
</style>
