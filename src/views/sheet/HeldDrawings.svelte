<script lang="ts">
	import type { DrawingWay } from '$core/sheet/svg.ts';
	import type { SheetRequest } from '$workers/sheets.ts';
	import { store } from '$store/site.svelte.ts';
	import SvgDrawing from '$views/sheet/SvgDrawing.svelte';

	/** Drawings that were chosen, large and side by side. */
	interface Props {
		held: readonly { readonly page: string; readonly width: number }[];
		request: SheetRequest;
		fold: number;
		/** They are drawn in the colours of their pages. */
		painted: DrawingWay['painted'];
		linkTo: (page: string, width: number) => string;
		go: (page: string, width: number) => void;
		letGo: (page: string, width: number) => void;
		clear: () => void;
	}
	const { held, request, fold, painted, linkTo, go, letGo, clear }: Props = $props();

	let paneWidth = $state(1200);
	let drawings = $state.raw<readonly string[]>([]);
	/** px between two. */
	const gap = 22;
	const wide = $derived(held.reduce((sum, { width }) => sum + width, 0));
	const scale = $derived(
		Math.max(0.1, Math.min(0.6, (paneWidth - 40 - held.length * (gap + 14)) / Math.max(wide, 1)))
	);

	$effect(() => {
		const of = [...held];
		const way = { scale, depth: fold * 3, fold, ...(painted && { painted }) };
		void store.site;
		let current = true;
		void Promise.all(
			of.map(async ({ page, width }) => {
				const column = { name: '', width };
				const [drawn] = await store.core.sheet.drawings(
					[page],
					{ ...request, columns: [column] },
					way
				);
				return drawn?.drawings[0] ?? '';
			})
		).then((made) => {
			if (current) drawings = made;
		});
		return () => (current = false);
	});
</script>

<section aria-label="Held side by side" bind:clientWidth={paneWidth}>
	<header>
		<h2 class="cap">held side by side, at {Math.round(scale * 100)} %</h2>
		<button class="act" onclick={clear}>Put all back</button>
	</header>
	<div class="all" style:gap="{gap}px">
		{#each held as { page, width }, index (`${page} ${width}`)}
			<figure>
				<figcaption>
					<span class="mono">{page}</span> <span class="small">{width} px</span>
					<button
						class="act"
						aria-label="Put {page} at {width} px back"
						onclick={() => letGo(page, width)}>×</button
					>
				</figcaption>
				<a
					href={linkTo(page, width)}
					title="Show {page} at {width} px on the stage"
					onclick={() => go(page, width)}
				>
					<SvgDrawing svg={drawings[index] ?? ''} />
				</a>
			</figure>
		{/each}
	</div>
</section>

<style>
	section {
		flex: none;
		height: 46%;
		display: flex;
		flex-direction: column;
		border-top: 1px solid var(--rule);
		background: var(--sheet);
	}
	header {
		display: flex;
		align-items: center;
		gap: 14px;
		padding: 6px 16px;
	}
	.all {
		display: flex;
		flex: 1;
		min-height: 0;
		overflow: auto;
		padding: 0 16px 14px;
	}
	figure {
		flex: none;
	}
	figcaption {
		display: flex;
		align-items: baseline;
		gap: 8px;
	}
</style>
