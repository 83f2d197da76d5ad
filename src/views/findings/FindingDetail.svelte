<script lang="ts">
	import { page as address } from '$app/state';
	import { counted } from '$core/messages/wording.ts';
	import { clampWidth, placeQuery, readPlace } from '$store/address.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { choice } from '$views/plan/choice.svelte.ts';
	import TileMark from '$views/shell/marks/TileMark.svelte';
	import type { AboutView, FindingView } from '$workers/findings.ts';
	import { pageWords, widthOf, widthWords } from './finding-words.ts';
	import MendLook from './MendLook.svelte';
	import SetAside from './SetAside.svelte';
	import WhereDrawing from './WhereDrawing.svelte';
	import WidthStrip from './WidthStrip.svelte';

	/** All that is said of one finding, and what can be done about it. */
	interface Props {
		finding: FindingView;
		about: AboutView | undefined;
		listed: readonly FindingView[];
		choose: (finding: FindingView) => void;
	}
	const { finding, about, listed, choose }: Props = $props();

	const mostPages = 12;
	const first = $derived(finding.on[0]);
	const width = $derived(widthOf(finding) ?? look.width);
	const reason = $derived(listed.find(({ cause }) => cause === finding.because));
	const brings = $derived(listed.filter(({ because }) => because === finding.cause));
	const query = $derived(placeQuery(readPlace(address.url)));

	/** A page on the stage, at a width where it is so. */
	function linkTo(page: string): string {
		const request = { page, address: undefined };
		const at = { width: clampWidth(width), height: look.height };
		return `/plan?${placeQuery({ request, ...store.seeing, ...at })}`;
	}

	/** The region is chosen there. */
	function go(page: string): void {
		const on = finding.on.find((one) => one.page === page);
		look.width = clampWidth(width);
		if (on?.box?.layout !== undefined) {
			const { layout, region } = on.box;
			choice.wanted = { kind: 'layout', layer: layout, region, piece: undefined };
		}
		void store.goTo({ page, address: undefined });
	}
</script>

<article>
	<p class="kind">
		<TileMark severity={finding.severity} /> <span class="small">{finding.severity}</span>
	</p>
	<h2>{finding.sentence}</h2>
	{#if about}<p class="why">{about.what} {about.why}</p>{/if}
	<p>
		<span class="mono small code">{finding.code}</span>
		<a class="mono place" href="/source?file={finding.file}&at={finding.from}&{query}"
			>{finding.file}, line {finding.line}</a
		>
		{#if finding.on.length > 0}
			<span class="small"
				>{pageWords(finding)}, {widthWords(first?.widths ?? [])}{finding.estimated
					? '; by guessed sizes'
					: ''}</span
			>
		{/if}
	</p>
	{#if reason}
		<p class="small">
			It follows from <button class="act" onclick={() => choose(reason)}>{reason.sentence}</button>
		</p>
	{/if}
	{#if brings.length > 0}
		<p class="small">
			{brings.length === 1 ? 'Another finding follows' : `${brings.length} other findings follow`} from
			it, and would go with it.
		</p>
	{/if}
	<div class="actions">
		{#if first}<a class="primary" href={linkTo(first.page)} onclick={() => go(first.page)}
				>Show on the page</a
			>{/if}
		{#if finding.allowIn.length > 0}<SetAside code={finding.code} allowIn={finding.allowIn} />{/if}
	</div>
	{#if finding.mend}
		<MendLook code={finding.code} mend={finding.mend} page={first?.page ?? ''} {width} />
	{:else if first}
		<WhereDrawing page={first.page} box={first.box} {width} />
	{/if}
	{#if first && first.widths.length > 0}
		<h3 class="cap">at which widths</h3>
		<WidthStrip widths={first.widths} named />
	{/if}
	{#if finding.on.length > 0}
		<h3 class="cap">{finding.pages === 1 ? 'the page' : counted(finding.pages, 'page')}</h3>
		<ul class="pages">
			{#each finding.on.slice(0, mostPages) as on (on.page)}
				<li>
					<a
						class="act mono"
						title="Show {on.page}"
						href={linkTo(on.page)}
						onclick={() => go(on.page)}>{on.page}</a
					>
					{#if on.widths.length > 0}<span class="widths"><WidthStrip widths={on.widths} /></span
						>{/if}
				</li>
			{/each}
		</ul>
		{#if finding.pages > mostPages}<p class="small">and {finding.pages - mostPages} more</p>{/if}
	{/if}
</article>

<style>
	article {
		padding: 14px 20px 30px;
		max-width: 860px;
	}
	.kind {
		display: flex;
		align-items: center;
		gap: 8px;
	}
	h2 {
		margin: 4px 0 6px;
		font-size: 16px;
		font-weight: 600;
		overflow-wrap: anywhere;
	}
	.why {
		max-width: 70ch;
		color: var(--ink-2);
		margin-bottom: 6px;
	}
	.code {
		margin-right: 10px;
	}
	.place {
		text-decoration: underline;
		margin-right: 10px;
	}
	.actions {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 14px;
		align-items: flex-start;
		margin: 12px 0;
	}
	h3 {
		margin: 16px 0 4px;
	}
	.pages li {
		display: flex;
		align-items: center;
		gap: 14px;
	}
	.pages .act {
		min-width: 200px;
		text-align: left;
		overflow-wrap: anywhere;
	}
	.widths {
		flex: 1;
		max-width: 260px;
	}
</style>
