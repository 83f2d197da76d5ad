<script lang="ts">
	import { type Trace } from '$core/model/trace.ts';
	import { tick, untrack } from 'svelte';
	import { isPieceRef, type LayerRef, type SizedRef, type WholeRef } from '$core/model/command.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { panes } from '$store/ways/panes.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import type { BetweenView } from '$workers/messages.ts';
	import Drawing from '$views/shell/Drawing.svelte';
	import Folded from '$views/shell/controls/Folded.svelte';
	import ProblemList from '$views/shell/ProblemList.svelte';
	import Separator from '$views/shell/controls/Separator.svelte';
	import { cellFacts, choice, placeOf } from './choice.svelte.ts';
	import { chosenBox } from './chosen-box.svelte.ts';
	import { chosenNode } from './chosen-node.svelte.ts';
	import LaterDialog from '$views/shell/dialogs/LaterDialog.svelte';
	import { putPicture } from './pictures/put-picture.svelte.ts';
	import Inspector from './inspector/Inspector.svelte';
	import PageLine from './stage/lines/PageLine.svelte';
	import Roofline from './roofline/Roofline.svelte';
	import CrossSection from './section/CrossSection.svelte';
	import Stage from './stage/Stage.svelte';
	import TextPane from './text/TextPane.svelte';
	import { boxFor } from '$core/view-models/chosen/scopes.ts';

	const { site, page, roofline } = $derived(store);
	let plan = $state<HTMLElement | undefined>();
	let comingFrom = $state('');
	let underOpen = $state(false);
	let between = $state.raw<BetweenView | undefined>();

	const pages = $derived(roofline.rows.map((row) => row.page));
	const facts = $derived(page && cellFacts(page.section, choice.place));
	const sized = $derived.by((): SizedRef | undefined => {
		const { subject } = choice;
		switch (subject.kind) {
			case 'piece':
				return subject.piece;
			case 'box':
				return subject.box;
			case 'layer':
				return subject.layer.kind === 'layout'
					? { layout: subject.layer.name, box: undefined }
					: undefined;
			case 'site':
			case 'pages':
				return undefined;
			case 'place': {
				if (facts?.region) return boxFor(facts.layer, facts.region, facts.isOwn);
				const [piece] = facts?.entry?.pieces ?? [];
				return facts?.holder && piece !== undefined ? { holder: facts.holder, piece } : undefined;
			}
		}
	});

	/** What the chosen block brings itself, where it is no layout's own. */
	const whole = $derived.by((): WholeRef | undefined => {
		const isBlock = choice.subject.kind === 'place' && facts?.isOwn === false;
		return isBlock && facts.holder && facts.entry?.pieces.length
			? { holder: facts.holder }
			: undefined;
	});

	$effect(() => {
		if (!page || !comingFrom || !pages.includes(comingFrom)) {
			between = undefined;
			return;
		}
		void store.core.answers.between(comingFrom, page.page).then((found) => (between = found));
	});

	$effect(() => {
		// The text, the width and the spaces that layouts get decide what there is to say.
		void [site, look.width, chosenBox.spaces];
		void chosenBox.choose(sized, whole, choice.also);
	});

	// What was just added is chosen once the page has it.
	$effect(() => {
		const { wanted } = choice;
		const place = wanted && page && placeOf(page.section, wanted);
		if (!wanted || !place) return;
		choice.wanted = undefined;
		choice.pick(place);
		const holder = page && cellFacts(page.section, place)?.holder;
		if (wanted.piece !== undefined && holder) {
			choice.pickPiece({ holder, piece: wanted.piece });
		}
		choice.sought = wanted;
		// One goes on from there by keyboard, once the question that led here has given the focus back.
		void tick().then(() =>
			requestAnimationFrame(() =>
				plan?.querySelector<HTMLElement>('[data-cell][tabindex="0"]')?.focus()
			)
		);
	});

	// Another page: what is said of a page is said of this one, and a piece that is not on it is let go.
	$effect(() => {
		const name = page?.page;
		untrack(() => {
			if (!page || name === undefined) return;
			const { subject } = choice;
			const { layers } = page.section;
			const isThere = ({ kind, name: layer }: LayerRef): boolean =>
				layers.some((one) => one.layerKind === kind && one.name === layer);
			if (subject.kind === 'piece' && !isThere(subject.piece.holder.layer)) {
				choice.pick(choice.place);
			} else if (subject.kind === 'layer' && subject.layer.kind !== 'layout') {
				const kind = name.startsWith('/') ? 'route' : 'state';
				if (subject.layer.name !== name) choice.pickLayer({ kind, name });
			}
		});
	});

	/** What can be chosen beside others: a piece by itself, else the region of a block. */
	function refOf(trace: Trace): SizedRef | undefined {
		const place = page && placeOf(page.section, trace);
		const found = page && place && cellFacts(page.section, place);
		if (!found) return undefined;
		if (trace.piece !== undefined) {
			return found.holder && { holder: found.holder, piece: trace.piece };
		}
		return found.region && boxFor(found.layer, found.region, found.isOwn);
	}

	/** Chooses something beside what is chosen; of pieces beside a piece, where no piece is chosen yet the piece itself. */
	function pickAlso(trace: Trace): void {
		const ref = refOf(trace);
		if (!ref) return;
		const isPiece = choice.subject.kind === 'piece';
		if (isPieceRef(ref) && !isPiece && choice.also.length === 0) return pick(trace, true);
		if (JSON.stringify(ref) !== JSON.stringify(sized)) choice.toggle(ref);
	}

	/** Chooses all pieces that lie in a frame that was drawn. */
	function pickAll(traces: readonly Trace[]): void {
		const refs = traces.flatMap((trace) => refOf(trace) ?? []).filter((ref) => isPieceRef(ref));
		const [first] = traces;
		const place = page && first && placeOf(page.section, first);
		if (place) choice.pick(place);
		choice.pickPieces(refs);
	}

	/**
	 * A first click chooses the region, the next one the piece in it that is under the pointer, the next one the element
	 * of the piece.
	 */
	function pick(trace: Trace, itself = false, element?: number): void {
		const place = page && placeOf(page.section, trace);
		if (!page || !place) return;
		const same = place.layer === choice.place.layer && place.column === choice.place.column;
		const holder = cellFacts(page.section, place)?.holder;
		if ((same || itself) && trace.piece !== undefined && holder) {
			const piece = { holder, piece: trace.piece };
			const { subject } = choice;
			const again =
				subject.kind === 'piece' && JSON.stringify(subject.piece) === JSON.stringify(piece);
			if (again && element !== undefined) {
				void chosenNode.point(element);
				return;
			}
			choice.place = place;
			choice.pickPiece(piece);
		} else {
			choice.pick(place);
		}
	}
