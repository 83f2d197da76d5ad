<script lang="ts">
	import type { CrossSection, SectionColumn } from '$core/drawing/cross-section.ts';
	import type { FillKind } from '$core/model/site.ts';
	import { hot } from '$store/hot.svelte.ts';
	import { wishes } from '$store/wishes.svelte.ts';
	import type { BetweenView } from '$workers/messages.ts';
	import CellPanel from './CellPanel.svelte';
	import { chosenBox } from './chosen-box.svelte.ts';
	import { sizeDeeds } from '$core/drawing/size-deeds.ts';
	import { measures } from '../stage/measures.svelte.ts';
	import { cellFacts, selection, traceOf, type CellPlace } from '../selection.svelte.ts';

	interface Props {
		section: CrossSection;
		/** What stays and goes, seen from the page the visitor comes from. */
		between: BetweenView | undefined;
	}
	const { section, between }: Props = $props();

	const rowHeight = 47;
	const columnWidth = 112;
	const nameWidth = 116;
	const blockTop = 9;
	const blockHeight = 26;

	let drawing: HTMLElement;
	/** While pieces are edited at the side, the drawing needs the room. */
	const alone = $derived(selection.editing);

	const rows = $derived(section.layers.length);
	const width = $derived(nameWidth + section.columns.length * columnWidth + 8);
	const landTop = $derived(rows * rowHeight + 12);
	const place = $derived<CellPlace>({
		layer: Math.min(selection.place.layer, rows - 1),
		column: Math.min(selection.place.column, section.columns.length - 1)
	});
	const facts = $derived(cellFacts(section, place));

	/** How far it is scrolled, and how much is seen, px: only columns in sight are drawn. */
	let scrolled = $state(0);
	let seen = $state(1200);
	/** Columns beyond the edges that are drawn all the same. */
	const spare = 3;
	const columns = $derived.by(() => {
		const from = Math.floor((scrolled - nameWidth) / columnWidth) - spare;
		const to = (scrolled + seen) / columnWidth + spare;
		return section.columns
			.map((column, index) => ({ column, index }))
			.filter(({ index }) => (index >= from && index < to) || index === place.column);
	});

	const kinds: Readonly<Record<string, FillKind>> = {
		b: 'before',
		a: 'after',
		i: 'instead',
		e: 'empty'
	};

	function hueOf(layer: number | undefined): number | undefined {
		if (layer === undefined) return undefined;
		return section.layers[layer]?.mark?.hue ?? 0;
	}

	function hatchOf(layer: number): number | undefined {
		return section.layers[layer]?.mark?.hatch;
	}

	function columnName(column: SectionColumn): string {
		return column.regions[0]?.name ?? 'page';
	}

	function fateOf(column: SectionColumn): string | undefined {
		const [region] = column.regions;
		return between?.regions.find(
			(one) => one.layout === region?.layout && one.region === region.name && one.fate !== 'gone'
		)?.fate;
	}

	function isLit(column: SectionColumn, layer: number): boolean {
		const { trace } = hot;
		if (!trace || section.layers[layer]?.name !== trace.layer) return false;
		if (trace.piece !== undefined) {
			const entries = column.cells[layer]?.entries ?? [];
			return entries.some((entry) => entry.pieces.includes(trace.piece ?? ''));
		}
		return column.regions.some((one) => one.layout === trace.layer && one.name === trace.region);
	}

	function pointAt(at: CellPlace | undefined): void {
		const found = at && cellFacts(section, at);
		hot.point(found && traceOf(found));
	}

	$effect(() => {
		void alone;
		const cell = drawing.querySelector(`[data-cell="${place.layer} ${place.column}"]`);
		cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
	});

	function choose(at: CellPlace, focus: boolean): void {
		selection.place = at;
		if (!focus) return;
		const cell = drawing.querySelector<HTMLElement>(`[data-cell="${at.layer} ${at.column}"]`);
		cell?.focus();
	}

	/** Whether a key did something with the region's size in its line, or its place in its columns. */
	function makeSizeDeed(key: string, isOwn: boolean): boolean {
		const { view } = chosenBox;
		const deed = isOwn && view ? sizeDeeds(view).find((one) => one.key === key) : undefined;
		if (deed) void wishes.make(deed.wish);
		return deed !== undefined;
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
		if (step) {
			choose(step, true);
			event.preventDefault();
			return;
		}
		if (!facts) return;
		const { layer, region, isOwn, entry, holder } = facts;
		const ref = region && { layout: region.layout, region: region.name };
		const key = event.key.toLowerCase();
		const kind = kinds[key];
		if (kind && ref && !isOwn)
			void wishes.make({ kind: 'set-fill', layer, region: ref, fill: kind });
		else if (key === 'm') measures.pick(traceOf(facts));
		else if (key === 'p' && ref && entry && !isOwn && entry.action !== 'content') {
			void wishes.make({ kind: 'remove-fill', layer, region: ref });
		} else if (key === 'l' && isOwn && ref && region) {
			void wishes.make({ kind: 'set-flag', region: ref, flag: 'locked', on: !region.locked });
		} else if (key === 'r' && isOwn && ref && region) {
			void wishes.make({ kind: 'set-flag', region: ref, flag: 'required', on: !region.required });
		} else if (event.key === 'Enter' && holder) selection.editing = true;
		else if (!makeSizeDeed(event.key.toUpperCase(), isOwn)) return;
		event.preventDefault();
	}
