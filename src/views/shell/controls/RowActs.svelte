<script lang="ts">
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import { MediaQuery } from 'svelte/reactivity';
	import type { RowAct } from './row-act.ts';

	/**
	 * What can be done with a row of a list, so that a long list is not full of verbs: in sight while
	 * the row (an element with `data-row`) is pointed at or has the focus, and in a menu where nothing
	 * can be pointed at.
	 */
	interface Props {
		/** What the row is about. */
		of: string;
		acts: readonly RowAct[];
	}
	const { of, acts }: Props = $props();

	/** Its menu has been opened: what is in it is made then, since there are many rows. */
	let isMade = $state(false);
	const touched = new MediaQuery('(hover: none)');
</script>

{#if touched.current}
	<Menu
		onOpenChange={({ open }) => (isMade ||= open)}
		onSelect={({ value }) => acts.find(({ name }) => name === value)?.run()}
		positioning={{ placement: 'bottom-end', strategy: 'fixed' }}
	>
		<Menu.Trigger class="act small" aria-label="What can be done with {of}">⋯</Menu.Trigger>
		<Menu.Positioner>
			<Menu.Content class="menu">
				{#each isMade ? acts : [] as { name } (name)}
					<Menu.Item class="menu-item" value={name}><Menu.ItemText>{name}</Menu.ItemText></Menu.Item
					>
				{/each}
			</Menu.Content>
		</Menu.Positioner>
	</Menu>
{:else}
	<span class="acts">
		{#each acts as { name, title, run } (name)}
			<button class="act small" {title} onclick={run}
				>{name}<span class="unseen"> {of}</span></button
			>
		{/each}
	</span>
{/if}

<style>
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		opacity: 0;
		transition: opacity var(--move);
	}
	:global([data-row]:is(:hover, :focus-within)) .acts {
		opacity: 1;
	}
</style>
