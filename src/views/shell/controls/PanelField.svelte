<script lang="ts">
	interface Props {
		label: string;
		value: string;
		/** Carries the new value out; gives the sentence of a refusal, which is shown below the field. */
		take: (value: string) => Promise<string | undefined>;
		mono?: boolean;
		placeholder?: string;
		/** What can stand there, to choose from. */
		options?: readonly string[];
		hint?: string;
	}
	const { label, value, take, mono = false, placeholder, options, hint }: Props = $props();

	const id = $props.id();
	let refused = $state('');

	$effect(() => {
		void value;
		refused = '';
	});

	async function send(text: string): Promise<void> {
		refused = text === value ? '' : ((await take(text)) ?? '');
	}

	/** Enter takes it, Escape leaves it as it was. */
	function onKey(event: KeyboardEvent & { currentTarget: HTMLInputElement }): void {
		if (event.key === 'Enter') event.currentTarget.blur();
		else if (event.key === 'Escape') event.currentTarget.value = value;
	}
</script>

<div class="line">
	<label class="small" for={id}>{label}</label>
	{#if options}
		<select
			{id}
			class="field"
			class:mono
			{value}
			onchange={(event) => {
				const select = event.currentTarget;
				void send(select.value).then(() => (select.value = value));
			}}
		>
			{#each options as option (option)}<option value={option}>{option || placeholder}</option
				>{/each}
		</select>
	{:else}
		<input
			{id}
			class="field"
			class:mono
			{value}
			{placeholder}
			onkeydown={onKey}
			onchange={(event) => void send(event.currentTarget.value.trim())}
		/>
	{/if}
</div>
{#if refused}<p class="small refused" role="alert">{refused}</p>{:else if hint}<p
		class="small hint"
	>
		{hint}
	</p>{/if}

<style>
	.line {
		display: grid;
		grid-template-columns: 74px minmax(0, 1fr);
		align-items: center;
		gap: 6px;
		margin-top: 4px;
	}
	.field {
		width: 100%;
		min-width: 0;
		padding: 2px 6px;
		font-size: 12px;
	}
	p {
		padding-left: 80px;
		line-height: 1.3;
	}
	.refused {
		color: var(--fault);
	}
</style>
