import Papa from 'papaparse';
import { freeName, nameFrom } from '../model/name.ts';

/** The members of a list as they were pasted: texts and numbers, or one for each row by the names of its columns. */
export type PastedMember = string | number | Readonly<Record<string, string | number>>;

/**
 * Reads a table or list as spreadsheets and texts have it: cells parted by tabs, commas or semicolons, the first row the
 * names of the columns; or one text a line. Undefined where there is nothing in it. Throws a RangeError that says why a
 * row cannot be read.
 */
export function pastedMembers(text: string): PastedMember[] | undefined {
	const lines = text.trim();
	if (lines === '') return undefined;
	if (isList(lines)) return lines.split(/\r?\n/).flatMap((line) => listed(line));
	const { data, errors } = Papa.parse<string[]>(lines, { skipEmptyLines: 'greedy' });
	const [wrong] = errors;
	if (wrong) throw new RangeError(`Row ${(wrong.row ?? 0) + 1} cannot be read: ${wrong.message}.`);
	const [head = [], ...rows] = data;
	const names = namesOf(head);
	return rows.map((row, index) => {
		if (row.length > names.length) {
			throw new RangeError(
				`Row ${index + 2} has ${row.length} cells, and the table ${names.length} columns.`
			);
		}
		return Object.fromEntries(names.map((name, at) => [name, valueOf(row[at] ?? '')]));
	});
}

/** A text a line: no line is parted by tabs, or all of them by the same sign into as many cells. */
function isList(text: string): boolean {
	if (text.includes('\t')) return false;
	const { data } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
	const counts = new Set(data.map((row) => row.length));
	const isTable = data.length >= 2 && counts.size === 1 && !counts.has(1);
	return !isTable || isProse(text, data[0] ?? []);
}

/**
 * Lines of words with as many commas each: a blank follows all of them, as in a sentence, and the first line reads as no
 * names of columns do. Those are short, and all of them begin with a capital letter or none does.
 */
function isProse(text: string, head: readonly string[]): boolean {
	if (/[,;](?! )/.test(text)) return false;
	const names = head.map((cell) => cell.trim());
	const areShort = names.every((name) => name.split(/\s+/).length <= 3 && !/[.!?:]$/.test(name));
	const capitals = names.filter((name) => /^\p{Lu}/u.test(name)).length;
	return !areShort || (capitals > 0 && capitals < names.length);
}

/** What stands in a line of a list, without the sign that it begins with. */
function listed(line: string): (string | number)[] {
	const text = line.replace(/^\s*(?:[-*•]|\d+[.)])\s+/, '').trim();
	return text === '' ? [] : [valueOf(text)];
}

/** A number where it is written as numbers are: what begins with a zero, such as a telephone number, is text. */
function valueOf(cell: string): string | number {
	const text = cell.trim();
	const number = Number(text);
	return text !== '' && String(number) === text ? number : text;
}

/** Names of columns as markup can say them: "Sown in" is sown-in. */
function namesOf(head: readonly string[]): string[] {
	const taken = new Set<string>();
	return head.map((cell, index) => {
		const name = freeName(nameFrom(cell) || `column-${index + 1}`, taken);
		taken.add(name);
		return name;
	});
}
