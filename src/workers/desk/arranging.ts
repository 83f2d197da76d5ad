import {
	numberedSite,
	proposeArrangement,
	type Wish
} from '$core/arranging/propose-arrangement.ts';
import { frameElements, type FrameElementView } from '$core/arranging/frame/frame-elements.ts';
import { hasFrame, type FramedLayout } from '$core/arranging/frame/framed-layout.ts';
import { NotBoxes } from '$core/arranging/frame/frame-tree.ts';
import type { FrameReading } from '$core/arranging/frame/reading.ts';
import type { CheckedSite } from '$core/check/checked-site.ts';
import { prepare } from '$core/edit/propose.ts';
import { stageHtml } from '$core/emit/stage.ts';
import type { ArrangeFrameCommand } from '$core/model/command.ts';
import { layerName } from '$core/model/site.ts';
import { seenAs } from '$core/resolve/site.ts';
import type { PageHtml, PageRequest } from '../messages.ts';
import type { OpenSite } from './open-site.ts';

/** A frame of own markup on its way to boxes: what is still to be read in a browser, or what could be written. */
export type ArrangingView =
	| { readonly kind: 'refused'; readonly why: string }
	/** The page has to be read at these widths, px. */
	| { readonly kind: 'read'; readonly page: PageHtml; readonly widths: readonly number[] }
	| {
			readonly kind: 'proposal';
			readonly command: ArrangeFrameCommand;
			/** Elements that are left out, since nothing of them is seen at any width. */
			readonly leftOut: readonly string[];
			/** A page as it is, and as it would be, with the number of each element. */
			readonly before: PageHtml;
			readonly after: PageHtml;
	  };

/** How frames of own markup could be arranged. */
export class Arranging {
	constructor(private readonly site: OpenSite) {}

	/** The elements of a frame that can be looked into, and the pages that it frames. */
	about(
		name: string
	): { elements: readonly FrameElementView[]; pages: readonly PageRequest[] } | undefined {
		const found = this.find(name);
		if (!found) return undefined;
		const { site, layout } = found;
		const pages = site.routes.flatMap((route): PageRequest[] => {
			if (!site.structure.chainOf(route).includes(layout)) return [];
			const [first] = site.instances(route);
			return first ? [{ page: layerName(route), address: undefined }] : [];
		});
		return { elements: frameElements(layout), pages };
	}

	/** What is known from what was read of a page so far. Elements are said by their numbers. */
	propose(
		name: string,
		request: PageRequest,
		reading: FrameReading,
		only: number | undefined,
		opened: readonly number[]
	): ArrangingView | undefined {
		const found = this.find(name);
		if (!found) return undefined;
		try {
			return this.proposal(found, request, reading, { only, opened: new Set(opened) });
		} catch (failure) {
			if (failure instanceof NotBoxes) return { kind: 'refused', why: failure.message };
			throw failure;
		}
	}

	private proposal(
		{ site, layout }: { site: CheckedSite; layout: FramedLayout },
		request: PageRequest,
		reading: FrameReading,
		wish: Wish
	): ArrangingView {
		const numbered = numberedSite(site, layout);
		const before = this.draw(numbered, request);
		const again = numbered.site.layouts.find((one) => one.name.text === layout.name.text);
		if (!before || !hasFrame(again)) {
			return { kind: 'refused', why: 'The elements of this frame cannot be told apart.' };
		}
		const known = proposeArrangement(layout, site, reading, wish);
		if (known.kind === 'read') return { kind: 'read', page: before, widths: known.widths };
		// The same on the site whose elements have numbers, so that each is found where it is then.
		const drawn = proposeArrangement(again, numbered, reading, wish);
		const made = drawn.kind === 'proposal' ? prepare(numbered, drawn.command) : undefined;
		if (made?.proposal.kind === 'refused') return { kind: 'refused', why: made.proposal.sentence };
		const after = made?.after && this.draw(made.after, request);
		return after
			? { kind: 'proposal', command: known.command, leftOut: known.leftOut, before, after }
			: { kind: 'refused', why: 'The page as it would be cannot be drawn.' };
	}

	private draw(site: CheckedSite, request: PageRequest): PageHtml | undefined {
		const page = this.site.find(request, site);
		const seen = seenAs(site, request);
		const instances = page ? seen.instances(page) : [];
		const instance = instances.find(({ address }) => address === request.address) ?? instances[0];
		if (!instance) return undefined;
		const html = stageHtml(instance, seen, this.site.assetUrls, this.site.year);
		return { html, address: instance.address };
	}

	private find(name: string): { site: CheckedSite; layout: FramedLayout } | undefined {
		const site = this.site.latest;
		const layout = site?.site.layouts.find((one) => one.name.text === name);
		return site && hasFrame(layout) ? { site, layout } : undefined;
	}
}
