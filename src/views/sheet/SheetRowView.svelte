<script lang="ts">
	import type { Column } from '$core/sheet/columns.ts';
	import type { TileLine } from '$core/sheet/tile-words.ts';
	import { tileGap, tilePadding, type Tiling } from '$core/sheet/tiles.ts';
	import TileMark from '$views/shell/marks/TileMark.svelte';
	import type { DrawnPage } from '$workers/sheets.ts';
	import type { SheetItem } from '$core/sheet/sheet-items.ts';
	import SvgDrawing from '$views/sheet/SvgDrawing.svelte';

	/** A page of the sheet: its drawings side by side, and below them what is said of them. */
	interface Props {
		item: Extract<SheetItem, { kind: 'row' }>;
		drawn: DrawnPage | undefined;
		columns: readonly Column[];
		tiling: Tiling;
		/** What is said of it. */
		lines: readonly TileLine[];
		changed: boolean;
		linkTo: (page: string, width: number) => string;
		go: (page: string, width: number) => void;
		isHeld: (page: string, width: number) => boolean;
		hold: (page: string, width: number) => void;
		unfold: (page: string) => void;
		/** Keys on a drawing. */
		onKey: (event: KeyboardEvent) => void;
	}
	const { item, drawn, columns, tiling, lines, changed, ...deeds }: Props = $props();
	const { linkTo, go, isHeld, hold, unfold, onKey } = $derived(deeds);
	const row = $derived(drawn?.row ?? item.row);
</script>

<article
	class="row"
	class:changed
	class:member={item.member}
	style:top="{item.top + item.head}px"
	style:left="{item.place * tiling.width}px"
	style:width="{tiling.width}px"
	style:height="{item.height - item.head}px"
	style:padding-inline="{tilePadding}px"
	aria-label={row.page}
	data-page={row.page}
>
	<div class="name">
		<span class="mono route" title={row.page}>{row.page}</span>
		<span class="small title" title={row.title}>{row.title}</span>
		{#if item.behind.length > 0}
			<button
				class="act small stack"
				aria-expanded={item.open}
				title="Pages with the same regions of the same sizes; only the length of their own text differs."
				onclick={() => unfold(item.row.page)}
			>
				{item.open ? 'Fold' : `and ${item.behind.length} more alike`}
			</button>
		{/if}
	</div>
	<div class="drawings" style:gap="{tileGap}px">
		{#each columns as { name, width }, index (width)}
			{@const held = isHeld(row.page, width)}
			<div
				class="cell"
				class:deep={item.behind.length > 0 && !item.open}
				style:width="{tiling.drawings[index]}px"
			>
				<span class="cap" aria-hidden="true">{name} <b class="mono">{width}</b></span>
				{#if drawn}
					<a
						class="drawing-link"
						href={linkTo(row.page, width)}
						data-drawing="{row.page} {width}"
						title="Show {row.page} at {width} px on the stage (Enter); H holds it beside others"
						onclick={() => go(row.page, width)}
						onkeydown={onKey}
					>
						<SvgDrawing svg={drawn.drawings[index] ?? ''} />
					</a>
					<button
						class="hold small"
						class:held
						aria-pressed={held}
						aria-label="{held ? 'Held:' : 'Hold'} {row.page} at {width} px beside others"
						onclick={() => hold(row.page, width)}>{held ? 'held' : 'hold'}</button
					>
				{:else}
					<span class="waiting" role="img" aria-label="{row.page} at {name} is being drawn"></span>
				{/if}
			</div>
		{/each}
	</div>
	<div class="words">
		{#each lines as { mark, text, on } (`${on} ${text}`)}
			<p class={mark ?? 'small'}>
				{#if mark && mark !== 'fine'}<TileMark severity={mark} />{/if}
				{#if on !== undefined}on <span class="mono">{on}</span>:{/if}
				{text}
			</p>
		{/each}
	</div>
</article>

<style>
	.row {
		position: absolute;
		padding-block: 9px 8px;
		border-bottom: 1px solid var(--hair);
		border-right: 1px solid var(--hair);
		overflow: hidden;
		transition: background-color var(--move);
	}
	.member {
		background: color-mix(in srgb, var(--sunk) 45%, transparent);
	}
	.changed {
		background: var(--cedar-wash);
	}
	.name {
		display: flex;
		align-items: baseline;
		gap: 10px;
		height: 22px;
		white-space: nowrap;
	}
	.route {
		flex: 0 1 auto;
		min-width: 60px;
		font-weight: 500;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.title {
		flex: 1 2 0;
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.stack {
		flex: none;
		padding: 0;
	}
	.drawings {
		display: flex;
		align-items: flex-start;
	}
	.cap {
		display: block;
		height: 18px;
		white-space: nowrap;
	}
	.cap b {
		font-weight: 400;
	}
	.cell {
		position: relative;
		flex: none;
	}
	.drawing-link {
		display: block;
		width: max-content;
	}
	/* What does not fit is drawn beside the page. */
	.drawing-link :global(svg) {
		display: block;
		margin-right: -14px;
		overflow: visible;
	}
	/* A stack shows the edges of those behind. */
	.deep .drawing-link {
		box-shadow:
			3px 3px 0 -1px var(--paper),
			3px 3px 0 0 var(--rule);
	}
	.hold {
		position: absolute;
		top: 21px;
		left: 3px;
		padding: 0 5px;
		border-radius: var(--radius);
		background: var(--sheet);
		border: 1px solid var(--rule);
		opacity: 0;
	}
	.cell:hover .hold,
	.hold:focus-visible,
	.drawing-link:focus-visible + .hold,
	.held {
		opacity: 1;
	}
	.held {
		background: var(--cedar);
		color: var(--on-cedar);
		border-color: var(--cedar);
	}
	.waiting {
		display: block;
		height: 60px;
		border: 1px dashed var(--hair);
	}
	.words {
		margin-top: 7px;
		font-size: var(--text-small);
		line-height: 17px;
	}
	.words :global(svg) {
		display: inline-block;
	}
	.fine {
		color: var(--fine);
	}
	.error {
		color: var(--fault);
	}
	.warning {
		color: var(--warn);
	}
</style>
