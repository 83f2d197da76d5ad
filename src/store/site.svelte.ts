import type { Remote } from 'comlink';
import mime from 'mime';
import type { Roofline } from '$core/drawing/roofline.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { applyChanges, type Change } from '$core/source/change.ts';
import type { Desk } from '$workers/desk.ts';
import type { PageView, PageWish, Shown, SiteView } from '$workers/messages.ts';
import { openDesk } from '$workers/open-desk.ts';
import { emptyHistory, remember, type History, type Step } from './history.ts';
import {
	dropSite,
	fetchHistory,
	fetchSite,
	keepHistory,
	keepSite,
	listSites,
	openSiteId,
	type ListedSite
} from './keep.ts';

/** Text is kept this long (ms) after the last change. */
const keepDelay = 150;

const nameless = 'Site without a name';

/** A sentence for the user, shown until it is dismissed or the next one comes. */
export interface Notice {
	readonly kind: 'fault' | 'fine';
	readonly sentence: string;
}

/**
 * The open site as the application sees it. Text is the one truth: every edit is a change of the
 * text that goes through `apply`, is sent to the worker, and comes back as something to draw.
 */
class SiteStore {
	id = $state('');
	texts = $state.raw<ReadonlyMap<string, string>>(new Map());
	assets = $state.raw<ReadonlyMap<string, Uint8Array>>(new Map());
	site = $state.raw<SiteView | undefined>();
	roofline = $state.raw<Roofline>({ rows: [], layouts: [], routeCount: 0 });
	page = $state.raw<PageView | undefined>();
	history = $state.raw<History>(emptyHistory);
	sites = $state.raw<readonly ListedSite[]>([]);
	keptAt = $state<number | undefined>();
	/** The browser did not take what should be kept. */
	keepFault = $state<string | undefined>();
	/** A page, or a state before the last edits, kept beside the one at work. */
	held = $state.raw<PageView | undefined>();
	notice = $state.raw<Notice | undefined>();
	ready = $state(false);

	private desk: Remote<Desk> | undefined;
	private wish: PageWish | undefined;
	private assetUrls = new Map<string, string>();
	private keepTimer: ReturnType<typeof setTimeout> | undefined;

	/** Opens what was open before; at a first visit, the demo site. */
	async start(wish: PageWish | undefined): Promise<void> {
		this.desk ??= openDesk();
		this.wish = wish;
		this.sites = await listSites();
		const id = await openSiteId();
		const kept = id === undefined ? undefined : await fetchSite(id);
		if (kept) {
			await this.show(kept.id, kept, await fetchHistory(kept.id));
			this.keptAt = kept.changed;
		} else {
			await this.openDemo();
		}
		this.ready = true;
	}

	async openDemo(): Promise<void> {
		const response = await fetch('/demo.zip');
		if (!response.ok) throw new Error('The demo site could not be loaded.');
		await this.openBytes('demo.zip', new Uint8Array(await response.arrayBuffer()));
	}

	/** Opens a file the user brought. Where it is no site, a notice says why, and the open site stays. */
	async openFile(file: File): Promise<boolean> {
		return this.openBytes(file.name, new Uint8Array(await file.arrayBuffer()));
	}

	async openText(text: string): Promise<void> {
		await this.adopt({ texts: new Map([['site.eave', text]]), assets: new Map() });
	}

	/** Opens another site that this browser has kept. */
	async switchTo(id: string): Promise<void> {
		await this.keepNow();
		const kept = await fetchSite(id);
		if (!kept) {
			this.notice = { kind: 'fault', sentence: 'That site is no longer kept in this browser.' };
			return;
		}
		this.wish = undefined;
		await this.show(kept.id, kept, await fetchHistory(id));
		await this.keepNow();
	}

	/** Forgets a site that is not open. */
	async forget(id: string): Promise<void> {
		if (id === this.id) return;
		await dropSite(id);
		this.sites = await listSites();
	}

	/** Changes the text as one step that can be undone. */
	async apply(changes: readonly Change[], label: string, typing = false): Promise<void> {
		const { texts, inverse } = applyChanges(this.texts, changes);
		const step: Step = { label, changes, inverse, at: Date.now(), typing };
		this.history = remember(this.history, step);
		await this.change(texts, changes);
	}

