<script lang="ts">
	import type { Misfit } from '$core/check/fit/misfits.ts';
	import { misfitWords } from '$core/check/fit/misfits.ts';
	import { sweepFrom, sweepTo } from '$core/geometry/widths/jumps.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { windowed } from '$views/shell/windowed.ts';

	/** All routes over the same widths, the worst first: where what is in them does not fit. */
	interface Props {
		pages: readonly string[];
		/** What does not fit of each, as far as they have been measured. */
		misfits: ReadonlyMap<string, readonly Misfit[]>;
		/** The same by guesses, for those that are not measured yet. */
		roughly: ReadonlyMap<string, readonly Misfit[]>;
		current: string;
		go: (page: string, width: number | undefined) => void;
	}
	const { pages, misfits, roughly, current, go }: Props = $props();

	const rowHeight = 24;
	let scrolled = $state(0);
	let height = $state(200);

	/** px of widths at which something does not fit. */
	function badness(page: string): number {
		return (misfits.get(page) ?? roughly.get(page) ?? []).reduce(
			(sum, { from, to }) => sum + to - from + 1,
			0
		);
	}

	const ordered = $derived([...pages].sort((a, b) => badness(b) - badness(a)));
	const shown = $derived(windowed(ordered.length, rowHeight, scrolled, height));
	const bad = $derived(ordered.filter((page) => badness(page) > 0).length);
	const at = $derived(share(Math.max(sweepFrom, Math.min(sweepTo, look.width))));

	function share(width: number): number {
		return ((width - sweepFrom) / (sweepTo - sweepFrom)) * 100;
	}
</script>

<section aria-label="All routes over the same widths">
	<p class="cap" aria-live="polite">
		all routes over the same widths, the worst first:
		{bad === 0
			? 'everything fits, as far as is known'
			: `on ${bad} of them something does not fit`}{misfits.size < pages.length
			? `; ${misfits.size} of ${pages.length} measured, the others are estimated and drawn lighter`
			: ''}
	</p>
	<div
		class="all"
		bind:clientHeight={height}
		onscroll={(event) => (scrolled = event.currentTarget.scrollTop)}
	>
		<div style:height="{shown.before}px"></div>
		{#each ordered.slice(shown.from, shown.to) as page (page)}
			{@const found = misfits.get(page) ?? roughly.get(page)}
			<button
				class="strip"
				class:current={page === current}
				style:height="{rowHeight}px"
				title={found?.map(misfitWords).join(' ') ||
					(found ? `${page} fits at every width` : `${page} is not looked at yet`)}
				onclick={() => go(page, found?.[0]?.from)}
			>
				<span class="mono name">{page}</span>
				<span class="line" class:open={!found} class:estimated={!misfits.has(page)}>
					{#each found ?? [] as { from, to, key, by } (`${key} ${from} ${by}`)}
						<i style:left="{share(from)}%" style:width="max(3px, {share(to + 1) - share(from)}%)"
						></i>
					{/each}
					<b style:left="{at}%"></b>
				</span>
			</button>
		{/each}
		<div style:height="{shown.after}px"></div>
	</div>
</section>

<style>
	section {
		display: flex;
		flex-direction: column;
		height: 30%;
		min-height: 120px;
		border-top: 1px solid var(--hair);
		padding-top: 6px;
	}
	p {
		padding: 0 16px 4px;
	}
	.all {
		flex: 1;
		min-height: 0;
		overflow-y: auto;
	}
	.strip {
		display: flex;
		align-items: center;
		width: 100%;
		padding: 0 14px 0 16px;
		text-align: left;
	}
	.strip:hover,
	.current {
		background: var(--sunk);
	}
	.name {
		flex: none;
		width: 170px;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.line {
		position: relative;
		flex: 1;
		height: 12px;
		background: color-mix(in srgb, var(--fine) 17%, var(--sheet));
	}
	/* What is not measured yet is neither fine nor wrong. */
	.open {
		background: repeating-linear-gradient(-45deg, var(--hair) 0 2px, transparent 2px 6px);
	}
	.estimated {
		opacity: 0.5;
	}
	.line i {
		position: absolute;
		top: 0;
		bottom: 0;
		background: var(--fault);
	}
	.line b {
		position: absolute;
		top: -6px;
		bottom: -6px;
		width: 1px;
		background: var(--cedar);
	}
</style>
