import type { Parameter, Part } from '../../model/site.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkName } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { findPart, usesOf } from './parts.ts';
import { rootSpans, tagsIn } from './tags.ts';

/** Edits of what a part is given, in the part and wherever it is used. */

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

/** A part is given something more: one of some values, the first where nothing is given. */
export function addParameter(
	resolved: ResolvedSite,
	surgery: Surgery,
	partName: string,
	name: string,
	values: readonly string[]
): void {
	const part = findPart(resolved, partName);
	checkName(name);
	if (values.length === 0)
		throw new CommandRefused(
			`Without a value ${name} would have to be given wherever ${partName} is used: say what holds where it is not.`
		);
	const said = `${name} = ${values.map(writtenValue).join(' | ')}`;
	const last = part.parameters.at(-1);
	if (last) surgery.insertBehind(last.span, said, ', ');
	else if (part.parametersSpan) surgery.replace(part.parametersSpan, `(${said})`);
	else surgery.insertBehind(part.name.span, `(${said})`, '');
}

/** A parameter can have one value more. */
export function addVariant(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ part: partName, parameter: name }: { readonly part: string; readonly parameter: string },
	value: string
): void {
	const { values } = findParameter(findPart(resolved, partName), name);
	const last = values.at(-1);
	if (!last) throw new CommandRefused(`${name} can be any text already.`);
	if (values.some(({ text }) => text === value))
		throw new CommandRefused(`${name} can be ${value} already.`, last.span);
	surgery.insertBehind(last.span, writtenValue(value), ' | ');
}

function writtenValue(text: string): string {
	return /^[a-zA-Z0-9_-]+$/.test(text) ? text : `"${text.replace(/[\\"]/g, '\\$&')}"`;
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
