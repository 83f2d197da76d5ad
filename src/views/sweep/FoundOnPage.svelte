<script lang="ts">
	import { page as address } from '$app/state';
	import { clampWidth, placeQuery, readPlace } from '$store/address.ts';
	import { found } from '$store/findings.svelte.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { findingWord, widthWords } from '$views/findings/finding-words.ts';
	import WidthStrip from '$views/findings/WidthStrip.svelte';
	import TileMark from '$views/shell/marks/TileMark.svelte';

	/** What is found on a page at some widths only, each with its widths. */
	const { page }: { page: string } = $props();

	const query = $derived(placeQuery(readPlace(address.url)));
	const all = $derived(
		found.on(page).flatMap((finding) => {
			const widths = finding.on.find((one) => one.page === page)?.widths ?? [];
			return widths.length > 0 ? [{ finding, widths }] : [];
		})
	);
</script>

{#if all.length > 0}
	<h2 class="cap">findings</h2>
	{#each all as { finding, widths } (finding.cause)}
		<div class="one">
			<p>
				<TileMark severity={finding.severity} />
				<a href="/findings?{query}&finding={findingWord(finding)}">{finding.sentence}</a>
			</p>
			<button
				title="Go to {widths[0]?.from} px"
				onclick={() => (look.width = clampWidth(widths[0]?.from ?? look.width))}
			>
				<WidthStrip {widths} />
				<span class="unseen">{widthWords(widths)}</span>
			</button>
		</div>
	{/each}
{/if}

<style>
	h2 {
		margin: 12px 0 3px;
	}
	.one {
		margin-bottom: 7px;
		font-size: var(--text-small);
	}
	.one :global(svg) {
		display: inline-block;
	}
	button {
		display: block;
		width: 100%;
	}
</style>
