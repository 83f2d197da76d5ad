<script lang="ts">
	import { counted } from '$core/messages/wording.ts';
	import { commands } from '$store/commands.svelte.ts';
	import TileMark from '$views/shell/marks/TileMark.svelte';
	import type { AboutView, FindingView } from '$workers/findings.ts';
	import FindingRow from './FindingRow.svelte';

	/** All findings of one kind, with what should be so. */
	interface Props {
		code: string;
		findings: readonly FindingView[];
		/** What each explains, by its cause. */
		following: ReadonlyMap<string | undefined, readonly FindingView[]>;
		/** How many there are, also those that are not listed. */
		count: number;
		about: AboutView | undefined;
		chosen: string | undefined;
		choose: (finding: FindingView) => void;
	}
	const { code, findings, following, count, about, chosen, choose }: Props = $props();

	const most = 12;
	let open = $state(false);
	const shown = $derived(open ? findings : findings.slice(0, most));
	const mends = $derived(findings.flatMap(({ mend }) => (mend ? [mend.command] : [])));
	const explained = $derived(findings.flatMap(({ cause }) => following.get(cause) ?? []).length);

	async function mendAll(): Promise<void> {
		await commands.make({
			kind: 'several',
			label: `Fix ${counted(mends.length, 'finding')}: ${code}`,
			commands: mends
		});
	}
</script>

<section class="kind" aria-label={code}>
	<h2>
		{#if findings[0]}<TileMark severity={findings[0].severity} />{/if}
		{#if about}<span class="what" title={about.what}>{about.what}</span>{/if}
		{#if count > 1}<span class="small">{count}</span>{/if}
		<span class="mono small">{code}</span>
		{#if mends.length > 1}
			<button
				class="act"
				title="All {mends.length} fixes in one step, which undo takes back"
				onclick={() => void mendAll()}>Fix all {mends.length}</button
			>
		{/if}
	</h2>
	<ul>
		{#each shown as finding (finding.cause)}
			<li><FindingRow {finding} chosen={finding.cause === chosen} {choose} /></li>
			{#each following.get(finding.cause) ?? [] as next (next.cause)}
				<li class="following">
					<FindingRow finding={next} chosen={next.cause === chosen} {choose} because />
				</li>
			{/each}
		{/each}
	</ul>
	{#if findings.length > most}
		<button class="act more" aria-expanded={open} onclick={() => (open = !open)}>
			{open ? 'Show fewer' : `Show all ${findings.length}`}
		</button>
	{/if}
	{#if count > findings.length + explained && findings.length >= most}
		<p class="small more">
			{counted(count - findings.length, 'more finding')} of this kind not listed.
		</p>
	{/if}
</section>

<style>
	.kind {
		padding: 8px 0 3px;
		border-bottom: 1px solid var(--hair);
	}
	h2 {
		display: flex;
		align-items: baseline;
		gap: 8px;
		padding: 0 16px;
	}
	h2 .small {
		flex: none;
	}
	h2 .act {
		margin-left: auto;
		flex: none;
		font-size: var(--text-small);
	}
	.what {
		min-width: 0;
		font-weight: 600;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.more {
		padding: 0 16px 3px 37px;
	}
	.following {
		margin-left: 18px;
		border-left: 1px solid var(--rule);
	}
</style>
