import { commonEnds } from '$core/lib/common-ends.ts';
import { severities, type Severity } from '$core/messages/severity.ts';
import type { FindingsView, FindingView } from '$workers/findings.ts';
import type { MeasuredCount } from '$workers/measuring-queue.ts';
import { store } from './site.svelte.ts';

/** ms after an edit until the page in sight is looked at again, and until all others are: whoever edits is not done yet. */
const restTime = 250;
const longRest = 4000;
/** ms between two turns, in which others are answered. */
const betweenTurns = 4;

/** What is found in the open site, worked out behind whatever else is done. */
class FoundFindings {
	/** All that was found when the site was last looked over. */
	all = $state.raw<FindingsView | undefined>();
	/** The same of the page that is shown, which is looked at first. */
	private near = $state.raw<{ readonly page: string; readonly view: FindingsView } | undefined>();
	/** The text that places of `all` are in. */
	private texts = $state.raw<ReadonlyMap<string, string>>(new Map());
	gone = $state(0);
	total = $state(0);
	working = $state(false);
	/** How many pages are measured as they are now; undefined before it is known. */
	measuredPages = $state.raw<MeasuredCount | undefined>();
	private turn = 0;

	/** Looks over the site as it is now; `rests`: all but the page in sight only once nothing is edited for a while. */
	async follow(page: string | undefined, rests = true): Promise<void> {
		const turn = ++this.turn;
		this.working = true;
		await new Promise((rest) => setTimeout(rest, restTime));
		const { texts } = store;
		const near = page === undefined ? [] : [page];
		while (turn === this.turn) {
			const step = await store.core.findings.step(near).catch((failure: unknown) => {
				store.sayFailure('The site could not be looked over', failure);
			});
			if (turn !== this.turn) return;
			if (!step) break;
			({ gone: this.gone, total: this.total } = step);
			this.measuredPages = step.measured;
			if (step.near && page !== undefined) this.near = { page, view: step.near };
			if (step.all) {
				this.all = step.all;
				this.texts = texts;
			}
			if (step.done) break;
			const pause = step.near && rests ? longRest : betweenTurns;
			await new Promise((rest) => setTimeout(rest, pause));
		}
		if (turn === this.turn) this.working = false;
	}

	/** A page was measured at all widths; what is found on it is told the next time the site is looked over. */
	async measured(page: string, address: string): Promise<void> {
		this.measuredPages = await store.core.findings.measured(page, address);
	}

	/** Whether every page is measured as it is now. */
	get allMeasured(): boolean {
		const { measuredPages: count } = this;
		return count !== undefined && count.gone === count.total;
	}

	count(severity: Severity): number {
		if (!this.all) return 0;
		const { findings, counts } = this.all;
		const codes = new Set(
			findings.filter((one) => one.severity === severity).map(({ code }) => code)
		);
		return [...codes].reduce((sum, code) => sum + (counts[code] ?? 0), 0);
	}

	/** The same without what rests on guesses. */
	sure(severity: Severity): number {
		return this.all?.sure[severities.indexOf(severity)] ?? 0;
	}

	private readonly byPage = $derived(bySurePage(this.all));

	/** What is found on a page, the worst first, but for what rests on guesses: it is told in Findings alone. */
	on(page: string): readonly FindingView[] {
		const all = this.byPage.get(page) ?? [];
		const own = this.near?.page === page ? bySurePage(this.near.view).get(page) : undefined;
		if (!own) return all;
		// What can be seen only when all pages are known is told with them.
		if (this.working) return own;
		const causes = new Set(own.map(({ cause }) => cause));
		return [...own, ...all.filter(({ cause }) => !causes.has(cause))];
	}

	/** How much there is on a page: errors, warnings and hints. */
	countsOn(page: string): readonly [number, number, number] | undefined {
		return this.all?.onPages[page];
	}

	/** What is found in the text of a file, at its places as it is now; what was typed into is left out. */
	inFile(file: string, text: string): FindingView[] {
		const known = this.texts.get(file);
		const own = this.all?.findings.filter((one) => one.file === file) ?? [];
		if (known === undefined || known === text) return own;
		const { start, end } = commonEnds(known, text);
		const shift = text.length - known.length;
		return own.flatMap((one) => {
			if (one.to <= start) return [one];
			if (one.from < known.length - end) return [];
			return [{ ...one, from: one.from + shift, to: one.to + shift }];
		});
	}
}

/** What is found by page, without what rests on guesses. */
function bySurePage(view: FindingsView | undefined): ReadonlyMap<string, readonly FindingView[]> {
	const byPage = new Map<string, FindingView[]>();
	for (const finding of view?.findings ?? []) {
		if (finding.estimated) continue;
		for (const page of new Set(finding.on.map((one) => one.page))) {
			const known = byPage.get(page);
			if (known) known.push(finding);
			else byPage.set(page, [finding]);
		}
	}
	return byPage;
}

export const found = new FoundFindings();
