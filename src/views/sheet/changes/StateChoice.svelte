<script lang="ts">
	import { counted } from '$core/messages/wording.ts';
	import { states } from '$store/states.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { comparing, type Compared } from '$store/ways/comparing.svelte.ts';

	/** One of the states that can be compared: as it is now, a kept one, one before a step, or a file. */
	let { value = $bindable() }: { value: Compared } = $props();

	/** Steps that one can go back by in the menu. */
	const mostOffered = 60;

	const steps = $derived(
		store.history.past
			.slice(-mostOffered)
			.toReversed()
			.map(({ label }, index) => ({ steps: index + 1, label }))
	);
</script>

<select class="field" bind:value>
	<option value="now">as it is now</option>
	{#if comparing.file}<option value="file">{comparing.file.name}</option>{/if}
	{#if states.all.length > 0}
		<optgroup label="Kept states">
			{#each states.all as { id, name, at } (id)}
				<option value="state {id}">{name}, {new Date(at).toLocaleString()}</option>
			{/each}
		</optgroup>
	{/if}
	{#if steps.length > 0}
		<optgroup label="Steps">
			{#each steps as { steps: count, label } (count)}
				<option value="step {count}">before “{label}”, {counted(count, 'step')} back</option>
			{/each}
		</optgroup>
	{/if}
</select>

<style>
	select {
		max-width: 230px;
	}
</style>
