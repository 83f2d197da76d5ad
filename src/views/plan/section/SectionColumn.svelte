<script lang="ts">
	import { isPieceRef } from '$core/model/command.ts';
	import { isAlso } from '$views/shell/controls/also.ts';
	import type {
		CrossSection,
		SectionColumn,
		SectionEntry
	} from '$core/view-models/cross-section.ts';
	import { counted } from '$core/messages/wording.ts';
	import { found } from '$store/findings.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import TileMark from '$views/shell/marks/TileMark.svelte';
	import { hot } from '$store/ways/hot.svelte.ts';
	import { cellFacts, choice, traceOf, type CellPlace } from '../choice.svelte.ts';
	import { sectionDrag } from './section-drag.svelte.ts';
	import { blockHeight, blockTop, landHeight, rowHeight } from './sizes.ts';

	interface Props {
		section: CrossSection;
		column: SectionColumn;
		index: number;
		name: string;
		fate: string | undefined;
		left: number;
		width: number;
		/** The block that is chosen. */
		place: CellPlace;
		onChoose: (place: CellPlace, event: MouseEvent) => void;
	}
	const { section, column, index, name, fate, left, width, place, onChoose }: Props = $props();

	const rows = $derived(section.layers.length);
	const landTop = $derived(rows * rowHeight + 6);

	function hueOf(layer: number | undefined): number | undefined {
		if (layer === undefined) return undefined;
		return section.layers[layer]?.mark?.hue ?? 0;
	}

	function hatchOf(layer: number): number | undefined {
		return section.layers[layer]?.mark?.hatch;
	}

	function isLit(layer: number): boolean {
		const { trace } = hot;
		if (!trace || section.layers[layer]?.name !== trace.layer) return false;
		if (trace.piece !== undefined) {
			const entries = column.cells[layer]?.entries ?? [];
			return entries.some((entry) => entry.pieces.includes(trace.piece ?? ''));
		}
		return column.regions.some((one) => one.layout === trace.layer && one.name === trace.region);
	}

	function pointAt(layer: number | undefined): void {
		const found = layer === undefined ? undefined : cellFacts(section, { layer, column: index });
		hot.point(found && traceOf(found));
	}

	function isEmpty(layer: number, piece: string): boolean {
		const owner = section.layers[layer]?.name;
		return store.page?.empty.some((one) => one.piece === piece && one.owner === owner) ?? false;
	}

	/** A block in words, as it is read aloud: with what comes out empty, and for whom each piece is. */
	function wordsOf(entry: SectionEntry, layer: number): string {
		if (entry.pieces.length === 0) return entry.label;
		const names = entry.pieces.map((piece, at) => {
			const roles = entry.roles[at] ?? [];
			return [piece, ...(isEmpty(layer, piece) ? ['∅'] : []), ...roles].join(' ');
		});
		const plain = entry.action === 'gave' || entry.action === 'content';
		return (plain ? '' : `${entry.action}: `) + names.join(', ');
	}

	/** What is found on the page in this column. */
	const here = $derived.by(() => {
		const page = store.page?.page ?? '';
		return found.on(page).filter(({ on }) => {
			const box = on.find((one) => one.page === page)?.box;
			return column.regions.some((one) => one.layout === box?.layout && one.name === box?.region);
		});
	});
	const worst = $derived(here[0]?.severity);

	/** Behind the name of a piece that comes out empty. */
	const emptySign = ' ∅';

	const chosenPiece = $derived(
		choice.subject.kind === 'piece' ? choice.subject.piece.piece : undefined
	);

	function isAlsoChosen(layer: number, piece: string): boolean {
		const name = section.layers[layer]?.name;
		return choice.also.some(
			(ref) => isPieceRef(ref) && ref.piece === piece && ref.holder.layer.name === name
		);
	}

	/** A piece is chosen by its word once its block is, and dragged by it. */
	function grabPiece(event: PointerEvent, layer: number, piece: string): void {
		const holder = cellFacts(section, { layer, column: index })?.holder;
		if (holder) sectionDrag.piece(event, section, { holder, piece });
	}

	function choosePiece(event: MouseEvent, layer: number, piece: string): void {
		const holder = cellFacts(section, { layer, column: index })?.holder;
		const here = place.layer === layer && place.column === index;
		if (!here || !holder) return;
		event.stopPropagation();
		const isFirst = chosenPiece === undefined || chosenPiece === piece;
		if (isAlso(event) && !isFirst) choice.toggle({ holder, piece });
		else choice.pickPiece({ holder, piece });
	}
