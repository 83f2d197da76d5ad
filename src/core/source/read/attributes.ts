import { error } from '../../messages/problem.ts';
import type { OwnAttributes } from '../../model/site.ts';
import type { Template } from '../../model/template.ts';
import { readMarkupTemplate } from '../text/template.ts';
import { Once, type ReadContext, type Vocabulary } from './block.ts';
import type { Cursor } from './cursor.ts';

/** The block of an `attributes` statement, read as the attributes of an element; undefined where it is none. */
export function readAttributes(
	cursor: Cursor,
	element: string,
	{ problems }: ReadContext
): OwnAttributes | undefined {
	cursor.finish({ markup: true });
	const block = cursor.needMarkup('The attributes');
	if (!block) return undefined;
	const said = readMarkupTemplate(block, problems);
	if (said.parts.some((part) => typeof part === 'string' && /[<>]/.test(unquoted(part)))) {
		problems.push(error('attributes-invalid', block.span, element));
		return undefined;
	}
	return { markup: asElement(said), span: cursor.statement.span };
}

/** `attributes """ class="top" id="top" """` of a region or wrapper, said once. */
export class OwnAttributesReader {
	readonly statements: Vocabulary['statements'];
	private readonly said: Once<OwnAttributes>;

	constructor(box: string, context: ReadContext) {
		this.said = new Once(`What attributes ${box} has`);
		this.statements = {
			attributes: (cursor) => this.said.set(readAttributes(cursor, box, context), cursor)
		};
	}

	get value(): OwnAttributes | undefined {
		return this.said.value;
	}
}

/** Attributes as the markup of an element that has them: they are read as HTML reads them. */
function asElement({ parts, places, span }: Template): Template {
	return { parts: ['<i ', ...parts, '></i>'], places: [[], ...places, []], span };
}

function unquoted(text: string): string {
	return text.replace(/"[^"]*"|'[^']*'/g, '');
}
