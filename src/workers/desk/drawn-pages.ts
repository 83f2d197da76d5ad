import { layerName, type StateKind } from '$core/model/site.ts';
import { nearestState } from '$core/resolve/structure.ts';
import type { PageInstance } from '$core/resolve/instance.ts';
import type { PageRequest, PageView, SeenView } from '../messages.ts';
import { seenAs, type ResolvedSite, seeingWord } from '$core/resolve/site.ts';
import { stageHtml } from '$core/emit/stage.ts';
import { crossSection } from '$core/view-models/cross-section.ts';
import { emptyPieces } from '$core/emit/html/empty.ts';
import { pageHead } from '$core/emit/html/words.ts';
import { reasonOf } from '$core/messages/wording.ts';
import { sentencePage } from '$core/answer/answer.ts';
import { sourcesOf } from '$core/answer/freshness.ts';
import { admittedRoles, keptOutBy } from '$core/resolve/roles.ts';
import type { OpenSite } from './open-site.ts';
import type { DataSources } from './data-sources.ts';

/** Pages that are kept as they were drawn. */
const mostDrawn = 8;

/** Pages as they are drawn, for whoever looks. */
export class DrawnPages {
	/** Pages as they were drawn last, for one that cannot be drawn any more. */
	private readonly lastDrawn = new Map<string, PageView>();

	constructor(
		private readonly site: OpenSite,
		private readonly data: DataSources
	) {}

	/** Forgets how pages were drawn: another site is open. */
	forget(): void {
		this.lastDrawn.clear();
	}

	page(request: PageRequest): PageView | undefined {
		const { shown } = this.site;
		const page = shown && this.site.find(request, shown);
		if (!shown || !page) return undefined;
		const instances = shown.instances(page);
		const instance = instances.find((one) => one.address === request.address) ?? instances[0];
		return instance && this.pageView(instance, seenAs(shown, request));
	}

	/** A page as it is drawn. One that cannot be drawn stays as it was, and says why. */
	private pageView(instance: PageInstance, shown: ResolvedSite): PageView | undefined {
		const name = layerName(instance.page);
		const { role, site } = shown;
		const key = `${name} ${instance.address} ${seeingWord({ role, trial: site.settings.trial })}`;
		try {
			const view = this.drawPage(instance, shown);
			this.lastDrawn.delete(key);
			this.lastDrawn.set(key, view);
			const [oldest] = this.lastDrawn.keys();
			if (this.lastDrawn.size > mostDrawn && oldest !== undefined) this.lastDrawn.delete(oldest);
			return view;
		} catch (failure) {
			const before = this.lastDrawn.get(key);
			return before && { ...before, fault: `${name} cannot be drawn (${reasonOf(failure)}).` };
		}
	}

	private drawPage(instance: PageInstance, shown: ResolvedSite): PageView {
		const { drawn, seen, kind } = this.seenBy(instance, shown);
		const resolved = shown.page(drawn.page);
		return {
			page: layerName(instance.page),
			address: instance.address,
			addresses: shown.instances(instance.page).map((one) => one.address),
			title: pageHead(drawn, shown, this.site.year).title,
			chain: resolved.chain.map((layout) => layout.name.text),
			fault: undefined,
			html:
				kind && seen.status !== 200 && seen.stands === undefined
					? sentencePage(shown, kind, instance.address)
					: stageHtml(drawn, shown, this.site.assetUrls, this.site.year),
			section: crossSection(resolved, shown),
			seen,
			empty: emptyPieces(drawn, shown, this.site.year),
			sources: sourcesOf(instance.page, shown)
				.filter(({ isUrl }) => isUrl)
				.map(({ name }) => name.text)
		};
	}

	/** What a visitor gets of a page: the page, or where it is closed the nearest state that says so. */
	private seenBy(
		instance: PageInstance,
		shown: ResolvedSite
	): { drawn: PageInstance; seen: SeenView; kind: StateKind | undefined } {
		const { site, structure, role } = shown;
		const { page, address } = instance;
		const closedBy = keptOutBy(page, role, structure);
		const waiting = closedBy ? undefined : this.data.waitingFor(page, shown);
		const kind = closedBy ? 'denied' : waiting;
		const state = kind && nearestState(site, address, kind);
		const [stands] = state ? shown.instances(state) : [];
		return {
			drawn: stands ?? instance,
			kind,
			seen: {
				role,
				status: closedBy ? 403 : waiting === 'failed' ? 503 : 200,
				stands: state && layerName(state),
				admits: admittedRoles(page, structure),
				closedBy: closedBy && layerName(closedBy)
			}
		};
	}
}
