import { error, warning, type Problem } from '../messages/problem.ts';
import type { SiteFiles } from '../model/files.ts';
import {
	copyPath,
	type DataSource,
	type Declaration,
	type Layout,
	type Part,
	type Route,
	type Site,
	type SiteSettings,
	type State
} from '../model/site.ts';
import { placeWords, type Span } from '../model/span.ts';
import { noTrial } from '../model/trial.ts';
import { decodeUtf8 } from '../lib/utf8.ts';
import { framed } from './read/boxes/frame.ts';
import { readFile, type FileReading } from './read/file.ts';

/** A site's files, what they say, and what is wrong with them. */
export interface SiteReading {
	readonly files: SiteFiles;
	readonly readings: ReadonlyMap<string, FileReading>;
	readonly site: Site;
	readonly problems: readonly Problem[];
	/** What sources that are URLs have given, by their names. */
	readonly copies: Copies;
	/** JSON already parsed, so that an edit of the text does not parse it again. */
	readonly json: ReadonlyMap<string, JsonReading>;
}

/** What sources have given, by their names. */
export type Copies = ReadonlyMap<string, unknown>;
const noCopies: Copies = new Map();

interface JsonReading {
	readonly bytes: Uint8Array;
	readonly value: unknown;
	readonly failure: string | undefined;
}

/**
 * Reads all files of a site into one model. Files that did not change since `previous` are not read
 * again, and their declarations stay the same objects, so that what was worked out from them holds.
 * `copies` is what sources that are URLs have given, by their names.
 */
export function readSiteFiles(
	files: SiteFiles,
	previous?: SiteReading,
	copies: Copies = previous?.copies ?? noCopies
): SiteReading {
	const readings = new Map<string, FileReading>();
	for (const path of [...files.texts.keys()].sort()) {
		const text = files.texts.get(path) ?? '';
		const before = previous?.readings.get(path);
		readings.set(path, before?.text === text ? before : readFile(path, text, before));
	}
	const collector = new Collector(readings);
	collector.frameAll();
	const json = new Map<string, JsonReading>();
	const read = new Map<string, unknown>();
	for (const source of collector.data) {
		const value =
			source.isUrl && copies.has(source.name.text)
				? copies.get(source.name.text)
				: readJson(source, files, previous, json, collector.problems);
		if (value !== undefined) read.set(source.name.text, value);
	}
	const values = previous && sameValues(read, previous.site.values) ? previous.site.values : read;
	const { settings, layouts, routes, states, data, problems, ...rest } = collector.finish();
	const before = previous?.site.parts;
	const parts = before && sameList(rest.parts, before) ? before : rest.parts;
	const assets = [...files.assets.keys()].sort();
	const site: Site = { settings, layouts, routes, states, data, parts, values, assets };
	return { files, readings, site, problems, copies, json };
}

function sameList<T>(a: readonly T[], b: readonly T[]): boolean {
	return a.length === b.length && a.every((one, index) => one === b[index]);
}

function sameValues(a: ReadonlyMap<string, unknown>, b: ReadonlyMap<string, unknown>): boolean {
	const others = [...b];
	// In the same order too: messages name them in it.
	return (
		a.size === b.size &&
		[...a].every(([name, value], at) => others[at]?.[0] === name && others[at][1] === value)
	);
}

/** Sorts declarations by kind and sees that nothing is declared twice. */
class Collector {
	readonly problems: Problem[] = [];
	readonly layouts: Layout[] = [];
	readonly routes: Route[] = [];
	readonly states: State[] = [];
	readonly data: DataSource[] = [];
	readonly parts: Part[] = [];
	private settings: SiteSettings | undefined;
	private readonly seen = new Map<string, Span>();
	private readonly texts: Map<string, string>;

	constructor(private readonly readings: ReadonlyMap<string, FileReading>) {
		this.texts = new Map([...readings].map(([path, reading]) => [path, reading.text]));
		for (const reading of readings.values()) {
			this.problems.push(...reading.problems);
			for (const declaration of reading.declarations) this.add(declaration);
		}
	}

