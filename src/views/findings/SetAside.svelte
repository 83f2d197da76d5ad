<script lang="ts">
	import { allowWords } from '$core/check/allowances.ts';
	import type { AllowRef } from '$core/model/command.ts';
	import { commands } from '$store/commands.svelte.ts';

	/** Sets findings of a kind aside, in the text and with a reason. */
	const { code, allowIn }: { code: string; allowIn: readonly AllowRef[] } = $props();

	let open = $state(false);
	let chosen = $state(0);
	let reason = $state('');
	let refused = $state('');

	async function set(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		const where = allowIn[chosen];
		if (!where) return;
		refused = (await commands.attempt({ kind: 'set-aside', code, in: where, reason })) ?? '';
		if (refused === '') open = false;
	}
</script>

{#if !open}
	<button class="act" onclick={() => (open = true)}>Ignore, with a reason …</button>
{:else}
	<form onsubmit={(event) => void set(event)}>
		<label class="small">
			for
			<select class="field" bind:value={chosen}>
				{#each allowIn as ref, index (index)}<option value={index}>{allowWords(ref)}</option>{/each}
			</select>
		</label>
		<label class="small reason">
			because
			<input
				class="field"
				bind:value={reason}
				{@attach (field) => field.focus()}
				placeholder="why this is intended"
				required
			/>
		</label>
		<button class="act" type="submit">Ignore</button>
		<button class="act" type="button" onclick={() => (open = false)}>Cancel</button>
		{#if refused}<p class="refused" role="alert">{refused}</p>{/if}
	</form>
{/if}

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 10px;
		align-items: center;
	}
	.reason .field {
		width: 240px;
	}
	.refused {
		flex-basis: 100%;
		color: var(--fault);
	}
</style>
