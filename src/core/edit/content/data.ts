import { copyPath, layersOf, type DataSource, type Site } from '../../model/site.ts';
import { counted } from '../../messages/wording.ts';
import type { DataPart } from '../../model/command.ts';
import { decodeUtf8, encodeUtf8 } from '../../lib/utf8.ts';
import { editJson, whyNotJson, type JsonPath } from '../../data/edit-json.ts';
import { pastedMembers, type PastedMember } from '../../data/pasted-table.ts';
import { inferShape, shapeText } from '../../data/shape.ts';
import { positionAt, type Span } from '../../model/span.ts';
import { valueAt } from '../../resolve/instance.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkName } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import { putFile } from '../site/files.ts';
import { quoted } from '../site/settings.ts';
import type { Surgery } from '../surgery.ts';
import { tagsOf } from './tags.ts';

/** Edits of shared data: what a source says of itself, and the JSON in the site's own files. */

/** The source of that name. Throws a CommandRefused where it is gone. */
export function findSource({ site }: ResolvedSite, name: string): DataSource {
	const source = site.data.find((one) => one.name.text === name);
	if (!source) throw new CommandRefused(`There is no data source ${name} any more.`);
	return source;
}

/** The JSON of a source as it lies in the site. */
export function jsonOf(resolved: ResolvedSite, source: DataSource): string | undefined {
	const bytes = resolved.reading.files.assets.get(copyPath(source));
	return bytes && decodeUtf8(bytes);
}

/** Adds a source; one that is a file is made where it is not there yet, with the members that were pasted. */
export function addData(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	from: string,
	pasted = '',
	columns: readonly string[] = []
): void {
	checkName(name);
	const { site, reading } = resolved;
	refuseSame(site, name);
	const isUrl = /^[a-z][a-z0-9+.-]*:/i.test(from);
	if (!isUrl && !from.endsWith('.json')) {
		throw new CommandRefused(
			`${from} is neither a URL nor a JSON file, such as data/${name}.json.`
		);
	}
	const first = Object.fromEntries(columns.map((column) => [column, '']));
	const members = membersOf(pasted) ?? (columns.length > 0 ? [first] : undefined);
	const isThere = reading.files.assets.has(from);
	if (members && (isUrl || isThere)) {
		throw new CommandRefused(
			isUrl
				? 'What it begins with becomes a file of the site, and this is a URL.'
				: `There is a file ${from} already: name another for what it begins with.`
		);
	}
	const line = `data ${name} from ${quoted(from)}`;
	const last = site.data.at(-1);
	if (last) surgery.insertBelow(last.span, [line]);
	else surgery.insertAfter(site.settings.span, [line]);
	if (!isUrl && !isThere) {
		const json = JSON.stringify(members ?? [], undefined, members && '\t');
		putFile(resolved, surgery, from, encodeUtf8(`${json}\n`));
	}
}

function membersOf(pasted: string): PastedMember[] | undefined {
	try {
		return pastedMembers(pasted);
	} catch (failure) {
		if (failure instanceof RangeError) throw new CommandRefused(failure.message);
		throw failure;
	}
}

/** Takes a source away, where nothing uses it; its file stays. */
export function removeData(resolved: ResolvedSite, surgery: Surgery, name: string): void {
	const source = findSource(resolved, name);
	const [first, ...others] = dataNameSpans(resolved, name);
	if (first) {
		throw new CommandRefused(
			`data.${name} is used in ${counted(1 + others.length, 'place')}: take it out there first.`,
			first
		);
	}
	surgery.remove(source.span);
}

function refuseSame(site: Site, name: string): void {
	const same = site.data.find((one) => one.name.text === name);
	if (same) throw new CommandRefused(`There is a data source ${name} already.`, same.name.span);
}

/** Renames a source in everything that names it. */
export function renameData(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	to: string
): void {
	const source = findSource(resolved, name);
	checkName(to);
	refuseSame(resolved.site, to);
	surgery.replace(source.name.span, to);
	for (const span of dataNameSpans(resolved, name)) surgery.replace(span, to);
	if (source.isUrl && resolved.reading.files.assets.has(copyPath(source))) {
		const moved = copyPath({ ...source, name: { ...source.name, text: to } });
		surgery.files({ kind: 'move', file: copyPath(source), to: moved });
	}
}

