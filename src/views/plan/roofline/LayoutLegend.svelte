<script lang="ts">
	import type { RooflineLayout } from '$core/drawing/roofline.ts';
	import { hot } from '$store/hot.svelte.ts';
	import LayerMark from '../section/LayerMark.svelte';
	import LayoutMenu from '../section/LayoutMenu.svelte';

	interface Props {
		layouts: readonly RooflineLayout[];
		routeCount: number;
		/** A page's mark is dragged: each name is a place to drop it. */
		dragging: boolean;
		point: (layout: string | undefined) => void;
	}
	const { layouts, routeCount, dragging, point }: Props = $props();
</script>

<ul aria-label="Layouts">
	{#each layouts as layout (layout.name)}
		<li
			class:lit={hot.trace?.kind === 'layout' && hot.trace.layer === layout.name}
			class:target={dragging}
			data-drop={dragging ? layout.name : undefined}
			onpointerenter={() => point(layout.name)}
			onpointerleave={() => point(undefined)}
		>
			<LayoutMenu {layout}>
				<LayerMark mark={layout.mark} />
				<span class="mono">{layout.name}</span>
				<span class="small at">{layout.at}</span>
			</LayoutMenu>
			<span class="small covers">
				{layout.onRequest ? 'on request, ' : ''}{layout.covers} of {routeCount}
			</span>
		</li>
	{/each}
	{#if dragging}
		<li class="target" data-drop="none"><span class="small">nothing: let it be bare</span></li>
	{/if}
</ul>

<style>
	ul {
		padding: 6px 12px 6px 10px;
		max-height: 30%;
		overflow-y: auto;
		flex: none;
	}
	li {
		display: flex;
		align-items: center;
		height: 24px;
		padding-right: 5px;
		border-radius: var(--radius);
	}
	ul :global(.layout-name) {
		display: flex;
		align-items: center;
		gap: 9px;
		padding: 2px 4px;
		border-radius: var(--radius);
	}
	.covers {
		margin-left: auto;
	}
	.lit {
		background: var(--cedar-wash);
	}
	.target {
		outline: 1px dashed var(--cedar);
		outline-offset: -2px;
	}
</style>
