<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { commands } from '$store/commands.svelte.ts';
	import Question from './Question.svelte';
</script>

<Question
	alert
	open={commands.asking !== undefined}
	title="{commands.asking?.edit.label ?? ''}?"
	says="This changes more than it says:"
	onClose={() => commands.decline()}
>
	<ul>
		{#each commands.asking?.edit.consequences ?? [] as sentence (sentence)}
			<li>{sentence}</li>
		{/each}
	</ul>
	<div class="buttons">
		<button class="primary" onclick={() => void commands.agree()}>Do it all</button>
		<Dialog.CloseTrigger class="act">Cancel</Dialog.CloseTrigger>
	</div>
	<p class="small">It is one step: undo takes all of it back.</p>
</Question>

<style>
	ul {
		margin: 10px 0 16px;
		padding-left: 18px;
		list-style: disc;
	}
	.buttons {
		display: flex;
		gap: 12px;
		align-items: center;
		margin-bottom: 10px;
	}
</style>
