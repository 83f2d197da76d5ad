<script lang="ts">
	import '../app.css';
	import { afterNavigate, goto, preloadCode } from '$app/navigation';
	import { navigating, page } from '$app/state';
	import { trialWords } from '$core/model/trial.ts';
	import { onMount, untrack, type Snippet } from 'svelte';
	import { readPlace, writePlace, type Place } from '$store/address.ts';
	import { bringsFiles, takeDrop, takePaste } from '$store/files/drop.ts';
	import { clearForgotten } from '$store/keep/kept-sites.ts';
	import { arrangingFrame } from '$store/ways/arranging.svelte.ts';
	import { folder } from '$store/folder/folder.svelte.ts';
	import { found } from '$store/findings.svelte.ts';
	import { help } from '$store/ways/help.svelte.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { quiet, restTime } from '$store/ways/quiet.ts';
	import { start } from '$store/starting.ts';
	import { devices } from '$store/devices.svelte.ts';
	import { sources } from '$store/sources.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { isStopped } from '$workers/link.ts';
	import SkipLinks from '$views/shell/bar/SkipLinks.svelte';
	import TopBar from '$views/shell/bar/TopBar.svelte';
	import { isAt, views } from '$views/shell/bar/views.ts';
	import CommandField from '$views/commands/CommandField.svelte';
	import ActionMenu from '$views/commands/CommandMenu.svelte';
	import KeysSheet from '$views/commands/KeysSheet.svelte';
	import AskDialog from '$views/shell/dialogs/AskDialog.svelte';
	import LaterDialog from '$views/shell/dialogs/LaterDialog.svelte';
	import { later } from '$views/shell/dialogs/later.ts';
	import ConfirmEdit from '$views/shell/dialogs/ConfirmEdit.svelte';
	import Drawing from '$views/shell/Drawing.svelte';
	import MeasuringPages from '$views/shell/MeasuringPages.svelte';
	import TourStrip from '$views/shell/TourStrip.svelte';
	import NoticeLine from '$views/shell/NoticeLine.svelte';

	const { children }: { children: Snippet } = $props();

	const viewName = $derived(
		views.find((view) => isAt(view, page.url.pathname))?.name ?? 'Long Eave'
	);

	onMount(() => {
		look.start();
		const place = readPlace(page.url);
		takeScreen(place);
		store.seenBy = place.role;
		store.trial = place.trial;
		void start(place.request, takeToken())
			.then(clearForgotten)
			.catch(() => undefined);
		const keep = () => store.leavePage();
		// A page that comes back from being put to sleep may be behind another tab.
		const woken = (event: PageTransitionEvent) => {
			if (event.persisted) location.reload();
		};
		// Drawings that waited for what was stopped are drawn when the site is read again.
		const unanswered = (event: PromiseRejectionEvent) => {
			if (isStopped(event.reason)) event.preventDefault();
		};
		addEventListener('unhandledrejection', unanswered);
		addEventListener('pagehide', keep);
		addEventListener('pageshow', woken);
		return () => {
			removeEventListener('unhandledrejection', unanswered);
			removeEventListener('pagehide', keep);
			removeEventListener('pageshow', woken);
		};
	});

	$effect(() => {
		document.documentElement.dataset['mode'] = look.mode;
		look.keep();
	});

	$effect(() => quiet.follow());

	// What other views are made of comes once nobody does anything: they open at once then.
	$effect(() => {
		if (!store.ready) return;
		quiet.stirred();
		const given = new AbortController();
		void quiet.rested(restTime, given.signal).then(async () => {
			for (const { path } of given.signal.aborted ? [] : views) {
				// What does not come now comes when one goes there.
				await preloadCode(path).catch(() => undefined);
			}
			for (const load of given.signal.aborted ? [] : Object.values(later)) {
				await load().catch(() => undefined);
			}
		});
		return () => given.abort();
	});

	// The address follows what is shown …
	$effect(() => {
		const shown = store.page;
		const { width, height } = look;
		// On the way to another view nothing may lead back to this one; the address follows once one is there.
		if (!shown || navigating.to) return;
		const several = shown.addresses.length > 1 && shown.address !== shown.addresses[0];
		const request = { page: shown.page, address: several ? shown.address : undefined };
		const { seeing } = store;
		untrack(() => void writePlace(page.url, { request, ...seeing, width, height }));
	});

	// What a page shows from elsewhere is asked for where its copy is too old.
	$effect(() => {
		const names = store.page?.sources.join(' ');
		if (!store.ready || !names) return;
		void store.page?.address;
		untrack(() => void sources.refresh());
	});

	// What is wrong or doubtful is looked for behind each edit, on the page in sight first.
	$effect(() => {
		void store.site;
		const shown = store.page?.page;
		const rests = page.url.pathname !== '/findings';
		if (store.ready) untrack(() => void found.follow(shown, rests));
	});

	// The folder of the open site is gone on with, by whoever writes the site …
	$effect(() => {
		void [store.id, store.writes];
		if (store.ready) untrack(() => void folder.follow());
	});

	// … and gets each edit.
	$effect(() => {
		void store.work;
		untrack(() => folder.edited());
	});

	// Other devices that show the site follow each edit.
	$effect(() => {
		void [store.site, store.assets, store.seenBy];
		untrack(() => devices.follow());
	});

	// … and what is shown follows the address, where the visitor goes back or forward.
	$effect(() => {
		const place = readPlace(page.url);
		untrack(() => {
			const shown = store.page;
			if (!shown || !place.request) return;
			const address = place.request.address ?? shown.addresses[0];
			const same =
				place.request.page === shown.page && (address === shown.address || !place.request.address);
			if (place.role !== store.seenBy) store.seenBy = place.role;
			else if (same) return;
			void store.goTo(place.request);
		});
	});

	// What pages are tried with follows it too, and a link that says it or a screen, but only there: an address that
	// comes late would take back a choice.
	afterNavigate(({ type }) => {
		const place = readPlace(page.url);
		if (type === 'link') takeScreen(place);
		const says = type === 'popstate' || (type === 'link' && page.url.searchParams.has('try'));
		if (!says || trialWords(place.trial).join() === trialWords(store.trial).join()) return;
		void store.tryWith(place.trial);
	});

	/** The token of a folder is for this tab alone: it does not stay in the address, which may be handed on. */
	function takeToken(): string | undefined {
		const token = page.url.searchParams.get('folder') ?? undefined;
		if (token === undefined) return undefined;
		const others = new URL(page.url);
		others.searchParams.delete('folder');
		void goto(others, { replaceState: true, keepFocus: true });
		return token;
	}

	/** An address that names a screen means all of it. */
	function takeScreen({ width, height }: Place): void {
		if (width === undefined && height === undefined) return;
		look.width = width ?? look.width;
		look.height = height;
	}

	function onDragOver(event: DragEvent): void {
		if (bringsFiles(event)) event.preventDefault();
	}

	function onDrop(event: DragEvent): void {
		if (bringsFiles(event)) void takeDrop(event);
	}

	let finding = $state(false);

	/** Whether keys are typed into something. */
	function isField(target: EventTarget | null): boolean {
		if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) return true;
		return (
			target instanceof HTMLElement && (target.isContentEditable || target.localName === 'select')
		);
	}

	function onKey(event: KeyboardEvent): void {
		if (event.key === '?' && !isField(event.target)) {
			help.shown = true;
			event.preventDefault();
		}
		if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
		const key = event.key.toLowerCase();
		const inField = isField(event.target);
		if (key === 'k') {
			finding = !finding;
			event.preventDefault();
			return;
		}
		if (inField || (key !== 'z' && key !== 'y')) return;
		event.preventDefault();
		if (key === 'y' || event.shiftKey) void store.redo();
		else void store.undo();
	}
