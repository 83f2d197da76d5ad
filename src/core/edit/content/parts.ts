import { counted } from '../../messages/problem.ts';
import type { Parameter, Part } from '../../model/site.ts';
import type { UseTag } from '../../model/template.ts';
import { partBook } from '../../resolve/content/parts.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkName } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { rootSpans, tagsIn, tagsOf } from './tags.ts';

/** Edits of parts, and of everything that uses them. */

/** Where parts are written that are made on the drawings. */
const partsFile = 'parts.eave';

function findPart({ site }: ResolvedSite, name: string): Part {
	const part = partBook(site.parts).get(name);
	if (!part) throw new CommandRefused(`There is no part ${name} any more.`);
	return part;
}

/** Every use of a part, in layers and in other parts. */
export function usesOf({ site }: ResolvedSite, name: string): UseTag[] {
	return tagsOf(site).flatMap((tag) => (tag.kind === 'use' && tag.part.text === name ? [tag] : []));
}

/** Writes a new part: behind the others, or in a file of its own. */
export function writePart(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	lines: readonly string[]
): void {
	checkName(name);
	const { site, reading } = resolved;
	refuseSame(partBook(site.parts).get(name));
	const last = site.parts.at(-1);
	if (last) {
		surgery.insertAfter(last.span, lines);
		return;
	}
	const { texts } = reading.files;
	const file = texts.has(partsFile) ? `parts-${texts.size}.eave` : partsFile;
	surgery.files({
		kind: 'add',
		file,
		text: `// What is written once and used in many places.\n${lines.join('\n')}\n`
	});
}

/** A new part, to begin with. */
export function addPart(resolved: ResolvedSite, surgery: Surgery, name: string): void {
	const lines = [`part ${name}(title) """`, '  <p>{title}</p>', '"""'];
	writePart(resolved, surgery, name, lines);
}

/** Takes a part away that nothing uses. */
export function removePart(resolved: ResolvedSite, surgery: Surgery, name: string): void {
	const part = findPart(resolved, name);
	const uses = usesOf(resolved, name);
	const [first] = uses;
	if (first) {
		throw new CommandRefused(
			`${name} is used in ${counted(uses.length, 'place')}: put something else there first.`,
			first.part.span
		);
	}
	surgery.remove(part.span);
}

/** Writes the markup of a part anew. */
export function setPartMarkup(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	markup: string
): void {
	const { span } = findPart(resolved, name).markup;
	if (markup.includes('"""'))
		throw new CommandRefused('""" would end the markup: write &quot; for a quote.');
	const lines = markup.split('\n').map((line) => (line === '' ? '' : `  ${line}`));
	surgery.replace(span, `"""\n${lines.join('\n')}\n"""`);
}

/** Says anew what a part is given, as it stands between its parentheses. */
export function setParameters(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	text: string
): void {
	const part = findPart(resolved, name);
	const written = text.trim() === '' ? '' : `(${text.trim()})`;
	if (/[\n{}]/.test(written))
		throw new CommandRefused('What a part is given stands in one line, without braces.');
	if (part.parametersSpan) surgery.replace(part.parametersSpan, written);
	else if (written !== '') surgery.insertBehind(part.name.span, written, '');
}

/** Renames a part in all its uses. */
export function renamePart(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	to: string
): void {
	const part = findPart(resolved, name);
	checkName(to);
	refuseSame(partBook(resolved.site.parts).get(to));
	surgery.replace(part.name.span, to);
	for (const use of usesOf(resolved, name)) surgery.replace(use.part.span, to);
}

function refuseSame(part: Part | undefined): void {
	if (!part) return;
	throw new CommandRefused(`There is a part ${part.name.text} already.`, part.name.span);
}

function findParameter(part: Part, name: string): Parameter {
	const parameter = part.parameters.find((one) => one.name.text === name);
	if (!parameter) throw new CommandRefused(`The part ${part.name.text} has no ${name} any more.`);
	return parameter;
}

/** Renames what a part is given: in the part, and wherever it is given. */
export function renameParameter(
	resolved: ResolvedSite,
	surgery: Surgery,
	partName: string,
	name: string,
	to: string
): void {
	const part = findPart(resolved, partName);
	const parameter = findParameter(part, name);
	checkName(to);
	const same = part.parameters.find((one) => one.name.text === to);
	if (same) throw new CommandRefused(`The part ${partName} has ${to} already.`, same.name.span);
	surgery.replace(parameter.name.span, to);
	for (const { given } of usesOf(resolved, partName)) {
		for (const one of given) if (one.name.text === name) surgery.replace(one.name.span, to);
	}
	for (const tag of tagsIn(part.markup)) {
		for (const span of rootSpans(tag, name, surgery)) surgery.replace(span, to);
	}
}

/** Renames one of the values that a parameter can be: in the list, where it is given, and where it is asked for. */
export function renameVariant(
	resolved: ResolvedSite,
	surgery: Surgery,
	where: { readonly part: string; readonly parameter: string; readonly value: string },
	to: string
): string[] {
	const part = findPart(resolved, where.part);
	const parameter = findParameter(part, where.parameter);
	const value = parameter.values.find((one) => one.text === where.value);
	if (!value) throw new CommandRefused(`${where.parameter} cannot be ${where.value} any more.`);
	if (!/^[a-zA-Z0-9_-]+$/.test(to))
		throw new CommandRefused(`"${to}" cannot be a value: write letters, digits and hyphens.`);
	if (parameter.values.some((one) => one.text === to))
		throw new CommandRefused(`${where.parameter} can be ${to} already.`);
	surgery.replace(value.span, to);
	for (const { given } of usesOf(resolved, where.part)) {
		for (const { name, value: said } of given) {
			if (name.text !== where.parameter || said.kind !== 'text') continue;
			const { parts, span } = said.template;
			if (parts.length === 1 && parts[0] === where.value)
				surgery.replace({ ...span, from: span.from + 1, to: span.to - 1 }, to);
		}
	}
	for (const tag of tagsIn(part.markup)) {
		if (tag.kind !== 'if') continue;
		for (const { value: tested, against } of tag.tests) {
			const isWhole = against?.how === 'is' || against?.how === 'is not';
			if (!isWhole || against.text !== where.value) continue;
			if (tested.path.join('.') === where.parameter) surgery.replace(against.span, `"${to}"`);
		}
	}
	const named = part.styles.some(({ css }) => css.includes(`.${where.value}`));
	return named
		? [`The style of ${where.part} still names .${where.value}: change it there too.`]
		: [];
}
