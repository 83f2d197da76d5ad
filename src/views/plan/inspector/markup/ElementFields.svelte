<script lang="ts">
	import { setAttribute, setWords, typeAttribute } from '$core/outline/element-edits.ts';
	import type { AttributeField } from '$core/outline/element-fields.ts';
	import type { OutlineElement } from '$core/outline/outline.ts';
	import { isBooleanAttribute } from '$core/outline/written-text.ts';
	import { furtherAttributes, usualAttributes } from '$core/outline/usual-attributes.ts';
	import { store } from '$store/site.svelte.ts';
	import { chosenNode } from '../../chosen-node.svelte.ts';
	import NodeField from './NodeField.svelte';

	/** The words of an element and what its attributes say. */
	const { node }: { node: OutlineElement } = $props();

	const values = $derived(chosenNode.scope.values);
	/** Those that were asked for, until they say something. */
	let more = $state.raw<readonly string[]>([]);
	const has = $derived(node.attributes.map(({ name }) => name));
	/** Those that it has, and those that it is mostly given. */
	const names = $derived([...new Set([...has, ...usualAttributes(node.name), ...more])]);
	const routes = $derived(
		store.roofline.rows.flatMap(({ kind, page }) => (kind === 'route' ? [page] : []))
	);

	function attribute(name: string): AttributeField | undefined {
		return node.attributes.find((one) => one.name === name);
	}

	/** One that says all by being there is written at once; another has its field. */
	function ask(name: string): void {
		if (isBooleanAttribute(name)) void chosenNode.write(setAttribute(node, name, ''));
		else more = [...more, name];
	}
</script>

{#each node.words as field, at (at)}
	<NodeField
		label={node.words.length > 1 ? `words ${at + 1}` : 'words'}
		text={field.text}
		value={field.value}
		{values}
		take={(text) => chosenNode.write(setWords(node, field, text))}
	/>
{/each}
{#if node.takesWords}
	<NodeField
		label="words"
		text=""
		{values}
		placeholder="none of its own"
		take={(text) => chosenNode.write(setWords(node, undefined, text))}
	/>
{/if}
{#each names as name (name)}
	{@const field = attribute(name)}
	<NodeField
		label={name}
		text={field?.text ?? ''}
		value={field?.value}
		{values}
		{...name === 'href' || name === 'action' ? { offered: routes } : {}}
		placeholder={name === 'alt' && field ? 'decoration' : 'not said'}
		take={(text) => chosenNode.write(typeAttribute(node, name, text))}
		remove={field && (() => void chosenNode.write(setAttribute(node, name, undefined)))}
	/>
{/each}
<label class="small more"
	>another attribute
	<select
		class="field mono"
		value=""
		onchange={(event) => {
			const { value: name } = event.currentTarget;
			event.currentTarget.value = '';
			if (name !== '') ask(name);
		}}
	>
		<option value="">choose …</option>
		{#each furtherAttributes(node.name, names) as name (name)}<option value={name}>{name}</option
			>{/each}
	</select></label
>

<style>
	.more {
		display: block;
		margin-top: 4px;
	}
</style>
