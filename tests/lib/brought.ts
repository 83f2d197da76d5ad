import { bringIn, type BroughtSite } from '../../src/core/bring-in/bring-in.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import assert from 'node:assert/strict';

/** Pages by their paths, as the files of a folder. */
export function folderOf(
	pages: Readonly<Record<string, string | Uint8Array>>
): Map<string, Uint8Array> {
	return new Map(
		Object.entries(pages).map(([path, one]) => [
			path,
			typeof one === 'string' ? encodeUtf8(one) : one
		])
	);
}

/** A site of pages, which must be some. */
export function brought(files: ReadonlyMap<string, Uint8Array>): BroughtSite {
	const site = bringIn(files, 'seeds');
	assert.ok('pages' in site, 'there is no page');
	return site;
}

/** What a page of the garden's old site is made of. */
export interface OldPage {
	readonly path: string;
	readonly title: string;
	readonly content: string;
	readonly lang?: string;
	readonly aside?: string;
	readonly noFoot?: boolean;
	readonly bodyClass?: string;
}

/** How the pages of a site were once written. */
export type Manner = 'tables' | 'floats' | 'flex' | 'grid';

const menus: readonly (readonly [string, string])[] = [
	['index.html', 'Seed library'],
	['seeds/kale.html', 'Kale'],
	['seeds/bean.html', 'Bean'],
	['visit/index.html', 'Visit']
];

/** A page as someone wrote it by hand, with the frame repeated in it. */
export function oldPage(page: OldPage, manner: Manner): string {
	const up = '../'.repeat(page.path.split('/').length - 1);
	const items = menus
		.map(([path, words]) =>
			path === page.path
				? `<li class="here"><a href="${up}${path}">${words}</a></li>`
				: `<li><a href="${up}${path}">${words}</a></li>`
		)
		.join('\n');
	const menu = `<ul class="menu">\n${items}\n</ul>`;
	const aside = page.aside === undefined ? '' : `<aside class="note">${page.aside}</aside>\n`;
	const foot = page.noFoot
		? ''
		: `<div id="foot">Marrow Lane 12 &middot; <a href="${up}visit/">How to find us</a></div>\n`;
	const head = `<div id="top"><img src="${up}images/pod.png" alt=""> <b>Seed library</b></div>`;
	const body =
		manner === 'tables'
			? `<table width="100%" cellpadding="4"><tr><td colspan="2">${head}</td></tr>\n<tr valign="top"><td width="180">${menu}</td><td id="content">${page.content}\n${aside}</td></tr></table>\n${foot}`
			: `${head}\n<div class="cols ${manner}">\n<div id="side">${menu}</div>\n<div id="content">\n${page.content}\n${aside}</div>\n</div>\n${foot}`;
	const lang = page.lang ?? 'en';
	return `<!DOCTYPE html>
<html lang="${lang}">
<head>
<meta charset="utf-8">
<title>${page.title} - Seed library</title>
<link rel="stylesheet" href="${up}css/site.css">
<script src="${up}js/menu.js" defer></script>
</head>
<body${page.bodyClass === undefined ? '' : ` class="${page.bodyClass}"`}>
${body}</body>
</html>
`;
}
