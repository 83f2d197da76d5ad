import type { Comparison, Expression, IfTag, UseTag } from '../model/template.ts';

/** Tags as they are written, from what they say. */

/** How a value is tested: that it is there, or against a text. */
export type TestWay = 'there' | Comparison;

/** One thing that must hold, as it is chosen. */
export interface TestSaid {
	readonly path: string;
	readonly how: TestWay;
	readonly text: string;
}

/** What a part is given, as it is chosen: a text with values in it, or a value as it is. */
export interface GivenSaid {
	readonly name: string;
	readonly kind: 'text' | 'path';
	readonly said: string;
}

function quoted(text: string): string {
	return `"${text.replace(/[\\"]/g, '\\$&')}"`;
}

/** A condition as it is written; quotes in the text are a part of it. */
export function testText({ path, how, text }: TestSaid): string {
	return how === 'there' ? path : `${path} ${how} ${quoted(text)}`;
}

export function ifText(tests: readonly TestSaid[]): string {
	return `{if ${tests.map(testText).join(' and ')}}`;
}

export function testsOf({ tests }: IfTag): TestSaid[] {
	return tests.map(({ value, against }) => ({
		path: value.path.join('.'),
		how: against?.how ?? 'there',
		text: against?.text ?? ''
	}));
}

export function forText(name: string, list: string): string {
	return `{for ${name} in ${list}}`;
}

export function useText(part: string, given: readonly GivenSaid[]): string {
	const written = given.map(({ name, kind, said }) => {
		// A brace with a backslash before it is one in the text, too.
		return `${name}=${kind === 'path' ? said : `"${said.replace(/\\(?!\{)|"/g, '\\$&')}"`}`;
	});
	return `{${['use', part, ...written].join(' ')}}`;
}

/** What a part is given by its tag, of which `written` is the text. */
export function givenOf({ given, span }: UseTag, written: string): GivenSaid[] {
	return given.map(({ name, value }): GivenSaid => {
		if (value.kind === 'path') {
			return { name: name.text, kind: 'path', said: value.value.path.join('.') };
		}
		const { from, to } = value.template.span;
		const said = written.slice(from + 1 - span.from, to - 1 - span.from);
		return { name: name.text, kind: 'text', said: said.replace(/\\(["\\])/g, '$1') };
	});
}

/** A value as it is written. */
export function valueText({
	path,
	format,
	otherwise
}: Pick<Expression, 'path' | 'format' | 'otherwise'>): string {
	const as = format === undefined ? '' : ` as ${format}`;
	const or = otherwise === undefined ? '' : ` ?? ${quoted(otherwise)}`;
	return `{${path.join('.')}${as}${or}}`;
}
