<script lang="ts">
	import { rooflineRuns, type Roofline, type RooflineRow } from '$core/drawing/roofline.ts';
	import { store } from '$store/site.svelte.ts';
	import LayerMark from './LayerMark.svelte';

	interface Props {
		roofline: Roofline;
		chosen: string | undefined;
	}
	const { roofline, chosen }: Props = $props();

	const rowHeight = 29;
	const laneWidth = 20;
	const groupGap = 30;

	let list: HTMLElement;

	const marks = $derived(new Map(roofline.layouts.map((layout) => [layout.name, layout.mark])));
	const lanes = $derived(Math.max(1, ...roofline.rows.map((row) => row.chain.length)));
	const runs = $derived(rooflineRuns(roofline.rows, roofline.layouts));
	const firstState = $derived(roofline.rows.findIndex((row) => row.kind === 'state'));
	const left = $derived(14 + lanes * laneWidth + 8);

	function topOf(index: number): number {
		return index * rowHeight + (firstState !== -1 && index >= firstState ? groupGap : 0);
	}

	function choose(row: RooflineRow | undefined): void {
		if (row) void store.goTo({ page: row.page, address: undefined });
	}

	function onClick(event: MouseEvent & { currentTarget: HTMLElement }): void {
		if (!(event.target instanceof Element)) return;
		const row = event.target.closest<HTMLElement>('[data-row]');
		if (row) choose(roofline.rows[Number(row.dataset['row'])]);
	}

	function onKey(event: KeyboardEvent): void {
		const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
		const end = { Home: 0, End: roofline.rows.length - 1 }[event.key];
		if (step === undefined && end === undefined) return;
		event.preventDefault();
		const at = roofline.rows.findIndex((row) => row.page === chosen);
		const next = end ?? Math.min(roofline.rows.length - 1, Math.max(0, at + (step ?? 0)));
		choose(roofline.rows[next]);
		const option = list.querySelectorAll<HTMLElement>('[role="option"]')[next];
		option?.scrollIntoView({ block: 'nearest' });
	}
</script>

<aside>
	<div class="head">
		<h2 class="cap">Roofline</h2>
		<span class="small">{roofline.routeCount} routes, {roofline.layouts.length} layouts</span>
	</div>
	<div
		class="rows"
		role="listbox"
		tabindex="0"
		aria-label="Routes and the layouts that cover them"
		aria-activedescendant={chosen === undefined ? undefined : `row ${chosen}`}
		bind:this={list}
		onkeydown={onKey}
		onclick={onClick}
	>
		<div class="canvas" style:height="{topOf(roofline.rows.length - 1) + rowHeight + 8}px">
			{#each runs as run (`${run.kind} ${run.layout} ${run.from} ${run.lane}`)}
				{@const mark = marks.get(run.layout)}
				<div
					class={run.kind === 'bar' ? 'bar layer-fill' : 'thread'}
					data-hue={mark?.hue}
					data-hatch={mark?.hatch}
					title={run.kind === 'bar' ? run.layout : `${run.layout} goes on below`}
					style:left="{14 + run.lane * laneWidth}px"
					style:top="{topOf(run.from) + (run.kind === 'bar' ? 3 : 0)}px"
					style:height="{(run.to - run.from + 1) * rowHeight - (run.kind === 'bar' ? 6 : 0)}px"
				></div>
			{/each}
			{#if firstState !== -1}
				<p class="cap group" style:top="{topOf(firstState) - 22}px">In place of a page</p>
			{/if}
			{#each roofline.rows as row, index (row.page)}
				<div
					class="row"
					class:chosen={row.page === chosen}
					id="row {row.page}"
					role="option"
					tabindex="-1"
					aria-selected={row.page === chosen}
					aria-label="{row.page}, {row.title}, {row.bare
						? 'bare'
						: `under ${row.chain.join(', ')}`}"
					style:top="{topOf(index)}px"
					style:padding-left="{left + row.depth * 14}px"
					data-row={index}
				>
					<span class="mono path" title={row.page}>{row.label}</span>
					<span class="end">
						{#if row.bare}<span class="mono bare">bare</span>{/if}
						<span class="title">{row.pages > 1 ? `${row.pages} pages` : row.title}</span>
					</span>
				</div>
			{/each}
		</div>
	</div>
	<ul class="legend" aria-label="Layouts">
		{#each roofline.layouts as layout (layout.name)}
			<li>
				<LayerMark mark={layout.mark} />
				<span class="mono">{layout.name}</span>
				<span class="small covers">
					{layout.onRequest ? 'on request, ' : ''}covers {layout.covers} of {roofline.routeCount}
				</span>
			</li>
		{/each}
	</ul>
</aside>

<style>
	aside {
		border-right: 1px solid var(--hair);
		display: flex;
		flex-direction: column;
		min-height: 0;
	}
	.head {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		padding: 10px 12px 8px 14px;
	}
	.rows {
		flex: 1;
		overflow-y: auto;
		min-height: 0;
		border-top: 1px solid var(--hair);
	}
	.rows:focus-visible {
		outline-offset: -2px;
	}
	.canvas {
		position: relative;
	}
	.row {
		position: absolute;
		inset-inline: 0;
		height: 29px;
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 8px;
		padding-right: 12px;
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
	.chosen .path {
		font-weight: 500;
	}
	.path {
		flex: none;
		max-width: 62%;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.end {
		display: flex;
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
	.bar,
	.thread {
		position: absolute;
		width: 13px;
		z-index: 1;
		pointer-events: none;
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
	.group {
		position: absolute;
		left: 14px;
	}
	.legend {
		border-top: 1px solid var(--hair);
		padding: 8px 12px 10px 14px;
		max-height: 34%;
		overflow-y: auto;
		flex: none;
	}
	.legend li {
		display: flex;
		align-items: center;
		gap: 9px;
		height: 24px;
	}
	.covers {
		margin-left: auto;
	}
</style>
