<script lang="ts">
	import { reasonOf } from '$core/messages/wording.ts';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import type { ListedSite } from '$store/keep/listing.ts';
	import { duplicate, forget } from '$store/keep/kept-sites.ts';
	import { switchTo } from '$store/opening.ts';
	import { store } from '$store/site.svelte.ts';
	import Question from './Question.svelte';

	let { open = $bindable() }: { open: boolean } = $props();

	async function show(site: ListedSite): Promise<void> {
		open = false;
		await switchTo(site.id);
	}

	async function carryOut(action: Promise<void>): Promise<void> {
		await action.catch((failure: unknown) => {
			store.say(`The browser refused: ${reasonOf(failure)}.`);
		});
	}
</script>

<Question
	{open}
	title="Sites kept in this browser"
	says="Each is kept by itself. What is forgotten can be taken back until the application is started the next time."
	onClose={() => (open = false)}
>
	<ul class="kept-list">
		{#each store.sites as site (site.id)}
			<li>
				<span class="name">{site.name}</span>
				<span class="small">{new Date(site.changed).toLocaleString()}</span>
				<span class="acts">
					{#if site.id === store.id}
						<span class="small">open</span>
					{:else}
						<button class="act" aria-label="Open {site.name}" onclick={() => void show(site)}
							>Open</button
						>
					{/if}
					<button
						class="act"
						aria-label="Duplicate {site.name}"
						onclick={() => void carryOut(duplicate(site))}>Duplicate</button
					>
					<button
						class="act"
						aria-label="Forget {site.name}"
						disabled={site.id === store.id}
						onclick={() => void carryOut(forget(site))}>Forget</button
					>
				</span>
			</li>
		{/each}
	</ul>
	<Dialog.CloseTrigger class="act">Close</Dialog.CloseTrigger>
</Question>

<style>
	li {
		grid-template-columns: minmax(0, 1fr) 150px 180px;
	}
</style>
