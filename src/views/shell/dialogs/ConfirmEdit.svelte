<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { wishes } from '$store/wishes.svelte.ts';
	import Question from './Question.svelte';
</script>

<Question
	alert
	open={wishes.asking !== undefined}
	title="{wishes.asking?.edit.label ?? ''}?"
	says="This changes more than it says:"
	onClose={() => wishes.decline()}
>
	<ul>
		{#each wishes.asking?.edit.consequences ?? [] as sentence (sentence)}
			<li>{sentence}</li>
		{/each}
	</ul>
	<div class="buttons">
		<button class="primary" onclick={() => void wishes.agree()}>Do it all</button>
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
