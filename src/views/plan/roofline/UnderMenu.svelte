<script lang="ts">
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import type { UnderChoice } from '$core/edit/layers/under-choices.ts';
	import type { LayerRef } from '$core/model/wish.ts';
	import { store } from '$store/site.svelte.ts';
	import { wishes } from '$store/wishes.svelte.ts';

	interface Props {
		layer: LayerRef;
		open: boolean;
	}
	let { layer, open = $bindable() }: Props = $props();

	let choices = $state.raw<readonly UnderChoice[]>([]);

	$effect(() => {
		if (open) void store.core.underChoices(layer).then((found) => (choices = found));
	});

	function wishFor(value: string) {
		return { kind: 'set-under', layer, under: value === 'nearest' ? undefined : value } as const;
	}
</script>

<Menu
	{open}
	onOpenChange={(details) => {
		open = details.open;
		if (!open) wishes.forget();
	}}
	onSelect={({ value }) => void wishes.make(wishFor(value))}
	onHighlightChange={({ highlightedValue }) => {
		if (highlightedValue) wishes.look(wishFor(highlightedValue));
		else wishes.forget();
	}}
	positioning={{ placement: 'bottom-start', strategy: 'fixed' }}
>
	<Menu.Trigger class="act" title="Change what it sits under (U in the roofline)"
		>change</Menu.Trigger
	>
	<Menu.Positioner>
		<Menu.Content class="menu">
			{#each choices as choice (choice.under)}
				<Menu.Item class="menu-item" value={choice.under} disabled={choice.refused !== undefined}>
					<Menu.ItemText>
						{choice.under === 'none' ? 'nothing: let it be bare' : choice.under}
					</Menu.ItemText>
					{#if choice.now}<span class="small">now</span>{/if}
					{#if choice.refused}<span class="small">{choice.refused}</span>{/if}
				</Menu.Item>
			{/each}
			<Menu.Item class="menu-item" value="nearest">
				<Menu.ItemText>whatever covers it</Menu.ItemText>
			</Menu.Item>
		</Menu.Content>
	</Menu.Positioner>
</Menu>
