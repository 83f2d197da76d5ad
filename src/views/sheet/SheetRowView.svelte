<script lang="ts">
	import type { Column } from '$core/sheet/columns.ts';
	import { counted } from '$core/messages/problem.ts';
	import { found } from '$store/findings.svelte.ts';
	import TileMark from '$views/shell/TileMark.svelte';
	import { saidOnce, type Found, type SheetRow } from '$core/sheet/sheet-row.ts';
	import type { DrawnPage } from '$workers/sheets.ts';
	import type { SheetItem } from './sheet-items.ts';
	import SvgDrawing from '$views/sheet/SvgDrawing.svelte';

	/** A page of the sheet: its drawings side by side, and what is said of them. */
	interface Props {
		item: Extract<SheetItem, { kind: 'row' }>;
		drawn: DrawnPage | undefined;
		columns: readonly Column[];
		/** Where each drawing has room, px. */
		widths: readonly number[];
		changed: boolean;
		linkTo: (page: string, width: number) => string;
		go: (page: string, width: number) => void;
		isHeld: (page: string, width: number) => boolean;
		hold: (page: string, width: number) => void;
		unfold: (page: string) => void;
		/** Keys on a drawing. */
		onKey: (event: KeyboardEvent) => void;
	}
	const { item, drawn, columns, widths, changed, linkTo, go, isHeld, hold, unfold, onKey }: Props =
		$props();

	const row = $derived(drawn?.row ?? item.row);
	/** What was found by all checks; until the page has been looked over, what is seen on the drawings. */
	const findings = $derived(foundOf(row));
	/** What only pages have that draw like it, and which of them do. */
	const behind = $derived.by(() => {
		const own = new Set(findings.map(({ sentence }) => sentence));
		const others = item.behind.flatMap((one) =>
			foundOf(one).map((finding) => ({ page: one.page, ...finding }))
		);
		return Map.groupBy(
			others.filter(({ sentence }) => !own.has(sentence)),
			({ sentence }) => sentence
		);
	});

	function foundOf({ page, found: seen }: SheetRow): readonly Found[] {
		const all = found.on(page);
		return saidOnce([...all, ...seen]);
	}
</script>

<article
	class="row"
	class:changed
	class:member={item.member}
	style:top="{item.top}px"
	style:height="{item.height}px"
	aria-label={row.page}
	data-page={row.page}
>
	<div class="name">
		<span class="mono route">{row.page}</span>
		<span class="small title">{row.title}</span>
		{#if item.behind.length > 0}
			<button
				class="act stack"
				aria-expanded={item.open}
				title="Pages with the same regions of the same sizes; only the length of their own text differs."
				onclick={() => unfold(item.row.page)}
			>
				{item.open ? 'Fold' : `and ${item.behind.length} more alike`}
			</button>
		{/if}
	</div>
	{#each columns as { name, width }, index (width)}
		{@const held = isHeld(row.page, width)}
		<div
			class="cell"
			class:deep={item.behind.length > 0 && !item.open}
			style:width="{widths[index]}px"
		>
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
	<div class="words">
		{#if findings.length === 0}
			<p class="fine">{row.estimated ? 'nothing found so far' : 'nothing found'}</p>
		{:else}
			{#each findings.slice(0, 3) as { severity, sentence } (sentence)}
				<p class={severity}><TileMark {severity} /> {sentence}</p>
			{/each}
			{#if findings.length > 3}<p class="small">
					{counted(findings.length - 3, 'more finding')}
				</p>{/if}
		{/if}
		{#each [...behind].slice(0, 2) as [sentence, on] (sentence)}
			<p class={on[0]?.severity}>
				<TileMark severity={on[0]?.severity ?? 'hint'} /> on
				<span class="mono">{on[0]?.page}</span>{on.length > 1
					? ` and ${on.length - 1} more of these`
					: ''}: {sentence}
			</p>
		{/each}
		{#if behind.size > 2}<p class="small">
				{counted(behind.size - 2, 'more finding')} on pages that draw alike
			</p>{/if}
		{#each row.words as words (words)}
			<p class="small">{words}</p>
		{/each}
		{#if row.words.length === 0}<p class="small">alike at every width drawn</p>{/if}
		{#if row.estimated}<p class="small">sizes are still estimated</p>{/if}
	</div>
</article>

<style>
	.row {
		position: absolute;
		left: 0;
		right: 0;
		display: flex;
		align-items: flex-start;
		gap: 16px;
		padding: 9px 16px 0;
		border-bottom: 1px solid var(--hair);
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
		width: 196px;
		flex: none;
		display: flex;
		flex-direction: column;
		align-items: flex-start;
		gap: 1px;
	}
	.route {
		overflow-wrap: anywhere;
	}
	.title {
		display: -webkit-box;
		-webkit-box-orient: vertical;
		-webkit-line-clamp: 2;
		line-clamp: 2;
		overflow: hidden;
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
		top: 3px;
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
		flex: 1;
		min-width: 200px;
		font-size: var(--text-small);
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
