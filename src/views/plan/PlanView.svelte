<script lang="ts">
	import { type Trace } from '$core/model/trace.ts';
	import { store } from '$store/site.svelte.ts';
	import type { BetweenView } from '$workers/messages.ts';
	import Drawing from '$views/shell/Drawing.svelte';
	import ProblemList from '$views/shell/ProblemList.svelte';
	import { look } from '$store/look.svelte.ts';
	import { chosenBox } from './section/chosen-box.svelte.ts';
	import CrossSection from './section/CrossSection.svelte';
	import PageLine from './roofline/PageLine.svelte';
	import PieceEditor from './section/PieceEditor.svelte';
	import Roofline from './roofline/Roofline.svelte';
	import { cellFacts, selection } from './selection.svelte.ts';
	import Stage from './stage/Stage.svelte';

	const { site, page, roofline } = $derived(store);
	let comingFrom = $state('');
	let underOpen = $state(false);
	let between = $state.raw<BetweenView | undefined>();

	const pages = $derived(roofline.rows.map((row) => row.page));
	const facts = $derived(page && cellFacts(page.section, selection.place));
	const holder = $derived(selection.editing ? facts?.holder : undefined);
	const pieceTitle = $derived.by(() => {
		if (!facts) return 'Pieces';
		const where = facts.holder?.region ? ` in ${facts.region?.name}` : '';
		return `Pieces of ${facts.layer.name}${where}`;
	});

	$effect(() => {
		if (!page || !comingFrom || !pages.includes(comingFrom)) {
			between = undefined;
			return;
		}
		void store.core.between(comingFrom, page.page).then((found) => (between = found));
	});

	$effect(() => {
		const region = facts?.region;
		// The text, the width and the spaces that layouts get decide what there is to say.
		void [site, look.width, chosenBox.spaces];
		void chosenBox.choose(region && { layout: region.layout, box: region.name });
	});

	/** The block of the cross-section that brought what was clicked on the stage. */
	function pick(trace: Trace): void {
		if (!page) return;
		const { layers, columns } = page.section;
		const layer = layers.findIndex(
			(one) => one.name === trace.layer && one.layerKind === trace.kind
		);
		const column = columns.findIndex((one) =>
			trace.piece === undefined
				? one.regions.some(
						(region) => region.layout === trace.layer && region.name === trace.region
					)
				: one.cells[layer]?.entries.some((entry) => entry.pieces.includes(trace.piece ?? ''))
		);
		if (layer !== -1 && column !== -1) selection.place = { layer, column };
	}
</script>

{#if site}
	<div class="plan" class:editing={holder}>
		<Drawing name="The roofline">
			<Roofline {roofline} chosen={page?.page} openUnder={() => (underOpen = true)} />
		</Drawing>
		<section class="work" aria-label="Page">
			{#if site.problems.some((problem) => problem.severity === 'error')}
				<ProblemList problems={site.problems} current={site.current} />
			{/if}
			{#if page}
				<PageLine {page} layouts={roofline.layouts} {pages} bind:comingFrom bind:underOpen />
				<Drawing name="The stage"
					><Stage
						{page}
						bands={site.bands}
						layouts={roofline.layouts}
						{between}
						onPick={pick}
					/></Drawing
				>
				<Drawing name="The cross-section">
					<CrossSection section={page.section} {between} />
				</Drawing>
			{:else}
				<p class="empty">
					This site has no page yet. Write a route in <a class="act" href="/source">Source</a>.
				</p>
			{/if}
		</section>
		{#if holder}
			<Drawing name="The pieces"><PieceEditor {holder} title={pieceTitle} /></Drawing>
		{/if}
	</div>
{/if}

<style>
	.plan {
		display: grid;
		grid-template-columns: 326px minmax(0, 1fr);
		height: 100%;
	}
	.editing {
		grid-template-columns: 326px minmax(0, 1fr) 360px;
	}
	.work {
		display: flex;
		flex-direction: column;
		min-width: 0;
		min-height: 0;
	}
	.empty {
		padding: 24px;
	}
</style>