	async undo(): Promise<void> {
		const step = this.history.past.at(-1);
		if (!step) return;
		const { past, future } = this.history;
		this.history = { past: past.slice(0, -1), future: [...future, { ...step, typing: false }] };
		await this.change(applyChanges(this.texts, step.inverse).texts, step.inverse);
	}

	async redo(): Promise<void> {
		const step = this.history.future.at(-1);
		if (!step) return;
		const { past, future } = this.history;
		this.history = { past: [...past, step], future: future.slice(0, -1) };
		await this.change(applyChanges(this.texts, step.changes).texts, step.changes);
	}

	async goTo(wish: PageWish): Promise<boolean> {
		const page = await this.desk?.page(wish);
		if (!page) return false;
		this.wish = wish;
		this.page = page;
		return true;
	}

	/** Goes to the page that serves an address of the site. */
	async follow(address: string): Promise<boolean> {
		const wish = await this.desk?.pageAt(address);
		if (!wish || wish.missing) {
			const shown = wish
				? `; ${wish.page} is shown.`
				: ', and there is no state not-found to show.';
			this.notice = { kind: 'fault', sentence: `No route of this site serves ${address}${shown}` };
		}
		return wish ? this.goTo(wish) : false;
	}

	/** What the worker can be asked beside edits. Only after `start`. */
	get core(): Remote<Desk> {
		if (!this.desk) throw new Error('The site is not open yet.');
		return this.desk;
	}

	/** Keeps what has not been kept yet, at once. */
	async keepNow(): Promise<void> {
		clearTimeout(this.keepTimer);
		this.keepTimer = undefined;
		if (!this.id) return;
		const name = this.site?.name || nameless;
		const changed = Date.now();
		const { id, texts, assets, history } = this;
		await this.put(async () => {
			await keepSite({ id, name, changed, texts, assets });
			await keepHistory(id, history);
			this.keptAt = changed;
			this.sites = await listSites();
		});
	}

	/** Keeps something; where the browser refuses, that is said and nothing else stops. */
	private async put(keep: () => Promise<void>): Promise<void> {
		try {
			await keep();
			this.keepFault = undefined;
		} catch (failure) {
			this.keepFault = failure instanceof Error ? failure.message : String(failure);
		}
	}

	private async openBytes(name: string, bytes: Uint8Array): Promise<boolean> {
		const taken = await this.core.takeIn(name, bytes);
		if ('refused' in taken) {
			this.notice = { kind: 'fault', sentence: `${taken.refused} The open site is as it was.` };
			return false;
		}
		await this.adopt(taken);
		return true;
	}

	private async adopt(files: SiteFiles): Promise<void> {
		if (this.ready) await this.keepNow();
		const id = crypto.randomUUID();
		// Kept before it is shown: what is on the screen is never lost. Its name is known once it is read.
		await this.put(() => keepSite({ id, name: nameless, changed: Date.now(), ...files }));
		await this.show(id, files, emptyHistory);
		await this.keepNow();
	}

	private async show(id: string, files: SiteFiles, history: History): Promise<void> {
		this.id = id;
		this.texts = files.texts;
		this.assets = files.assets;
		this.history = history;
		this.notice = undefined;
		this.held = undefined;
		await this.reopen();
	}

	private async reopen(): Promise<void> {
		for (const url of this.assetUrls.values()) URL.revokeObjectURL(url);
		this.assetUrls = new Map();
		for (const [path, bytes] of this.assets) {
			const type = mime.getType(path) ?? 'application/octet-stream';
			const blob = new Blob([new Uint8Array(bytes)], { type });
			this.assetUrls.set(path, URL.createObjectURL(blob));
		}
		const { texts, assets, assetUrls } = this;
		const shown = await this.core.open({ texts, assets, assetUrls }, this.wish);
		this.take(shown);
	}

	private async change(
		texts: ReadonlyMap<string, string>,
		changes: readonly Change[]
	): Promise<void> {
		this.texts = texts;
		clearTimeout(this.keepTimer);
		this.keepTimer = setTimeout(() => void this.keepNow(), keepDelay);
		this.take(await this.core.change(changes, this.wish));
	}

	private take(shown: Shown): void {
		this.site = shown.site;
		if (shown.site.roofline) this.roofline = shown.site.roofline;
		this.page = shown.page;
		if (shown.page) this.wish = { page: shown.page.page, address: shown.page.address };
	}
}

export const store = new SiteStore();
