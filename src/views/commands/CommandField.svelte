<script lang="ts">
	import { foundGroups, inFoundOrder, type Named } from '$core/view-models/words/found-order.ts';
	import type { Findable } from '$core/view-models/words/findable.ts';
	import Question from '$views/shell/dialogs/Question.svelte';
	import { store } from '$store/site.svelte.ts';
	import { chosenActs, siteActs } from './commands.ts';
	import { goTo } from './going.ts';

	/** One field that finds whatever has a name, and whatever can be done. */
	let { open = $bindable() }: { open: boolean } = $props();

	interface Found extends Named {
		readonly run: () => void;
	}

	const listId = $props.id();
	let words = $state('');
	let at = $state(0);
	let names = $state.raw<readonly Findable[]>([]);

	$effect(() => {
		if (!open) return;
		words = '';
		at = 0;
		void store.core.answers.findable().then((all) => (names = all));
	});

	const found = $derived.by((): readonly Found[] => {
		if (!open) return [];
		const acts = [...chosenActs(), ...siteActs()].map(({ name, key, run }): Found => {
			return { group: 'what can be done', name, says: key ?? '', run };
		});
		const things = names.map((one): Found => {
			const group = one.kind === 'page' ? 'pages' : 'everything else with a name';
			return { group, name: one.name, says: one.says, run: () => void goTo(one) };
		});
		return inFoundOrder([...things, ...acts], words);
	});
	/** A group is named above its first. */
	const heads = $derived(
		new Map(
			foundGroups.map((group) => [found.findIndex((one) => one.group === group), group] as const)
		)
	);

	function take(one: Found | undefined): void {
		if (!one) return;
		open = false;
		one.run();
	}

	function onKey(event: KeyboardEvent): void {
		if (event.key === 'ArrowDown') at = Math.min(found.length - 1, at + 1);
		else if (event.key === 'ArrowUp') at = Math.max(0, at - 1);
		else if (event.key === 'Enter') take(found[at]);
		else return;
		event.preventDefault();
		document.getElementById(`${listId} ${at}`)?.scrollIntoView({ block: 'nearest' });
	}
</script>

<Question
	{open}
	title="Find"
	says="Pages, layouts, regions, pieces, tokens, files, and everything that can be done."
	onClose={() => (open = false)}
>
	<input
		class="field"
		role="combobox"
		aria-label="Find by name"
		aria-expanded="true"
		aria-controls={listId}
		aria-activedescendant={found.length > 0 ? `${listId} ${at}` : undefined}
		autocomplete="off"
		bind:value={words}
		oninput={() => (at = 0)}
		onkeydown={onKey}
	/>
	<ul id={listId} role="listbox" aria-label="What was found">
		{#each found as one, index (`${one.says} ${one.name} ${index}`)}
			{#if heads.has(index)}
				<li class="cap" role="presentation">{heads.get(index)}</li>
			{/if}
			<li
				id="{listId} {index}"
				role="option"
				aria-selected={index === at}
				onpointermove={() => (at = index)}
				onpointerup={() => take(one)}
			>
				<span>{one.name}</span><span class="small">{one.says}</span>
			</li>
		{/each}
	</ul>
	{#if found.length === 0}<p class="small">Nothing is called that.</p>{/if}
</Question>

<style>
	input {
		width: 100%;
		margin-top: 10px;
		padding: 6px 10px;
		font-size: 14px;
	}
	ul {
		height: 320px;
		margin-top: 8px;
		overflow-y: auto;
	}
	li {
		display: flex;
		justify-content: space-between;
		gap: 14px;
		padding: 4px 8px;
		border-radius: var(--radius);
		cursor: pointer;
	}
	.cap {
		padding-top: 8px;
		cursor: default;
	}
	li span {
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	[aria-selected='true'] {
		background: var(--cedar-wash);
	}
</style>
