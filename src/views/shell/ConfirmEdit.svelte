<script lang="ts">
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import { wishes } from '$store/wishes.svelte.ts';
</script>

<Dialog
	role="alertdialog"
	open={wishes.asking !== undefined}
	onOpenChange={({ open }) => {
		if (!open) wishes.asking = undefined;
	}}
>
	<Portal>
		<Dialog.Backdrop class="question-veil" />
		<Dialog.Positioner class="question-place">
			<Dialog.Content class="question">
				<Dialog.Title class="title">{wishes.asking?.edit.label}?</Dialog.Title>
				<Dialog.Description>This changes more than it says:</Dialog.Description>
				<ul>
					{#each wishes.asking?.edit.consequences ?? [] as sentence (sentence)}
						<li>{sentence}</li>
					{/each}
				</ul>
				<div class="buttons">
					<button class="primary" onclick={() => void wishes.agree()}>Do it all</button>
					<Dialog.CloseTrigger class="act">Leave it</Dialog.CloseTrigger>
				</div>
				<p class="small">It is one step: undo takes all of it back.</p>
			</Dialog.Content>
		</Dialog.Positioner>
	</Portal>
</Dialog>

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