</script>

{#if site}
	<div
		class="plan"
		bind:this={plan}
		style:grid-template-columns="{panes.sizeOf('roofline')}px minmax(0, 1fr) {panes.sizeOf(
			'side'
		)}px"
	>
		<div class="pane roof">
			{#if panes.isFolded('roofline')}
				<Folded pane="roofline" label="Roofline" upright />
			{:else}
				<Drawing name="The roofline">
					<Roofline {roofline} chosen={page?.page} openUnder={() => (underOpen = true)} />
				</Drawing>
			{/if}
			<Separator pane="roofline" label="the roofline" side="right" />
		</div>
		<section class="work" aria-label="Page">
			{#if site.problems.some((problem) => problem.severity === 'error')}
				<div class="errors"><ProblemList problems={site.problems} current={site.current} /></div>
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
						onPickAlso={pickAlso}
						onPickAll={pickAll}
					/></Drawing
				>
				<div class="pane section" style:height="{panes.sizeOf('section')}px">
					{#if panes.isFolded('section')}
						<Folded pane="section" label="Cross-section" upright={false} />
					{:else}
						<Drawing name="The cross-section">
							<CrossSection section={page.section} {between} />
						</Drawing>
					{/if}
					<Separator pane="section" label="the cross-section" side="top" />
				</div>
			{:else}
				<p class="empty">This site has no page yet. Add a route under the roofline.</p>
			{/if}
		</section>
		<div class="pane side">
			{#if panes.isFolded('side')}
				<Folded pane="side" label="Inspector" upright />
			{:else}
				<div class="upper">
					<Drawing name="The inspector"><Inspector {facts} /></Drawing>
				</div>
				<div class="pane text" style:height="{panes.sizeOf('text')}px">
					{#if panes.isFolded('text')}
						<Folded pane="text" label="Text" upright={false} />
					{:else}
						<Drawing name="The text"><TextPane {facts} /></Drawing>
						<Separator pane="text" label="the text" side="top" />
					{/if}
				</div>
			{/if}
			<Separator pane="side" label="the inspector" side="left" />
		</div>
	</div>
{/if}
<LaterDialog
	of="picture"
	isAsked={putPicture.asked !== undefined}
	giveUp={() => (putPicture.asked = undefined)}
/>

<style>
	.plan {
		display: grid;
		height: 100%;
	}
	.pane {
		position: relative;
		min-width: 0;
		min-height: 0;
	}
	.roof,
	.side {
		display: flex;
		flex-direction: column;
		background: var(--paper);
	}
	.roof {
		border-right: 1px solid var(--hair);
	}
	.side {
		border-left: 1px solid var(--hair);
		background: var(--sheet);
	}
	.upper {
		flex: 1;
		min-height: 0;
	}
	.text,
	.section {
		flex: none;
		border-top: 1px solid var(--hair);
		background: var(--sheet);
	}
	.work {
		position: relative;
		display: flex;
		flex-direction: column;
		min-width: 0;
		min-height: 0;
	}
	/* Over the line of the page, so that nothing moves when an error comes or goes. */
	.errors {
		position: absolute;
		inset: 0 0 auto;
		z-index: 6;
		max-height: 50%;
		overflow-y: auto;
		box-shadow: 0 4px 10px rgb(0 0 0 / 0.12);
	}
	.empty {
		padding: 24px;
	}
</style>
