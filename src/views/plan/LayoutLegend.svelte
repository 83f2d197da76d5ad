<script lang="ts">
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import type { RooflineLayout } from '$core/drawing/roofline.ts';
	import { hot } from '$store/hot.svelte.ts';
	import { wishes } from '$store/wishes.svelte.ts';
	import { askMoveLayout, askNewRegion, askRenameLayout } from './asking.ts';
	import LayerMark from './LayerMark.svelte';

	interface Props {
		layouts: readonly RooflineLayout[];
		routeCount: number;
		/** A page's mark is dragged: each name is a place to drop it. */
		dragging: boolean;
		point: (layout: string | undefined) => void;
	}
	const { layouts, routeCount, dragging, point }: Props = $props();

	function choose(layout: RooflineLayout, value: string): void {
		const layer = { kind: 'layout', name: layout.name } as const;
		if (value === 'rename') askRenameLayout(layout.name);
		else if (value === 'cover') askMoveLayout(layout.name, layout.at);
		else if (value === 'region') askNewRegion(layout.name);
		else if (value === 'remove') void wishes.make({ kind: 'remove-layout', name: layout.name });
		else if (value === 'nothing') void wishes.make({ kind: 'set-under', layer, under: 'none' });
		else if (value === 'nearest') void wishes.make({ kind: 'set-under', layer, under: undefined });
	}
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
			<Menu
				onSelect={({ value }) => choose(layout, value)}
				positioning={{ placement: 'top-start', strategy: 'fixed' }}
			>
				<Menu.Trigger class="layout-name">
					<LayerMark mark={layout.mark} />
					<span class="mono">{layout.name}</span>
					<span class="small at">{layout.at}</span>
				</Menu.Trigger>
				<Menu.Positioner>
					<Menu.Content class="menu">
						<Menu.Item class="menu-item" value="rename"
							><Menu.ItemText>Rename …</Menu.ItemText></Menu.Item
						>
						<Menu.Item class="menu-item" value="cover"
							><Menu.ItemText>Let it cover another branch …</Menu.ItemText></Menu.Item
						>
						<Menu.Item class="menu-item" value="region"
							><Menu.ItemText>Add a region …</Menu.ItemText></Menu.Item
						>
						<Menu.Item class="menu-item" value="nothing"
							><Menu.ItemText>Let it sit under nothing</Menu.ItemText></Menu.Item
						>
						<Menu.Item class="menu-item" value="nearest"
							><Menu.ItemText>Let it sit under what covers it</Menu.ItemText></Menu.Item
						>
						<Menu.Item class="menu-item" value="remove"
							><Menu.ItemText>Remove</Menu.ItemText></Menu.Item
						>
					</Menu.Content>
				</Menu.Positioner>
			</Menu>
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
