<script lang="ts">
	import { onMount } from 'svelte';
	import { seenBlanks } from '$core/lib/seen-blanks.ts';
	import { commands } from '$store/commands.svelte.ts';
	import type { PageWords } from '$browser/words.ts';
	import type { WrittenWords } from '$core/view-models/markup/written-words.ts';

	interface Props {
		words: PageWords & WrittenWords;
		/** Screen px for one px of the page. */
		scale: number;
		done: () => void;
	}
	const { words, scale, done }: Props = $props();

	let field: HTMLTextAreaElement;
	let refused = $state('');
	let closed = false;

	onMount(() => {
		field.focus();
		field.select();
	});

	async function take(): Promise<void> {
		if (closed) return;
		const after = seenBlanks(field.value);
		if (after === words.text || after === '') return close();
		const { place, written: before, of } = words;
		const command = { kind: 'edit-words', name: of.name, place, before, after } as const;
		const said = await commands.attempt(command);
		if (said === undefined) close();
		else refused = said;
	}

	function close(): void {
		closed = true;
		done();
	}

	function onKey(event: KeyboardEvent): void {
		if (event.key === 'Escape') close();
		else if (event.key === 'Enter') void take();
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<div
	class="words"
	style:left="{Math.max(0, words.x * scale - 4)}px"
	style:top="{Math.max(0, words.y * scale - 3)}px"
>
	<textarea
		bind:this={field}
		rows="1"
		value={words.text}
		aria-label="Words of {words.of.name}"
		title="Enter takes the words, Escape leaves them as they were"
		style:width="{Math.max(120, words.width * scale + 14)}px"
		style:height="{Math.max(20, words.height * scale + 6)}px"
		style:font-size="{Math.max(10, words.fontSize * scale)}px"
		onkeydown={onKey}
		onblur={() => void take()}></textarea>
	{#if refused}
		<p class="small refused" role="alert">{refused}</p>
	{:else if words.of.kind === 'part'}
		<p class="small">
			They are written in the part {words.of.name}: they change wherever it is used.
		</p>
	{/if}
</div>

<style>
	.words {
		position: absolute;
		z-index: 6;
		max-width: 100%;
	}
	textarea {
		display: block;
		max-width: 100%;
		padding: 1px 4px;
		line-height: 1.3;
		border: 1px solid var(--cedar);
		border-radius: var(--radius);
		background: var(--sheet);
		color: var(--ink);
		resize: none;
	}
	p {
		max-width: 320px;
		padding: 4px 6px;
		background: var(--cedar-wash);
	}
	.refused {
		background: var(--fault-wash);
		color: var(--fault);
	}
</style>
