<script lang="ts">
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import type { UnderChoice } from '$core/edit/layers/under-choices.ts';
	import type { LayerRef } from '$core/model/command.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';

	interface Props {
		layer: LayerRef;
		open: boolean;
	}
	let { layer, open = $bindable() }: Props = $props();

	let choices = $state.raw<readonly UnderChoice[]>([]);

	$effect(() => {
		if (open) void store.core.answers.underChoices(layer).then((found) => (choices = found));
	});

	function commandFor(value: string) {
		return { kind: 'set-under', layer, under: value === 'nearest' ? undefined : value } as const;
	}
</script>

<Menu
	{open}
	onOpenChange={(details) => {
		open = details.open;
		if (!open) commands.forget();
	}}
	onSelect={({ value }) => void commands.make(commandFor(value))}
	onHighlightChange={({ highlightedValue }) => {
		if (highlightedValue) commands.look(commandFor(highlightedValue));
		else commands.forget();
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
						{choice.under === 'none' ? 'no layout: let it be bare' : choice.under}
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
