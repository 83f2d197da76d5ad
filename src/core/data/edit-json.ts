import {
	applyEdits,
	modify,
	parseTree,
	printParseErrorCode,
	parse,
	type ParseError
} from 'jsonc-parser';

/** The way to a value in JSON. */
export type JsonPath = readonly (string | number)[];

/** Changes one value in JSON as it is written; what is around it stays. `undefined` takes the value away. */
export function editJson(text: string, path: JsonPath, value: unknown): string {
	const usesTabs = /^\t/m.test(text) || !/^ +\S/m.test(text);
	const tabSize = /^( +)\S/m.exec(text)?.[1]?.length ?? 2;
	const formattingOptions = { insertSpaces: !usesTabs, tabSize, eol: '\n' };
	return applyEdits(text, modify(text, [...path], value, { formattingOptions }));
}

/** Why a text is not JSON, with the place; undefined where it is. */
export function whyNotJson(
	text: string
): { readonly why: string; readonly offset: number } | undefined {
	const errors: ParseError[] = [];
	parse(text, errors, { disallowComments: true });
	const [first] = errors;
	if (first) return { why: words(printParseErrorCode(first.error)), offset: first.offset };
	return parseTree(text) ? undefined : { why: 'it is empty', offset: 0 };
}

/** `ValueExpected` as words. */
function words(code: string): string {
	return code.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
}
