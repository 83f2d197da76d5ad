<script lang="ts">
	import Term from '$views/shell/marks/Term.svelte';
	import { boxFor } from '$core/view-models/chosen/scopes.ts';
	import { isAlso } from '$views/shell/controls/also.ts';
	import type { CrossSection, SectionColumn as Column } from '$core/view-models/cross-section.ts';
	import { fillActions, regionActions } from '$core/view-models/chosen/place-actions.ts';
	import { sizeActions } from '$core/view-models/chosen/size-actions.ts';
	import { hot } from '$store/ways/hot.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import FoldButton from '$views/shell/controls/FoldButton.svelte';
	import type { BetweenView } from '$workers/messages.ts';
	import { cellFacts, choice, traceOf, type CellPlace, type CellFacts } from '../choice.svelte.ts';
	import { chosenBox } from '../chosen-box.svelte.ts';
	import { menu } from '../../commands/menu.svelte.ts';
	import { measures } from '../stage/measures.svelte.ts';
	import { sectionDrag } from './section-drag.svelte.ts';
	import SectionColumn from './SectionColumn.svelte';
	import {
		headHeight,
		landHeight,
		leastColumn,
		mostColumn,
		nameWidth,
		rowHeight
	} from './sizes.ts';

	interface Props {
		section: CrossSection;
		/** What stays and goes, seen from the page the visitor comes from. */
		between: BetweenView | undefined;
	}
	const { section, between }: Props = $props();

	let drawing: HTMLElement;
	const rows = $derived(section.layers.length);
	/** How far it is scrolled, and how much is seen, px: only columns in sight are drawn. */
	let scrolled = $state(0);
	let seen = $state(1200);
	const columnWidth = $derived(
		Math.floor(
			Math.min(mostColumn, Math.max(leastColumn, (seen - nameWidth - 22) / section.columns.length))
		)
	);
	const width = $derived(nameWidth + section.columns.length * columnWidth + 8);
	const place = $derived<CellPlace>({
		layer: Math.min(choice.place.layer, rows - 1),
		column: Math.min(choice.place.column, section.columns.length - 1)
	});
	const facts = $derived(cellFacts(section, place));

	/** Columns beyond the edges that are drawn all the same. */
	const spare = 3;
	const columns = $derived.by(() => {
		const from = Math.floor((scrolled - nameWidth) / columnWidth) - spare;
		const to = (scrolled + seen) / columnWidth + spare;
		return section.columns
			.map((column, index) => ({ column, index }))
			.filter(({ index }) => (index >= from && index < to) || index === place.column);
	});

	function columnName(column: Column): string {
		return column.regions[0]?.name ?? 'page';
	}

	function fateOf(column: Column): string | undefined {
		const [region] = column.regions;
		return between?.regions.find(
			(one) => one.layout === region?.layout && one.region === region.name && one.fate !== 'gone'
		)?.fate;
	}

	$effect(() => {
		const cell = drawing.querySelector(`[data-cell="${place.layer} ${place.column}"]`);
		cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
	});

	/** With Shift, Ctrl or Cmd, a region is chosen beside the first. */
	function choose(at: CellPlace, event: MouseEvent): void {
		const found = isAlso(event) ? cellFacts(section, at) : undefined;
		if (found?.region && !isSamePlace(at)) alsoBlock(found);
		else choice.pick(at);
	}

	function isSamePlace(at: CellPlace): boolean {
		return at.layer === place.layer && at.column === place.column;
	}

	function alsoBlock({ layer, region, isOwn }: CellFacts): void {
		if (region) choice.toggle(boxFor(layer, region, isOwn));
	}

	/** How far an arrow key with Shift has come from the chosen block. */
	let reached = $state.raw<CellPlace | undefined>();

	$effect(() => {
		if (choice.also.length === 0) reached = undefined;
	});

	/** With Shift an arrow key chooses the next block beside what is chosen. */
	function extendTo(at: CellPlace): void {
		const from = reached ?? place;
		const next = {
			layer: from.layer + at.layer - place.layer,
			column: from.column + at.column - place.column
		};
		const found = cellFacts(section, next);
		if (!found?.region || isSamePlace(next)) return;
		alsoBlock(found);
		reached = next;
	}

	function focusOn(at: CellPlace): void {
		choice.pick(at);
		drawing.querySelector<HTMLElement>(`[data-cell="${at.layer} ${at.column}"]`)?.focus();
	}

	/** Goes to a piece of the block, the first where none is chosen; `also`: chooses the next beside those that are. */
	function nextPiece(by: -1 | 1, also: boolean): void {
		const holder = facts?.holder;
		const pieces = facts?.entry?.pieces ?? [];
		const { subject } = choice;
		if (also && holder && subject.kind === 'piece') {
			const chosen = choice.togetherWith(subject.piece).map((name) => pieces.indexOf(name));
			const next = pieces[by === 1 ? Math.max(...chosen) + 1 : Math.min(...chosen) - 1];
			if (next !== undefined) choice.toggle({ holder, piece: next });
			return;
		}
		const at = subject.kind === 'piece' ? pieces.indexOf(subject.piece.piece) : by === 1 ? -1 : 0;
		const piece = pieces[(at + by + pieces.length) % pieces.length];
		if (holder && piece !== undefined) choice.pickPiece({ holder, piece });
	}

	/** Comma and full stop go from piece to piece; with Shift, of which each keyboard makes other signs, by the key itself. */
	function pieceKey({ key, code, shiftKey }: KeyboardEvent): -1 | 1 | undefined {
		if (key === '.' || (shiftKey && code === 'Period')) return 1;
		return key === ',' || (shiftKey && code === 'Comma') ? -1 : undefined;
	}

	function onKey(event: KeyboardEvent): void {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		const steps: Readonly<Record<string, CellPlace>> = {
			ArrowLeft: { layer: place.layer, column: Math.max(0, place.column - 1) },
			ArrowRight: {
				layer: place.layer,
				column: Math.min(section.columns.length - 1, place.column + 1)
			},
			ArrowUp: { layer: Math.max(0, place.layer - 1), column: place.column },
			ArrowDown: { layer: Math.min(rows - 1, place.layer + 1), column: place.column }
		};
		const step = steps[event.key];
		const by = pieceKey(event);
		if (step && event.shiftKey) extendTo(step);
		else if (step) focusOn(step);
		else if (event.key === 'ContextMenu' || (event.shiftKey && event.key === 'F10'))
			openMenu(event);
		else if (!facts) return;
		else if (by !== undefined) nextPiece(by, event.shiftKey);
		else if (event.key === 'Escape' && choice.subject.kind !== 'place') choice.pick(place);
		else if (event.key.toLowerCase() === 'm') measures.pick(traceOf(facts));
		else if (event.key === 'Enter' && facts.holder) choice.editPieces();
		else if (!makeAction(event.key.toUpperCase())) return;
		event.preventDefault();
	}

	/** Whether a key did something with the block. */
	function makeAction(key: string): boolean {
		if (!facts?.region) return false;
		const { layer, region, isOwn, entry } = facts;
		const { view } = chosenBox;
		const actions = isOwn
			? [...regionActions(region), ...(view ? sizeActions(view) : [])]
			: fillActions(layer, region, entry);
		const action = actions.find((one) => one.key === key);
		if (action) void commands.make(action.command);
		return action !== undefined;
	}

	function openMenu(event: Event): void {
		const cell = event.target instanceof HTMLElement ? event.target.closest('[data-cell]') : null;
		const rect = cell?.getBoundingClientRect();
		if (rect) menu.openAt(rect.left + 8, rect.bottom);
	}

	function onContextMenu(event: MouseEvent): void {
		const cell =
			event.target instanceof Element
				? event.target.closest<HTMLElement>('[data-cell]')?.dataset['cell']
				: undefined;
		const [layer, column] = cell?.split(' ').map(Number) ?? [];
		if (layer === undefined || column === undefined) return;
		event.preventDefault();
		choice.pick({ layer, column });
		menu.openAt(event.clientX, event.clientY);
	}
