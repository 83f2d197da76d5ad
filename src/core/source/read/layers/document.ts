import { error } from '../../../messages/problem.ts';
import {
	documentElements,
	scriptWords,
	type Attributes,
	type DocumentSays,
	type HeadItem,
	type Script
} from '../../../model/site.ts';
import type { Named } from '../../../model/span.ts';
import { plainText, readMarkupTemplate } from '../../text/template.ts';
import { readAttributes } from '../attributes.ts';
import type { ReadContext, Vocabulary } from '../block.ts';
import type { Cursor } from '../cursor.ts';

/** What a site, a layout or a page says of the document around its body. */
export class DocumentReader {
	private readonly head: HeadItem[] = [];
	private readonly attributes: Attributes[] = [];

	constructor(private readonly context: ReadContext) {}

	get document(): DocumentSays {
		return { head: this.head, attributes: this.attributes };
	}

	readonly statements: Vocabulary['statements'] = {
		sheet: (cursor) => this.sheet(cursor),
		script: (cursor) => this.script(cursor),
		head: (cursor) => {
			cursor.finish({ markup: true });
			const block = cursor.needMarkup('What stands in the head');
			if (!block) return;
			const markup = readMarkupTemplate(block, this.context.problems);
			this.head.push({ kind: 'head', markup, span: cursor.statement.span });
		},
		attributes: (cursor) => this.attributesOf(cursor)
	};

	/** `sheet "css/site.css" [media "print"]`. */
	private sheet(cursor: Cursor): void {
		const from = takeFile(cursor, 'A sheet');
		const query = cursor.takeWord('media') && cursor.takeText('The media of a sheet');
		const media = query && { text: plainText(query), span: query.span };
		cursor.finish();
		const { span } = cursor.statement;
		if (from && !this.isThere('sheet', from)) this.head.push({ kind: 'sheet', from, media, span });
	}

	/** `script "js/menu.js" [module] [defer] [async]`. */
	private script(cursor: Cursor): void {
		const from = takeFile(cursor, 'A script');
		const words: Script['words'][number][] = [];
		while (cursor.peek()?.kind === 'word') {
			const word = cursor.takeChoice('word of a script', scriptWords);
			if (!word) break;
			if (words.includes(word.text)) {
				this.context.problems.push(error('said-twice', word.span, `"${word.text}"`));
			} else {
				words.push(word.text);
			}
		}
		cursor.finish();
		const { span } = cursor.statement;
		if (from && !this.isThere('script', from))
			this.head.push({ kind: 'script', from, words, span });
	}

	/** A layer says each file once; further layers may say it again, and a page still has it once. */
	private isThere(kind: 'sheet' | 'script', { text, span }: Named): boolean {
		const there = this.head.some((one) => one.kind === kind && one.from.text === text);
		if (there) this.context.problems.push(error('said-twice', span, `The ${kind} "${text}"`));
		return there;
	}

	/** `attributes html """ class="no-js" """`. */
	private attributesOf(cursor: Cursor): void {
		const element = cursor.takeChoice('element that has attributes', documentElements);
		const said = readAttributes(cursor, element?.text ?? '', this.context);
		if (!element || !said) return;
		if (this.attributes.some((one) => one.element.text === element.text)) {
			const what = `What attributes ${element.text} has`;
			this.context.problems.push(error('said-twice', element.span, what));
			return;
		}
		this.attributes.push({ element, ...said });
	}
}

function takeFile(cursor: Cursor, what: string): Named | undefined {
	const atom = cursor.takeText(what);
	if (!atom) return undefined;
	const text = plainText(atom).trim();
	if (text !== '') return { text, span: atom.span };
	cursor.problems.push(error('text-missing', atom.span, what));
	return undefined;
}
