<script lang="ts">
	import type { Findable } from '$core/view-models/findable.ts';
	import Question from '$views/shell/dialogs/Question.svelte';
	import { store } from '$store/site.svelte.ts';
	import { chosenActs, siteActs } from './commands.ts';
	import { goTo } from './going.ts';

	/** One field that finds whatever has a name, and whatever can be done. */
	let { open = $bindable() }: { open: boolean } = $props();

	interface Found {
		readonly name: string;
		readonly says: string;
		readonly run: () => void;
	}

	const most = 40;
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
		const asked = words.trim().toLowerCase().split(/\s+/).filter(Boolean);
		const acts = [...chosenActs(), ...siteActs()].map((act): Found => {
			return { name: act.name, says: act.key ? `action, ${act.key}` : 'action', run: act.run };
		});
		const things = names.map((one): Found => {
			return { name: one.name, says: one.says, run: () => void goTo(one) };
		});
		const all = asked.length === 0 ? [...acts, ...things] : [...things, ...acts];
		return all
			.filter(({ name, says }) =>
				asked.every((word) => `${name} ${says}`.toLowerCase().includes(word))
			)
			.sort((a, b) => rank(a, asked[0] ?? '') - rank(b, asked[0] ?? ''))
			.slice(0, most);
	});

	/** What begins with the words comes first. */
	function rank({ name }: Found, word: string): number {
		const lower = name.toLowerCase();
		if (word === '' || lower === word || lower === `/${word}`) return 0;
		return lower.startsWith(word) ? 1 : lower.includes(word) ? 2 : 3;
	}

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
	{#if found.length === 0}<p class="small">Nothing has that in its name.</p>{/if}
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
	li span {
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	[aria-selected='true'] {
		background: var(--cedar-wash);
	}
</style>
