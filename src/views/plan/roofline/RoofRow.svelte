<script lang="ts">
	import { meaningOf } from '$core/view-models/words/glossary.ts';
	import type { RooflineRow } from '$core/view-models/roofline.ts';
	import { isClosedFor } from '$core/view-models/roofline.ts';
	import { severities } from '$core/messages/severity.ts';
	import { counted } from '$core/messages/wording.ts';
	import { found } from '$store/findings.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import TileMark from '$views/shell/marks/TileMark.svelte';

	interface Props {
		row: RooflineRow;
		/** Its place among the rows that are listed. */
		index: number;
		chosen: boolean;
		/** It is one of several that are chosen. */
		together: boolean;
		folded: boolean;
		/** Its whole path is shown, not what is left of it below the route above. */
		whole: boolean;
		/** px */
		top: number;
		/** Where paths begin, px, and how far each step into the tree goes in. */
		left: number;
		indent: number;
		onGrab: (event: PointerEvent) => void;
	}
	const { row, index, chosen, together, folded, whole, top, left, indent, onGrab }: Props =
		$props();

	const counts = $derived(found.countsOn(row.page) ?? [0, 0, 0]);
	/** The worst that is found on the page, and how much of it. */
	const worst = $derived(severities.findIndex((_, place) => (counts[place] ?? 0) > 0));
	const worstSeverity = $derived(severities[worst]);
	const foundWords = $derived(
		severities
			.flatMap((one, place) => (counts[place] ? [counted(counts[place], one)] : []))
			.join(', ')
	);
	const closed = $derived(isClosedFor(row, store.seenBy));
</script>

<div
	class="row"
	class:chosen
	class:together
	class:touched={commands.touched.has(row.page)}
	class:closed
	id="row {row.page}"
	role="option"
	tabindex="-1"
	aria-selected={chosen || together}
	style:top="{top}px"
	style:padding-left="{left + row.depth * indent}px"
	data-row={index}
	data-drop="none"
>
	<span class="unseen">
		{row.page}, {row.title}, {foundWords === '' ? '' : `${foundWords}, `}{row.bare
			? 'bare'
			: `under ${row.chain.join(', ')}`}{closed ? `, closed for ${store.seenBy}` : ''}
	</span>
	<span
		class="grip"
		style:width="{left - 6}px"
		title="Drag {row.page} off the bar, or onto another layout"
		data-drop=""
		onpointerdown={onGrab}
		role="presentation"
	></span>
	{#if row.below > 0 && !whole}
		<span
			class="fold"
			aria-hidden="true"
			title={folded ? 'Unfold (arrow right)' : 'Fold (arrow left)'}>{folded ? '▸' : '▾'}</span
		>
	{/if}
	<span class="mono path" aria-hidden="true" title="{row.page}: {row.title}"
		>{whole ? row.page : row.label}</span
	>
	<span class="end" aria-hidden="true">
		{#if folded}<span class="small">{row.below} below</span>{/if}
		{#if row.states.length > 0}
			<span class="mono states" title="Drawn in place of a page here and below">
				{row.states.join(' ')}
			</span>
		{/if}
		{#if row.admits.length > 0}
			<span class="mono bare" title="Lets in only {row.admits.join(', ')}"
				>{closed ? '403 ' : ''}{row.admits.join(' ')}</span
			>
		{/if}
		{#if row.bare}<span class="mono bare" title={meaningOf('bare')}>bare</span>{/if}
		{#if commands.touched.has(row.page)}<span class="mono would">changes</span>{/if}
		{#if worstSeverity}
			<span class="found" title={foundWords}
				><TileMark severity={worstSeverity} />{counts[worst]}</span
			>
		{/if}
		<span class="title">{row.pages > 1 ? `${row.pages} pages` : row.title}</span>
	</span>
</div>

<style>
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
	.together,
	.together:hover {
		background: var(--cedar-wash);
	}
	.touched {
		box-shadow: inset -4px 0 0 var(--cedar);
	}
	.chosen .path {
		font-weight: 500;
	}
	/* What a visitor cannot open is there, and shut. */
	.closed .path,
	.closed .title {
		color: var(--ink-2);
		text-decoration: line-through;
	}
	.grip {
		position: absolute;
		left: 0;
		top: 0;
		bottom: 0;
		cursor: grab;
		z-index: 2;
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
	.found {
		display: flex;
		align-items: center;
		gap: 3px;
		flex: none;
		font-size: var(--text-small);
	}
	.title {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.bare {
		color: var(--warn);
		font-size: var(--text-small);
	}
	.states {
		font-size: var(--text-small);
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.would {
		color: var(--cedar);
		font-size: var(--text-small);
	}
	/* Where there is little room the routes come first; titles are read by pointing at a row. */
	@container roof (max-width: 260px) {
		.title,
		.states {
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
	}
	@container roof (max-width: 180px) {
		.path,
		.bare {
			font-size: var(--text-small);
		}
	}
</style>
