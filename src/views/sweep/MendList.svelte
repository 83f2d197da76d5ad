<script lang="ts">
	import { misfitWords } from '$core/check/fit/misfits.ts';
	import type { Mend } from './sweep.svelte.ts';

	/** What would make things fit: each was tried, and shows what it changes before it is made. */
	interface Props {
		mends: readonly Mend[];
		trying: boolean;
		looked: Mend | undefined;
		look: (mend: Mend | undefined) => void;
		make: (mend: Mend) => void;
		refused: string;
	}
	const { mends, trying, looked, look, make, refused }: Props = $props();
</script>

{#if mends.length > 0 || trying}
	<h2 class="cap">fixes</h2>
	{#if trying && mends.length === 0}<p class="small" aria-live="polite">
			Trying possible fixes …
		</p>{/if}
	{#each mends as mend (mend.label + mend.misfit.key + mend.misfit.from)}
		<button
			class="act mend"
			aria-expanded={looked === mend}
			title={misfitWords(mend.misfit)}
			onclick={() => look(looked === mend ? undefined : mend)}>{mend.label}</button
		>
		{#if looked === mend}
			<div class="change">
				{#each mend.lines as { file, line, before, after } (file)}
					<p class="small mono">{file}, line {line}</p>
					{#each before as text, index (index)}<p class="mono gone">− {text.trim()}</p>{/each}
					{#each after as text, index (index)}<p class="mono come">+ {text.trim()}</p>{/each}
				{/each}
				<p class="small">The chart shows what it would do; how it is now is drawn faintly.</p>
				<button class="primary" onclick={() => make(mend)}>Apply it</button>
				{#if refused}<p class="refused" role="alert">{refused}</p>{/if}
			</div>
		{/if}
	{/each}
{/if}

<style>
	.mend {
		display: block;
		text-align: left;
	}
	.change {
		margin: 2px 0 10px 4px;
		padding: 8px 10px;
		background: var(--sheet);
		border: 1px solid var(--hair);
	}
	.change p {
		overflow-wrap: anywhere;
	}
	h2 {
		margin: 12px 0 3px;
	}
	.gone {
		color: var(--fault);
	}
	.come {
		color: var(--fine);
	}
	.primary {
		margin-top: 6px;
	}
	.refused {
		color: var(--fault);
	}
</style>
