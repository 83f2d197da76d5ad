<script lang="ts">
	import Question from '$views/shell/dialogs/Question.svelte';
	import { keyGroups } from './keys.ts';
	import { glossary } from '$core/view-models/words/glossary.ts';
	import { help } from '$store/ways/help.svelte.ts';
	import TermDrawing from '$views/shell/marks/TermDrawing.svelte';
	import ScrollBox from '$views/shell/controls/ScrollBox.svelte';

	/** The keys that work in a view, and the words that are ours. */
	const { view }: { view: string } = $props();

	const groups = $derived(keyGroups.filter(({ views }) => !views || views.includes(view)));
</script>

<Question
	open={help.shown}
	room="broad"
	title="Words and keys"
	says="What our own words mean, and what works here without a pointer."
	onClose={() => (help.shown = false)}
>
	<div class="groups">
		<ScrollBox label="Words and keys by place">
			<section>
				<h3 class="cap">Words</h3>
				<dl class="words">
					{#each glossary as { word, means } (word)}
						<dt><TermDrawing {word} />{word}</dt>
						<dd>{means}</dd>
					{/each}
				</dl>
			</section>
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
	.words {
		grid-template-columns: 190px 1fr;
		align-items: center;
		gap: 6px 12px;
	}
	dt {
		font-weight: 500;
	}
	.words dt {
		display: flex;
		gap: 10px;
		align-items: center;
	}
</style>