	/** Regions of frames are known once it is known which parts wrap something. */
	frameAll(): void {
		for (const [index, layout] of this.layouts.entries()) {
			const made = framed(layout, this.parts);
			this.layouts[index] = made.layout;
			this.problems.push(...made.problems);
		}
	}

	finish() {
		const start = { file: this.readings.keys().next().value ?? 'site.eave', from: 0, to: 0 };
		if (!this.settings) this.problems.push(error('no-site', start));
		if (this.routes.length === 0) this.problems.push(error('no-route', start));
		return {
			settings: this.settings ?? nameless(start),
			layouts: this.layouts,
			routes: this.routes,
			states: this.states,
			data: this.data,
			parts: this.parts,
			problems: this.problems
		};
	}

	private add(declaration: Declaration): void {
		switch (declaration.kind) {
			case 'site': {
				const other = this.meet('site', declaration.name.span);
				if (other) this.problems.push(error('site-twice', declaration.name.span, other));
				else this.settings = declaration;
				return;
			}
			case 'layout': {
				const { text, span } = declaration.name;
				const other = this.meet(`layout ${text}`, span);
				if (other) this.problems.push(error('layout-twice', span, text, other));
				else this.layouts.push(declaration);
				return;
			}
			case 'route': {
				const { pattern, patternSpan: span } = declaration;
				const other = this.meet(`route ${pattern.key}`, span);
				if (other) this.problems.push(error('route-twice', span, pattern.text, other));
				else this.routes.push(declaration);
				return;
			}
			case 'state': {
				const { text, span } = declaration.state;
				const { at } = declaration;
				const other = this.meet(`state ${text} ${at.key}`, span);
				if (other) this.problems.push(error('state-twice', span, text, at.text, other));
				else this.states.push(declaration);
				return;
			}
			case 'data': {
				const { text, span } = declaration.name;
				const other = this.meet(`data ${text}`, span);
				if (other) this.problems.push(error('data-twice', span, text, other));
				else this.data.push(declaration);
				return;
			}
			case 'part': {
				const { text, span } = declaration.name;
				const other = this.meet(`part ${text}`, span);
				if (other) this.problems.push(error('part-twice', span, text, other));
				else this.parts.push(declaration);
			}
		}
	}

	/** Notes a key, or gives the place where it was met before. */
	private meet(key: string, span: Span): string | undefined {
		const other = this.seen.get(key);
		if (other) return placeWords(other, this.texts);
		this.seen.set(key, span);
		return undefined;
	}
}

function nameless(span: Span): SiteSettings {
	return {
		kind: 'site',
		name: { text: '', span },
		lang: 'en',
		address: undefined,
		urls: 'folders',
		dir: 'ltr',
		bands: [],
		tokens: [],
		night: [],
		roles: [],
		document: { head: [], attributes: [] },
		trial: noTrial,
		langSpan: undefined,
		allows: [],
		span
	};
}

function readJson(
	source: DataSource,
	files: SiteFiles,
	previous: SiteReading | undefined,
	json: Map<string, JsonReading>,
	problems: Problem[]
): unknown {
	const path = copyPath(source);
	const bytes = files.assets.get(path);
	if (!bytes) {
		const { name, from, isUrl } = source;
		problems.push(
			isUrl
				? warning('data-no-copy', from.span, name.text, path)
				: error('data-missing', from.span, path)
		);
		return undefined;
	}
	const before = previous?.json.get(path);
	const reading = before?.bytes === bytes ? before : parseJson(bytes);
	json.set(path, reading);
	if (reading.failure !== undefined) {
		problems.push(error('data-not-json', source.from.span, path, reading.failure));
	}
	return reading.value;
}

function parseJson(bytes: Uint8Array): JsonReading {
	try {
		const value: unknown = JSON.parse(decodeUtf8(bytes));
		return { bytes, value, failure: undefined };
	} catch (failure) {
		const why = failure instanceof Error ? failure.message : 'it cannot be read';
		return { bytes, value: undefined, failure: why };
	}
}
