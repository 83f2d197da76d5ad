import { ask } from '../../sources/ask.ts';
import { answer } from '../../core/answer/answer.ts';
import { pageFed } from '../../core/answer/asked.ts';
import { answerPlan } from '../../core/answer/plan.ts';
import { sourcesOf } from '../../core/answer/freshness.ts';
import type { SiteAnswer, SiteRequest } from '../../core/answer/exchange.ts';
import { checkSite } from '../../core/check/site.ts';
import { isSound, type CheckedSite } from '../../core/check/checked-site.ts';
import { decide, take, type Copy } from '../../core/data/copy.ts';
import { counted } from '../../core/messages/wording.ts';
import { hasErrors, type Problem } from '../../core/messages/problem.ts';
import { isEaveFile, type SiteFiles } from '../../core/model/files.ts';
import type { DataSource } from '../../core/model/site.ts';
import { IntakeError } from '../../core/source/limits.ts';
import { readSiteFiles } from '../../core/source/read.ts';
import { printProblems, systemSentence } from '../files/open-site.ts';
import { readSitePath } from '../files/site-path.ts';
import type { Streams } from '../streams.ts';
import { FollowedPath } from './followed-path.ts';

/** ms for which a source that failed is not asked again. */
const waitAfterFailure = 30_000;
/** ms for which a page waits for its data. */
const waitForSource = 5_000;
/** ms of quiet after a change before the folder is read again. */
const quiet = 40;

/** What makes each page look for changes; served beside the site. */
const liveLine = '<script src="/.live.js" defer></script>';

/** A site in a folder that answers, and follows what changes there. */
export class ServedSite {
	private current: CheckedSite | undefined;
	private changed: number;
	private readonly copies = new Map<string, Copy>();
	private readonly failedAt = new Map<string, number>();
	/** When sources said that something changed, by their names: ms since 1970 in UTC. */
	private readonly noticed = new Map<string, number>();
	private following: FollowedPath | undefined;
	private timer: ReturnType<typeof setTimeout> | undefined;
	/** Readings go one after the other. */
	private reading: Promise<void> = Promise.resolve();

	/** `onChange` is called whenever what is served is another than before. */
	constructor(
		private readonly path: string,
		private readonly streams: Streams,
		private readonly now: () => number,
		private readonly onChange: () => void = () => undefined
	) {
		this.changed = now();
	}

	/** What is wrong with the text as it is now; pages are answered only where there are no errors. */
	get problems(): readonly Problem[] {
		return this.current?.problems ?? [];
	}

	get texts(): ReadonlyMap<string, string> {
		return this.current?.reading.files.texts ?? new Map<string, string>();
	}

	get isSound(): boolean {
		return this.current !== undefined && isSound(this.current);
	}

	get roles(): readonly string[] {
		return this.current?.site.settings.roles.map(({ text }) => text) ?? [];
	}

	/** Sources that say by themselves that something changed. */
	get waiting(): readonly string[] {
		const all = this.current?.site.data ?? [];
		return all.flatMap(({ isUrl, fresh, name }) =>
			isUrl && fresh.kind === 'notice' ? [name.text] : []
		);
	}

	/** Takes it that a source has changed: it is asked before its values are shown again. */
	notice(name: string): 'taken' | 'unknown' | 'does not wait' {
		const all = this.current?.site.data ?? [];
		if (!all.some((source) => source.isUrl && source.name.text === name)) return 'unknown';
		if (!this.waiting.includes(name)) return 'does not wait';
		this.noticed.set(name, this.now());
		this.failedAt.delete(name);
		this.onChange();
		return 'taken';
	}

	/** Reads the site for the first time. Throws where there is none to read. */
	async open(): Promise<void> {
		this.take(await readSitePath(this.path));
	}

	/** Follows changes until `close`. */
	watch(): void {
		const again = (): void => {
			clearTimeout(this.timer);
			this.timer = setTimeout(() => void this.readAgain(), quiet);
		};
		this.following = new FollowedPath(this.path, again);
	}

	async close(): Promise<void> {
		clearTimeout(this.timer);
		await this.following?.close();
	}

