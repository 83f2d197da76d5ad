<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { bringing } from '$store/ways/bringing.svelte.ts';
	import Question from '../Question.svelte';
	import BroughtStage from './BroughtStage.svelte';
	import ChoicesMade from './ChoicesMade.svelte';
	import ChoosePages from './ChoosePages.svelte';
	import ElementLine from './ElementLine.svelte';
	import FoundFrames from './FoundFrames.svelte';
	import ProofFrame from './ProofFrame.svelte';
	import RepeatedBlocks from './RepeatedBlocks.svelte';
	import SamePages from './SamePages.svelte';
	import TakeLine from './TakeLine.svelte';

	/** Pages that one has become a site: what they share is shown first, and whether they stay the same. */

	const { found, progress, proof, refused } = $derived(bringing);
	const { choosing } = bringing;
	/** Hues come again after five. */
	const hues = 5;

	function hueOf(frame: string | undefined): number {
		const index = found?.frames.findIndex(({ name }) => name === frame) ?? -1;
		return index === -1 ? 0 : (index % hues) + 1;
	}
	const says = $derived(
		found
			? 'What these pages share would be said once, in frames. Nothing is taken over yet; the site that is open now stays in this browser.'
			: 'The tool finds what your pages share, makes it frames, and shows that every page comes out as it was.'
	);
</script>

<Question
	open={bringing.isOpen}
	room={found === undefined ? undefined : 'wide'}
	title="Bring in pages"
	{says}
	onClose={() => bringing.close()}
>
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
			<div class="found">
				<div class="list">
					<FoundFrames {found} {hueOf} />
					<SamePages {found} {proof} isProving={bringing.isProving} />
					<RepeatedBlocks blocks={found.blocks} />
					<ChoicesMade />
				</div>
				<div class="look">
					{#if choosing.shown}
						<ElementLine />
						<BroughtStage
							page={choosing.shown}
							before={choosing.before}
							parts={choosing.parts}
							element={choosing.element}
							{hueOf}
							onPoint={(at) => void choosing.point(at)}
						/>
					{/if}
				</div>
			</div>
			<ProofFrame />
			<TakeLine />
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
	.body:has(.found) {
		grid-template-rows: 1fr auto;
		height: calc(100% - 58px);
	}
	.found {
		display: grid;
		grid-template-columns: minmax(280px, 2fr) 5fr;
		gap: 20px;
		min-height: 0;
	}
	.list {
		overflow-y: auto;
		display: grid;
		gap: 14px;
		align-content: start;
	}
	.look {
		display: grid;
		grid-template-rows: auto auto 1fr;
		gap: 8px;
		min-height: 0;
		min-width: 0;
	}
	progress {
		width: 100%;
		accent-color: var(--cedar);
	}
</style>
