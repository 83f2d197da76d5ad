import { parse } from 'jsonc-parser';
import { editJson, type JsonPath } from './edit-json.ts';

/** Columns of a list of objects, edited in JSON as it is written. */

/** Why a column cannot be there. */
export class ColumnRefused extends Error {}

/** The members of a list in some JSON; throws a ColumnRefused where there is no list of objects. */
function membersAt(text: string, path: JsonPath): object[] {
	const whole: unknown = parse(text);
	const list = path.reduce<unknown>(
		(value, key) =>
			typeof value === 'object' && value !== null ? Reflect.get(value, key) : undefined,
		whole
	);
	if (!Array.isArray(list)) throw new ColumnRefused('There is no list there any more.');
	const members: readonly unknown[] = list;
	return members.map((member) => {
		if (typeof member === 'object' && member !== null && !Array.isArray(member)) return member;
		throw new ColumnRefused('Members of this list are no objects, so they have no columns.');
	});
}

/** A column is a name that a path in markup can have. */
function checkName(column: string): void {
	if (/^[a-zA-Z0-9_-]+$/.test(column)) return;
	throw new ColumnRefused(
		`"${column}" cannot be a name in markup: write letters, digits, hyphens and underscores.`
	);
}

/** Gives each member a value of that name, an empty text; a list without members gets its first. */
export function addColumn(text: string, path: JsonPath, column: string): string {
	checkName(column);
	const members = membersAt(text, path);
	if (members.length === 0) return editJson(text, [...path, 0], { [column]: '' });
	if (members.some((member) => Object.hasOwn(member, column)))
		throw new ColumnRefused(`There is a column ${column} already.`);
	return members.reduce(
		(written, _, index) => editJson(written, [...path, index, column], ''),
		text
	);
}

/** Takes the value of that name from each member. */
export function removeColumn(text: string, path: JsonPath, column: string): string {
	return membersAt(text, path).reduce<string>(
		(written, member, index) =>
			Object.hasOwn(member, column)
				? editJson(written, [...path, index, column], undefined)
				: written,
		text
	);
}

/** Calls the value of each member something else; it keeps its place among the others. */
export function renameColumn(text: string, path: JsonPath, column: string, to: string): string {
	checkName(to);
	const members = membersAt(text, path);
	if (members.some((member) => Object.hasOwn(member, to)))
		throw new ColumnRefused(`There is a column ${to} already.`);
	return members.reduce<string>((written, member, index) => {
		if (!Object.hasOwn(member, column)) return written;
		const entries = Object.entries(member).map(([key, value]): [string, unknown] => [
			key === column ? to : key,
			value
		]);
		return editJson(written, [...path, index], Object.fromEntries(entries));
	}, text);
}
