import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { MarkupFault } from './markup-judge.ts';

/** Words that say too little, and what says nothing by itself; where an expression gives a part, it may be anything. */

/** Words of a link that say nothing of where it leads. */
const idleWords =
	/^(?:click here|here|more|read more|learn more|this|this page|link|details|go|continue|hier|mehr|weiter|weiterlesen|ici|plus|en savoir plus|lire la suite|qui|altro|aqu\u00ed|m\u00e1s|leer m\u00e1s)[.\u2026!:\s]*$/i;
/** The name of a file in the place of words. */
const fileName =
	/^[^\s]+\.(?:jpe?g|png|gif|svg|webp|avif|pdf|docx?|html?)$|^(?:img|dsc|image|picture|photo)[_-]?\d+$/i;

interface Place {
	readonly from: number;
	readonly to: number;
}

/** What is said in words of some markup. */
export function wordFaults(markup: string): MarkupFault[] {
	const found: MarkupFault[] = [];
	const visit = (node: Tree.ChildNode): void => {
		if (!('tagName' in node)) return;
		found.push(...faultsOf(node));
		const inner = 'content' in node ? node.content.childNodes : node.childNodes;
		inner.forEach(visit);
	};
	const { childNodes } = parseFragment(markup, { sourceCodeLocationInfo: true });
	childNodes.forEach(visit);
	return found;
}

function faultsOf(element: Tree.Element): MarkupFault[] {
	const { tagName: name, sourceCodeLocation: place } = element;
	if (!place) return [];
	const tag = { from: place.startOffset, to: place.startOffset + 1 + name.length };
	const value = (attribute: string): string | undefined =>
		element.attrs.find((one) => one.name === attribute)?.value;
	const at = (attribute: string): Place => {
		const there = place.attrs?.[attribute];
		return there ? { from: there.startOffset, to: there.endOffset } : tag;
	};
	const fault = (rule: string, where: Place, attribute: string, other: string): MarkupFault => {
		return { rule, ...where, element: name, attribute, other, message: '' };
	};
	const found: MarkupFault[] = [];
	const href = value('href');
	const words = textOf(element).trim();
	const isNamed = value('aria-label') !== undefined || value('aria-labelledby') !== undefined;
	if (name === 'a' && href !== undefined && !isNamed && (idleWords.test(words) || fileName.test(words)))
		found.push(fault('link-words', tag, 'href', words));
	if (name === 'a' && /^(?:mailto|tel):\s*(?:\?|$)/i.test(href ?? '\u0000'))
		found.push(fault('address-empty', at('href'), 'href', href ?? ''));
	const alt = value('alt');
	if (name === 'img' && alt !== undefined && (fileName.test(alt.trim()) || /^(?:image|picture|photo|icon|logo|bild|foto)$/i.test(alt.trim())))
		found.push(fault('alt-words', at('alt'), 'alt', alt));
	if (name === 'table' && !hasHead(element) && value('role') === undefined) found.push(fault('table-heads', tag, '', ''));
	return found;
} // prettier-ignore

function hasHead(node: Tree.Element): boolean {
	return node.childNodes.some(
		(child) =>
			// A list or a part may bring its heads.
			('value' in child && /\{\s*(?:use|content)\b/.test(child.value)) ||
			('tagName' in child && (child.tagName === 'th' || hasHead(child)))
	);
}

function textOf(node: Tree.Element): string {
	return node.childNodes
		.map((child) => {
			if ('value' in child) return child.value;
			if (!('tagName' in child)) return '';
			if (child.tagName === 'img')
				return child.attrs.find(({ name }) => name === 'alt')?.value ?? '';
			return textOf(child);
		})
		.join('');
}
