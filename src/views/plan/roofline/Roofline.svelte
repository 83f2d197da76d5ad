<script lang="ts">
	import { counted } from '$core/messages/problem.ts';
	import {
		rooflineRuns,
		searchRows,
		unfolded,
		type Roofline,
		type RooflineRow,
		type RooflineRun
	} from '$core/drawing/roofline.ts';
	import { hot } from '$store/hot.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { wishes } from '$store/wishes.svelte.ts';
	import { askMoveRoute, askNewLayout, askNewRoute } from '../asking.ts';
	import FoldButton from '$views/shell/FoldButton.svelte';
	import { choice } from '../choice.svelte.ts';
	import { menu } from '../deeds/menu.svelte.ts';
	import LayoutLegend from './LayoutLegend.svelte';
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
		else if (row.page === chosen) choice.pickLayer({ kind: row.kind, name: row.page });
		else choose(row);
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
		if (next !== undefined) {
			const index = Math.min(rows.length - 1, Math.max(0, next));
			choose(rows[index]);
			const top = topOf(index);
			if (top < list.scrollTop) list.scrollTop = top;
			if (top + rowHeight > list.scrollTop + height) list.scrollTop = top + rowHeight - height;
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
			void wishes.make({ kind: 'remove-route', pattern: row.page });
		} else {
			return;
		}
		event.preventDefault();
	}

	function startRow(event: PointerEvent, row: RooflineRow): void {
		drag.start(event, { kind: 'page', ref: { kind: row.kind, name: row.page } }, () => rows);
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
		<h2 class="cap">Roofline</h2>
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
		class:dragging={drag.subject?.kind === 'page'}
		role="listbox"
		tabindex="0"
		aria-label="Routes and the layouts that cover them"
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
				<div
					class="row"
					class:chosen={row.page === chosen}
					class:touched={wishes.touched.has(row.page)}
					id="row {row.page}"
					role="option"
					tabindex="-1"
					aria-selected={row.page === chosen}
					style:top="{topOf(from + offset)}px"
					style:padding-left="{left + row.depth * indent}px"
					data-row={from + offset}
					data-drop="none"
				>
					<span class="unseen">
						{row.page}, {row.title}, {row.bare ? 'bare' : `under ${row.chain.join(', ')}`}
					</span>
					<span
						class="grip"
						style:width="{left - 6}px"
						title="Drag {row.page} off the bar, or onto another layout"
						data-drop=""
						onpointerdown={(event) => startRow(event, row)}
						role="presentation"
					></span>
					{#if row.below > 0 && !search.trim()}
						<span
							class="fold"
							aria-hidden="true"
							title={folded.has(row.page) ? 'Unfold (arrow right)' : 'Fold (arrow left)'}
							>{folded.has(row.page) ? '▸' : '▾'}</span
						>
					{/if}
					<span class="mono path" aria-hidden="true" title="{row.page}: {row.title}"
						>{search.trim() ? row.page : row.label}</span
					>
					<span class="end" aria-hidden="true">
						{#if folded.has(row.page)}<span class="small">{row.below} below</span>{/if}
						{#if row.states.length > 0}
							<span class="mono states" title="Drawn in place of a page here and below">
								{row.states.join(' ')}
							</span>
						{/if}
						{#if row.admits.length > 0}
							<span class="mono bare" title="Lets in only {row.admits.join(', ')}"
								>{row.admits.join(' ')}</span
							>
						{/if}
						{#if row.bare}<span class="mono bare">bare</span>{/if}
						{#if wishes.touched.has(row.page)}<span class="mono would">changes</span>{/if}
						<span class="title">{row.pages > 1 ? `${row.pages} pages` : row.title}</span>
					</span>
				</div>
			{/each}
			{#each seenRuns as run (`${run.kind} ${run.layout} ${run.from} ${run.lane}`)}
				{@const mark = marks.get(run.layout)}
				{@const isBar = run.kind === 'bar'}
				<div
					class={isBar ? 'bar layer-fill' : 'thread'}
					class:lit={hot.trace?.kind === 'layout' && hot.trace.layer === run.layout}
					data-hue={mark?.hue}
					data-hatch={mark?.hatch}
					data-drop={drag.subject ? run.layout : undefined}
					title={isBar ? run.layout : `${run.layout} goes on below`}
					style:left="{margin + run.lane * laneWidth}px"
					style:top="{topOf(run.from) + (isBar ? 3 : 0)}px"
					style:height="{(run.to - run.from + 1) * rowHeight - (isBar ? 6 : 0)}px"
				>
					{#if isBar && !drag.subject}
						<span
							class="tip top"
							role="presentation"
							title="Drag to let {run.layout} start at another route"
							onpointerdown={(event) => startEnd(event, run, 'start')}
						></span>
						<span
							class="tip bottom"
							role="presentation"
							title="Drag over the branch that {run.layout} should cover"
							onpointerdown={(event) => startEnd(event, run, 'end')}
						></span>
					{/if}
				</div>
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
		<button
			class="act"
			onclick={() => askNewRoute(chosenRow?.kind === 'route' ? chosenRow.page : '/')}
			>Add route</button
		>
		<button
			class="act"
			onclick={() => askNewLayout(chosenRow?.kind === 'route' ? chosenRow.page : '/')}
			>Add layout</button
		>
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
	.row {
		position: absolute;
		inset-inline: 0;
		height: 29px;
		display: flex;
		align-items: center;
		gap: 4px;
		padding-right: 6px;
		border-bottom: 1px solid color-mix(in srgb, var(--hair) 70%, transparent);
		cursor: pointer;
		white-space: nowrap;
	}
	.row:hover {
		background: color-mix(in srgb, var(--cedar-wash) 45%, transparent);
	}
	.chosen,
	.chosen:hover {
		background: var(--cedar-wash);
		box-shadow: inset 3px 0 0 var(--cedar);
	}
	.touched {
		box-shadow: inset -4px 0 0 var(--cedar);
	}
	.chosen .path {
		font-weight: 500;
	}
	.grip {
		position: absolute;
		left: 0;
		top: 0;
		bottom: 0;
		cursor: grab;
		z-index: 2;
	}
	.dragging,
	.dragging .grip {
		cursor: grabbing;
	}
	.fold {
		width: 14px;
		margin-left: -14px;
		color: var(--ink-2);
		text-align: center;
	}
	.path {
		flex: 0 0 auto;
		max-width: 60%;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.end {
		display: flex;
		flex: 1;
		justify-content: flex-end;
		gap: 8px;
		align-items: baseline;
		min-width: 0;
		color: var(--ink-2);
	}
	.title {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.bare {
		color: var(--warn);
		font-size: 10.5px;
	}
	.states {
		font-size: 10.5px;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.would {
		color: var(--cedar);
		font-size: 10.5px;
	}
	.bar,
	.thread {
		position: absolute;
		width: 13px;
		z-index: 3;
		pointer-events: none;
		transition:
			top var(--move),
			height var(--move);
	}
	.dragging .bar {
		pointer-events: auto;
	}
	.lit {
		outline: 2px solid var(--cedar);
		outline-offset: 1px;
	}
	/* The eave: a layout's bar starts under a short slope and a line. */
	.bar::before {
		content: '';
		position: absolute;
		inset: -3px -6px auto -6px;
		height: 7px;
		background: var(--hue);
		clip-path: polygon(0 100%, 30% 0, 100% 0, 100% 34%, 36% 34%, 10% 100%);
	}
	.thread {
		background: repeating-linear-gradient(var(--hue) 0 2px, transparent 2px 5px) center / 1.5px 100%
			no-repeat;
	}
	.tip {
		position: absolute;
		left: -3px;
		right: -3px;
		height: 8px;
		cursor: ns-resize;
		pointer-events: auto;
		z-index: 4;
	}
	.top {
		top: -4px;
	}
	.bottom {
		bottom: -4px;
	}
	.tip:hover {
		background: var(--cedar);
		border-radius: 2px;
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

	/* Where there is little room the routes come first; titles are read by pointing at a row. */
	@container roof (max-width: 260px) {
		.title,
		.states,
		.counts {
			display: none;
		}
		.path {
			max-width: none;
			flex-shrink: 1;
			min-width: 0;
		}
		.end {
			flex: 0 0 auto;
		}
		.rows {
			scrollbar-width: thin;
		}
	}
	@container roof (max-width: 180px) {
		.path,
		.bare {
			font-size: 10.5px;
		}
	}
</style>
