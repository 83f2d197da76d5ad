<script lang="ts">
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import type { Snippet } from 'svelte';

	/** A dialog over everything else: what it asks, and below that what it is answered with. */
	interface Props {
		open: boolean;
		title: string;
		says: string;
		/** It waits for a word before something is done. */
		alert?: boolean;
		/** `broad`: two texts stand in it beside each other; `wide`: a drawing, which takes what room there is. */
		room?: 'broad' | 'wide';
		onClose: () => void;
		children: Snippet;
	}
	const { open, title, says, alert = false, room, onClose, children }: Props = $props();

	// A dozen of them wait to be asked: one is made when it is for the first time.
	let isMade = $state(false);
	$effect.pre(() => {
		isMade ||= open;
	});
</script>

{#if isMade}
	<Dialog
		role={alert ? 'alertdialog' : 'dialog'}
		{open}
		onOpenChange={(details) => {
			if (!details.open) onClose();
		}}
	>
		<Portal>
			<Dialog.Backdrop class="question-veil" />
			<Dialog.Positioner class="question-place">
				<Dialog.Content class="question {room ?? ''}">
					<Dialog.Title class="title">{title}</Dialog.Title>
					<Dialog.Description class="small">{says}</Dialog.Description>
					{@render children()}
				</Dialog.Content>
			</Dialog.Positioner>
		</Portal>
	</Dialog>
{/if}