/** The places of a source's name in expressions, and where pages are made for each of its members. */
function dataNameSpans(resolved: ResolvedSite, name: string): Span[] {
	const { site, reading } = resolved;
	const word = new RegExp(`(?<![\\w.-])data\\.${name}(?![\\w-])`, 'g');
	const inTags = tagsOf(site).flatMap(({ span }) => {
		const text = reading.files.texts.get(span.file)?.slice(span.from, span.to) ?? '';
		return [...text.matchAll(word)].map(({ index }) => {
			const from = span.from + index + 'data.'.length;
			return { file: span.file, from, to: from + name.length };
		});
	});
	const inEach = layersOf(site).flatMap((layer): Span[] => {
		if (layer.kind !== 'route' || layer.pages.kind !== 'each') return [];
		const { text, span } = layer.pages.data;
		if (text.split('.')[1] !== name) return [];
		const from = span.from + 'data.'.length;
		return [{ file: span.file, from, to: from + name.length }];
	});
	// A tag may stand in another one, so a place can be found twice.
	const all = new Map([...inTags, ...inEach].map((span) => [`${span.file} ${span.from}`, span]));
	return [...all.values()];
}

/** Says one thing of a source; `undefined` takes it back. */
export function setData(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	part: DataPart,
	value: string | undefined
): void {
	const source = findSource(resolved, name);
	if (part === 'from') {
		if (value === undefined || value === '') {
			throw new CommandRefused('A data source needs a file or a URL to come from.');
		}
		surgery.replace(source.from.span, quoted(value));
		return;
	}
	const written = part === 'shape' && value !== undefined ? quoted(value) : value;
	surgery.setInner(source.span, part, written === undefined ? undefined : `${part} ${written}`);
}

/** Keeps the shape that the data has now, as a file that it is held against from now on. */
export function keepShape(resolved: ResolvedSite, surgery: Surgery, name: string): void {
	const source = findSource(resolved, name);
	const value = resolved.site.values.get(name);
	if (value === undefined)
		throw new CommandRefused(`There is no JSON of ${name} whose shape could be kept.`);
	const file = source.shape?.text ?? `data/${name}.schema.json`;
	putFile(resolved, surgery, file, encodeUtf8(shapeText(inferShape(value))));
	if (!source.shape) setData(resolved, surgery, name, 'shape', file);
}

/** Writes the JSON of a source anew. */
export function setJson(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	text: string
): void {
	const source = findSource(resolved, name);
	const wrong = whyNotJson(text);
	if (wrong) {
		const { line, column } = positionAt(text, wrong.offset);
		throw new CommandRefused(`This is not JSON (line ${line}, column ${column}): ${wrong.why}.`);
	}
	putFile(resolved, surgery, copyPath(source), encodeUtf8(text));
}

/** Changes one value of a source's JSON; `undefined` takes it away. */
export function setValue(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	path: JsonPath,
	value: unknown
): void {
	const source = findSource(resolved, name);
	const text = jsonOf(resolved, source);
	if (text === undefined)
		throw new CommandRefused(`There is no file ${copyPath(source)} to change.`);
	setJson(resolved, surgery, name, editJson(text, path, value));
}

/** Adds a member to a list: like the last one, with empty values. */
export function addMember(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	path: JsonPath
): void {
	const list = valueAt(resolved.site.values.get(name), path.map(String));
	if (!Array.isArray(list))
		throw new CommandRefused(`data.${[name, ...path].join('.')} is not a list.`);
	const members: readonly unknown[] = list;
	setValue(resolved, surgery, name, [...path, members.length], newMember(members));
}

/** A member of the shape of the others: texts say that they are new, so that no two pages have one address. */
export function newMember(members: readonly unknown[]): unknown {
	const last = members.at(-1);
	if (typeof last !== 'object' || last === null || Array.isArray(last)) {
		return typeof last === 'number' ? 0 : typeof last === 'boolean' ? false : 'new';
	}
	const taken = (key: string, text: string): boolean =>
		members.some(
			(one) =>
				typeof one === 'object' &&
				one !== null &&
				Object.entries(one).some(([name, value]) => name === key && value === text)
		);
	return Object.fromEntries(
		Object.entries(last).map(([key, value]): [string, unknown] => {
			if (typeof value === 'number') return [key, 0];
			if (typeof value === 'boolean') return [key, false];
			if (typeof value !== 'string') return [key, Array.isArray(value) ? [] : null];
			let text = 'new';
			for (let count = 2; taken(key, text); count++) text = `new-${count}`;
			return [key, text];
		})
	);
}
