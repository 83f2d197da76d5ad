<script lang="ts">
	import { untrack } from 'svelte';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { comparisons, valueFormats } from '$core/model/template.ts';
	import type { Command, PieceRef } from '$core/model/command.ts';
	import { counted } from '$core/messages/wording.ts';
	import {
		likeliest,
		samples,
		textsFor,
		type FillableElement
	} from '$core/view-models/markup/from-data.ts';
	import { testText, type TestWay } from '$core/outline/tag-text.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import FillWords from './FillWords.svelte';
	import Question from '$views/shell/dialogs/Question.svelte';

	/** An element of a piece is written once for each member of a list, where something is so, or with values in its words. */
	interface Props {
		piece: PieceRef;
		/** The element that is chosen, as it is written; undefined: the likeliest. */
		element?: string;
		open: boolean;
		onClose: () => void;
	}
	const { piece, element: wished, open, onClose }: Props = $props();

	const ways = [
		['list', 'once for each member of a list'],
		['if', 'only where something is so'],
		['values', 'with values in its words']
	] as const;
	type Way = (typeof ways)[number][0];

	let elements = $state.raw<readonly FillableElement[]>([]);
	let at = $state(0);
	let way = $state<Way>('list');
	let listPath = $state('');
	/** What was chosen for a word, by its place; what is not in it is as it was found. */
	let chosen = $state.raw<Readonly<Record<number, string>>>({});
	let replacesOthers = $state(true);
	let path = $state('');
	let how = $state<TestWay>('there');
	let text = $state('');
	let format = $state('');
	let refused = $state('');
	const asIs = '';

	const element = $derived(elements[at]);
	const list = $derived(
		element && (element.lists.find((one) => one.path === listPath) ?? likeliest(element))
	);
	const found = $derived(element && list ? textsFor(element.words, list) : []);
	const value = $derived(element?.values.find((one) => one.path === path) ?? element?.values[0]);
	/** What will stand in the place of each word; undefined where it stays. */
	const texts = $derived(
		(element?.words ?? []).map((word, index) => {
			const own = chosen[index];
			if (own !== undefined) return own === asIs ? undefined : own;
			return way === 'list' ? found[index] : undefined;
		})
	);
	const test = $derived(value && testText({ path: value.path, how, text }));

	const wanted = $derived(JSON.stringify(piece));
	$effect(() => {
		void wanted;
		if (!open) return;
		let isWanted = true;
		void store.core.answers.fillable(untrack(() => piece)).then((all) => {
			if (!isWanted) return;
			elements = all;
			const own = all.findIndex(({ ref }) => ref.markup === wished);
			at = own === -1 ? bestOf(all) : own;
			[listPath, path, chosen, refused] = ['', '', {}, ''];
		});
		return () => (isWanted = false);
	});

	/** The one that was most likely typed in place of a list: others like it stand beside it. */
	function bestOf(all: readonly FillableElement[]): number {
		const most = Math.max(0, ...all.map(({ alike }) => alike));
		return Math.max(
			0,
			all.findIndex(({ alike }) => alike === most && most > 0)
		);
	}

	function labelOf({ name, words }: FillableElement): string {
		const said = words.join(', ');
		return `<${name}> ${said.length > 60 ? `${said.slice(0, 60)}…` : said}`;
	}

	function command(): Command | undefined {
		if (!element) return undefined;
		const { ref } = element;
		if (way === 'values' && texts.every((one) => one === undefined)) return undefined;
		if (way === 'values') return { kind: 'set-element-texts', element: ref, texts };
		if (way === 'if') return test ? { kind: 'show-element-if', element: ref, test } : undefined;
		return (
			list && {
				kind: 'repeat-element',
				element: ref,
				list: list.path,
				name: list.name,
				texts,
				replacesOthers: replacesOthers && element.alike > 0
			}
		);
	}

	async function make(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		const wish = command();
		if (!wish) return;
		refused = (await commands.attempt(wish)) ?? '';
		if (refused === '') onClose();
	}

	function choose(index: number, said: string): void {
		chosen = { ...chosen, [index]: said };
	}
</script>

<Question
	open={open && commands.asking === undefined}
	title="Fill {piece.piece} from data"
	says="An element of it takes its words from shared data, so that they are written in one place."
	onClose={() => {
		if (!commands.asking) onClose();
	}}
