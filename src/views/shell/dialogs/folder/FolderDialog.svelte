<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { folder } from '$store/folder/folder.svelte.ts';
	import Question from '../Question.svelte';
	import ConflictChoice from './ConflictChoice.svelte';

	const { state, conflicts, unreadable, taken } = $derived(folder);
	const says = $derived(words());

	function words(): string {
		if (state.kind === 'apart') {
			return `${state.sentence} Until then edits are kept in this browser alone, and nothing there is changed.`;
		}
		const last = taken
			? ` Taken over last, at ${new Date(taken.at).toLocaleTimeString()}: ${taken.paths.join(', ')}.`
			: '';
		return `Edits go to the folder as you make them; what another editor or a checkout changes there comes here, as a step that undo takes back.${last}`;
	}
</script>

<Question
	open={folder.shown}
	room={conflicts.length > 0 ? 'broad' : undefined}
	title="The folder {folder.name}"
	{says}
	onClose={() => (folder.shown = false)}
>
	{#if unreadable.length > 0}
		<section aria-label="Files that cannot be taken over">
			<h3 class="cap">Left alone until they can be read</h3>
			<ul>
				{#each unreadable as { path, sentence } (path)}<li>{sentence}</li>{/each}
			</ul>
		</section>
	{/if}
	{#each conflicts as conflict (conflict)}
		<ConflictChoice {conflict} />
	{/each}
	<div class="buttons">
		{#if state.kind === 'apart'}
			{#if state.why === 'empty'}
				<button class="primary" onclick={() => void folder.writeAgain()}
					>Write the site there again</button
				>
			{:else}
				<button class="primary" onclick={() => void folder.again()}
					>{state.why === 'closed' ? 'Allow it' : 'Try again'}</button
				>
			{/if}
		{/if}
		<button
			class="act"
			title="The site stays in this browser, the files stay in the folder; neither follows the other any more"
			onclick={() => void folder.leave()}>Leave the folder</button
		>
		<Dialog.CloseTrigger class="act">Close</Dialog.CloseTrigger>
	</div>
</Question>

<style>
	section {
		margin-top: 12px;
	}
	ul {
		padding-left: 18px;
		list-style: disc;
	}
	.buttons {
		display: flex;
		gap: 12px;
		align-items: center;
		margin-top: 16px;
	}
</style>
