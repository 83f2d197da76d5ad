<script lang="ts">
	import { goto } from '$app/navigation';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import type { StarterDrop } from '$core/starter/drop.ts';
	import { lookOf, type LookId } from '$core/starter/looks.ts';
	import { moveStarterRegion, readStarterRegions } from '$core/starter/regions.ts';
	import { starterText } from '$core/starter/site-text.ts';
	import { openText } from '$store/opening.ts';
	import { beginning } from '$store/ways/beginning.svelte.ts';
	import Question from '../Question.svelte';
	import FramePicture from './FramePicture.svelte';
	import LookChoice from './LookChoice.svelte';

	let name = $state('My site');
	let words = $state('head, menu, content, side, foot');
	let look = $state<LookId>('plain');
	/** What was dragged, in its order: it holds on while names are typed. */
	let moves = $state.raw<readonly (StarterDrop & { readonly name: string })[]>([]);

	const regions = $derived(
		moves.reduce(
			(placed, { name: moved, place, before }) => moveStarterRegion(placed, moved, place, before),
			readStarterRegions(words.split(/[,;\n]+/))
		)
	);

	async function create(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		await openText(starterText(name.trim() || 'My site', regions, lookOf(look)));
		beginning.asked = false;
		await goto('/plan');
	}
</script>

<Question
	open={beginning.asked}
	title="What regions does your page have?"
	says="Look at the page you want and name its parts, in reading order. Words such as top, left, menu or foot place them; drag what stands elsewhere. You can change everything later. The site that is open now stays in this browser."
	onClose={() => (beginning.asked = false)}
>
	<form onsubmit={create}>
		<div class="names">
			<label>
				<span class="cap">Name of the site</span>
				<input class="field" bind:value={name} />
			</label>
			<label>
				<span class="cap">Regions, with commas between</span>
				<input class="field mono" bind:value={words} />
			</label>
		</div>
		<FramePicture
			{regions}
			move={(moved, drop) => (moves = [...moves, { name: moved, ...drop }])}
		/>
		<LookChoice bind:chosen={look} />
		<div class="buttons">
			<button class="primary" type="submit">Make the site</button>
			<Dialog.CloseTrigger class="act">Cancel</Dialog.CloseTrigger>
		</div>
	</form>
</Question>

<style>
	.names {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 2fr);
		gap: 12px;
	}
	label {
		display: grid;
		gap: 4px;
	}
	input {
		width: 100%;
		min-width: 0;
	}
</style>
