import { agreedFrom, InStep, type Report, type Side } from '../../src/core/in-step/in-step.ts';
import type { Place, PlaceFailure, Stamp, ThereNow } from '../../src/core/in-step/place.ts';
import { decodeUtf8, encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { isEaveFile, type SiteFiles } from '../../src/core/model/files.ts';
import { takeInFiles } from '../../src/core/source/intake.ts';
import { applyChanges, type Change } from '../../src/core/source/change.ts';

/** A folder in memory, whose conditions are kept to the letter. */
export class MemoryPlace implements Place {
	private readonly files = new Map<string, ThereNow>();
	private count = 0;
	/** How often something was written by the other side. */
	writes = 0;
	/** Something that happens at each use. */
	onUse: () => void = () => undefined;
	beforeWrite: () => void = () => undefined;
	/** Why it cannot be had. */
	failure: PlaceFailure | undefined;

	constructor(files: ReadonlyMap<string, Uint8Array>) {
		for (const [path, bytes] of files) this.putBytes(path, bytes);
	}

	put(path: string, text: string): void {
		this.putBytes(path, encodeUtf8(text));
	}

	putBytes(path: string, bytes: Uint8Array): void {
		this.files.set(path, { bytes, stamp: String(++this.count) });
	}

	drop(path: string): void {
		this.files.delete(path);
	}

	bytes(path: string): Uint8Array | undefined {
		return this.files.get(path)?.bytes;
	}

	text(path: string): string | undefined {
		const bytes = this.bytes(path);
		return bytes && new TextDecoder('utf-8', { ignoreBOM: true }).decode(bytes);
	}

	paths(): string[] {
		return [...this.files.keys()];
	}

	async list(): Promise<ReadonlyMap<string, string>> {
		await this.used();
		return new Map([...this.files].map(([path, { stamp }]) => [path, stamp]));
	}

	async read(path: string): Promise<ThereNow | undefined> {
		await this.used();
		return this.files.get(path);
	}

	async write(
		path: string,
		bytes: Uint8Array,
		there: ThereNow | undefined
	): Promise<string | undefined> {
		await this.used();
		this.beforeWrite();
		if (this.files.get(path)?.stamp !== there?.stamp) return undefined;
		this.writes++;
		this.putBytes(path, bytes);
		return this.files.get(path)?.stamp;
	}

	async remove(path: string, there: ThereNow): Promise<boolean> {
		await this.used();
		if (this.files.get(path)?.stamp !== there.stamp) return false;
		this.writes++;
		return this.files.delete(path);
	}

	private async used(): Promise<void> {
		await Promise.resolve();
		if (this.failure) throw this.failure;
		this.onUse();
	}
}

interface Step {
	readonly label: string;
	readonly changes: readonly Change[];
	readonly inverse: readonly Change[];
}

/** The open site, with its history. */
export class OneSide implements Side {
	private now: SiteFiles;
	steps: Step[] = [];

	constructor(files: ReadonlyMap<string, Uint8Array>) {
		this.now = takeInFiles(files);
	}

	files(): SiteFiles {
		return this.now;
	}

	take(changes: readonly Change[], label: string): Promise<void> {
		const { texts, assets, inverse } = applyChanges(this.now, changes);
		this.now = { texts, assets };
		this.steps.push({ label, changes, inverse });
		return Promise.resolve();
	}

	remember(): Promise<void> {
		return Promise.resolve();
	}

	/** What the user edits: no step that is looked at. */
	put(path: string, text: string): void {
		this.putBytes(path, encodeUtf8(text));
	}

	putBytes(path: string, bytes: Uint8Array): void {
		const { texts, assets } = this.now;
		this.now = isEaveFile(path)
			? { assets, texts: new Map([...texts, [path, decodeUtf8(bytes)]]) }
			: { texts, assets: new Map([...assets, [path, bytes]]) };
	}

	drop(path: string): void {
		const { texts, assets } = this.now;
		const without = <T>(files: ReadonlyMap<string, T>): Map<string, T> =>
			new Map([...files].filter(([one]) => one !== path));
		this.now = { texts: without(texts), assets: without(assets) };
	}

	text(path: string): string | undefined {
		const bytes = this.now.assets.get(path);
		return this.now.texts.get(path) ?? (bytes && decodeUtf8(bytes));
	}

	bytes(path: string): Uint8Array | undefined {
		return this.now.assets.get(path);
	}

	paths(): string[] {
		return [...this.now.texts.keys(), ...this.now.assets.keys()];
	}

	undo(): void {
		const step = this.steps.pop();
		if (step) this.now = applyChanges(this.now, step.inverse);
	}
}

/** One of both sides as someone edits it. */
export interface Edited {
	paths(): string[];
	text(path: string): string | undefined;
	put(path: string, text: string): void;
	drop(path: string): void;
}

/** Numbers from 0 to 1 that are the same for the same seed. */
function numbersFrom(seed: number): () => number {
	let state = seed >>> 0;
	return () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let mixed = Math.imul(state ^ (state >>> 15), state | 1);
		mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
	};
}

/**
 * Edits both sides of a pair at random: lines come, each with a word of its own, lines and files go. Remembers which words
 * must still be there in the end: all that came, but for those that someone took away who saw them.
 */
export class RandomEdits {
	private readonly alive = new Set<string>();
	private readonly random: () => number;
	count = 0;

	constructor(
		seed: number,
		private readonly sides: readonly Edited[]
	) {
		this.random = numbersFrom(seed);
	}

	private one<T>(of: readonly T[]): T | undefined {
		return of[Math.floor(this.random() * of.length)];
	}

