<script lang="ts">
	import Term from '$views/shell/marks/Term.svelte';
	import { counted } from '$core/messages/wording.ts';
	import { tick, untrack } from 'svelte';
	import {
		opened,
		rooflineRuns,
		searchRows,
		unfolded,
		type Roofline,
		type RooflineRow,
		type RooflineRun
	} from '$core/view-models/roofline.ts';
	import type { LayerRef } from '$core/model/command.ts';
	import { isAlso } from '$views/shell/controls/also.ts';
	import { hot } from '$store/ways/hot.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { askMoveRoute, askNewLayout, askNewRoute, askNewState } from '../../commands/asking.ts';
	import FoldButton from '$views/shell/controls/FoldButton.svelte';
	import { choice } from '../choice.svelte.ts';
	import { menu } from '../../commands/menu.svelte.ts';
	import LayoutLegend from './LayoutLegend.svelte';
	import RoofRow from './RoofRow.svelte';
	import RoofRun from './RoofRun.svelte';
	import { RooflineDrag } from './roofline-drag.svelte.ts';

	interface Props {
		roofline: Roofline;
		chosen: string | undefined;
		/** Opens the list of what the chosen page could sit under. */
		openUnder: () => void;
	}
	const { roofline, chosen, openUnder }: Props = $props();

	const rowHeight = 29;
	const groupGap = 30;
	/** Rows drawn beyond what is seen, so that scrolling never shows a hole. */
	const spare = 12;

	let list: HTMLElement;
	let search = $state('');
	let folded = $state.raw<ReadonlySet<string>>(new Set());
	let scrollTop = $state(0);
	let height = $state(600);
	const drag = new RooflineDrag();

	const rows = $derived(
		search.trim() ? searchRows(roofline.rows, search) : unfolded(roofline.rows, folded)
	);
	const marks = $derived(new Map(roofline.layouts.map((layout) => [layout.name, layout.mark])));
	const lanes = $derived(Math.max(1, ...roofline.rows.map((row) => row.chain.length)));
	const runs = $derived(rooflineRuns(rows, roofline.layouts));
	const firstState = $derived(rows.findIndex((row) => row.kind === 'state'));
	/** Where there is little room, lanes and depths draw closer together. */
	let breadth = $state(300);
	const isNarrow = $derived(breadth < 260);
	const laneWidth = $derived(breadth < 180 ? 14 : isNarrow ? 16 : 20);
	const margin = $derived(isNarrow ? 4 : 14);
	const left = $derived(margin + lanes * laneWidth + (isNarrow ? 11 : 8));
	const indent = $derived(isNarrow ? 7 : 14);
	const from = $derived(Math.max(0, Math.floor(scrollTop / rowHeight) - spare));
	const to = $derived(Math.min(rows.length, Math.ceil((scrollTop + height) / rowHeight) + spare));
	const seenRuns = $derived(runs.filter((run) => run.to >= from && run.from < to));
	const chosenRow = $derived(rows.find((row) => row.page === chosen));

	// A page that is gone to from elsewhere is seen here, whatever was folded before.
	$effect(() => {
		if (chosen === undefined) return;
		const page = chosen;
		untrack(() => {
			folded = opened(roofline.rows, folded, page);
			// The list grows with the folds that open, so it is scrolled after that.
			void tick().then(() => reveal(rows.findIndex((row) => row.page === page)));
		});
	});

	function reveal(index: number): void {
		if (index === -1) return;
		const top = topOf(index);
		if (top < list.scrollTop) list.scrollTop = top;
		if (top + rowHeight > list.scrollTop + height) list.scrollTop = top + rowHeight - height;
	}

	function topOf(index: number): number {
		return index * rowHeight + (firstState !== -1 && index >= firstState ? groupGap : 0);
	}

	function choose(row: RooflineRow | undefined): void {
		if (row) void store.goTo({ page: row.page, address: undefined });
	}

	function fold(row: RooflineRow, shut: boolean): void {
		const next = new Set(folded);
		if (shut) next.add(row.page);
		else next.delete(row.page);
		folded = next;
	}

	function onClick(event: MouseEvent): void {
		if (!(event.target instanceof Element)) return;
		const row = rows[Number(event.target.closest<HTMLElement>('[data-row]')?.dataset['row'])];
		if (!row) return;
		if (event.target.closest('.fold')) fold(row, !folded.has(row.page));
		else if (event.shiftKey) extendTo(rows.indexOf(row));
		else if (isAlso(event)) toggle(row);
		else if (row.page === chosen) choice.pickLayer({ kind: row.kind, name: row.page });
		else choose(row);
	}

	/** How far Shift has come from the chosen row; undefined while only that is chosen. */
	let reached = $state<number | undefined>();
	const together = $derived(new Set(choice.pages.map(({ name }) => name)));

	$effect(() => {
		if (choice.pages.length === 0) reached = undefined;
	});

	/** Chooses all rows from the chosen one up to another. */
	function extendTo(index: number): void {
		const at = rows.findIndex((row) => row.page === chosen);
		const last = Math.min(rows.length - 1, Math.max(0, index));
		if (at === -1) return choose(rows[last]);
		reached = last;
		choice.pickPages(rows.slice(Math.min(at, last), Math.max(at, last) + 1).map(refOf));
		reveal(last);
	}

	/** Lets a page be chosen beside the others, or no longer. */
	function toggle(row: RooflineRow): void {
		const { pages } = choice;
		const chosenOnes =
			pages.length > 0 ? pages : rows.filter(({ page }) => page === chosen).map(refOf);
		const others = chosenOnes.filter(({ name }) => name !== row.page);
		choice.pickPages(others.length < chosenOnes.length ? others : [...others, refOf(row)]);
	}

	function refOf({ kind, page }: RooflineRow): LayerRef {
		return { kind, name: page };
	}

	function onContextMenu(event: MouseEvent): void {
		if (!(event.target instanceof Element)) return;
		const row = rows[Number(event.target.closest<HTMLElement>('[data-row]')?.dataset['row'])];
		if (!row) return;
		event.preventDefault();
		choose(row);
		choice.pickLayer({ kind: row.kind, name: row.page });
		menu.openAt(event.clientX, event.clientY);
	}

	function onKey(event: KeyboardEvent): void {
		const at = rows.findIndex((row) => row.page === chosen);
		const row = rows[at];
		const moves: Record<string, number> = {
			ArrowDown: at + 1,
			ArrowUp: at - 1,
			Home: 0,
			End: rows.length - 1,
			PageDown: at + 12,
			PageUp: at - 12
		};
		const next = moves[event.key];
		if (next !== undefined && event.shiftKey) {
			extendTo((reached ?? at) + next - at);
		} else if (next !== undefined) {
			choose(rows[Math.min(rows.length - 1, Math.max(0, next))]);
		} else if (event.key === 'ArrowLeft' && row && row.below > 0) {
			fold(row, true);
		} else if (event.key === 'ArrowRight' && row) {
			fold(row, false);
		} else if (event.key === 'Enter' && row) {
			choice.pickLayer({ kind: row.kind, name: row.page });
		} else if (event.key === 'u' || event.key === 'U') {
			openUnder();
		} else if (event.key === 'F2' && row?.kind === 'route') {
			askMoveRoute(row.page);
		} else if (event.key === 'Delete' && row?.kind === 'route') {
			void commands.make({ kind: 'remove-route', pattern: row.page });
		} else {
			return;
		}
		event.preventDefault();
	}

	function startRow(event: PointerEvent, row: RooflineRow): void {
		const refs = together.has(row.page) ? choice.pages : [refOf(row)];
		drag.start(event, { kind: 'page', refs }, () => rows);
	}

	function startEnd(event: PointerEvent, run: RooflineRun, kind: 'start' | 'end'): void {
		event.stopPropagation();
		const layout = roofline.layouts.find((one) => one.name === run.layout);
		drag.start(event, { kind, layout: run.layout, firstRow: layout?.at ?? '/' }, () => rows);
	}

	function point(layout: string | undefined): void {
		hot.point(
			layout === undefined
				? undefined
				: { kind: 'layout', layer: layout, region: undefined, piece: undefined }
		);
	}
