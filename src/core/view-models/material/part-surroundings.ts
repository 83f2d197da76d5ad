import { parse, serialize, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { escapeHtml } from '../../emit/html/escape.ts';
import { isWrittenIn, withoutOrigins } from '../../emit/html/origins.ts';
import { pageHtml } from '../../emit/html/page.ts';
import { stageTarget } from '../../emit/stage.ts';
import type { Part } from '../../model/site.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import type { ResolvedSite } from '../../resolve/site.ts';

/** What stands around a part where a page has it, as HTML: whatever is put between is styled as there. */
export interface Surroundings {
	readonly before: string;
	readonly after: string;
}

/**
 * What is around it keeps its colours and its type, and gives up its place: a part is looked at by
 * itself, at a width of its own.
 */
const plain = [
	'display: block', 'position: static', 'float: none', 'inline-size: auto', 'min-inline-size: 0',
	'max-inline-size: none', 'block-size: auto', 'min-block-size: 0', 'max-block-size: none',
	'margin: 0', 'padding: 0', 'border: 0', 'columns: auto', 'transform: none', 'overflow: visible',
	'visibility: visible', 'opacity: 1', 'list-style: none'
]
	.map((declaration) => `${declaration} !important`)
	.join('; '); // prettier-ignore

/** The surroundings of the first place on the page that has the part; undefined where none shows it. */
export function surroundingsOf(
	part: Part,
	instance: PageInstance,
	resolved: ResolvedSite,
	assetUrls: { get(path: string): string | undefined },
	year: number
): Surroundings | undefined {
	const target = stageTarget(instance, resolved, assetUrls, year);
	const html = pageHtml(instance, resolved, { ...target, marks: 'none', origins: true });
	const document = parse(html);
	const root = document.childNodes.find(isElement);
	const found = root && firstOf(part, root);
	const head = root?.childNodes.filter(isElement).find(({ tagName }) => tagName === 'head');
	if (!root || !found || !head) return undefined;
	const around = ancestorsOf(found).filter((one) => one !== root);
	const opened = around.map((one) => tagOf(one, one.tagName === 'body' ? 'padding: 12px' : ''));
	const closed = around.toReversed().map(({ tagName }) => `</${tagName}>`);
	return {
		before: withoutOrigins(
			`<!DOCTYPE html>\n${tagOf(root)}<head>${serialize(head)}</head>${opened.join('')}`
		),
		after: `${closed.join('')}</html>`
	};
}

function firstOf(part: Part, within: Tree.Element): Tree.Element | undefined {
	if (isWrittenIn(part.markup.span, within.attrs)) return within;
	for (const child of within.childNodes) {
		const found = isElement(child) ? firstOf(part, child) : undefined;
		if (found) return found;
	}
	return undefined;
}

/** From the outermost. */
function ancestorsOf(element: Tree.Element): Tree.Element[] {
	const { parentNode } = element;
	return parentNode && isElement(parentNode) ? [...ancestorsOf(parentNode), parentNode] : [];
}

function isElement(node: Tree.Node): node is Tree.Element {
	return 'tagName' in node;
}

/** A start tag; with `kept`, its place is given up but for that. */
function tagOf({ tagName, attrs }: Tree.Element, kept?: string): string {
	const said = attrs
		.filter(({ name }) => kept === undefined || (name !== 'style' && name !== 'hidden'))
		.map(({ name, value }) => ` ${name}="${escapeHtml(value)}"`);
	if (kept === undefined) return `<${tagName}${said.join('')}>`;
	const own = attrs.find(({ name }) => name === 'style')?.value ?? '';
	const style = [own, plain, kept && `${kept} !important`].filter((one) => one !== '').join('; ');
	const open = tagName === 'details' || tagName === 'dialog' ? ' open' : '';
	return `<${tagName}${said.join('')}${open} style="${escapeHtml(style)}">`;
}
