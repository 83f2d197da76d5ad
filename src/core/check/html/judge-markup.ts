import {
	DynamicValue,
	HtmlValidate,
	StaticConfigLoader,
	type AttributeData,
	type Message
} from 'html-validate/browser';
import { writtenElements } from '../../author-styles/written-elements.ts';
import { ariaFaults } from './aria-faults.ts';
import { inspectable } from './inspectable.ts';
import { wordFaults } from './word-faults.ts';
import type { MarkupFault } from './markup-judge.ts';

/** Rules and elements are put together once: the library's own loader does it for every piece of markup anew. */
class KeptConfiguration extends StaticConfigLoader {
	#kept: ReturnType<StaticConfigLoader['getConfigFor']> | undefined;

	override getConfigFor(handle: string): ReturnType<StaticConfigLoader['getConfigFor']> {
		return (this.#kept ??= super.getConfigFor(handle));
	}
}

const validator = new HtmlValidate(
	new KeptConfiguration({
		root: true,
		extends: ['html-validate:recommended', 'html-validate:a11y'],
		// Markup stands in a page of the site: what only a whole page shows is looked for there.
		rules: { 'no-dup-id': 'off', 'input-missing-label': 'off', 'valid-for': 'off', 'unique-landmark': 'off' } // prettier-ignore
	})
);

const known = new Map<string, readonly MarkupFault[]>();
const mostKnown = 4000;

/** What the rules of HTML say of markup as it is written, with its expressions. */
export function judgeMarkup(markup: string): readonly MarkupFault[] {
	let found = known.get(markup);
	if (!found) {
		if (known.size >= mostKnown) known.clear();
		known.set(markup, (found = judgeAnew(markup)));
	}
	return found;
}

function judgeAnew(markup: string): MarkupFault[] {
	const { results } = validator.validateSourceSync({
		data: inspectable(markup),
		filename: 'markup',
		line: 1,
		column: 1,
		offset: 0,
		hooks: { processAttribute }
	});
	const faults = results.flatMap(({ messages }) => messages.map((one) => faultOf(one, markup)));
	return [...faults, ...ariaFaults(writtenElements(markup)), ...wordFaults(markup)];
}

/** What an expression gives may be anything. */
function* processAttribute(attribute: AttributeData): Iterable<AttributeData> {
	const { value } = attribute;
	const isOpen = typeof value === 'string' && /(^|[^\\])\{/.test(value);
	yield isOpen ? { ...attribute, value: new DynamicValue(value) } : attribute;
}

function faultOf({ ruleId: rule, offset, size, context, message }: Message, markup: string): MarkupFault {
	const said = wordsIn(context);
	const before = markup.slice(0, offset);
	const opened = /<\/?([a-zA-Z][\w-]*)/.exec(markup.slice(before.lastIndexOf('<')))?.[1] ?? '';
	const there = markup.slice(offset, offset + size);
	return {
		rule,
		from: offset,
		to: offset + size,
		element: (said('tagName') || said('child') || said('element') || opened).replaceAll(/[<>]/g, '').toLowerCase(),
		attribute: said('attr') || said('attribute') || /^[\w-]+/.exec(there)?.[0] || there,
		other: (said('parent') || said('ancestor') || said('missing') || said('value') || said('replacement') || said('message')).replaceAll(/[<>]/g, ''),
		message
	};
} // prettier-ignore

/** The words that a message brings with it, by their names; nothing where there is none. */
function wordsIn(context: unknown): (name: string) => string {
	const words = new Map(typeof context === 'object' && context ? Object.entries(context) : []);
	return (name) => {
		const word: unknown = words.get(name);
		if (Array.isArray(word)) return word.filter((one) => typeof one === 'string').join(' or ');
		return typeof word === 'string' ? word : '';
	};
}
