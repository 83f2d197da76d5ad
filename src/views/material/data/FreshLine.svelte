<script lang="ts">
	import { freshKindOf, freshStory } from '$core/view-models/material/fresh-story.ts';

	/**
	 * What a visitor gets over time, if the source changes at 10:00: a value covers the minutes until a newer
	 * one comes.
	 */
	interface Props {
		/** As it is written: `60s`, or one of the words. */
		fresh: string;
		cacheControl: string;
	}
	const { fresh, cacheControl }: Props = $props();

	let second = $state(90);
	let isLost = $state(false);
	const story = $derived(freshStory(fresh, cacheControl, isLost));
	const moment = $derived(story.moments[second]);
	const share = (at: number): string => `${(at / (story.moments.length - 1)) * 100}%`;
</script>

<div class="fresh" role="group" aria-label="Over time">
	<div class="rows" aria-hidden="true">
		<span class="small">source</span>
		<div class="row">
			<i class="old" style:width={share(story.changesAt)}>old</i>
			<i class="new" style:left={share(story.changesAt)}>new from 10:00</i>
		</div>
		{#if freshKindOf(fresh).word === 'notice'}
			<span class="small">notice</span>
			<div class="row">
				{#if story.noticeAt !== undefined}
					<em style:left={share(story.noticeAt)}>given at {story.clock(story.noticeAt)}</em>
				{/if}
			</div>
		{/if}
		<span class="small">page</span>
		<div class="row">
			<i class="old" style:width={share(story.shownFrom ?? story.moments.length - 1)}>old</i>
			{#if story.shownFrom !== undefined}
				<i class="new" style:left={share(story.shownFrom)}
					>new from {story.clock(story.shownFrom)}</i
				>
			{/if}
			{#each story.asks as at (at)}<b style:left={share(at)}></b>{/each}
		</div>
	</div>
	<input
		type="range"
		min="0"
		max={story.moments.length - 1}
		bind:value={second}
		aria-label="The moment of a visit"
		aria-valuetext={story.clock(second)}
	/>
	{#if freshKindOf(fresh).word === 'notice'}
		<label class="small"><input type="checkbox" bind:checked={isLost} /> the notice gets lost</label
		>
	{/if}
	{#if moment}
		<p class="small" aria-live="polite">
			At <b class="mono">{story.clock(second)}</b> the source says <b>{moment.atSource}</b> and the
			page shows <b class:stale={moment.shown !== moment.atSource}>{moment.shown}</b>{moment.age ===
			undefined
				? ''
				: `; its copy is ${Math.round(moment.age)} s old`}{moment.asked === 'not asked'
				? ', and the source is not asked'
				: moment.asked === 'nothing changed'
					? ', and the source, asked, says that nothing changed'
					: ', and the source is asked'}.
		</p>
	{/if}
</div>

<style>
	.fresh {
		margin-top: 10px;
	}
	.rows {
		display: grid;
		grid-template-columns: 52px minmax(0, 1fr);
		gap: 4px 8px;
	}
	.row {
		position: relative;
		height: 20px;
	}
	/* The eave: a value covers what follows until a newer one caps it. */
	i {
		position: absolute;
		top: 4px;
		left: 0;
		right: 0;
		padding: 1px 8px;
		border-top: 2.5px solid var(--rule);
		font-size: var(--text-small);
		font-style: normal;
		color: var(--ink-2);
		background: var(--paper);
		overflow: hidden;
		white-space: nowrap;
	}
	.new {
		border-color: var(--cedar);
		color: var(--cedar);
	}
	.new::before {
		content: '';
		position: absolute;
		left: 0;
		top: -2.5px;
		width: 8px;
		height: 2.5px;
		background: var(--cedar);
		transform: rotate(-35deg);
		transform-origin: left bottom;
	}
	.row b {
		position: absolute;
		bottom: 0;
		width: 1px;
		height: 5px;
		background: var(--ink-2);
	}
	/* A notice falls from the source onto the page. */
	em {
		position: absolute;
		top: 2px;
		padding-left: 8px;
		border-left: 2px solid var(--cedar);
		font-size: var(--text-small);
		font-style: normal;
		color: var(--cedar);
	}
	input[type='range'] {
		width: calc(100% - 60px);
		margin-left: 60px;
		accent-color: var(--cedar);
	}
	.stale {
		color: var(--warn);
	}
</style>
