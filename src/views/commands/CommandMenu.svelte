<script lang="ts">
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import { commands } from '$store/commands.svelte.ts';
	import { chosenActs } from './commands.ts';
	import { menu } from './menu.svelte.ts';

	/** What can be done with what is chosen, where it was clicked. */
	const acts = $derived(menu.at ? chosenActs() : []);
</script>

{#if menu.at}
	{@const { x, y } = menu.at}
	<Menu
		open
		aria-label="What can be done here"
		onOpenChange={({ open }) => {
			if (open) return;
			menu.close();
			commands.forget();
		}}
		onSelect={({ value }) => acts[Number(value)]?.run()}
		onHighlightChange={({ highlightedValue }) => {
			const command =
				highlightedValue === null ? undefined : acts[Number(highlightedValue)]?.command;
			if (command) commands.look(command);
			else commands.forget();
		}}
		positioning={{
			strategy: 'fixed',
			placement: 'bottom-start',
			getAnchorRect: () => ({ x, y, width: 0, height: 0 })
		}}
	>
		<Menu.Positioner>
			<Menu.Content class="menu">
				{#each acts as act, index (act.name)}
					<Menu.Item class="menu-item" value={String(index)}>
						<Menu.ItemText>{act.name}</Menu.ItemText>
						{#if act.key}<kbd class="small mono">{act.key}</kbd>{/if}
					</Menu.Item>
				{:else}
					<Menu.Item class="menu-item" value="none" disabled>
						<Menu.ItemText>Nothing can be done with this here.</Menu.ItemText>
					</Menu.Item>
				{/each}
			</Menu.Content>
		</Menu.Positioner>
	</Menu>
{/if}