	/** Reads the folder again; what cannot be read leaves what was served before. */
	readAgain(): Promise<void> {
		this.reading = this.reading.then(async () => {
			try {
				const files = await readSitePath(this.path);
				if (isSame(files, this.current?.reading.files)) return;
				this.take(files);
				this.onChange();
			} catch (failure) {
				const sentence = failure instanceof IntakeError ? failure.message : systemSentence(failure);
				if (sentence === undefined) throw failure;
				this.streams.errors(`What changed cannot be read: ${sentence}\n`);
			}
		});
		return this.reading;
	}

	/** Takes in files; used by whoever has them already. */
	take(files: SiteFiles): void {
		this.changed = this.now();
		this.resolve(files);
		const problems = this.problems;
		printProblems(problems, files.texts, this.streams);
		const errors = problems.filter(({ severity }) => severity === 'error').length;
		const texts = [...files.texts.keys()].filter(isEaveFile).length;
		const read = `Read ${counted(texts, 'file')}`;
		this.streams.out(errors > 0 ? `${read}: ${counted(errors, 'error')}.\n` : `${read}.\n`);
	}

	private resolve(files: SiteFiles): void {
		const values = new Map([...this.copies].map(([name, { value }]) => [name, value]));
		this.current = checkSite(readSiteFiles(files, this.current?.reading, values));
		if (!hasErrors(this.current.problems)) answerPlan(this.current);
	}

	/** What the site answers; undefined where its text has errors. */
	async answer(request: SiteRequest): Promise<SiteAnswer | undefined> {
		if (!this.isSound) return undefined;
		await this.askFor(request);
		const resolved = this.current;
		if (!resolved) return undefined;
		const failed = new Set(this.failedAt.keys());
		const site = { resolved, base: '/', changed: this.changed, failed, headLines: [liveLine] };
		return answer(site, request);
	}

	/** Asks the sources of a page, where its copies are too old. */
	private async askFor({ target, time }: SiteRequest): Promise<void> {
		const { current } = this;
		if (!current?.site.data.some(({ isUrl }) => isUrl)) return;
		const [path = '/'] = target.split(/[?#]/);
		const page = pageFed(answerPlan(current), path);
		if (!page) return;
		const sources = sourcesOf(page, current).filter(({ isUrl }) => isUrl);
		const news = await Promise.all(sources.map((source) => this.askSource(source, time)));
		if (!news.includes(true) || !this.current) return;
		this.changed = this.now();
		this.resolve(this.current.reading.files);
	}

	/** Whether a source gave something new. */
	private async askSource(source: DataSource, time: number): Promise<boolean> {
		const name = source.name.text;
		const copy = this.copies.get(name);
		const hasFile = this.current?.site.values.has(name) === true;
		if (source.fresh.kind === 'build' && (copy !== undefined || hasFile)) return false;
		const decision = decide(copy, source.fresh, time, this.noticed.get(name));
		const failed = this.failedAt.get(name);
		if (decision.kind === 'use') return false;
		if (failed !== undefined && time - failed < waitAfterFailure) return false;
		// What is asked for after a notice is newer than that, also within its millisecond.
		const requested = Math.max(this.now(), (this.noticed.get(name) ?? -1) + 1);
		const outcome = await ask(source.from.text, decision.headers, waitForSource);
		const at = { requested, received: Math.max(requested, this.now()) };
		const taken = outcome.kind === 'failed' ? outcome : take(copy, outcome.response, at);
		if (taken.kind === 'failed') {
			this.failedAt.set(name, time);
			this.streams.errors(`${name} (${source.from.text}) could not be had: ${taken.why}.\n`);
			return false;
		}
		this.failedAt.delete(name);
		this.copies.set(name, taken.copy);
		return taken.kind === 'new';
	}
}

/** Whether files are what was read before: whoever is told of a change sees it. */
function isSame(files: SiteFiles, before: SiteFiles | undefined): boolean {
	if (files.texts.size !== before?.texts.size || files.assets.size !== before.assets.size)
		return false;
	return (
		[...files.texts].every(([path, text]) => before.texts.get(path) === text) &&
		[...files.assets].every(([path, bytes]) => {
			const was = before.assets.get(path);
			return was !== undefined && Buffer.from(bytes).equals(was);
		})
	);
}
