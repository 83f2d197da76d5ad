<script lang="ts" generics="T extends string">
	import { SegmentedControl } from '@skeletonlabs/skeleton-svelte';

	/** One of a few, all of them in sight. */
	interface Props {
		label: string;
		options: readonly { readonly value: T; readonly name: string }[];
		value: T;
		choose: (value: T) => void;
	}
	const { label, options, value, choose }: Props = $props();

	function take(chosen: string | null): void {
		const option = options.find((one) => one.value === chosen);
		if (option) choose(option.value);
	}
</script>

<SegmentedControl {value} onValueChange={(details) => take(details.value)} class="choices">
	<SegmentedControl.Label class="small">{label}</SegmentedControl.Label>
	<SegmentedControl.Control class="choices-all">
		{#each options as option (option.value)}
			<SegmentedControl.Item value={option.value} class="choices-one">
				<SegmentedControl.ItemText>{option.name}</SegmentedControl.ItemText>
				<SegmentedControl.ItemHiddenInput />
			</SegmentedControl.Item>
		{/each}
	</SegmentedControl.Control>
</SegmentedControl>

<style>
	:global(.choices) {
		display: flex;
		flex-direction: row;
		width: auto;
		align-items: center;
		gap: 7px;
	}
	:global(.choices-all) {
		display: flex;
		width: auto;
		gap: 0;
		padding: 0;
		border: 1px solid var(--hair);
		border-radius: var(--radius);
		background: var(--sheet);
		overflow: hidden;
	}
	:global(.choices-one) {
		min-height: 0;
		padding: 3px 9px;
		font-size: var(--text);
		line-height: 1.45;
		cursor: pointer;
		border-radius: 0;
		color: var(--ink-2);
	}
	:global(.choices-one[data-state='checked']) {
		background: var(--ink);
		color: var(--sheet);
	}
	:global(.choices-one[data-focus-visible]) {
		outline: 2px solid var(--cedar);
		outline-offset: -2px;
	}
</style>