</script>

<svelte:window
	onfocus={() => folder.returned()}
	onkeydown={onKey}
	onpastecapture={(event) => void takePaste(event)}
	ondragovercapture={onDragOver}
	ondropcapture={onDrop}
/>

<div class="shell">
	<SkipLinks />
	<TopBar find={() => (finding = true)} showKeys={() => (help.shown = true)} />
	<TourStrip />
	<NoticeLine />
	<main data-ready={store.ready || undefined}>
		<h1 class="unseen">{viewName} of {store.site?.name || 'a site'}</h1>
		{#if store.ready}
			<!-- A view that stopped takes none of the others with it. -->
			<Drawing name="This view" of={page.url.pathname}>{@render children()}</Drawing>
		{:else}
			<p class="failure small" role="status">Opening the site …</p>
		{/if}
	</main>
</div>

<AskDialog />
<LaterDialog of="folder" isAsked={folder.shown} giveUp={() => (folder.shown = false)} />
<ConfirmEdit />
<LaterDialog
	of="arrange"
	isAsked={arrangingFrame.layout !== undefined}
	giveUp={() => arrangingFrame.close()}
/>
<CommandField bind:open={finding} />
<MeasuringPages />
<KeysSheet view={viewName} />
<ActionMenu />

<style>
	.shell {
		height: 100vh;
		display: grid;
		position: relative;
		grid-template-rows: auto auto minmax(0, 1fr);
	}
	main {
		min-height: 0;
		grid-row: 3;
	}
	.failure {
		padding: 24px;
	}
</style>
