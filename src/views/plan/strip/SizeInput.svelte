<script lang="ts">
	import { stepped } from '$core/settings/form.ts';
	import { store } from '$store/site.svelte.ts';

	interface Props {
		label: string;
		value: string;
		placeholder?: string;
		/** Words that can stand there. */
		words?: readonly string[];
		/** Lengths can, and so tokens of lengths. */
		sizes?: boolean;
		/** What is typed, with each key. */
		typed: (value: string) => void;
		/** Enter, or the field is left with another value. */
		take: (value: string) => void;
		cancel?: () => void;
		disabled?: boolean;
	}
	const {
		label,
		value,
		placeholder,
		words = [],
		sizes = false,
		typed,
		take,
		cancel,
		disabled = false
	}: Props = $props();

	const listId = $props.id();
	const tokens = $derived(sizes ? (store.site?.tokens ?? []).map((name) => `var(${name})`) : []);

	/** What Enter has taken: leaving the field then is no other change. */
	let taken: string | undefined;

	function send(text: string): void {
		if (text === taken) return;
		taken = text;
		take(text);
	}

	function onKey(event: KeyboardEvent & { currentTarget: HTMLInputElement }): void {
		const input = event.currentTarget;
		const direction = { ArrowUp: 1, ArrowDown: -1 }[event.key];
		if (event.key === 'Enter') send(input.value.trim());
		else if (event.key === 'Escape') {
			input.value = value;
			cancel?.();
		} else if (direction !== undefined && /\d/.test(input.value)) {
			const caret = input.selectionStart ?? 0;
			input.value = stepped(input.value, caret, direction * (event.shiftKey ? 10 : 1));
			input.setSelectionRange(caret, caret);
			typed(input.value.trim());
		} else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<input
	class="field mono"
	aria-label={label}
	list={words.length + tokens.length > 0 ? listId : undefined}
	title="Arrow keys step by 1, with Shift by 10; Enter takes it"
	{placeholder}
	{value}
	{disabled}
	onkeydown={onKey}
	oninput={(event) => {
		taken = undefined;
		typed(event.currentTarget.value.trim());
	}}
	onchange={(event) => send(event.currentTarget.value.trim())}
/>
{#if words.length + tokens.length > 0}
	<datalist id={listId}>
		{#each [...words, ...tokens] as word (word)}<option value={word}></option>{/each}
	</datalist>
{/if}

<style>
	input {
		min-width: 0;
		width: 100%;
		padding: 2px 6px;
	}
</style>