</script>

<section aria-label="Cross-section" data-tour="cross-section">
	<h2 class="cap title"><Term word="cross-section">Cross-section</Term></h2>
	<div
		class="scroll"
		bind:clientWidth={seen}
		onscroll={(event) => (scrolled = event.currentTarget.scrollLeft)}
	>
		<div
			class="drawing"
			style:width="{width}px"
			style:height="{headHeight + rows * rowHeight + 6 + landHeight + 8}px"
			role="grid"
			tabindex="-1"
			aria-label="What each layer brings to each region"
			bind:this={drawing}
			onkeydown={onKey}
			oncontextmenu={onContextMenu}
		>
			<!-- What stands here is also the name of each region's row of cells. -->
			<div class="head" aria-hidden="true" style:height="{headHeight}px">
				<span class="corner" style:width="{nameWidth}px"></span>
				{#each columns as { column, index } (index)}
					{@const fate = fateOf(column)}
					<span
						class="mono column"
						class:at={index === place.column}
						class:target={sectionDrag.target?.column === index &&
							sectionDrag.target.layer === undefined}
						data-column={index}
						role="presentation"
						title="{column.regions
							.map((one) => `${one.layout}.${one.name}, ${one.element}`)
							.join(' › ')}: drag it to another place in the order of reading"
						style:left="{nameWidth + index * columnWidth}px"
						style:width="{columnWidth - 8}px"
						onpointerdown={(event) => sectionDrag.region(event, section, index)}
						onclick={() => {
							const layer = section.layers.findIndex(
								(one) => one.name === column.regions[0]?.layout
							);
							choice.pick({ layer: Math.max(0, layer), column: index });
						}}
					>
						{columnName(column)}
						{#if fate}<em class={fate}>{fate}</em>{/if}
					</span>
				{/each}
			</div>
			<div class="body">
				<i
					class="shade"
					style:left="{nameWidth + place.column * columnWidth - 4}px"
					style:width="{columnWidth}px"
					style:height="{rows * rowHeight + landHeight + 14}px"
				></i>
				{#each section.layers as layer, index (index)}
					<i class="line" data-hue={layer.mark?.hue ?? 0} style:top="{index * rowHeight}px"></i>
				{/each}
				<div class="names" role="row" aria-label="Layers">
					{#each section.layers as layer, index (index)}
						<span
							role="rowheader"
							class="mono name"
							class:lit={hot.trace?.layer === layer.name}
							data-hue={layer.mark?.hue ?? 0}
							tabindex="-1"
							title={between?.stays.includes(layer.name)
								? `${layer.name} stays`
								: `What ${layer.name} says of itself`}
							style:top="{index * rowHeight}px"
							style:width="{nameWidth - 4}px"
							style:height="{rowHeight}px"
							onclick={() => choice.pickLayer({ kind: layer.layerKind, name: layer.name })}
							onkeydown={(event) => {
								if (event.key === 'Enter')
									choice.pickLayer({ kind: layer.layerKind, name: layer.name });
							}}
						>
							<svg width={nameWidth} height="8" aria-hidden="true">
								<path d="M4 8 L11 1.2 L{nameWidth} 1.2" />
							</svg>
							{layer.kind === 'page' ? 'this page' : layer.name}
						</span>
					{/each}
					<span
						role="rowheader"
						class="name lands-name"
						style:top="{rows * rowHeight}px"
						style:width="{nameWidth - 4}px"
						style:height="{landHeight + 14}px"><Term word="lands as">Lands as</Term></span
					>
				</div>
				{#each columns as { column, index } (index)}
					<SectionColumn
						{section}
						{column}
						{index}
						name={columnName(column)}
						fate={fateOf(column)}
						left={nameWidth + index * columnWidth}
						width={columnWidth - 8}
						{place}
						onChoose={choose}
					/>
				{/each}
			</div>
		</div>
	</div>
	<span class="fold-place"><FoldButton pane="section" label="the cross-section" /></span>
</section>

{#if sectionDrag.words}
	<p
		class="hint small"
		role="status"
		style:left="{sectionDrag.at.x + 14}px"
		style:top="{sectionDrag.at.y + 10}px"
	>
		{sectionDrag.words}
	</p>
{/if}

<style>
	section {
		position: relative;
		height: 100%;
		background: var(--sheet);
	}
	.scroll {
		overflow: auto;
		height: 100%;
	}
	.title {
		position: absolute;
		left: 8px;
		top: 3px;
		z-index: 5;
	}
	.fold-place {
		position: absolute;
		right: 4px;
		top: 2px;
		z-index: 5;
		background: var(--sheet);
	}
	.drawing {
		position: relative;
		user-select: none;
	}
	.head {
		position: sticky;
		top: 0;
		background: var(--sheet);
		z-index: 3;
	}
	.corner {
		position: sticky;
		left: 0;
		display: inline-block;
		padding: 3px 0 3px 8px;
		height: 24px;
		background: var(--sheet);
		z-index: 4;
	}
	.column {
		position: absolute;
		top: 3px;
		text-align: center;
		font-size: var(--text-small);
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		cursor: grab;
	}
	.column.at {
		color: var(--cedar);
		font-weight: 500;
	}
	.column.target {
		outline: 1px solid var(--cedar);
	}
	em {
		font: italic var(--text-small) var(--sans);
		color: var(--warn);
		padding-left: 3px;
	}
	em.kept {
		color: var(--fine);
	}
	.body {
		position: relative;
	}
	.shade {
		position: absolute;
		top: -4px;
		background: var(--cedar-wash);
	}
	.line {
		position: absolute;
		left: 60px;
		right: 8px;
		height: 2px;
		margin-top: 0.3px;
		background: var(--hue);
	}
	/* Names stay in view while the drawing scrolls under them. */
	.names {
		position: sticky;
		left: 0;
		width: 0;
		height: 0;
		z-index: 2;
	}
	.name {
		position: absolute;
		left: 0;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		padding: 6px 2px 0 14px;
		display: block;
		cursor: pointer;
		text-align: left;
		line-height: 18px;
		background: var(--sheet);
		color: var(--hue);
		font-weight: 500;
		font-size: var(--text-small);
	}
	.name svg {
		position: absolute;
		left: 0;
		top: 0;
	}
	.name path {
		fill: none;
		stroke: var(--hue);
		stroke-width: 2;
		stroke-linejoin: round;
	}
	.name.lit,
	[role='rowheader']:not(.lands-name):hover {
		text-decoration: underline;
	}
	.lands-name {
		padding-top: 8px;
		color: var(--ink);
		font-weight: 600;
	}
	.hint {
		position: fixed;
		z-index: 30;
		max-width: 300px;
		padding: 3px 8px;
		background: var(--ink);
		color: var(--sheet);
		border-radius: var(--radius);
		pointer-events: none;
	}
</style>
