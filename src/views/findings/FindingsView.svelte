<script lang="ts">
	import { goto } from '$app/navigation';
	import { page as address } from '$app/state';
	import { severities, type Severity } from '$core/messages/severity.ts';
	import { sweepFrom, sweepTo } from '$core/geometry/widths/jumps.ts';
	import { counted } from '$core/messages/wording.ts';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { found } from '$store/findings.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import DrawingStyle from '$views/sheet/DrawingStyle.svelte';
	import ControlsLine from '$views/shell/controls/ControlsLine.svelte';
	import TileMark from '$views/shell/marks/TileMark.svelte';
	import type { FindingView } from '$workers/findings.ts';
	import AsideList from './AsideList.svelte';
	import FindingDetail from './FindingDetail.svelte';
	import FindingKind from './FindingKind.svelte';
	import { findingWord, measuredWords } from './finding-words.ts';

	/** What is wrong or doubtful: each with its place, why it matters, and what would mend it. */

	let hidden = $state.raw<ReadonlySet<Severity>>(new Set());

	const view = $derived(found.all);
	const query = $derived(placeQuery(readPlace(address.url)));
	const listed = $derived(view?.findings.filter(({ severity }) => !hidden.has(severity)) ?? []);
	/** Findings by their kind, in the order in which they are listed; one that another explains stands below that. */
	const kinds = $derived.by(() => {
		const known = new Set(listed.map(({ cause }) => cause));
		const byCode = new Map<string, FindingView[]>();
		for (const one of listed) {
			if (one.because !== undefined && known.has(one.because)) continue;
			byCode.set(one.code, [...(byCode.get(one.code) ?? []), one]);
		}
		return [...byCode];
	});
	const following = $derived(
		Map.groupBy(
			listed.filter(({ because }) => because !== undefined),
			({ because }) => because
		)
	);
	const wanted = $derived(address.url.searchParams.get('finding'));
	const chosen = $derived(listed.find((one) => findingWord(one) === wanted) ?? listed[0]);
	const summary = $derived.by(() => {
		if (!view) return 'looking over the site …';
		const words = severities
			.map((severity) => [severity, found.count(severity)] as const)
			.filter(([, count]) => count > 0)
			.map(([severity, count]) => counted(count, severity));
		const nothing = found.allMeasured ? 'nothing found' : 'nothing found so far';
		const all = [
			words.length === 0 ? nothing : words.join(', '),
			...(found.working ? [`looking at page ${found.gone} of ${found.total}`] : []),
			...(found.measuredPages ? [measuredWords(found.measuredPages)] : [])
		];
		return all.join(' · ');
	});

	function choose(finding: FindingView): void {
		const to = new URL(address.url);
		to.searchParams.set('finding', findingWord(finding));
		void goto(to, { replaceState: true, keepFocus: true, noScroll: true });
	}

	function toggle(severity: Severity): void {
		const next = new Set(hidden);
		if (!next.delete(severity)) next.add(severity);
		hidden = next;
	}
</script>

<div class="view">
	<DrawingStyle />
	<ControlsLine {summary}>
		{#each severities as severity (severity)}
			<button
				class="filter"
				aria-pressed={!hidden.has(severity)}
				title={hidden.has(severity) ? `Show ${severity}s` : `Leave out ${severity}s`}
				onclick={() => toggle(severity)}
			>
				<TileMark {severity} />{view ? counted(found.count(severity), severity) : `${severity}s`}
			</button>
		{/each}
		{#if (store.site?.roles.length ?? 0) > 0}
			<a class="act" href="/access?{query}">Who may open what</a>
		{/if}
	</ControlsLine>
	<div class="panes" class:alone={!chosen}>
		<section class="list" aria-label="Findings by kind">
			{#if !view}
				<p class="empty small" role="status">The site is being looked over …</p>
			{:else if kinds.length === 0}
				<p class="empty">
					{#if view.findings.length > 0}
						What is left is of a kind that is not shown: press it above to see it.
					{:else if found.allMeasured}
						Nothing is wrong and nothing is doubtful on any page, measured at every width from
						{sweepFrom} to {sweepTo} px.
					{:else}
						Nothing was found so far. Pages that are not measured yet may still hold something that
						does not fit.
					{/if}
				</p>
			{/if}
			{#each kinds as [code, findings] (code)}
				<FindingKind
					{code}
					{findings}
					{following}
					count={view?.counts[code] ?? findings.length}
					about={view?.about[code]}
					chosen={chosen?.cause}
					{choose}
				/>
			{/each}
			{#if view && view.aside.length > 0}<AsideList aside={view.aside} />{/if}
			{#if view}
				<p class="more small">
					No script of a page runs here. What shows only in a page that is open (contrast over a
					picture, the content of a role, a scroller without a keyboard) is found by
					<span class="mono">npx long-eave check SITE --measure</span>.
				</p>
			{/if}
		</section>
		{#if chosen}
			<section class="detail" aria-label="The finding that is chosen">
				{#key chosen.cause}
					<FindingDetail finding={chosen} about={view?.about[chosen.code]} {listed} {choose} />
				{/key}
			</section>
		{/if}
	</div>
</div>

<style>
	.view {
		height: 100%;
		display: grid;
		grid-template-rows: auto minmax(0, 1fr);
	}
	.panes {
		display: grid;
		grid-template-columns: minmax(380px, 5fr) minmax(420px, 6fr);
		min-height: 0;
	}
	.alone {
		grid-template-columns: minmax(0, 90ch);
	}
	.list,
	.detail {
		min-height: 0;
		overflow: auto;
	}
	.list {
		border-right: 1px solid var(--hair);
		padding-bottom: 24px;
	}
	.filter {
		display: flex;
		align-items: center;
		gap: 6px;
		padding: 3px 8px;
		border: 1px solid var(--hair);
		border-radius: var(--radius);
		background: var(--sheet);
	}
	.filter[aria-pressed='false'] {
		background: none;
		color: var(--ink-2);
		text-decoration: line-through;
	}
	.more {
		margin: 16px 14px;
		color: var(--ink-2);
	}
	.empty {
		padding: 20px 16px;
	}
</style>