</script>

<aside aria-label="Roofline" bind:clientWidth={breadth}>
	<div class="head">
		<h2 class="cap"><Term word="roofline">Roofline</Term></h2>
		<span class="small counts"
			>{counted(roofline.routeCount, 'route')}, {counted(roofline.layouts.length, 'layout')}</span
		>
		<FoldButton pane="roofline" label="the roofline" />
	</div>
	<div class="find">
		<input
			class="field"
			type="search"
			placeholder="Find a route"
			aria-label="Find a route"
			bind:value={search}
			onkeydown={(event) => {
				if (event.key === 'Enter') choose(rows[0]);
				if (event.key === 'Escape') search = '';
			}}
		/>
		{#if search.trim()}<span class="small">{rows.length} found</span>{/if}
	</div>
	<div
		class="rows"
		data-tour="roofline"
		class:dragging={drag.subject?.kind === 'page'}
		role="listbox"
		tabindex="0"
		aria-label="Routes and the layouts that cover them"
		aria-multiselectable="true"
		aria-activedescendant={chosen === undefined ? undefined : `row ${chosen}`}
		bind:this={list}
		bind:clientHeight={height}
		onscroll={() => (scrollTop = list.scrollTop)}
		onkeydown={onKey}
		onclick={onClick}
		oncontextmenu={onContextMenu}
	>
		<div class="canvas" style:height="{topOf(rows.length - 1) + rowHeight + 8}px">
			{#if firstState !== -1}
				<p class="cap group" style:top="{topOf(firstState) - 22}px">In place of a page</p>
			{/if}
			{#each rows.slice(from, to) as row, offset (row.page)}
				<RoofRow
					{row}
					index={from + offset}
					chosen={row.page === chosen}
					together={together.has(row.page)}
					folded={folded.has(row.page)}
					whole={search.trim() !== ''}
					top={topOf(from + offset)}
					{left}
					{indent}
					onGrab={(event) => startRow(event, row)}
				/>
			{/each}
			{#each seenRuns as run (`${run.kind} ${run.layout} ${run.from} ${run.lane}`)}
				<RoofRun
					{run}
					mark={marks.get(run.layout)}
					dragging={drag.subject !== undefined}
					left={margin + run.lane * laneWidth}
					top={topOf(run.from)}
					height={(run.to - run.from + 1) * rowHeight}
					onGrab={(event, end) => startEnd(event, run, end)}
				/>
			{/each}
			{#if rows.length === 0}<p class="small nothing">
					No route has that in its path or title.
				</p>{/if}
		</div>
	</div>
	<LayoutLegend
		layouts={roofline.layouts}
		routeCount={roofline.routeCount}
		dragging={drag.subject?.kind === 'page'}
		{point}
	/>
	<div class="acts">
		<span class="small">Add</span>
		<button
			class="act"
			aria-label="Add route"
			onclick={() => askNewRoute(chosenRow?.kind === 'route' ? chosenRow.page : '/')}>route</button
		>
		<button
			class="act"
			aria-label="Add layout"
			onclick={() => askNewLayout(chosenRow?.kind === 'route' ? chosenRow.page : '/')}
			>layout</button
		>
		<button class="act" aria-label="Add state" onclick={() => askNewState('/')}>state</button>
	</div>
</aside>

{#if drag.subject && drag.hint}
	<p
		class="hint"
		class:refused={drag.hint.refused}
		role="status"
		style:left="{drag.place.x + 16}px"
		style:top="{drag.place.y + 10}px"
	>
		{drag.hint.words}
	</p>
{/if}

<style>
	aside {
		container: roof / inline-size;
		display: flex;
		flex-direction: column;
		height: 100%;
		min-height: 0;
		user-select: none;
	}
	.head {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		padding: 9px 12px 4px 14px;
	}
	.find {
		display: flex;
		gap: 8px;
		align-items: baseline;
		padding: 0 12px 8px 14px;
	}
	.find input {
		flex: 1;
		min-width: 0;
	}
	.rows {
		flex: 1;
		overflow-y: auto;
		min-height: 0;
		border-block: 1px solid var(--hair);
	}
	.rows:focus-visible {
		outline-offset: -2px;
	}
	.canvas {
		position: relative;
		min-height: 40px;
	}
	.dragging,
	.dragging :global(.grip) {
		cursor: grabbing;
	}
	.dragging :global(.bar) {
		pointer-events: auto;
	}
	.group,
	.nothing {
		position: absolute;
		left: 14px;
	}
	.nothing {
		top: 12px;
	}
	.acts {
		display: flex;
		align-items: baseline;
		gap: 4px;
		padding: 4px 6px 6px;
		border-top: 1px solid var(--hair);
		white-space: nowrap;
	}
	.acts .act {
		font-size: 12px;
	}
	.hint {
		position: fixed;
		max-width: 300px;
		padding: 4px 9px;
		background: var(--sheet);
		border: 1px solid var(--cedar);
		border-radius: var(--radius);
		color: var(--cedar);
		pointer-events: none;
		z-index: 60;
	}
	.refused {
		border-color: var(--fault);
		color: var(--fault);
	}

	@container roof (max-width: 260px) {
		.counts {
			display: none;
		}
		.rows {
			scrollbar-width: thin;
		}
	}
</style>
