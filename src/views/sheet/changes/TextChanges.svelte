<script lang="ts">
	import { untrack } from 'svelte';
	import { store } from '$store/site.svelte.ts';
	import { comparing } from '$store/ways/comparing.svelte.ts';
	import ScrollBox from '$views/shell/controls/ScrollBox.svelte';

	/** What the texts of two states differ in, as version control shows it. */

	/** More lines than anyone reads here: the patch has them all. */
	const mostLines = 3000;

	let lines = $state.raw<readonly string[]>([]);
	let leftOut = $state.raw<readonly string[]>([]);
	let done = $state(false);
	let round = 0;

	$effect(() => {
		void [store.site, comparing.before, comparing.after, comparing.file];
		const own = ++round;
		untrack(async () => {
			const { before, after } = await comparing.both();
			const found = before && (await store.core.handingOver.patch(before, after));
			if (own !== round) return;
			lines = found?.text.split('\n').slice(0, -1) ?? [];
			leftOut = found?.leftOut ?? [];
			done = true;
		});
	});

	function kindOf(line: string): string {
		if (/^(diff|---|\+\+\+|new file|deleted file)/.test(line)) return 'file';
		if (line.startsWith('@@')) return 'place';
		if (line.startsWith('+')) return 'came';
		return line.startsWith('-') ? 'went' : 'same';
	}
</script>

<ScrollBox label="Text that changed">
	<div class="text">
		{#if done && lines.length === 0}
			<p class="small">The texts of both are the same.</p>
		{/if}
		<pre class="mono">{#each lines.slice(0, mostLines) as line, index (index)}<span
					class={kindOf(line)}
					>{line}
</span>{/each}</pre>
		{#if lines.length > mostLines}
			<p class="small">
				{lines.length - mostLines} more lines are not shown here; “Save as patch” has all of them.
			</p>
		{/if}
		{#if leftOut.length > 0}
			<p class="small">No text, and another: {leftOut.join(', ')}.</p>
		{/if}
	</div>
</ScrollBox>

<style>
	.text {
		padding: 12px 16px;
	}
	pre {
		font-size: var(--text-code);
		line-height: 1.5;
	}
	span {
		display: block;
	}
	.file {
		font-weight: 600;
	}
	.place {
		color: var(--ink-2);
	}
	.came {
		color: var(--fine);
	}
	.went {
		color: var(--fault);
	}
</style>
