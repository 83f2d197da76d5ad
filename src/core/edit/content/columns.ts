import * as json from '../../data/columns.ts';
import type { JsonPath } from '../../data/edit-json.ts';
import { counted } from '../../messages/wording.ts';
import { copyPath } from '../../model/site.ts';
import { generalPath, valueUses, type ValueUse } from '../../resolve/content/value-uses.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { findSource, jsonOf, setJson } from './data.ts';

/** Edits of the columns of a list, in the JSON of the site and wherever it is shown. */

/** A column of a list in a source. */
export interface ColumnRef {
	readonly name: string;
	readonly path: JsonPath;
	readonly column: string;
}

export function addColumn(resolved: ResolvedSite, surgery: Surgery, at: ColumnRef): void {
	change(resolved, surgery, at, (text) => json.addColumn(text, at.path, at.column));
}

/** Takes a column away that nothing shows. */
export function removeColumn(resolved: ResolvedSite, surgery: Surgery, at: ColumnRef): void {
	const uses = usesOfColumn(resolved, at);
	const [first] = uses;
	if (first) {
		throw new CommandRefused(
			`${at.column} is shown in ${counted(uses.length, 'place')}: put something else there first.`,
			first.span
		);
	}
	change(resolved, surgery, at, (text) => json.removeColumn(text, at.path, at.column));
}

/** Renames a column in each member, and wherever it is shown. */
export function renameColumn(
	resolved: ResolvedSite,
	surgery: Surgery,
	at: ColumnRef,
	to: string
): void {
	change(resolved, surgery, at, (text) => json.renameColumn(text, at.path, at.column, to));
	const uses = usesOfColumn(resolved, at);
	const all = valueUses(resolved.site);
	for (const { span, path, owner } of uses) {
		const other = all.find(
			(one) => one.span.file === span.file && one.span.from === span.from && one.path !== path
		);
		if (other) {
			throw new CommandRefused(
				`What shows ${at.column} for ${owner} shows data.${other.path} elsewhere, so it cannot be renamed there.`,
				span
			);
		}
	}
	const word = new RegExp(`(^|\\.)${at.column}(?![\\w-])`);
	for (const span of new Map(
		uses.map((use) => [`${use.span.file} ${use.span.from}`, use.span])
	).values()) {
		const written = surgery.textOf(span);
		surgery.replace(span, written.replace(word, `$1${to}`));
	}
}

function usesOfColumn({ site }: ResolvedSite, { name, path, column }: ColumnRef): ValueUse[] {
	const general = [name, generalPath(path), '*', column].filter((one) => one !== '').join('.');
	return valueUses(site).filter(
		(use) => use.path === general || use.path.startsWith(`${general}.`)
	);
}

function change(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ name }: ColumnRef,
	edit: (text: string) => string
): void {
	const source = findSource(resolved, name);
	const text = jsonOf(resolved, source);
	if (text === undefined)
		throw new CommandRefused(`There is no file ${copyPath(source)} to change.`);
	try {
		setJson(resolved, surgery, name, edit(text));
	} catch (failure) {
		if (failure instanceof json.ColumnRefused) throw new CommandRefused(failure.message);
		throw failure;
	}
}
