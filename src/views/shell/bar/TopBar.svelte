<script lang="ts">
	import { page } from '$app/state';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { found } from '$store/findings.svelte.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { tour } from '$store/ways/tour.svelte.ts';
	import FolderMark from './FolderMark.svelte';
	import KeptSince from './KeptSince.svelte';
	import SeenBy from './SeenBy.svelte';
	import SiteMenu from './SiteMenu.svelte';
	import FindingCounts from './FindingCounts.svelte';
	import { isAt, views } from './views.ts';

	interface Props {
		/** Opens the field that finds everything. */
		find: () => void;
		showKeys: () => void;
	}
	const { find, showKeys }: Props = $props();

	/** Every view is opened at the same page and width. */
	const place = $derived(placeQuery(readPlace(page.url)));
	const lastStep = $derived(store.history.past.at(-1));
	const nextStep = $derived(store.history.future.at(-1));
</script>

<header
	data-gone={found.working ? found.gone : undefined}
	data-measured={found.measuredPages?.gone}
>
	<a class="brand" href="/plan?{place}" aria-label="Long Eave, to the plan">
		<svg width="30" height="20" viewBox="0 0 30 20" aria-hidden="true">
			<path class="eave" d="M1 12 L11 3 L29 9.5" />
			<path class="posts" d="M6 12v7M15 9v10M24 10.5v8.5" />
		</svg>
		<span class="word">Long Eave</span>
	</a>
	<SiteMenu />
	<nav aria-label="Views">
		{#each views as view (view.path)}
			<a
				href="{view.path}?{place}"
				aria-current={isAt(view, page.url.pathname) ? 'page' : undefined}
			>
				{view.name}
				{#if view.path === '/findings'}<FindingCounts />{/if}
			</a>
		{/each}
	</nav>
	<div class="right">
		<SeenBy />
		<button
			class="quiet"
			title="Finds whatever has a name, and whatever can be done (Ctrl+K)"
			onclick={find}>find</button
		>
		<button
			class="quiet"
			disabled={!lastStep}
			title={lastStep ? `Undo: ${lastStep.label} (Ctrl+Z)` : 'Nothing to undo'}
			onclick={() => void store.undo()}>undo</button
		>
		<button
			class="quiet"
			disabled={!nextStep}
			title={nextStep ? `Redo: ${nextStep.label} (Ctrl+Shift+Z)` : 'Nothing to redo'}
			onclick={() => void store.redo()}>redo</button
		>
		<button
			class="quiet"
			aria-pressed={look.mode === 'night'}
			onclick={() => (look.mode = look.mode === 'night' ? 'day' : 'night')}
		>
			{look.mode === 'night' ? 'by day' : 'by night'}
		</button>
		<button
			class="quiet"
			aria-pressed={tour.shown}
			title="Six questions, each answered in the view itself; it is left and taken up as you like"
			onclick={() => (tour.shown ? tour.leave() : tour.take())}>tour</button
		>
		<button
			class="quiet"
			aria-label="Words and keys"
			title="What our words mean, and the keys that work here (?)"
			onclick={showKeys}>?</button
		>
		<FolderMark />
		<KeptSince />
	</div>
</header>

<style>
	header {
		height: var(--bar);
		display: flex;
		align-items: center;
		gap: 14px;
		padding: 0 14px;
		background: var(--sheet);
		border-bottom: 1px solid var(--hair);
		white-space: nowrap;
	}
	.brand {
		display: flex;
		align-items: center;
		gap: 9px;
		font-weight: 700;
		font-stretch: 88%;
		font-size: 15px;
	}
	.eave {
		fill: none;
		stroke: var(--cedar);
		stroke-width: 2.6;
		stroke-linejoin: round;
	}
	.posts {
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	nav {
		display: flex;
		gap: 2px;
		align-self: stretch;
	}
	nav a {
		position: relative;
		display: flex;
		align-items: center;
		padding: 0 10px;
		color: var(--ink-2);
		font-weight: 500;
		border-block: 3px solid transparent;
	}
	nav a[aria-current] {
		color: var(--ink);
		border-bottom-color: var(--cedar);
	}
	.right {
		margin-left: auto;
		display: flex;
		gap: 6px;
		align-items: center;
	}
	.quiet {
		color: var(--ink-2);
		font-size: var(--text-small);
		padding: 4px 6px;
		border-radius: var(--radius);
	}
	.quiet:hover:not(:disabled) {
		color: var(--ink);
		background: var(--paper);
	}
	.quiet:disabled {
		opacity: 0.5;
	}
	/* Where there is little room, what is said elsewhere too gives way. */
	@media (max-width: 1180px) {
		header {
			gap: 8px;
			padding: 0 10px;
		}
		.word {
			display: none;
		}
		nav a {
			padding: 0 7px;
		}
		.right {
			gap: 1px;
		}
		.quiet {
			padding: 4px;
		}
	}
</style>
