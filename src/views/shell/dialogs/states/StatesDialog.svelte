<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { placeQuery, readPlace } from '$store/address.ts';
	import type { State } from '$store/keep/states.ts';
	import { states } from '$store/states.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { comparing } from '$store/ways/comparing.svelte.ts';
	import Question from '../Question.svelte';

	/** States of the site with a name: kept, compared, gone back to. */
	let name = $state('');
	let refused = $state('');
	let renaming = $state.raw<State | undefined>();
	let newName = $state('');

	async function carryOut(task: Promise<string | undefined>): Promise<boolean> {
		refused = (await task) ?? '';
		return refused === '';
	}

	async function keep(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		if (await carryOut(states.keep(name.trim()))) name = '';
	}

	async function rename(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		if (renaming && (await carryOut(states.rename(renaming, newName.trim())))) {
			renaming = undefined;
		}
	}

	async function compare({ id }: State): Promise<void> {
		states.shown = false;
		comparing.begin(`state ${id}`);
		await goto(`/sheet?${placeQuery(readPlace(page.url))}`);
	}
</script>

<Question
	open={states.shown}
	room="broad"
	title="States of {store.site?.name || 'this site'}"
	says="A state is the whole site as it was. Before an edit of many places one is kept by itself; the newest 20 of those stay, and all that you name."
	onClose={() => (states.shown = false)}
>
	<form class="keep" onsubmit={keep}>
		<label>
			<span class="cap">Keep it as it is now, as</span>
			<input class="field" bind:value={name} placeholder="before the new head" />
		</label>
		<button class="primary" type="submit">Keep this state</button>
	</form>
	{#if refused}<p class="refused" role="alert">{refused}</p>{/if}
	{#if states.all.length === 0}
		<p class="small">No state of this site is kept yet.</p>
	{/if}
	<ul class="kept-list" aria-label="Kept states">
		{#each states.all as state (state.id)}
			<li>
				{#if renaming === state}
					<form class="rename" onsubmit={rename}>
						<input class="field" aria-label="New name of {state.name}" bind:value={newName} />
						<button class="act" type="submit">Rename it</button>
					</form>
				{:else}
					<span class="name" title={state.name}>{state.name}</span>
				{/if}
				<span class="small">{new Date(state.at).toLocaleString()}</span>
				<span class="small">{state.by === 'hand' ? '' : 'by itself'}</span>
				<span class="acts">
					<button
						class="act"
						aria-label="Compare {state.name} with now"
						onclick={() => void compare(state)}>Compare</button
					>
					<button
						class="act"
						aria-label="Go back to {state.name}"
						title="One step that undo takes back; how it is now is kept as a state, too"
						disabled={!store.writes}
						onclick={() => void carryOut(states.goBack(state))}>Go back</button
					>
					<button
						class="act"
						aria-label="Rename {state.name}"
						onclick={() => {
							renaming = state;
							newName = state.name;
						}}>Rename</button
					>
					<button
						class="act"
						aria-label="Forget {state.name}"
						onclick={() => void carryOut(states.forget(state))}>Forget</button
					>
				</span>
			</li>
		{/each}
	</ul>
	<Dialog.CloseTrigger class="act">Close</Dialog.CloseTrigger>
</Question>

<style>
	.keep {
		grid-template-columns: minmax(0, 1fr) auto;
		align-items: end;
	}
	.keep label {
		display: grid;
		gap: 3px;
	}
	.rename {
		display: flex;
		gap: 8px;
		margin: 0;
	}
	li {
		grid-template-columns: minmax(0, 1fr) 140px 56px 270px;
	}
</style>
