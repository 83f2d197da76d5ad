<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { ask } from '$store/ways/ask.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import Question from './Question.svelte';

	let values = $state<string[]>([]);
	let refused = $state<string | undefined>();

	$effect(() => {
		values = (ask.question?.fields ?? []).map((field) => field.value);
		refused = undefined;
	});

	/** A path that is to be gone on with keeps what is there; the dialog would select all of it. */
	function toEnd(event: FocusEvent & { currentTarget: HTMLInputElement }): void {
		const input = event.currentTarget;
		if (!input.value.endsWith('/')) return;
		requestAnimationFrame(() => input.setSelectionRange(input.value.length, input.value.length));
	}

	/** Lines that are pasted into a field of one line are listed in it: a browser would run them together. */
	function pasteLines(
		event: ClipboardEvent & { currentTarget: HTMLInputElement },
		index: number
	): void {
		const text = event.clipboardData?.getData('text/plain').trim() ?? '';
		if (!text.includes('\n')) return;
		event.preventDefault();
		const { value, selectionStart, selectionEnd } = event.currentTarget;
		const lines = text.split(/\s*\n\s*/).join(', ');
		const [from, to] = [selectionStart ?? value.length, selectionEnd ?? value.length];
		values[index] = value.slice(0, from) + lines + value.slice(to);
	}

	async function submit(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		const { question } = ask;
		if (!question) return;
		const sentence = await question.answer(values.map((value) => value.trim()));
		if (ask.question !== question) return;
		if (sentence === undefined) ask.question = undefined;
		else refused = sentence || undefined;
	}
</script>

<Question
	open={ask.question !== undefined && commands.asking === undefined}
	title={ask.question?.title ?? ''}
	says={ask.question?.says ?? ''}
	onClose={() => {
		if (!commands.asking) ask.question = undefined;
	}}
>
	<form onsubmit={submit}>
		{#each ask.question?.fields ?? [] as field, index (field.label)}
			<label>
				<span class="cap">{field.label}</span>
				{#if field.options}
					<select class="field" class:mono={field.mono} bind:value={values[index]}>
						{#each field.options as option (option)}<option>{option}</option>{/each}
					</select>
				{:else if field.lines}
					<textarea class="field mono" rows="4" bind:value={values[index]}></textarea>
				{:else}
					<input
						class="field"
						class:mono={field.mono}
						bind:value={values[index]}
						onfocus={toEnd}
						onpaste={(event) => pasteLines(event, index)}
					/>
				{/if}
			</label>
		{/each}
		{#if refused}<p class="refused" role="alert">{refused}</p>{/if}
		<div class="buttons">
			<button class="primary" type="submit">{ask.question?.act}</button>
			<Dialog.CloseTrigger class="act">Cancel</Dialog.CloseTrigger>
		</div>
	</form>
</Question>

<style>
	label {
		display: grid;
		gap: 3px;
	}
</style>