</script>

<div
	class="stack"
	role="row"
	aria-label="{name}{fate ? `, ${fate}` : ''}{worst ? `, ${counted(here.length, 'finding')}` : ''}"
	style:left="{left}px"
	style:width="{width}px"
>
	{#each column.threads as thread (`${thread.from} ${thread.to}`)}
		<i
			class="thread"
			class:open={thread.owner === undefined}
			data-hue={hueOf(thread.owner)}
			style:top="{thread.from * rowHeight + blockTop + blockHeight}px"
			style:height="{thread.to === rows
				? landTop - (thread.from * rowHeight + blockTop + blockHeight)
				: (thread.to - thread.from) * rowHeight - blockHeight}px"
		></i>
	{/each}
	{#each column.caps as cap (cap.layer)}
		<i
			class="stub"
			data-hue={hueOf(cap.owner)}
			style:top="{cap.owner * rowHeight + blockTop + blockHeight}px"
			style:height="{Math.max(2, (cap.layer - cap.owner) * rowHeight - blockHeight - 9)}px"
		></i>
		<i class="cap-line" data-hue={hueOf(cap.owner)} style:top="{cap.layer * rowHeight - 3}px"></i>
	{/each}
	{#each section.layers as layer, at (at)}
		{@const entries = column.cells[at]?.entries ?? []}
		{@const label = entries.map((entry) => wordsOf(entry, at)).join('; ')}
		{@const here = place.layer === at && place.column === index}
		{@const locked = column.regions.some((one) => one.locked && one.layout === layer.name)}
		{@const pieces = entries.flatMap((entry) => entry.pieces)}
		{@const own = column.cells[at]?.adjusts ?? []}
		{@const says = own.length > 0 ? `, says its own ${own.join(', ')}` : ''}
		<button
			class="block"
			class:layer-fill={entries.length > 0}
			class:passes={entries.length === 0}
			class:here
			class:also={column.regions.some(
				(one) => one.layout === layer.name && choice.alsoIn(layer.name).includes(one.name)
			)}
			class:lit={isLit(at)}
			class:target={sectionDrag.target?.column === index && sectionDrag.target.layer === at}
			role="gridcell"
			tabindex={here ? 0 : -1}
			data-cell="{at} {index}"
			data-hue={hueOf(at)}
			data-hatch={hatchOf(at)}
			aria-selected={here}
			aria-label="{layer.name}, {name}: {label || 'lets it pass'}{says}{locked ? ', locked' : ''}"
			title="{layer.name}: {label || 'lets it pass'}{says}"
			style:top="{at * rowHeight + blockTop}px"
			onclick={(event) => onChoose({ layer: at, column: index }, event)}
			ondblclick={() => choice.editPieces()}
			onpointerenter={() => pointAt(at)}
			onpointerleave={() => pointAt(undefined)}
		>
			{#if own.length > 0}
				<i class="overhang" class:alone={entries.length === 0}
					>{entries.length === 0 ? own.join(', ') : ''}</i
				>
			{/if}
			{#if entries.length > 0}
				<span class="label" class:locked
					>{#if pieces.length > 0}{#each entries as entry, number (number)}{number > 0
								? '; '
								: ''}{entry.action === 'gave' || entry.action === 'content'
								? ''
								: `${entry.action}: `}{#each entry.pieces as piece, place (piece)}{place > 0
									? ', '
									: ''}<b
									class:chosen={(here && piece === chosenPiece) || isAlsoChosen(at, piece)}
									role="presentation"
									data-piece={piece}
									onpointerdown={(event) => grabPiece(event, at, piece)}
									onclick={(event) => choosePiece(event, at, piece)}>{piece}</b
								>{#if isEmpty(at, piece)}<i
										class="told"
										title="{piece} comes out empty on this page">{emptySign}</i
									>{/if}{#if (entry.roles[place] ?? []).length > 0}<i
										class="told"
										class:mine={entry.roles[place]?.includes(store.seenBy ?? '')}
										title="Only for {entry.roles[place]?.join(', ')}"
										>{` ${entry.roles[place]?.join(' ')}`}</i
									>{/if}{:else}{entry.label}{/each}{/each}{:else}{label}{/if}</span
				>
			{/if}
		</button>
	{/each}
	<div class="lands" style:top="{landTop}px" style:height="{landHeight}px" role="presentation">
		{#each column.lands as land, at (at)}
			<i
				class="layer-fill"
				data-hue={hueOf(land.layer)}
				data-hatch={hatchOf(land.layer)}
				title="{land.pieces.join(', ')} from {section.layers[land.layer]?.name}"
			></i>
		{:else}
			<span class="small none">nothing</span>
		{/each}
		{#if worst}
			<span class="found" title={here.map(({ sentence }) => sentence).join('\n')}>
				<TileMark severity={worst} />
			</span>
		{/if}
	</div>
</div>

<style>
	.stack {
		position: absolute;
		top: 0;
	}
	.found {
		position: absolute;
		right: -1px;
		top: -5px;
		background: var(--paper);
	}
	.thread,
	.stub {
		position: absolute;
		left: calc(50% - 1.5px);
		width: 3px;
		background: var(--hue, var(--rule));
	}
	.thread.open {
		background: var(--hair);
	}
	.cap-line {
		position: absolute;
		left: calc(50% - 11px);
		width: 22px;
		height: 2.5px;
		margin-top: -1px;
		background: var(--hue);
	}
	.block {
		position: absolute;
		left: 0;
		width: 100%;
		height: 21px;
		padding: 3px 3px;
	}
	/* An eave over the block: the layer says something else of the region than its layout does. */
	.overhang {
		position: absolute;
		inset: -3px -3px auto;
		border-top: 3px solid var(--hue, var(--rule));
		border-radius: 2px 2px 0 0;
		font: var(--text-small) var(--mono);
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.overhang.alone {
		padding: 3px 4px;
	}
	.passes {
		border-radius: 2px;
	}
	.passes:hover,
	.passes.here {
		background: color-mix(in srgb, var(--sheet) 40%, transparent);
		box-shadow: inset 0 0 0 1px var(--rule);
	}
	.here,
	.block.lit,
	.block.target {
		outline: 2px solid var(--cedar);
		outline-offset: 1px;
	}
	.also {
		outline: 2px dashed var(--cedar);
		outline-offset: 1px;
	}
	.label {
		display: block;
		height: 15px;
		line-height: 15px;
		padding: 0 3px;
		border-radius: 1px;
		background: color-mix(in srgb, var(--sheet) 92%, transparent);
		color: var(--ink);
		font-size: var(--text-small);
		text-align: center;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	b {
		font-weight: 400;
		cursor: grab;
	}
	b:hover {
		text-decoration: underline;
	}
	b.chosen {
		color: var(--cedar);
		font-weight: 600;
	}
	.told {
		white-space: pre;
		color: var(--warn);
		font-style: normal;
		font-size: var(--text-small);
	}
	.mine {
		color: var(--cedar);
		font-weight: 600;
	}
	/* A locked region is closed at both sides. */
	.label.locked {
		border-inline: 3px double var(--ink);
	}
	.lands {
		position: absolute;
		left: 0;
		right: 0;
		display: flex;
		gap: 1px;
	}
	.lands i {
		flex: 1;
	}
	.none {
		flex: 1;
		text-align: center;
		border: 1px dashed var(--rule);
		line-height: 20px;
		font-size: var(--text-small);
	}
</style>
