<script lang="ts">
	import type { Command } from '$core/model/command.ts';
	import { commands } from '$store/commands.svelte.ts';

	/** Lines of a part that are written at leisure and taken then. */
	interface Props {
		label: string;
		of: string;
		text: string;
		rows: number;
		command: (text: string) => Command;
	}
	const { label, of, text, rows, command }: Props = $props();

	let typed = $state<string | undefined>();
	let refused = $state('');
	const id = $props.id();

	$effect(() => {
		void text;
		typed = undefined;
	});

	async function take(): Promise<void> {
		refused = (await commands.attempt(command(typed ?? text))) ?? '';
	}
</script>

<label class="cap" for={id}>{label}<span class="unseen"> of {of}</span></label>
<textarea
	{id}
	class="field mono"
	{rows}
	spellcheck="false"
	value={typed ?? text}
	oninput={(event) => (typed = event.currentTarget.value)}></textarea>
<div class="line">
	<button class="field" disabled={typed === undefined} onclick={() => void take()}
		>Take the {label.toLowerCase()}</button
	>
	{#if refused}<span class="small refused" role="alert">{refused}</span>{/if}
</div>

<style>
	textarea {
		display: block;
		width: 100%;
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
