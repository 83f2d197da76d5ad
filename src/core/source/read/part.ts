import { error } from '../../messages/problem.ts';
import { isName } from '../../model/name.ts';
import type { Parameter, Part, Style } from '../../model/site.ts';
import type { Named, Span } from '../../model/span.ts';
import { readMarkupTemplate } from '../text/template.ts';
import { valueRoots } from '../text/tag.ts';
import { AllowReader } from './layers/allow.ts';
import { readBlock, type ReadContext } from './block.ts';
import type { Cursor } from './cursor.ts';
import { readStyle } from './layers/style.ts';

/** `part NAME(parameter, parameter = default | other) [{ style … }] """ markup """`. */
export function readPart(cursor: Cursor, context: ReadContext): Part | undefined {
	const name = cursor.takeName('A part');
	if (!name) return undefined;
	const list = cursor.take('parens');
	const parameters = list ? readParameters(list.span, context) : [];
	const styles: Style[] = [];
	const allow = new AllowReader();
	cursor.finish({ block: true, markup: true });
	readBlock(
		cursor.statement.block,
		{
			name: `the part ${name.text}`,
			statements: {
				style(inner) {
					const style = readStyle(inner, context);
					if (style) styles.push(style);
				},
				allow: allow.read
			}
		},
		context
	);
	const block = cursor.needMarkup(`The part ${name.text}`);
	if (!block) return undefined;
	const markup = readMarkupTemplate(block, context.problems);
	return {
		kind: 'part',
		name,
		parameters,
		parametersSpan: list?.span,
		styles,
		allows: allow.allows,
		markup,
		span: cursor.statement.span
	};
}

/** One value of a parameter: a word, or text in quotes. */
const oneValue = '"(?:[^"\\\\\\n]|\\\\.)*"|[a-zA-Z0-9_-]+';
const parameterShape = new RegExp(
	`^(\\s*)([a-zA-Z0-9_-]+)\\s*(?:=\\s*((?:${oneValue})(?:\\s*\\|\\s*(?:${oneValue}))*))?\\s*$`
);

function readParameters({ file, from, to }: Span, context: ReadContext): Parameter[] {
	const inner = context.text.slice(from + 1, to - 1);
	const parameters: Parameter[] = [];
	if (inner.trim() === '') return parameters;
	for (const { text, at } of splitAtCommas(inner)) {
		const start = from + 1 + at;
		const place: Span = { file, from: start, to: start + Math.max(1, text.length) };
		const [, lead = '', name, values = ''] = parameterShape.exec(text) ?? [];
		if (name === undefined) {
			context.problems.push(error('parameter-invalid', place, text.trim()));
			continue;
		}
		const nameFrom = start + lead.length;
		const named: Named = { text: name, span: { file, from: nameFrom, to: nameFrom + name.length } };
		const problem = whyNoParameter(named, parameters);
		if (problem) {
			context.problems.push(problem);
			continue;
		}
		const read = readValues(values, file, start + text.lastIndexOf(values));
		const again = read.find((one, index) => read.findIndex((two) => two.text === one.text) < index);
		if (again) {
			context.problems.push(error('listed-twice', again.span, `The value of ${name}`, again.text));
		}
		const different = read.filter((one) => one !== again);
		parameters.push({ name: named, values: different, span: place });
	}
	return parameters;
}

function whyNoParameter({ text, span }: Named, before: readonly Parameter[]) {
	if (!isName(text)) return error('name-invalid', span, text);
	if (valueRoots.includes(text) || text === 'content') return error('loop-name-taken', span, text);
	if (before.some(({ name }) => name.text === text)) {
		return error('listed-twice', span, 'The parameter', text);
	}
	return undefined;
}

function readValues(values: string, file: string, from: number): Named[] {
	return [...values.matchAll(new RegExp(oneValue, 'g'))].map(({ 0: written, index }) => ({
		text: written.startsWith('"') ? written.slice(1, -1).replace(/\\(.)/g, '$1') : written,
		span: { file, from: from + index, to: from + index + written.length }
	}));
}

/** Parts of a list between commas that do not stand in quotes. */
function splitAtCommas(text: string): { text: string; at: number }[] {
	const found: { text: string; at: number }[] = [];
	for (const match of text.matchAll(/(?:"(?:[^"\\\n]|\\.)*"|[^,"]|")+|(?<=,)(?=,|$)/g)) {
		found.push({ text: match[0], at: match.index });
	}
	return found;
}
