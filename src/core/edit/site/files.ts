import { isSameBytes } from '../../lib/bytes.ts';
import { isEaveFile, isLeftOut } from '../../model/files.ts';
import type { Span } from '../../model/span.ts';
import { counted } from '../../messages/wording.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkPath, IntakeError, mostBytes } from '../../source/limits.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';

/** Edits of a site's other files: pictures, fonts, data. */

/** Puts a file there, in the place of one of the same path. */
export function putFile(
	resolved: ResolvedSite,
	surgery: Surgery,
	file: string,
	bytes: Uint8Array
): void {
	checkFile(file);
	const { assets } = resolved.reading.files;
	const total = [...assets].reduce(
		(sum, [path, { length }]) => (path === file ? sum : sum + length),
		bytes.length
	);
	if (total > mostBytes) {
		throw new CommandRefused(
			`With ${file} the site would be larger than ${mostBytes / 1024 / 1024} MB.`
		);
	}
	surgery.files({ kind: 'put', file, bytes });
}

/** Adds texts under paths of their own, and other files under just theirs, unless they are there already. */
export function addMade(
	resolved: ResolvedSite,
	surgery: Surgery,
	texts: readonly (readonly [string, string])[],
	files: readonly (readonly [string, Uint8Array])[]
): void {
	const known = resolved.reading.files;
	const taken = new Set(known.texts.keys());
	for (const [path, text] of texts) {
		const file = freePath(path, taken);
		taken.add(file);
		surgery.files({ kind: 'add', file, text });
	}
	let total = [...known.assets.values()].reduce((sum, { length }) => sum + length, 0);
	for (const [file, bytes] of files) {
		const own = known.assets.get(file);
		if (own && isSameBytes(own, bytes)) continue;
		if (own) {
			throw new CommandRefused(
				`There is a file ${file} already, with something else in it. Put what comes into a folder of its own.`
			);
		}
		checkFile(file);
		total += bytes.length;
		if (total > mostBytes) {
			throw new CommandRefused(
				`With these files the site would be larger than ${mostBytes / 1024 / 1024} MB.`
			);
		}
		surgery.files({ kind: 'put', file, bytes });
	}
}

function freePath(path: string, taken: ReadonlySet<string>): string {
	let free = path;
	for (let count = 2; taken.has(free); count++) free = path.replace(/(\.eave)?$/, `-${count}$1`);
	return free;
}

/** Gives a file another path, and changes every place that names it. */
export function renameFile(
	resolved: ResolvedSite,
	surgery: Surgery,
	file: string,
	to: string
): string[] {
	checkFile(to);
	const { assets } = resolved.reading.files;
	if (!assets.has(file)) throw new CommandRefused(`There is no file ${file} any more.`);
	if (assets.has(to)) throw new CommandRefused(`There is a file ${to} already.`);
	const uses = fileUses(resolved, file);
	for (const use of uses) surgery.replace(use, to);
	surgery.files({ kind: 'move', file, to });
	return [];
}

/** Takes a file away; where something names it, that is said. */
export function removeFile(resolved: ResolvedSite, surgery: Surgery, file: string): string[] {
	if (!resolved.reading.files.assets.has(file)) {
		throw new CommandRefused(`There is no file ${file} any more.`);
	}
	surgery.files({ kind: 'drop', file });
	const uses = fileUses(resolved, file).length;
	return uses === 0
		? []
		: [`${counted(uses, 'place')} that name${uses === 1 ? 's' : ''} ${file} would lead nowhere.`];
}

function checkFile(file: string): void {
	if (isEaveFile(file))
		throw new CommandRefused(`${file} would be text of the site: add it in Source.`);
	if (isLeftOut(file)) throw new CommandRefused(`${file} would be left out: it is hidden.`);
	if (!/^[^\s"'()<>\\?#&]+$/.test(file)) {
		throw new CommandRefused(
			`"${file}" cannot be a path: it has a space or a sign that links cannot have.`
		);
	}
	try {
		checkPath(file);
	} catch (failure) {
		if (failure instanceof IntakeError)
			throw new CommandRefused(`${file} is no path in the site's folder.`);
		throw failure;
	}
}

/** The places of a file's path in the text of a site: in markup, styles and data. */
export function fileUses({ reading }: ResolvedSite, path: string): Span[] {
	const written = path.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
	const uses = new RegExp(`(["'(\\s,=](?:\\./|/)?)${written}(?=["')\\s,?#>])`, 'g');
	return [...reading.files.texts].flatMap(([file, text]) =>
		[...text.matchAll(uses)].map(({ index, 1: lead = '' }): Span => {
			const from = index + lead.length;
			return { file, from, to: from + path.length };
		})
	);
}
