import { isSound } from '$core/check/checked-site.ts';
import type { Proposal } from '$core/edit/proposal.ts';
import { touchedBetween } from '$core/edit/touches.ts';
import { stageHtml } from '$core/emit/stage.ts';
import type { Command } from '$core/model/command.ts';
import { seenAs } from '$core/resolve/site.ts';
import type { PageRequest, Preview, TouchedView } from '../messages.ts';
import type { OpenSite } from './open-site.ts';

/** ms for which nothing else is answered while pages are compared. */
const mostAtOnce = 8;

/** What commands would do, before they are made. */
export class Proposals {
	/** Counts what ends the comparing of pages. */
	private turn = 0;

	constructor(private readonly site: OpenSite) {}

	/** Ends the comparing of pages that may be going on. */
	interrupt(): void {
		this.turn++;
	}

	/** The edit that a command comes to, or why it cannot be. */
	propose(command: Command): Proposal {
		return this.site.prepareOnce(command).proposal;
	}

	/** What a command would make of a page, without making it. */
	look(command: Command, page: PageRequest): Preview {
		this.interrupt();
		const { proposal, after } = this.site.prepareOnce(command);
		if (proposal.kind === 'refused') {
			return { html: undefined, bands: [], refused: proposal.sentence, consequences: [] };
		}
		const { bands, consequences } = proposal;
		const found = after && isSound(after) ? this.site.find(page, after) : undefined;
		const instances = found && after ? after.instances(found) : [];
		const instance = instances.find((one) => one.address === page.address) ?? instances[0];
		const seen = after && seenAs(after, page);
		const html = instance && seen && stageHtml(instance, seen, this.site.assetUrls, this.site.year);
		return { html, bands, refused: undefined, consequences };
	}

	/**
	 * Names of the pages and bands that a command would change; none where it is refused. Whatever else is asked
	 * meanwhile comes first, and another command to look at ends it.
	 */
	async touches(command: Command): Promise<TouchedView> {
		const turn = ++this.turn;
		const before = this.site.latest;
		const { proposal, after } = this.site.prepareOnce(command);
		const pages: string[] = [];
		if (proposal.kind !== 'edit' || !before || !after) return { pages, bands: [] };
		let since = performance.now();
		for (const name of touchedBetween(before, after)) {
			if (name !== undefined) pages.push(name);
			if (performance.now() - since < mostAtOnce) continue;
			await new Promise((resolve) => setTimeout(resolve));
			if (turn !== this.turn) return { pages: [], bands: [] };
			since = performance.now();
		}
		return { pages, bands: proposal.bands };
	}
}
