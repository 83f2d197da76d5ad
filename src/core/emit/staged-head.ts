import { parseFragment, serialize, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { escapeHtml } from './html/escape.ts';
import { inlinedSheet, type SheetFiles } from './inlined-sheet.ts';

/**
 * What layers say of a head, as the stage has it: sheets of the site's own stand in the page, so that what they name is
 * found; nothing is asked for elsewhere, and nothing is there that would lead the page away or move its links.
 */
export function stagedHead(
	said: readonly string[],
	files: SheetFiles,
	tried: (css: string) => string
): string[] {
	const { childNodes } = parseFragment(said.join('\n'));
	return childNodes.flatMap((node): string[] => {
		if (!('tagName' in node)) return [];
		if (node.tagName === 'link') return stagedLink(node, files, tried);
		return isKept(node) ? [serialize({ ...parseFragment(''), childNodes: [node] })] : [];
	});
}

function isKept({ tagName, attrs }: Tree.Element): boolean {
	if (tagName === 'meta') return !attrs.some(({ name }) => name === 'http-equiv');
	return tagName === 'title' || tagName === 'style';
}

function stagedLink(
	{ attrs }: Tree.Element,
	files: SheetFiles,
	tried: (css: string) => string
): string[] {
	const value = (name: string): string | undefined => attrs.find((one) => one.name === name)?.value;
	const words = (value('rel') ?? '').toLowerCase().split(/\s+/);
	if (!words.includes('stylesheet') || words.includes('alternate')) return [];
	const href = value('href') ?? '';
	const css = inlinedSheet(href, files);
	if (css === undefined) return [];
	const media = value('media');
	const on = media === undefined ? '' : ` media="${escapeHtml(media)}"`;
	return [
		`<style data-sheet="${escapeHtml(href)}"${on}>\n${tried(css).replaceAll('</', '<\\/')}</style>`
	];
}