</script>

<section aria-label="Cross-section" class:alone>
	<div
		class="scroll"
		bind:clientWidth={seen}
		onscroll={(event) => (scrolled = event.currentTarget.scrollLeft)}
	>
		<div
			class="drawing"
			style:width="{width}px"
			style:height="{landTop + 74}px"
			role="grid"
			tabindex="-1"
			aria-label="What each layer brings to each region"
			bind:this={drawing}
			onkeydown={onKey}
		>
			<!-- What stands here is also the name of each region's row of cells. -->
			<div class="head" aria-hidden="true">
				<span class="cap corner">Cross-section</span>
				{#each columns as { column, index } (index)}
					{@const fate = fateOf(column)}
					<span
						class="mono column"
						class:at={index === place.column}
						title={column.regions
							.map((one) => `${one.layout}.${one.name}, ${one.element}`)
							.join(' › ')}
						style:left="{nameWidth + index * columnWidth}px"
						style:width="{columnWidth - 12}px"
					>
						{columnName(column)}
						{#if fate}<em class={fate}>{fate}</em>{/if}
					</span>
				{/each}
			</div>
			<div class="body">
				<i
					class="shade"
					style:left="{nameWidth + place.column * columnWidth - 6}px"
					style:width="{columnWidth}px"
					style:height="{landTop + 36}px"
				></i>
				{#each section.layers as layer, index (index)}
					<i class="line" data-hue={layer.mark?.hue ?? 0} style:top="{index * rowHeight}px"></i>
				{/each}
				<div class="names">
					{#each section.layers as layer, index (index)}
						<span
							class="mono name"
							class:lit={hot.trace?.layer === layer.name}
							data-hue={layer.mark?.hue ?? 0}
							title={between?.stays.includes(layer.name) ? `${layer.name} stays` : layer.name}
							style:top="{index * rowHeight}px"
						>
							<svg width={nameWidth} height="10" aria-hidden="true">
								<path d="M10 9 L18 1.5 L{nameWidth} 1.5" />
							</svg>
							{layer.kind === 'page' ? 'this page' : layer.name}
						</span>
					{/each}
					<span class="name lands-name" style:top="{rows * rowHeight}px">Lands as</span>
				</div>
				{#each columns as { column, index } (index)}
					<div
						class="stack"
						role="row"
						aria-label="{columnName(column)}{fateOf(column) ? `, ${fateOf(column)}` : ''}"
						style:left="{nameWidth + index * columnWidth}px"
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
								style:height="{(cap.layer - cap.owner) * rowHeight - blockHeight - 13}px"
							></i>
							<i
								class="cap-line"
								data-hue={hueOf(cap.owner)}
								style:top="{cap.layer * rowHeight - 6}px"
							></i>
						{/each}
						{#each section.layers as layer, at (at)}
							{@const entries = column.cells[at]?.entries ?? []}
							{@const label = entries.map((entry) => entry.label).join('; ')}
							{@const here = place.layer === at && place.column === index}
							{@const locked = column.regions.some(
								(one) => one.locked && one.layout === layer.name
							)}
							<button
								class="block"
								class:layer-fill={entries.length > 0}
								class:passes={entries.length === 0}
								class:here
								class:lit={isLit(column, at)}
								role="gridcell"
								tabindex={here ? 0 : -1}
								data-cell="{at} {index}"
								data-hue={hueOf(at)}
								data-hatch={hatchOf(at)}
								aria-selected={here}
								aria-label="{layer.name}, {columnName(column)}: {label || 'lets it pass'}{locked
									? ', locked'
									: ''}"
								title="{layer.name}: {label || 'lets it pass'}"
								style:top="{at * rowHeight + blockTop}px"
								onclick={() => choose({ layer: at, column: index }, false)}
								ondblclick={() => (selection.editing = facts?.holder !== undefined)}
								onpointerenter={() => pointAt({ layer: at, column: index })}
								onpointerleave={() => pointAt(undefined)}
							>
								{#if entries.length > 0}
									<span class:locked>{label}</span>
								{/if}
							</button>
						{/each}
						<div class="lands" style:top="{landTop}px" role="presentation">
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
						</div>
					</div>
				{/each}
			</div>
		</div>
	</div>
	{#if alone}
		<!-- The piece editor says what is chosen. -->
	{:else if facts}
		<CellPanel {facts} {section} />
	{:else}
		<p class="outside small">
			{section.layers[place.layer]?.name} lies outside this region: it stands further in.
		</p>
	{/if}
</section>

<style>
	section {
		border-top: 1px solid var(--hair);
		background: var(--sheet);
		flex: 0 1 auto;
		min-height: 190px;
		max-height: 46%;
		display: grid;
		grid-template-columns: minmax(0, 1fr) 330px;
	}
	.alone {
		grid-template-columns: minmax(0, 1fr);
	}
	.scroll {
		overflow: auto;
		min-height: 0;
	}
	.drawing {
		position: relative;
	}
	.head {
		position: sticky;
		top: 0;
		height: 34px;
		background: var(--sheet);
		z-index: 3;
	}
	.corner {
		position: sticky;
		left: 0;
		display: inline-block;
		padding: 8px 16px;
		background: var(--sheet);
		z-index: 4;
	}
	.column {
		position: absolute;
		top: 8px;
		text-align: center;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.column.at {
		color: var(--cedar);
		font-weight: 500;
	}
	em {
		font: italic 10.5px var(--sans);
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
		top: -6px;
		background: var(--cedar-wash);
	}
	.line {
		position: absolute;
		left: 60px;
		right: 8px;
		height: 2.2px;
		margin-top: 0.4px;
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
		width: 110px;
		height: 47px;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		padding: 8px 4px 0 26px;
		background: var(--sheet);
		color: var(--hue);
		font-weight: 500;
	}
	.name svg {
		position: absolute;
		left: 0;
		top: 0;
	}
	.name path {
		fill: none;
		stroke: var(--hue);
		stroke-width: 2.2;
		stroke-linejoin: round;
	}
	.name.lit {
		text-decoration: underline;
	}
	.stack {
		position: absolute;
		top: 0;
		width: 100px;
	}
	.thread,
	.stub {
		position: absolute;
		left: 48.5px;
		width: 3px;
		background: var(--hue, var(--rule));
	}
	.thread.open {
		background: var(--hair);
	}
	.cap-line {
		position: absolute;
		left: 39px;
		width: 22px;
		height: 2.5px;
		margin-top: -1px;
		background: var(--hue);
	}
	.block {
		position: absolute;
		left: 0;
		width: 100px;
		height: 26px;
		padding: 4px 3px;
	}
	.passes {
		border-radius: 2px;
	}
	.passes:hover,
	.passes.here {
		background: color-mix(in srgb, var(--sheet) 40%, transparent);
		box-shadow: inset 0 0 0 1px var(--rule);
	}
	.here {
		outline: 2px solid var(--cedar);
		outline-offset: 1px;
	}
	.block.lit {
		outline: 2px solid var(--cedar);
	}
	.block span {
		display: block;
		height: 18px;
		line-height: 18px;
		padding: 0 4px;
		border-radius: 1px;
		background: color-mix(in srgb, var(--sheet) 92%, transparent);
		color: var(--ink);
		font-size: 11px;
		text-align: center;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	/* A locked region is closed at both sides. */
	.block .locked {
		border-inline: 3px double var(--ink);
	}
	.lands {
		position: absolute;
		left: 0;
		width: 100px;
		height: 28px;
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
		line-height: 26px;
	}
	.lands-name {
		height: 74px;
		padding-top: 17px;
		color: var(--ink);
		font-weight: 600;
	}
	.outside {
		border-left: 1px solid var(--hair);
		padding: 12px 14px;
	}
</style>
