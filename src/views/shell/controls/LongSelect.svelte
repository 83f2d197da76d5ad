<script lang="ts">
	/** One of a list that may have thousands: as a menu while it is short, else typed, with what fits offered. */
	interface Props {
		id?: string;
		label: string;
		title?: string;
		value: string;
		options: readonly string[];
		/** What stands for no choice; without it, there is always one. */
		none?: string;
		choose: (value: string) => void;
	}
	const { id, label, title, value, options, none, choose }: Props = $props();

	const mostInMenu = 300;
	const mostOffered = 60;
	const listId = $props.id();

	let typed = $state<string | undefined>();

	const offered = $derived.by(() => {
		const words = typed ?? '';
		const found: string[] = [];
		for (const option of options) {
			if (option.includes(words)) found.push(option);
			if (found.length === mostOffered) break;
		}
		return found;
	});

	function take(event: Event & { currentTarget: HTMLInputElement }): void {
		const chosen = event.currentTarget.value;
		typed = undefined;
		if (options.includes(chosen) || (chosen === '' && none !== undefined)) choose(chosen);
		else event.currentTarget.value = value;
	}
</script>

{#if options.length <= mostInMenu}
	<select
		{id}
		class="field mono"
		aria-label={label}
		{title}
		{value}
		onchange={(event) => choose(event.currentTarget.value)}
	>
		{#if none !== undefined}<option value="">{none}</option>{/if}
		{#each options as option (option)}
			<option value={option}>{option}</option>
		{/each}
	</select>
{:else}
	<input
		{id}
		class="field mono"
		aria-label={label}
		{title}
		list={listId}
		{value}
		placeholder={none}
		oninput={(event) => (typed = event.currentTarget.value)}
		onchange={take}
	/>
	<datalist id={listId}>
		{#each offered as option (option)}
			<option value={option}></option>
		{/each}
	</datalist>
{/if}

<style>
	select,
	input {
		max-width: 190px;
	}
</style>
