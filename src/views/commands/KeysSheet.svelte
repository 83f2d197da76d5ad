<script lang="ts">
	import Question from '$views/shell/dialogs/Question.svelte';
	import { keyGroups } from './keys.ts';
	import ScrollBox from '$views/shell/ScrollBox.svelte';

	/** The keys that work in a view. */
	let { open = $bindable(), view }: { open: boolean; view: string } = $props();

	const groups = $derived(keyGroups.filter(({ views }) => !views || views.includes(view)));
</script>

<Question
	{open}
	title="Keys"
	says="What works here without a pointer."
	onClose={() => (open = false)}
>
	<div class="groups">
		<ScrollBox label="Keys by place">
			{#each groups as group (group.where)}
				<section>
					<h3 class="cap">{group.where}</h3>
					<dl>
						{#each group.keys as [keys, does] (keys)}
							<dt class="mono">{keys}</dt>
							<dd>{does}</dd>
						{/each}
					</dl>
				</section>
			{/each}
		</ScrollBox>
	</div>
</Question>

<style>
	.groups {
		margin-top: 10px;
		display: flex;
		flex-direction: column;
		max-height: 60vh;
	}
	section {
		margin-bottom: 10px;
	}
	dl {
		display: grid;
		grid-template-columns: 190px 1fr;
		gap: 1px 12px;
		margin-top: 3px;
	}
	dt {
		color: var(--cedar);
	}
</style>
