<script lang="ts">
	import { store } from '$store/site.svelte.ts';
	import ProblemList from '$views/shell/ProblemList.svelte';
	import CrossSection from './CrossSection.svelte';
	import PageLine from './PageLine.svelte';
	import Roofline from './Roofline.svelte';
	import Stage from './Stage.svelte';

	const { site, page } = $derived(store);
</script>

{#if site}
	<div class="plan">
		<Roofline roofline={site.roofline} chosen={page?.page} />
		<section class="work" aria-label="Page">
			{#if site.problems.some((problem) => problem.severity === 'error')}
				<ProblemList problems={site.problems} current={site.current} />
			{/if}
			{#if page}
				<PageLine {page} layouts={site.roofline.layouts} />
				<Stage {page} bands={site.bands} />
				<CrossSection section={page.section} />
			{:else}
				<p class="empty">
					This site has no page yet. Write a route in <a class="act" href="/source">Source</a>.
				</p>
			{/if}
		</section>
	</div>
{/if}

<style>
	.plan {
		display: grid;
		grid-template-columns: 326px minmax(0, 1fr);
		height: 100%;
	}
	.work {
		display: flex;
		flex-direction: column;
		min-width: 0;
		min-height: 0;
	}
	.empty {
		padding: 24px;
	}
</style>
