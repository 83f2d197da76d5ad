<script lang="ts">
	import type { CrossSection, SectionColumn } from '$core/drawing/cross-section.ts';

	const { section }: { section: CrossSection } = $props();

	const rowHeight = 47;
	const columnWidth = 112;
	const nameWidth = 116;
	const blockTop = 9;
	const blockHeight = 26;

	const rows = $derived(section.layers.length);
	const width = $derived(nameWidth + section.columns.length * columnWidth + 8);
	const landTop = $derived(rows * rowHeight + 12);

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
</script>

<section aria-label="Cross-section">
	<div class="scroll">
		<div class="drawing" style:width="{width}px" style:height="{landTop + 70}px">
			<div class="head">
				<h2 class="cap corner">Cross-section</h2>
				{#each section.columns as column, index (index)}
					<span
						class="mono column"
						title={column.regions
							.map((one) => `${one.layout}.${one.name}, ${one.element}`)
							.join(' › ')}
						style:left="{nameWidth + index * columnWidth}px"
						style:width="{columnWidth - 12}px"
					>
						{columnName(column)}
					</span>
				{/each}
			</div>
			<div class="body">
				{#each section.layers as layer, index (index)}
					<div
						class="slab"
						data-hue={layer.mark?.hue ?? 0}
						style:top="{index * rowHeight}px"
						style:height="{rowHeight}px"
					>
						<svg class="line" {width} height="10" aria-hidden="true">
							<path d="M10 9 L18 1.5 L{width - 8} 1.5" />
						</svg>
						<span class="mono name" title={layer.name}>
							{layer.kind === 'page' ? 'this page' : layer.name}
						</span>
					</div>
				{/each}
				{#each section.columns as column, index (index)}
					<div class="stack" style:left="{nameWidth + index * columnWidth}px">
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
								class="cap-line"
								data-hue={hueOf(cap.owner)}
								style:top="{cap.layer * rowHeight - 12}px"
							></i>
						{/each}
						{#each column.cells as cell (cell.layer)}
							{#if cell.entries.length > 0}
								{@const label = cell.entries.map((entry) => entry.label).join('; ')}
								<div
									class="block layer-fill"
									data-hue={hueOf(cell.layer)}
									data-hatch={hatchOf(cell.layer)}
									title="{section.layers[cell.layer]?.name}: {label}"
									style:top="{cell.layer * rowHeight + blockTop}px"
								>
									<span>{label}</span>
								</div>
							{/if}
						{/each}
						<div class="lands" style:top="{landTop}px">
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
				<span class="lands-name" style:top="{landTop + 4}px">Lands as</span>
			</div>
		</div>
	</div>
</section>

<style>
	section {
		border-top: 1px solid var(--hair);
		background: var(--sheet);
		flex: 0 1 auto;
		min-height: 120px;
		max-height: 46%;
		display: flex;
	}
	.scroll {
		overflow: auto;
		flex: 1;
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
		top: 9px;
		text-align: center;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.body {
		position: relative;
	}
	.slab {
		position: absolute;
		left: 0;
		right: 0;
	}
	.line {
		position: absolute;
		top: 0;
		left: 0;
	}
	.line path {
		fill: none;
		stroke: var(--hue);
		stroke-width: 2.2;
		stroke-linejoin: round;
	}
	.name {
		position: sticky;
		left: 0;
		display: inline-block;
		max-width: 112px;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		padding: 7px 4px 0 26px;
		color: var(--hue);
		font-weight: 500;
		z-index: 2;
	}
	.stack {
		position: absolute;
		top: 0;
		width: 100px;
	}
	.thread {
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
		height: 12px;
		background:
			linear-gradient(var(--hue), var(--hue)) center top / 3px 100% no-repeat,
			linear-gradient(var(--hue), var(--hue)) center bottom / 100% 2.5px no-repeat;
	}
	.block {
		position: absolute;
		left: 0;
		width: 100px;
		height: 26px;
		padding: 4px 3px;
	}
	.block span {
		display: block;
		height: 18px;
		line-height: 18px;
		padding: 0 4px;
		border-radius: 1px;
		background: color-mix(in srgb, var(--sheet) 92%, transparent);
		font-size: 11px;
		text-align: center;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
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
		position: absolute;
		left: 26px;
		font-weight: 600;
	}
</style>
