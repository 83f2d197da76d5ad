<script lang="ts">
	import { goto } from '$app/navigation';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { bringing } from '$store/ways/bringing.svelte.ts';
	import Question from '../Question.svelte';
	import ChoosePages from './ChoosePages.svelte';
	import FoundFrames from './FoundFrames.svelte';
	import SamePages from './SamePages.svelte';

	/** Pages that one has become a site: what they share is shown first, and whether they stay the same. */

	const { found, progress, proof, refused } = $derived(bringing);
	const says = $derived(
		found
			? 'What these pages share would be said once, in frames. Nothing is taken over yet; the site that is open now stays in this browser.'
			: 'The tool finds what your pages share, makes it frames, and shows that every page comes out as it was.'
	);

	async function take(): Promise<void> {
		await bringing.take();
		await goto('/plan');
	}
</script>

<Question open={bringing.isOpen} title="Bring in pages" {says} onClose={() => bringing.close()}>
	<div class="body">
		{#if progress}
			<p role="status">
				{progress.of === 0
					? 'Reading the files …'
					: `Reading page ${progress.read} of ${progress.of} …`}
			</p>
			<progress max={Math.max(1, progress.of)} value={progress.read} aria-label="Pages read"
			></progress>
			<div class="buttons">
				<button class="act" onclick={() => void bringing.stop()}>Stop</button>
			</div>
		{:else if found}
			<FoundFrames {found} />
			<SamePages {found} {proof} isProving={bringing.isProving} />
			<div class="buttons">
				<button class="primary" onclick={() => void take()}>Open as a site</button>
				<Dialog.CloseTrigger class="act">Not now</Dialog.CloseTrigger>
			</div>
		{:else if bringing.isOpen}
			{#if refused}<p class="refused" role="alert">{refused}</p>{/if}
			<ChoosePages />
			<div class="buttons">
				<Dialog.CloseTrigger class="act">Cancel</Dialog.CloseTrigger>
			</div>
		{/if}
	</div>
</Question>

<style>
	.body {
		display: grid;
		gap: 14px;
		margin-top: 12px;
	}
	progress {
		width: 100%;
		accent-color: var(--cedar);
	}
</style>
