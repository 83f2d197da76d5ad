import { mkdir, rm } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { deliveryProblems } from '../core/check/delivery.ts';
import { soundSite } from '../core/check/sound.ts';
import type { CheckedSite } from '../core/check/checked-site.ts';
import { Renewal, type Renewed } from '../core/changes/renewal.ts';
import { plainHandOver } from '../core/emit/hand-over.ts';
import { counted } from '../core/messages/wording.ts';
import { hasErrors, type Problem } from '../core/messages/problem.ts';
import { IntakeError } from '../core/source/limits.ts';
import { readSiteFiles } from '../core/source/read.ts';
import { printProblems, systemSentence } from './files/open-site.ts';
import { FollowedPath } from './serve/followed-path.ts';
import { readSitePath } from './files/site-path.ts';
import type { Streams } from './streams.ts';
import { checkPlace, isOwn, listName, listText, WriteRefused } from './files/write-delivery.ts';
import { writeSite, type WriteWhere } from './files/write-site.ts';
import { writeWhole } from './files/wrote.ts';

/** ms of quiet after a change before the folder is read again. */
const quiet = 25;

/**
 * Writes the static site, and after each edit again what that touches, until told to stop. Each file is put in place whole;
 * while the text has errors, what was written last stays, and the errors are said.
 */
export async function watchCommand(
	path: string,
	where: WriteWhere,
	streams: Streams,
	stopped: Promise<void>
): Promise<number> {
	const watched = new WatchedSite(path, where, streams);
	const code = await watched.begin();
	if (code !== 0) return code;
	const following = new FollowedPath(path, () => watched.later());
	await stopped;
	await following.close();
	await watched.rest();
	return 0;
}

class WatchedSite {
	private renewal: Renewal;
	private readonly out: string;
	private paths: readonly string[] = [];
	private current: CheckedSite | undefined;
	private timer: ReturnType<typeof setTimeout> | undefined;
	/** One after the other. */
	private step: Promise<void> = Promise.resolve();

	constructor(
		private readonly path: string,
		private readonly where: WriteWhere,
		private readonly streams: Streams
	) {
		this.renewal = new Renewal(where.year, plainHandOver);
		this.out = resolve(where.out);
	}

	/** All of it, as `build` does. */
	begin(): Promise<number> {
		return writeSite(
			this.path,
			this.where,
			(site) => {
				this.current = site;
				const { files } = this.renewal.next(site);
				this.paths = files.map((file) => file.path);
				return files;
			},
			(files) =>
				`Wrote ${counted(files.length, 'file')} to ${this.where.out}; what changes is written again.\n`,
			this.streams
		);
	}

	later(): void {
		clearTimeout(this.timer);
		this.timer = setTimeout(() => {
			this.step = this.step.then(() => this.again());
		}, quiet);
	}

	async rest(): Promise<void> {
		clearTimeout(this.timer);
		await this.step;
	}

	private async again(): Promise<void> {
		try {
			const from = performance.now();
			const files = await readSitePath(this.path);
			const site = soundSite(readSiteFiles(files, this.current?.reading));
			if (hasErrors(site.problems)) return this.refuse(site.problems, files.texts);
			this.current = site;
			const { files: changed } = this.renewal.next(site);
			// By what lies there, not by what was made last: that may not have been written.
			const gone = this.paths.filter((one) => !this.renewal.has(one));
			const renewed = { files: changed, gone };
			if (renewed.files.length + renewed.gone.length === 0) return;
			// Only where files come or go can one take another's place.
			const isMoved =
				renewed.gone.length > 0 || renewed.files.some(({ path }) => !this.paths.includes(path));
			const problems = isMoved ? deliveryProblems(site, this.where.year) : [];
			if (hasErrors(problems)) {
				this.renewal = new Renewal(this.where.year, plainHandOver);
				return this.refuse(problems, files.texts);
			}
			await this.write(renewed);
			const took = Math.round(performance.now() - from);
			this.streams.out(`${saysOf(renewed)} (${took} ms)\n`);
		} catch (failure) {
			// What was written of it is not known: the next time all of it is.
			this.renewal = new Renewal(this.where.year, plainHandOver);
			const isSaid = failure instanceof IntakeError || failure instanceof WriteRefused;
			const sentence = isSaid ? failure.message : systemSentence(failure);
			if (sentence === undefined) throw failure;
			this.streams.errors(`Nothing was written: ${sentence}\n`);
		}
	}

	private refuse(problems: readonly Problem[], texts: ReadonlyMap<string, string>): void {
		printProblems(problems, texts, this.streams);
		this.streams.errors('What was written last stays as it is.\n');
	}

	private async write({ files, gone }: Renewed): Promise<void> {
		const fresh = files.filter(({ path }) => !this.paths.includes(path));
		// A file that someone else put there stays: nothing is written then.
		const there = new Set(this.paths);
		for (const file of fresh) await checkPlace(this.out, file, there);
		const left = this.paths.filter((path) => !gone.includes(path));
		if (fresh.length > 0 || gone.length > 0) {
			for (const path of gone)
				if (await isOwn(this.out, path)) await rm(join(this.out, path), { force: true });
			this.paths = [...left, ...fresh.map(({ path }) => path)];
			await writeWhole(join(this.out, listName), listText(this.paths));
		}
		for (const { path, content } of files) {
			const target = join(this.out, path);
			await mkdir(dirname(target), { recursive: true });
			await writeWhole(target, content);
		}
	}
}

function saysOf({ files, gone }: Renewed): string {
	const [only, ...others] = files;
	const wrote =
		only && others.length === 0 ? `Wrote ${only.path}` : `Wrote ${counted(files.length, 'file')}`;
	return gone.length > 0 ? `${wrote}, took away ${gone.length}` : wrote;
}
