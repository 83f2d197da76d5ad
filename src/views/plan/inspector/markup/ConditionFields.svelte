<script lang="ts">
	import { comparisons } from '$core/model/template.ts';
	import { ifText, testsOf, type TestSaid, type TestWay } from '$core/outline/tag-text.ts';
	import type { IfTag } from '$core/model/template.ts';
	import { chosenNode } from '../../chosen-node.svelte.ts';

	/** What must hold so that something shows: each test chosen from the values in scope. */
	interface Props {
		tag: IfTag;
		/** Carries another tag out; gives the sentence of a refusal. */
		take: (tag: string) => Promise<string | undefined>;
	}
	const { tag, take }: Props = $props();

	const tests = $derived(testsOf(tag));
	const ways: readonly TestWay[] = ['there', ...comparisons];
	let refused = $state('');
	/** Values that can be tested; one that has no value on this page stays to be chosen. */
	const paths = $derived([
		...new Set([
			...tests.map(({ path }) => path),
			...chosenNode.scope.lists.map(({ path }) => path),
			...chosenNode.scope.values.map(({ path }) => path)
		])
	]);

	async function send(next: readonly TestSaid[]): Promise<void> {
		refused = (await take(ifText(next))) ?? '';
	}

	function change(at: number, said: Partial<TestSaid>): void {
		void send(tests.map((test, index) => (index === at ? { ...test, ...said } : test)));
	}

	function says(path: string): string {
		const value = chosenNode.scope.values.find((one) => one.path === path);
		return value ? `${path}, now "${value.says.slice(0, 30)}"` : path;
	}
</script>

{#each tests as test, at (at)}
	<div class="test" role="group" aria-label="Condition {at + 1}">
		<span class="small">{at === 0 ? 'if' : 'and'}</span>
		<select
			class="field mono"
			aria-label="The value"
			value={test.path}
			onchange={(event) => change(at, { path: event.currentTarget.value })}
		>
			{#each paths as path (path)}<option value={path}>{says(path)}</option>{/each}
		</select>
		<select
			class="field"
			aria-label="How"
			value={test.how}
			onchange={(event) => {
				const how = ways.find((one) => one === event.currentTarget.value);
				if (how) change(at, { how });
			}}
		>
			{#each ways as way (way)}<option value={way}>{way === 'there' ? 'is there' : way}</option
				>{/each}
		</select>
		{#if test.how !== 'there'}
			<input
				class="field mono"
				aria-label="What"
				value={test.text}
				onchange={(event) => change(at, { text: event.currentTarget.value })}
			/>
		{/if}
		{#if tests.length > 1}
			<button
				class="act"
				aria-label="Take condition {at + 1} away"
				onclick={() => void send(tests.filter((_, index) => index !== at))}>−</button
			>
		{/if}
	</div>
{/each}
<button
	class="act small"
	onclick={() => {
		const path = paths[0];
		if (path !== undefined) void send([...tests, { path, how: 'there', text: '' }]);
	}}>and something else …</button
>
{#if refused}<p class="small refused" role="alert">{refused}</p>{/if}

<style>
	.test {
		display: flex;
		flex-wrap: wrap;
		gap: 3px;
		align-items: center;
		margin: 2px 0;
	}
	.test select,
	.test input {
		min-width: 0;
		max-width: 190px;
	}
	.refused {
		color: var(--fault);
	}
</style>