	/** One edit of one of both sides. */
	edit(): void {
		const side = this.one(this.sides);
		const path = side && this.one([...side.paths().filter((one) => one !== 'site.eave'), 'site.eave', 'site.eave', `new-${this.count % 7}.css`]); // prettier-ignore
		if (!side || path === undefined) return;
		this.count++;
		const text = side.text(path);
		const what = this.random();
		if (text !== undefined && path !== 'site.eave' && what < 0.04) {
			for (const word of wordsIn(text)) this.alive.delete(word);
			side.drop(path);
			return;
		}
		const lines = (text ?? '').split(/(?<=\n)/);
		const at = Math.floor(this.random() * (lines.length + 1));
		if (what < 0.3) {
			for (const word of wordsIn(lines[at] ?? '')) this.alive.delete(word);
			const [gone = ''] = lines.splice(at, 1);
			// What a site is made of stays.
			if (!gone.includes('word-')) lines.splice(at, 0, gone);
		} else {
			const word = `word-${this.count}-`;
			this.alive.add(word);
			lines.splice(at, 0, path.endsWith('.eave') ? `// ${word}\n` : `/* ${word} */\n`);
		}
		side.put(path, lines.map((line, index) => (index < lines.length - 1 && line !== '' && !line.endsWith('\n') ? `${line}\n` : line)).join('')); // prettier-ignore
	}

	/** Words that are missing on one of both sides. */
	missing(): string[] {
		const found = this.sides.map((side) => new Set(side.paths().flatMap((path) => wordsIn(side.text(path) ?? '')))); // prettier-ignore
		return [...this.alive].filter((word) => found.some((words) => !words.has(word)));
	}

	/** Files that are not the same on both sides. */
	differing(): string[] {
		const [one, other] = this.sides;
		const paths = new Set([...(one?.paths() ?? []), ...(other?.paths() ?? [])]);
		return [...paths].filter((path) => one?.text(path) !== other?.text(path));
	}
}

function wordsIn(text: string): string[] {
	return text.match(/word-\d+-/g) ?? [];
}

/** Looks at both sides until so many edits were made and nothing is left to do; whatever is in conflict, both stay. */
export async function settleAll(
	pair: InStep,
	edits: RandomEdits,
	most: number,
	editNow: () => Promise<void> | void = () => edits.edit()
): Promise<void> {
	for (;;) {
		if (edits.count < most) await editNow();
		const { conflicts, restless, taken, written } = await pair.look();
		for (const conflict of conflicts) {
			const { parts, here } = conflict;
			const side = here ? 'here' : 'there';
			await pair.choose(conflict, parts ? parts.map(() => 'both') : [side]);
		}
		const quiet = conflicts.length + taken.length + written.length === 0 && !restless;
		if (quiet && edits.count >= most) return;
	}
}

/** Files of a folder as someone else edits them: read all, edited, written all. */
export class Mirror implements Edited {
	private files = new Map<string, string>();
	private was = new Map<string, string>();

	constructor(
		private readonly read: () => Promise<ReadonlyMap<string, string>>,
		private readonly write: (path: string, text: string | undefined) => Promise<void>
	) {}

	/** Edits what the folder has at this moment. */
	async edit(task: () => void): Promise<void> {
		this.was = new Map(await this.read());
		this.files = new Map(this.was);
		task();
		for (const path of new Set([...this.was.keys(), ...this.files.keys()])) {
			const text = this.files.get(path);
			if (text !== this.was.get(path)) await this.write(path, text);
		}
	}

	paths(): string[] {
		return [...this.files.keys()];
	}

	text(path: string): string | undefined {
		return this.files.get(path);
	}

	put(path: string, text: string): void {
		this.files.set(path, text);
	}

	drop(path: string): void {
		this.files.delete(path);
	}
}

/** A folder in which someone is at work before each thing that is asked of it, but not in the midst of one. */
class Visited implements Place {
	constructor(
		private readonly place: Place,
		private readonly visit: () => Promise<void>
	) {}

	async list(): Promise<ReadonlyMap<string, Stamp>> {
		await this.visit();
		return this.place.list();
	}

	async read(path: string): Promise<ThereNow | undefined> {
		await this.visit();
		return this.place.read(path);
	}

	async write(
		path: string,
		bytes: Uint8Array,
		there: ThereNow | undefined
	): Promise<Stamp | undefined> {
		await this.visit();
		return this.place.write(path, bytes, there);
	}

	async remove(path: string, there: ThereNow): Promise<boolean> {
		await this.visit();
		return this.place.remove(path, there);
	}
}

/** What random edits on both sides of a folder left: words that are missing, files that differ. */
export interface Left {
	readonly edits: number;
	readonly missing: readonly string[];
	readonly differing: readonly string[];
}

/** Keeps a site and a folder in step while both are edited at random, `most` times; gives what that left. */
export async function editBoth(
	seed: number,
	most: number,
	place: Place,
	mirror: Mirror,
	begun: ReadonlyMap<string, Uint8Array>
): Promise<Left> {
	const side = new OneSide(begun);
	const edits = new RandomEdits(seed, [mirror, side]);
	const random = numbersFrom(seed + 1);
	const someEdits = (): void => {
		for (let left = Math.floor(random() * 7); left > 0 && edits.count < most; left--) edits.edit();
	};
	const visit = (): Promise<void> =>
		edits.count < most && random() < 0.5 ? mirror.edit(someEdits) : Promise.resolve();
	const pair = new InStep(new Visited(place, visit), side, agreedFrom(begun));
	await settleAll(pair, edits, most, () => mirror.edit(someEdits));
	await mirror.edit(() => undefined);
	return { edits: edits.count, missing: edits.missing(), differing: edits.differing() };
}

export type { Report };
