<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { examples } from '$core/starter/examples.ts';
	import { openExample } from '$store/opening.ts';
	import Question from './Question.svelte';

	/** Whole sites to look into: each opens as a site of its own, and the one that is open stays kept. */
	let { open = $bindable() }: { open: boolean } = $props();

	let opening = $state('');

	async function show(name: string): Promise<void> {
		opening = name;
		const done = await openExample(name);
		opening = '';
		if (done) open = false;
	}
</script>

<Question
	{open}
	title="Open an example"
	says="Each opens as a site of its own, to be changed as you like; the site that is open now stays kept in this browser."
	onClose={() => (open = false)}
>
	<ul class="kept-list">
		{#each examples as { name, title, shows } (name)}
			<li>
				<span><b>{title}</b><br />{shows}</span>
				<span class="acts">
					<button
						class="field"
						aria-label="Open {title}"
						disabled={opening !== ''}
						onclick={() => void show(name)}>{opening === name ? 'Opening …' : 'Open'}</button
					>
				</span>
			</li>
		{/each}
	</ul>
	<Dialog.CloseTrigger class="act">Close</Dialog.CloseTrigger>
</Question>

<style>
	li {
		grid-template-columns: minmax(0, 1fr) auto;
	}
	b {
		font-weight: 600;
	}
</style>
