<script lang="ts">
	import { mendProblem } from '$store/mend.ts';
	import type { ProblemView } from '$workers/messages.ts';

	interface Props {
		problems: readonly ProblemView[];
		current: boolean;
		/** Called when the user picks a problem; without it, problems link to the source. */
		pick?: (problem: ProblemView) => void;
	}
	const { problems, current, pick }: Props = $props();

	const errors = $derived(problems.filter((problem) => problem.severity === 'error'));
	const most = 4;
</script>

<div class="problems" role="status" aria-label="Errors in the source">
	{#if !current}
		<p class="small">
			The drawings show the site as it was before {errors.length === 1
				? 'this error'
				: 'these errors'}.
		</p>
	{/if}
	<ul>
		{#each errors.slice(0, most) as problem (`${problem.file} ${problem.from} ${problem.code} ${problem.sentence}`)}
			<li>
				{#if pick}
					<button class="mono place" onclick={() => pick(problem)}>
						{problem.file}:{problem.line}:{problem.column}
					</button>
				{:else}
					<a class="mono place" href="/source?file={problem.file}&at={problem.from}">
						{problem.file}:{problem.line}:{problem.column}
					</a>
				{/if}
				<span>{problem.sentence}</span>
				{#if problem.mend}
					{@const mend = problem.mend}
					<button class="act" onclick={() => void mendProblem(mend)}>{mend.label}</button>
				{/if}
			</li>
		{/each}
	</ul>
	{#if errors.length > most}
		<p class="small">and {errors.length - most} more</p>
	{/if}
</div>

<style>
	.problems {
		background: var(--fault-wash);
		border-bottom: 1px solid var(--hair);
		padding: 6px 16px;
	}
	li {
		display: flex;
		gap: 12px;
		align-items: baseline;
	}
	.place {
		color: var(--fault);
		text-decoration: underline;
		white-space: nowrap;
	}
</style>
