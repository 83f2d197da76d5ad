<script lang="ts">
	import type { Widths } from '$core/check/subject/occurrence.ts';
	import { sweepFrom, sweepTo } from '$core/geometry/widths/jumps.ts';
	import { store } from '$store/site.svelte.ts';
	import { widthWords } from './finding-words.ts';

	/** At which widths of the screen something is so, over the bands of the site. */
	const { widths, named = false }: { widths: readonly Widths[]; named?: boolean } = $props();

	const share = (px: number): number => ((px - sweepFrom) / (sweepTo - sweepFrom)) * 100;
	const bands = $derived(
		(store.site?.bands ?? []).filter(({ from }) => from > sweepFrom && from < sweepTo)
	);
</script>

<span class="strip" class:named title={widthWords(widths)}>
	<span class="unseen">{widthWords(widths)}</span>
	{#each bands as { name, from } (name)}
		<span class="band" style:left="{share(from)}%" aria-hidden="true">
			{#if named}<span class="small">{name} {from}</span>{/if}
		</span>
	{/each}
	{#each widths as { from, to } (from)}
		<span
			class="run"
			style:left="{share(from)}%"
			style:width="max(3px, {share(to) - share(from)}%)"
			aria-hidden="true"
		></span>
	{/each}
</span>

<style>
	.strip {
		position: relative;
		display: block;
		height: 12px;
		border-bottom: 1px solid var(--rule);
	}
	.strip.named {
		height: 26px;
	}
	.band {
		position: absolute;
		bottom: -1px;
		height: 6px;
		border-left: 1px solid var(--rule);
	}
	.named .band {
		height: 100%;
	}
	.band .small {
		position: absolute;
		left: 3px;
		top: -2px;
		white-space: nowrap;
	}
	.run {
		position: absolute;
		bottom: -2px;
		height: 4px;
		background: var(--ink);
	}
</style>
