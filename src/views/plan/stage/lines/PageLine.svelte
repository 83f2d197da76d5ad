<script lang="ts">
	import type { RooflineLayout } from '$core/view-models/roofline.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import type { PageView } from '$workers/messages.ts';
	import LayerMark from '$views/shell/marks/LayerMark.svelte';
	import LongSelect from '$views/shell/controls/LongSelect.svelte';
	import Term from '$views/shell/marks/Term.svelte';
	import TrialMenu from '$views/trial/TrialMenu.svelte';
	import { choice } from '../../choice.svelte.ts';
	import UnderMenu from '../../roofline/UnderMenu.svelte';

	interface Props {
		page: PageView;
		layouts: readonly RooflineLayout[];
		/** All pages of the site, to come from. */
		pages: readonly string[];
		comingFrom: string;
		underOpen: boolean;
	}
	let { page, layouts, pages, comingFrom = $bindable(), underOpen = $bindable() }: Props = $props();

	const marks = $derived(new Map(layouts.map((layout) => [layout.name, layout.mark])));
	const others = $derived(pages.filter((one) => one !== page.page));
	const isRoute = $derived(page.page.startsWith('/'));
	const layer = $derived({ kind: isRoute ? 'route' : 'state', name: page.page } as const);
	const isLayer = $derived(choice.subject.kind === 'layer' ? choice.subject.layer.name : undefined);
</script>

<div class="line" class:several={page.addresses.length > 1}>
	<button
		class="mono name"
		class:at={isLayer === page.page}
		title="{page.page}: its title, its pages and what it sits under"
		onclick={() => choice.pickLayer(layer)}>{page.page}</button
	>
	<span class="small words">
		{#if page.chain.length === 0}is <Term word="bare">bare</Term>{:else}<Term word="sits under"
				>under</Term
			>{/if}
	</span>
	{#each page.chain as name (name)}
		<button
			class="mono layer"
			class:at={isLayer === name}
			title="The layout {name}: where it stands and what it says"
			onclick={() => choice.pickLayer({ kind: 'layout', name })}
			><LayerMark mark={marks.get(name)} /><span>{name}</span></button
		>
	{/each}
	<UnderMenu layer={{ kind: isRoute ? 'route' : 'state', name: page.page }} bind:open={underOpen} />
	{#if page.seen.status === 200 && page.seen.stands}
		<span class="closed" role="status"
			>{page.seen.stands} stands here while its data is asked for</span
		>
	{:else if page.seen.status === 503}
		<span class="closed" role="status"
			>503: its data could not be had, so {page.seen.stands ?? 'a plain sentence'} is shown</span
		>
	{:else if page.seen.status === 403}
		<span
			class="closed"
			role="status"
			title="{page.seen.closedBy} lets in only {page.seen.admits.join(', ')}"
			>403: {page.seen.stands ?? 'there is no state denied, so a plain sentence'} is shown to {page
				.seen.role}</span
		>
	{/if}
	<span class="end">
		{#if page.addresses.length > 1}
			<LongSelect
				label="Which of its pages"
				value={page.address}
				options={page.addresses}
				choose={(address) => void store.goTo({ page: page.page, address })}
			/>
		{/if}
		<span data-tour="coming-from">
			<LongSelect
				label="Coming from"
				title="Marks what stays and what is thrown away when a visitor comes from another page"
				value={comingFrom}
				none="from …"
				options={others}
				choose={(name) => (comingFrom = name)}
			/>
		</span>
		<button
			class="field"
			aria-pressed={store.held !== undefined}
			title="Pins a copy of this page, as it is now, next to the one you edit"
			onclick={() => (store.held = store.held ? undefined : page)}
		>
			{store.held ? 'Let go' : 'Hold'}
		</button>
		<button
			class="field"
			aria-pressed={look.overlay}
			title="Which layer each box comes from, and its size"
			onclick={() => (look.overlay = !look.overlay)}>Boxes</button
		>
		<button
			class="field"
			aria-pressed={look.tracks}
			title="Columns and rows of what is chosen, or of the box around it"
			onclick={() => (look.tracks = !look.tracks)}>Tracks</button
		>
		<button
			class="field"
			aria-pressed={look.scrolling}
			title="What sticks, shrinks or is covered as one scrolls, and how far the stage is scrolled"
			onclick={() => (look.scrolling = !look.scrolling)}>Scroll</button
		>
		<TrialMenu />
	</span>
</div>

<style>
	.line {
		container: line / inline-size;
		display: flex;
		align-items: center;
		gap: 6px;
		height: 36px;
		flex: none;
		padding: 0 12px;
		white-space: nowrap;
		overflow: hidden;
	}
	.name,
	.layer {
		min-width: 28px;
		flex: 0 1 auto;
		overflow: hidden;
		text-overflow: ellipsis;
		padding: 2px 3px;
		border-radius: var(--radius);
		border-bottom: 2px solid transparent;
	}
	.name {
		font-weight: 500;
		flex-shrink: 2;
	}
	.name:hover,
	.layer:hover {
		background: var(--cedar-wash);
	}
	.at {
		border-color: var(--cedar);
	}
	.layer {
		display: inline-flex;
		align-items: center;
		gap: 5px;
	}
	.layer span {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.closed {
		color: var(--warn);
		font-size: var(--text-small);
		overflow: hidden;
		text-overflow: ellipsis;
		min-width: 30px;
	}
	.end {
		margin-left: auto;
		display: flex;
		flex: none;
		gap: 4px;
		align-items: center;
	}
	.end :global(.field) {
		padding: 2px 7px;
		font-size: var(--text-small);
	}
	.end :global(select) {
		width: 104px;
	}
	[aria-pressed='true'].field {
		border-color: var(--cedar);
		color: var(--cedar);
	}
	@container line (max-width: 900px) {
		.words {
			display: none;
		}
		/* The page that is chosen among several says its route too. */
		.several .name {
			display: none;
		}
	}
	@container line (max-width: 720px) {
		.name,
		.layer {
			font-size: var(--text-small);
			padding: 2px 0;
		}
		.end :global(select) {
			width: 86px;
		}
		.end :global(.as-written) {
			display: none;
		}
		.end :global([aria-label='Which of its pages']) {
			width: 166px;
			font-size: var(--text-small);
		}
		.end :global(.field) {
			padding: 2px 5px;
		}
	}
</style>
