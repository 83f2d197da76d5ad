<script lang="ts">
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import type { Snippet } from 'svelte';
	import type { RooflineLayout } from '$core/drawing/roofline.ts';
	import { wishes } from '$store/wishes.svelte.ts';
	import { askMoveLayout, askNewRegion, askRenameLayout } from '../asking.ts';

	/** What can be done with a layout. A site may have many, so each menu is made when it is first opened. */
	const { layout, children }: { layout: RooflineLayout; children: Snippet } = $props();

	const deeds = [
		{ value: 'rename', says: 'Rename …' },
		{ value: 'cover', says: 'Let it cover another branch …' },
		{ value: 'region', says: 'Add a region …' },
		{ value: 'nothing', says: 'Let it sit under nothing' },
		{ value: 'nearest', says: 'Let it sit under what covers it' },
		{ value: 'remove', says: 'Remove' }
	] as const;

	let made = $state(false);

	function choose(value: string): void {
		const layer = { kind: 'layout', name: layout.name } as const;
		if (value === 'rename') askRenameLayout(layout.name);
		else if (value === 'cover') askMoveLayout(layout.name, layout.at);
		else if (value === 'region') askNewRegion(layout.name);
		else if (value === 'remove') void wishes.make({ kind: 'remove-layout', name: layout.name });
		else if (value === 'nothing') void wishes.make({ kind: 'set-under', layer, under: 'none' });
		else if (value === 'nearest') void wishes.make({ kind: 'set-under', layer, under: undefined });
	}
</script>

{#if made}
	<Menu
		defaultOpen
		onSelect={({ value }) => choose(value)}
		positioning={{ placement: 'top-start', strategy: 'fixed' }}
	>
		<Menu.Trigger class="layout-name">{@render children()}</Menu.Trigger>
		<Menu.Positioner>
			<Menu.Content class="menu">
				{#each deeds as { value, says } (value)}
					<Menu.Item class="menu-item" {value}><Menu.ItemText>{says}</Menu.ItemText></Menu.Item>
				{/each}
			</Menu.Content>
		</Menu.Positioner>
	</Menu>
{:else}
	<button
		class="layout-name"
		aria-haspopup="menu"
		aria-expanded="false"
		onclick={() => (made = true)}>{@render children()}</button
	>
{/if}