>
	{#if elements.length === 0}
		<p class="small none">There is no element in it yet: write one, such as a member of a list.</p>
	{:else}
		<form onsubmit={(event) => void make(event)}>
			<label>
				<span class="cap">This element</span>
				<select class="field mono" bind:value={at} onchange={() => (chosen = {})}>
					{#each elements as one, index (index)}<option value={index}>{labelOf(one)}</option>{/each}
				</select>
			</label>
			<fieldset>
				<legend class="cap">is shown</legend>
				{#each ways as [id, says] (id)}
					<label class="inline"
						><input type="radio" name="way" value={id} bind:group={way} /> {says}</label
					>
				{/each}
			</fieldset>
			{#if element && way === 'list'}
				<label>
					<span class="cap">The list</span>
					<select
						class="field mono"
						value={list?.path}
						onchange={(event) => {
							listPath = event.currentTarget.value;
							chosen = {};
						}}
					>
						{#each element.lists as one (one.path)}
							<option value={one.path}
								>{one.path}: {counted(one.count, 'member')}, {one.says}</option
							>
						{/each}
					</select>
				</label>
				{#if !list}<p class="small">
						No list is in scope here. Material adds data from a file or a URL.
					</p>{/if}
			{/if}
			{#if element && way === 'if'}
				<div class="test">
					<label>
						<span class="cap">The value</span>
						<select
							class="field mono"
							aria-label="The value"
							value={value?.path}
							onchange={(event) => (path = event.currentTarget.value)}
						>
							{#each element.values as one (one.path)}
								<option value={one.path}>{one.path}, now "{one.says.slice(0, 40)}"</option>
							{/each}
						</select>
					</label>
					<label>
						<span class="cap">How</span>
						<select class="field" aria-label="How" bind:value={how}>
							<option value="there">is there</option>
							{#each comparisons as one (one)}<option value={one}>{one}</option>{/each}
						</select>
					</label>
					{#if how !== 'there'}
						<label
							><span class="cap">What</span><input class="field mono" bind:value={text} /></label
						>
					{/if}
				</div>
				<p class="small mono">{`{if ${test}}`}</p>
			{/if}
			{#if element && way === 'values'}
				<label class="inline small"
					>written <select class="field" bind:value={format} aria-label="How values are written">
						<option value="">as they are</option>
						{#each valueFormats as one (one)}<option value={one}>as a {one}</option>{/each}
					</select></label
				>
			{/if}
			{#if element && way !== 'if'}
				<FillWords
					words={element.words}
					{texts}
					likely={way === 'list' ? found : []}
					values={way === 'list' ? (list?.members[0] ?? []) : element.values}
					format={way === 'list' ? '' : format}
					{choose}
				/>
			{/if}
			{#if element && list && way === 'list'}
				<ol class="small samples" aria-label="The first members">
					{#each samples(element.words, texts, list) as said, at (at)}<li>{said}</li>{/each}
				</ol>
				{#if texts.every((one) => one === undefined)}
					<p class="small">
						None of its words is a value of this list: choose one above, else it reads the same each
						time.
					</p>
				{/if}
				{#if element.alike > 0}
					<label class="inline small"
						><input type="checkbox" bind:checked={replacesOthers} />
						{element.alike === 1
							? 'the one beside it that is'
							: `the ${element.alike} beside it that are`}
						like it go: the list makes them</label
					>
				{/if}
			{/if}
			{#if refused}<p class="small refused" role="alert">{refused}</p>{/if}
			<div class="buttons">
				<button class="primary" type="submit" disabled={!command()}>Fill it</button>
				<Dialog.CloseTrigger class="act">Cancel</Dialog.CloseTrigger>
			</div>
		</form>
	{/if}
</Question>

<style>
	label {
		display: grid;
		gap: 4px;
		min-width: 0;
	}
	.inline {
		display: flex;
		gap: 6px;
		align-items: baseline;
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 14px;
		padding: 0;
		border: 0;
	}
	select {
		max-width: 100%;
		min-width: 0;
	}
	.test {
		display: grid;
		grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr);
		gap: 10px;
	}
	.samples {
		padding: 6px 8px;
		background: var(--paper);
	}
	.none {
		margin-top: 12px;
	}
</style>
