<script lang="ts">
	import TileMark from '$views/shell/marks/TileMark.svelte';
	import type { FindingView } from '$workers/findings.ts';
	import { onArrow } from './arrows.ts';
	import { pageWords } from './finding-words.ts';
	import WidthStrip from './WidthStrip.svelte';

	/** One finding in the list: what, where, at which widths. */
	interface Props {
		finding: FindingView;
		chosen: boolean;
		/** It follows from the one above it. */
		because?: boolean;
		choose: (finding: FindingView) => void;
	}
	const { finding, chosen, because = false, choose }: Props = $props();

	const widths = $derived(finding.on[0]?.widths ?? []);
</script>

<button
	class="finding"
	class:chosen
	aria-current={chosen ? 'true' : undefined}
	data-finding={finding.cause}
	onclick={() => choose(finding)}
	onkeydown={onArrow}
>
	<span class="sentence">
		{#if because}<span class="small">which brings with it:</span>
			<TileMark severity={finding.severity} />{/if}
		{finding.sentence}
	</span>
	<span class="where small">
		<span class="mono">{finding.file}:{finding.line}</span>
		<span>{pageWords(finding)}</span>
		{#if finding.estimated}<span
				title="It rests on sizes that were guessed; it is measured while this view is open."
				>estimated</span
			>{/if}
		{#if finding.mend}<span class="mends">can be fixed</span>{/if}
		{#if widths.length > 0}<span class="widths"><WidthStrip {widths} /></span>{/if}
	</span>
</button>

<style>
	.finding {
		display: block;
		width: 100%;
		padding: 5px 16px 6px 37px;
		text-align: left;
	}
	.finding:hover {
		background: color-mix(in srgb, var(--cedar-wash) 45%, transparent);
	}
	.chosen,
	.chosen:hover {
		background: var(--cedar-wash);
		box-shadow: inset 3px 0 0 var(--cedar);
	}
	.sentence :global(svg) {
		display: inline-block;
	}
	.sentence {
		display: block;
		overflow-wrap: anywhere;
	}
	.where {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 2px 12px;
	}
	.mends {
		color: var(--ink);
		font-weight: 600;
	}
	.widths {
		margin-left: auto;
		width: 120px;
	}
</style>
