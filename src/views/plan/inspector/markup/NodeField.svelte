<script lang="ts">
	import { valueFormats, type Expression } from '$core/model/template.ts';
	import { valueText } from '$core/outline/tag-text.ts';
	import type { ValueInScope } from '$core/view-models/markup/in-scope.ts';

	/** A text of an element: typed, or a value chosen in its place. */
	interface Props {
		label: string;
		text: string;
		/** The value that it is, where it is nothing else. */
		value?: Pick<Expression, 'path' | 'format' | 'otherwise'> | undefined;
		values: readonly ValueInScope[];
		/** What is mostly written there, to choose from. */
		offered?: readonly string[];
		placeholder?: string;
		/** Carries the new text out; gives the sentence of a refusal. */
		take: (text: string) => Promise<string | undefined>;
		remove?: (() => void) | undefined;
	}
	const { label, text, value, values, offered, placeholder, take, remove }: Props = $props();

	const id = $props.id();
	let refused = $state('');

	$effect(() => {
		void text;
		refused = '';
	});

	async function send(next: string): Promise<void> {
		refused = next === text ? '' : ((await take(next)) ?? '');
	}

	function format(chosen: string): void {
		if (!value) return;
		void send(valueText({ ...value, format: valueFormats.find((one) => one === chosen) }));
	}

	/** Enter takes it, Escape leaves it as it was. */
	function onKey(event: KeyboardEvent & { currentTarget: HTMLInputElement }): void {
		if (event.key === 'Enter') event.currentTarget.blur();
		else if (event.key === 'Escape') event.currentTarget.value = text;
	}
</script>

<div class="line">
	<label class="small mono" for={id}>{label}</label>
	<input
		{id}
		class="field"
		list={offered ? `${id}-list` : undefined}
		value={text}
		{placeholder}
		onkeydown={onKey}
		onchange={(event) => void send(event.currentTarget.value.trim())}
	/>
	{#if offered}
		<datalist id="{id}-list">
			{#each offered as one (one)}<option value={one}></option>{/each}
		</datalist>
	{/if}
	<select
		class="field value"
		aria-label="A value for {label}"
		title="A value in its place, each with what it is now"
		value={value?.path.join('.') ?? ''}
		onchange={(event) => {
			const { value: path } = event.currentTarget;
			if (path !== '') void send(`{${path}}`);
		}}
	>
		<option value="">{value ? value.path.join('.') : 'value …'}</option>
		{#each values as { path, says } (path)}
			<option value={path}>{path}, now "{says.slice(0, 40)}"</option>
		{/each}
	</select>
	{#if remove}
		<button class="act" aria-label="Remove {label}" title="Remove {label}" onclick={remove}
			>−</button
		>
	{/if}
	{#if value}
		<label class="small as"
			>written <select
				class="field"
				value={value.format ?? ''}
				onchange={(event) => format(event.currentTarget.value)}
			>
				<option value="">as it is</option>
				{#each valueFormats as one (one)}<option value={one}>as a {one}</option>{/each}
			</select></label
		>
	{/if}
	{#if refused}<p class="small refused" role="alert">{refused}</p>{/if}
</div>

<style>
	.line {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 4px;
		align-items: center;
		margin: 3px 0;
	}
	.line > label:first-child {
		flex: 0 0 52px;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	input {
		flex: 1 1 92px;
		min-width: 0;
	}
	/* In a narrow pane it stands below, in line with what is typed. */
	.value {
		flex: 0 1 84px;
		min-width: 0;
		padding-inline: 4px;
		font-size: var(--text-small);
	}
	.as {
		display: flex;
		gap: 4px;
		align-items: center;
		min-width: 0;
	}
	.as select {
		min-width: 0;
	}
	.act {
		padding: 0 2px;
	}
	.refused {
		flex-basis: 100%;
		color: var(--fault);
	}
</style>
