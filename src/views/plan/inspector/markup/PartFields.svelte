<script lang="ts">
	import type { UseTag } from '$core/model/template.ts';
	import { givenOf, useText, type GivenSaid } from '$core/outline/tag-text.ts';
	import { firstGiven } from '$core/view-models/markup/outline-view.ts';
	import { chosenNode } from '../../chosen-node.svelte.ts';
	import NodeField from './NodeField.svelte';

	/** Which part is used, and what it is given: text, one of its variants, or a value. */
	interface Props {
		tag: UseTag;
		/** The tag as it is written. */
		written: string;
		/** Carries another tag out; gives the sentence of a refusal. */
		take: (tag: string) => Promise<string | undefined>;
	}
	const { tag, written, take }: Props = $props();

	const parts = $derived(chosenNode.outline?.parts ?? []);
	const given = $derived(givenOf(tag, written));
	const name = $derived(tag.part.text);
	const part = $derived(parts.find((one) => one.name === name));
	let refused = $state('');

	/** Another part keeps what it can be given, too. */
	async function use(other: string): Promise<void> {
		const next = parts.find((one) => one.name === other);
		if (!next) return;
		const kept = given.filter((one) => next.parameters.some((own) => own.name === one.name));
		const missing = firstGiven(next, chosenNode.scope).filter(
			(one) => !kept.some((own) => own.name === one.name)
		);
		refused = (await take(useText(other, [...kept, ...missing]))) ?? '';
	}

	function give(
		parameter: string,
		said: Omit<GivenSaid, 'name'> | undefined
	): Promise<string | undefined> {
		const others = given.filter((one) => one.name !== parameter);
		const at = given.findIndex((one) => one.name === parameter);
		const next = said && { name: parameter, ...said };
		const place = at === -1 ? others.length : at;
		return take(useText(name, next ? others.toSpliced(place, 0, next) : others));
	}

	/** A value alone is given as it is; among words it is text. */
	function saidBy(text: string): Omit<GivenSaid, 'name'> {
		const path = /^\{([\w.-]+)\}$/.exec(text)?.[1];
		return path === undefined ? { kind: 'text', said: text } : { kind: 'path', said: path };
	}
</script>

<label class="small part"
	>part
	<select
		class="field mono"
		value={name}
		onchange={(event) => {
			const select = event.currentTarget;
			void use(select.value).then(() => (select.value = name));
		}}
	>
		{#each parts.filter((one) => one.wraps === (part?.wraps ?? false)) as one (one.name)}
			<option value={one.name}>{one.name}</option>
		{/each}
	</select></label
>
{#if refused}<p class="small refused" role="alert">{refused}</p>{/if}
{#each part?.parameters ?? [] as parameter (parameter.name)}
	{@const own = given.find((one) => one.name === parameter.name)}
	{#if parameter.values.length > 1}
		<label class="small part"
			>{parameter.name}
			<select
				class="field mono"
				value={own?.said ?? ''}
				onchange={(event) => {
					const { value } = event.currentTarget;
					void give(parameter.name, value === '' ? undefined : { kind: 'text', said: value });
				}}
			>
				<option value="">{parameter.values[0]}, as nothing is said</option>
				{#each parameter.values as value (value)}<option {value}>{value}</option>{/each}
				{#if own && !parameter.values.includes(own.said)}<option value={own.said}>{own.said}</option
					>{/if}
			</select></label
		>
	{:else}
		<NodeField
			label={parameter.name}
			text={own?.kind === 'path' ? `{${own.said}}` : (own?.said ?? '')}
			value={own?.kind === 'path'
				? { path: own.said.split('.'), format: undefined, otherwise: undefined }
				: undefined}
			values={chosenNode.scope.values}
			placeholder={parameter.values[0] ?? 'must be given'}
			take={(text) => give(parameter.name, text === '' ? undefined : saidBy(text))}
		/>
	{/if}
{/each}

<style>
	.part {
		display: grid;
		grid-template-columns: 62px minmax(0, 1fr);
		gap: 4px;
		align-items: center;
		margin: 2px 0;
	}
	.refused {
		color: var(--fault);
	}
</style>
