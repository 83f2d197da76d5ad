<script lang="ts">
	import { freshKinds, freshKindOf } from '$core/view-models/material/fresh-story.ts';

	/** When a source is asked again: chosen by what it means, with a number of seconds where one is needed. */
	interface Props {
		/** As it is written: `60s`, or one of the words. */
		fresh: string;
		/** Carries the new value out; gives the sentence of a refusal. */
		take: (value: string) => Promise<string | undefined>;
	}
	const { fresh, take }: Props = $props();

	const id = $props.id();
	let refused = $state('');
	const kind = $derived(freshKindOf(fresh));

	async function send(value: string): Promise<void> {
		refused = value === fresh ? '' : ((await take(value)) ?? '');
	}
</script>

<div class="line">
	<label class="small" for={id}>fresh</label>
	<span class="choice">
		<select
			{id}
			class="field"
			value={kind.word ?? ''}
			onchange={(event) => {
				const select = event.currentTarget;
				void send(select.value || '60s').then(() => (select.value = kind.word ?? ''));
			}}
		>
			{#each freshKinds as one (one.label)}<option value={one.word ?? ''}>{one.label}</option
				>{/each}
		</select>
		{#if kind.word === undefined}
			<input
				class="field mono"
				type="number"
				min="0"
				max="31536000"
				aria-label="Seconds that a copy may be old"
				value={Number.parseInt(fresh, 10)}
				onchange={(event) => void send(`${event.currentTarget.value}s`)}
			/> s
		{/if}
	</span>
</div>
{#if refused}<p class="small refused" role="alert">{refused}</p>{:else}<p class="small">
		{kind.says}
	</p>{/if}

<style>
	.line {
		display: grid;
		grid-template-columns: 44px minmax(0, 1fr);
		gap: 6px;
		align-items: baseline;
	}
	.choice {
		display: flex;
		gap: 4px;
		align-items: baseline;
	}
	select {
		flex: 1;
		min-width: 0;
	}
	input {
		width: 72px;
	}
	p {
		padding-left: 50px;
	}
	.refused {
		color: var(--fault);
	}
</style>
