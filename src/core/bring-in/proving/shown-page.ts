import { parse, serialize, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { withUrls } from '../../emit/css/author/style-urls.ts';
import { inlinedSheet, type SheetFiles } from '../../emit/inlined-sheet.ts';
import { inFolder } from '../../lib/relative-url.ts';

/** Attributes by which a page shows a file. */
const shownBy = new Set(['src', 'poster', 'data', 'background']);

/**
 * A page that came in as the application can show it: its sheets stand in it, and pictures are under URLs of the application.
 * Nothing else of it is changed.
 */
export function shownPage(html: string, path: string, files: SheetFiles): string {
	const document = parse(html);
	const urlOf = (url: string): string => files.url(inFolder(url, path)?.path ?? '') ?? url;
	const visit = (parent: Tree.ParentNode): void => {
		for (const node of parent.childNodes) {
			if (!('tagName' in node)) continue;
			if (node.tagName === 'link') asSheet(node, path, files);
			for (const attribute of node.attrs) {
				if (shownBy.has(attribute.name)) attribute.value = urlOf(attribute.value);
				else if (attribute.name === 'srcset') {
					attribute.value = attribute.value
						.split(/,\s+/)
						.map((one) => one.trim().replace(/^\S+/, urlOf))
						.join(', ');
				} else if (attribute.name === 'style') attribute.value = withUrls(attribute.value, urlOf);
			}
			if (node.tagName === 'style' && node.attrs.every(({ name }) => name !== 'data-sheet')) {
				for (const text of node.childNodes) {
					if ('value' in text) text.value = withUrls(text.value, urlOf);
				}
			}
			visit(node);
		}
	};
	visit(document);
	return serialize(document);
}

/** A link to a sheet of the folder becomes that sheet. */
function asSheet(link: Tree.Element, path: string, files: SheetFiles): void {
	const value = (name: string): string | undefined =>
		link.attrs.find((one) => one.name === name)?.value;
	const words = (value('rel') ?? '').toLowerCase().split(/\s+/);
	if (!words.includes('stylesheet') || words.includes('alternate')) return;
	const css = inlinedSheet(value('href') ?? '', files, path);
	if (css === undefined) {
		// It is not among the files: nothing of it can be shown, and nothing is asked for.
		link.attrs = link.attrs.filter(({ name }) => name !== 'href');
		return;
	}
	const media = value('media');
	link.tagName = link.nodeName = 'style';
	link.attrs = [
		{ name: 'data-sheet', value: '' },
		...(media === undefined ? [] : [{ name: 'media', value: media }])
	];
	const text = { nodeName: '#text' as const, value: css.replaceAll('</', '<\\/') };
	link.childNodes = [{ ...text, parentNode: link }];
}
