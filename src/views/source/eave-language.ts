import {
	autocompletion,
	type CompletionContext,
	type CompletionResult
} from '@codemirror/autocomplete';
import { htmlLanguage } from '@codemirror/lang-html';
import { cssLanguage } from '@codemirror/lang-css';
import {
	foldInside,
	foldNodeProp,
	HighlightStyle,
	indentNodeProp,
	LanguageSupport,
	LRLanguage,
	syntaxHighlighting
} from '@codemirror/language';
import type { Extension } from '@codemirror/state';
import {
	NodeType,
	parseMixed,
	Tree,
	type Input,
	type ParseWrapper,
	type SyntaxNodeRef
} from '@lezer/common';
import { styleTags, tags } from '@lezer/highlight';
import { parser } from '$core/source/grammar/parser.ts';
import { findUnreadable, withoutDeepBrackets } from '$core/source/syntax.ts';
import type { complete } from '$core/source/complete.ts';

/** Markup is coloured as HTML and style as CSS, by the word that its statement starts with. */
function innerLanguage(node: SyntaxNodeRef, input: Input) {
	if (node.name !== 'Markup' || node.to - node.from < 7) return null;
	const statement = node.node.parent;
	const head = statement ? input.read(statement.from, Math.min(statement.from + 5, node.from)) : '';
	const inner = head === 'style' ? cssLanguage.parser : htmlLanguage.parser;
	return { parser: inner, overlay: [{ from: node.from + 3, to: node.to - 3 }] };
}

const mixed = parseMixed(innerLanguage);

/** What is too much for the parser has no colours; an editor must open whatever it is given. */
const bounded: ParseWrapper = (parse, input, fragments, ranges) => {
	const text = input.read(0, input.length);
	const isReadable = !findUnreadable('', text) && withoutDeepBrackets(text) === text;
	if (isReadable) return mixed(parse, input, fragments, ranges);
	const plain = new Tree(NodeType.none, [], [], input.length);
	return {
		parsedPos: input.length,
		stoppedAt: null,
		stopAt: () => undefined,
		advance: () => plain
	};
};

const eaveLanguage = LRLanguage.define({
	name: 'eave',
	parser: parser.configure({
		wrap: bounded,
		props: [
			styleTags({
				Keyword: tags.keyword,
				'Keyword/Word': tags.keyword,
				Word: tags.variableName,
				Path: tags.url,
				Band: tags.annotation,
				Property: tags.propertyName,
				Number: tags.number,
				Color: tags.color,
				'Text UnclosedText': tags.string,
				'Markup UnclosedMarkup': tags.content,
				Comment: tags.lineComment
			}),
			foldNodeProp.add({
				Block: foldInside,
				Markup: (node) => ({ from: node.from + 3, to: node.to - 3 })
			}),
			indentNodeProp.add({
				Block: (context) =>
					context.baseIndent + (/^\s*\}/.test(context.textAfter) ? 0 : context.unit)
			})
		]
	}),
	languageData: { commentTokens: { line: '//' }, closeBrackets: { brackets: ['{', '(', '"'] } }
});

const colors = HighlightStyle.define([
	{ tag: tags.keyword, color: 'var(--ink)', fontWeight: '600' },
	{ tag: [tags.url, tags.annotation], color: 'var(--cedar)' },
	{ tag: [tags.number, tags.color, tags.unit], color: 'var(--l5)' },
	{ tag: [tags.string, tags.attributeValue], color: 'var(--l2)' },
	{ tag: [tags.propertyName, tags.attributeName], color: 'var(--l3)' },
	{ tag: [tags.tagName, tags.typeName], color: 'var(--l1)' },
	{ tag: [tags.comment, tags.lineComment], color: 'var(--ink-2)', fontStyle: 'italic' },
	{ tag: [tags.variableName, tags.content], color: 'var(--ink)' }
]);

export const eaveColors = syntaxHighlighting(colors);

type AskCompletion = (offset: number) => Promise<ReturnType<typeof complete>>;

/** Characters; colouring more than this would hold up every key. */
export const mostColoured = 300_000;

/** Eave in the editor: colours and folding while the text is not too long, and completion by what the core knows. */
export function eave(ask: AskCompletion, length: number): Extension {
	const source = async (context: CompletionContext): Promise<CompletionResult | null> => {
		if (!context.explicit && !context.matchBefore(/[\w./:{]$/)) return null;
		const found = await ask(context.pos);
		if (!found) return null;
		const options = found.options.map(({ word, says, kind }) => ({
			label: word,
			detail: says,
			type: kind
		}));
		return { from: found.from, options, validFor: /^[\w./:*-]*$/ };
	};
	const completion = autocompletion({ override: [source], icons: false });
	return length > mostColoured ? completion : new LanguageSupport(eaveLanguage, [completion]);
}
