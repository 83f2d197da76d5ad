<script lang="ts">
	import type { BandView } from '$workers/messages.ts';

	interface Props {
		bands: readonly BandView[];
		/** Width of the stage, px of the page. */
		width: number;
		/** Screen px for one px of the page. */
		scale: number;
		/** Length of the ruler, px of the page. */
		reach: number;
	}
	const { bands, width, scale, reach }: Props = $props();

	const spans = $derived(
		bands
			.map((band, index) => ({ ...band, to: bands[index + 1]?.from ?? Infinity }))
			.filter((band) => band.from < reach)
	);
	const step = $derived(scale < 0.45 ? 50 : 20);
	const ticks = $derived(Array.from({ length: Math.floor(reach / step) + 1 }, (_, i) => i * step));
</script>

<div class="ruler" aria-hidden="true">
	{#each spans as band (band.name)}
		<span
			class="band"
			class:here={width >= band.from && width < band.to}
			style:left="{band.from * scale}px"
			style:width="{(Math.min(band.to, reach) - band.from) * scale - 1}px"
		>
			{band.name} from {band.from}
		</span>
	{/each}
	<svg width={reach * scale} height="19">
		{#each ticks as tick (tick)}
			<path
				d="M{tick * scale + 0.5} 19V{tick % 200 === 0 ? 6 : tick % 100 === 0 ? 11 : 15}"
				stroke="var(--rule)"
			/>
			{#if tick % 200 === 0 && tick > 0}
				<text x={tick * scale + 4} y="11">{tick}</text>
			{/if}
		{/each}
	</svg>
</div>

<style>
	.ruler {
		position: relative;
		height: 34px;
		overflow: hidden;
	}
	.band {
		position: absolute;
		top: 0;
		height: 15px;
		padding-left: 7px;
		font-size: 11px;
		line-height: 15px;
		background: var(--sunk);
		color: var(--ink-2);
		overflow: hidden;
		white-space: nowrap;
	}
	.here {
		background: var(--cedar-wash);
		color: var(--cedar);
		font-weight: 600;
	}
	svg {
		position: absolute;
		top: 15px;
		left: 0;
	}
	text {
		font: 9.5px var(--mono);
		fill: var(--ink-2);
	}
</style>
