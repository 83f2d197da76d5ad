import { type Page, copyPath, type DataSource } from '$core/model/site.ts';
import type { ResolvedSite } from '$core/resolve/site.ts';
import { sourcesOf } from '$core/answer/freshness.ts';
import { decodeUtf8 } from '$core/lib/utf8.ts';
import { Sources, type SourceState } from '../../sources/sources.ts';
import type { OpenSite } from './open-site.ts';

/** Data from elsewhere, as the stand-in gives it. */
export class DataSources {
	private readonly sources = new Sources();

	constructor(private readonly site: OpenSite) {}

	/** What sources have given, by their names. */
	get copies(): Sources['copies'] {
		return this.sources.copies;
	}

	/** Forgets what they have given: another site is open. */
	forgetAll(): void {
		this.sources.forgetAll();
	}

	/** Names of sources that have to be asked before what they give is shown. */
	due(names: readonly string[]): string[] {
		const now = Date.now();
		return this.sourcesNamed(names)
			.filter((source) => this.sources.isDue(source, now))
			.map(({ name }) => name.text);
	}

	/** Takes a notice of a source that something changed, where copies wait for one. */
	notice(name: string): void {
		const [source] = this.sourcesNamed([name]);
		if (source?.fresh.kind === 'notice') this.sources.notice(source, Date.now());
	}

	/** What is known of all sources from elsewhere. */
	states(): SourceState[] {
		const now = Date.now();
		const all = this.site.shown?.site.data ?? [];
		return all.filter(({ isUrl }) => isUrl).map((source) => this.sources.state(source, now));
	}

	/**
	 * Asks a source, at the stand-in that answers for it; `of` parts what different sites try out. Gives whether
	 * something is to be drawn anew.
	 */
	async ask(name: string, of: string): Promise<boolean> {
		const [source] = this.sourcesNamed([name]);
		if (!source) return false;
		const bytes = this.site.files.assets.get(copyPath(source));
		const address = `/stand-in/data/${name}?of=${encodeURIComponent(of)}`;
		const failedBefore = this.sources.hasFailed(name);
		const before = JSON.stringify(this.site.shown?.site.values.get(name));
		await this.sources.ask(source, address, bytes && decodeUtf8(bytes));
		const after = JSON.stringify(this.sources.copies.get(name));
		return (
			(after !== undefined && after !== before) || failedBefore !== this.sources.hasFailed(name)
		);
	}

	private sourcesNamed(names: readonly string[]): DataSource[] {
		const all = this.site.shown?.site.data ?? [];
		return all.filter(({ name, isUrl }) => isUrl && names.includes(name.text));
	}

	/** The state that stands for a page while its data is on its way, or since it could not be had. */
	waitingFor(page: Page, shown: ResolvedSite): 'loading' | 'failed' | undefined {
		const sources = sourcesOf(page, shown).filter(({ isUrl }) => isUrl);
		const failed = sources.some(
			({ name, failed: then }) => then === 'shown' && this.sources.hasFailed(name.text)
		);
		const asking = sources.some(
			({ name }) => this.sources.isAsking(name.text) && !shown.site.values.has(name.text)
		);
		return failed ? 'failed' : asking ? 'loading' : undefined;
	}
}
