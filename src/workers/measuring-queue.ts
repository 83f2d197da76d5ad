import type { CheckedSite } from '$core/check/checked-site.ts';
import { madeFrom } from '$core/edit/touches.ts';
import { mostInstances } from '$core/findings/look-over.ts';
import { layerName, pagesOf, type Page } from '$core/model/site.ts';
import type { PageInstance } from '$core/resolve/instance.ts';

/** How many pages have been measured as they are now, of all that are looked over. */
export interface MeasuredCount {
	readonly gone: number;
	readonly total: number;
}

/** Which pages have been measured at all widths as they are now, and which is the next to be. */
export class MeasuringQueue {
	/** What each page was made from when it was measured. */
	private readonly known = new Map<string, string>();
	private site: CheckedSite | undefined;
	/** What is not measured yet. */
	private left = new Map<string, PageInstance>();
	private total = 0;

	/** The next page: the first of those in sight, else of all; undefined where all are measured. */
	next(site: CheckedSite, near: readonly string[]): PageInstance | undefined {
		this.look(site);
		const inSight = new Set(near);
		for (const instance of this.left.values()) {
			if (inSight.has(layerName(instance.page))) return instance;
		}
		const [first] = this.left.values();
		return first;
	}

	/** A page has been measured, or cannot be. */
	done(instance: PageInstance, site: CheckedSite): void {
		this.look(site);
		const key = keyOf(instance);
		this.left.delete(key);
		this.known.set(key, madeFrom(instance.page, site));
	}

	count(site: CheckedSite): MeasuredCount {
		this.look(site);
		return { gone: this.total - this.left.size, total: this.total };
	}

	private look(site: CheckedSite): void {
		if (this.site === site) return;
		this.site = site;
		this.left = new Map();
		this.total = 0;
		for (const page of pagesOf(site.site)) this.lookAt(page, site);
	}

	private lookAt(page: Page, site: CheckedSite): void {
		const from = madeFrom(page, site);
		for (const instance of site.instances(page).slice(0, mostInstances)) {
			const key = keyOf(instance);
			this.total++;
			if (this.known.get(key) !== from) this.left.set(key, instance);
		}
	}
}

function keyOf({ page, address }: PageInstance): string {
	return `${layerName(page)} ${address}`;
}
