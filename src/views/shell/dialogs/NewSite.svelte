<script lang="ts">
	import { goto } from '$app/navigation';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { readStarterRegions, starterElements, starterText } from '$core/source/starter.ts';
	import { openText } from '$store/opening.ts';
	import Question from './Question.svelte';

	let { open = $bindable() }: { open: boolean } = $props();

	let name = $state('My site');
	let words = $state('head, menu, content, side, foot');

	const regions = $derived(readStarterRegions(words.split(/[,;\n]+/)));

	async function create(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		await openText(starterText(name.trim() || 'My site', regions));
		open = false;
		await goto('/plan');
	}
</script>

<Question
	{open}
	title="What regions does your page have?"
	says="Look at the page you want and name its parts, in reading order. The first layout is written from them; you can change everything later. The site that is open now stays in this browser."
	onClose={() => (open = false)}
>
	<form onsubmit={create}>
		<label>
			<span class="cap">Name of the site</span>
			<input class="field" bind:value={name} />
		</label>
		<label>
			<span class="cap">Regions, with commas between</span>
			<input class="field mono" bind:value={words} />
		</label>
		<ol aria-label="Regions of the first layout">
			{#each regions as region (region.name)}
				<li>
					<span class="mono">{region.name}</span>
					<span class="small">
						{starterElements[region.role]}{region.role === 'content' ? ', the slot for pages' : ''}
					</span>
				</li>
			{/each}
		</ol>
		<div class="buttons">
			<button class="primary" type="submit">Make the site</button>
			<Dialog.CloseTrigger class="act">Cancel</Dialog.CloseTrigger>
		</div>
	</form>
</Question>

<style>
	form {
		display: grid;
		gap: 14px;
		margin-top: 16px;
	}
	label {
		display: grid;
		gap: 4px;
	}
	ol {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		min-height: 52px;
		align-content: start;
	}
	li {
		display: grid;
		border: 1px solid var(--rule);
		border-radius: var(--radius);
		padding: 4px 10px;
		background: var(--paper);
	}
	.buttons {
		display: flex;
		gap: 12px;
		align-items: center;
	}
</style>
