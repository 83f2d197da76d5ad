import { parseFragment } from 'parse5';
import { inFolder } from '../../lib/relative-url.ts';
import { hint, warning, type Problem } from '../../messages/problem.ts';
import { layersOf, type DocumentSays, type HeadItem, type Site } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import type { WholeCheck } from '../check.ts';
import { plainPage } from '../example.ts';

/** A file that a head names, and where. */
interface NamedFile {
	readonly url: string;
	readonly span: Span;
}

export const documentFiles: WholeCheck = {
	of: 'whole',
	codes: ['document-file-missing', 'document-elsewhere'],
	what: 'Each sheet and script that a head names is there; what comes from elsewhere is known to.',
	why: 'Without its sheet a page is bare, and without its script it does nothing. What lies elsewhere may be gone, slow or another thing tomorrow.',
	examples: {
		'document-file-missing': {
			wrong: plainPage('<h1>Seed</h1>', 'sheet "css/site.css"; '),
			mended: plainPage('<h1>Seed</h1>', 'sheet "site.css"; '),
			files: { 'site.css': 'h1 { color: green }' }
		},
		'document-elsewhere': {
			wrong: plainPage('<h1>Seed</h1>', 'script "https://seeds.example/menu.js"; '),
			mended: plainPage('<h1>Seed</h1>', 'script "menu.js"; '),
			files: { 'menu.js': '' }
		}
	},
	find({ site }) {
		const there = new Set(site.assets);
		return documentsIn(site).flatMap(({ head }) =>
			head.flatMap(filesIn).flatMap(({ url, span }): Problem[] => {
				const target = inFolder(url, '');
				if (!target) {
					return /^(?:https?:)?\/\//i.test(url) ? [hint('document-elsewhere', span, url)] : [];
				}
				return there.has(target.path) ? [] : [warning('document-file-missing', span, url)];
			})
		);
	}
};

function documentsIn(site: Site): DocumentSays[] {
	return [site.settings.document, ...layersOf(site).map(({ document }) => document)];
}

function filesIn(item: HeadItem): NamedFile[] {
	if (item.kind !== 'head') return [{ url: item.from.text, span: item.from.span }];
	const { parts, span } = item.markup;
	// What a value says is another thing on each page.
	if (parts.some((part) => typeof part !== 'string' && part.kind === 'value')) return [];
	const text = parts.map((part) => (typeof part === 'string' ? part : '')).join('');
	return parseFragment(text).childNodes.flatMap((node) => {
		if (!('tagName' in node)) return [];
		const value = (name: string): string =>
			node.attrs.find((one) => one.name === name)?.value.trim() ?? '';
		const isSheet = /\bstylesheet\b/i.test(value('rel'));
		const url = node.tagName === 'script' ? value('src') : isSheet ? value('href') : '';
		return url === '' ? [] : [{ url, span }];
	});
}
