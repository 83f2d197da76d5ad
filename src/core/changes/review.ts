import { escapeHtml } from '../emit/html/escape.ts';
import type { ReportedFinding } from '../findings/report.ts';
import { counted, listWords } from '../messages/wording.ts';
import { drawingStyle, hatchPatterns, type Palette } from '../sheet/svg-style.ts';
import { changeWords, type PageChange } from './site-changes.ts';

/** A page that is another, with its drawings in the order of the screens. */
export interface ReviewedPage {
	readonly change: PageChange;
	/** Layers through which it is another. */
	readonly through: readonly string[];
	/** As SVG, before and after laid over each other; none of a page that is gone. */
	readonly drawings: readonly string[];
	/** Others that are drawn alike, and are not drawn again. */
	readonly alike: readonly string[];
}

/** What someone who reviews a change of a site is shown. */
export interface Review {
	readonly site: string;
	readonly pages: readonly ReviewedPage[];
	/** How many pages there are in all. */
	readonly of: number;
	/** Findings that the change brings, and that it takes away. */
	readonly came: readonly ReportedFinding[];
	readonly went: readonly ReportedFinding[];
	/** A unified diff of the texts, and files that it cannot hold. */
	readonly patch: string;
	readonly leftOut: readonly string[];
	/** Sizes of content were guessed. */
	readonly estimated: boolean;
}

/** One document that says and shows what changed: no script, no request, the text of the change in it. */
export function reviewDocument(review: Review, palette: Palette): string {
	const title = `${review.site}: what changed`;
	return [
		'<!DOCTYPE html>',
		'<html lang="en">',
		'<head>',
		'<meta charset="utf-8">',
		'<meta name="viewport" content="width=device-width, initial-scale=1">',
		`<title>${escapeHtml(title)}</title>`,
		`<style>${styleOf(palette)}${drawingStyle(palette)}</style>`,
		'</head>',
		'<body>',
		`<svg width="0" height="0" aria-hidden="true" focusable="false"><defs>${hatchPatterns(palette)}</defs></svg>`,
		`<header><h1>${escapeHtml(title)}</h1><p>${escapeHtml(summary(review))}</p></header>`,
		'<main>',
		...layersPart(review),
		...review.pages.map(pagePart),
		...findingsPart('Findings that came', review.came),
		...findingsPart('Findings that went', review.went),
		...textPart(review),
		'</main>',
		'</body>',
		'</html>',
		''
	].join('\n');
}

function summary({ pages, of, came, went, estimated }: Review): string {
	const touched = pages.reduce((sum, { alike }) => sum + 1 + alike.length, 0);
	const first = `${touched} of ${counted(of, 'page')} changed; ${counted(came.length, 'finding')} came, ${went.length} went. What moved has its old place dashed, its new one in full.`;
	return estimated ? `${first} Sizes of content were guessed from its text.` : first;
}

/** Who is touched, through which layer. */
function layersPart({ pages }: Review): string[] {
	if (pages.length === 0) return [];
	const byLayer = new Map<string, string[]>();
	for (const { through, change, alike } of pages) {
		for (const layer of through) {
			byLayer.set(layer, [...(byLayer.get(layer) ?? []), change.page, ...alike]);
		}
	}
	const rows = [...byLayer].map(
		([layer, names]) =>
			`<tr><th scope="row"><code>${escapeHtml(layer)}</code></th><td>${names.length}</td><td>${names.map(code).join(', ')}</td></tr>`
	);
	return [
		'<section aria-labelledby="through"><h2 id="through">Through which layer</h2>',
		'<table><thead><tr><th scope="col">Layer</th><th scope="col">Pages</th><th scope="col">Which</th></tr></thead>',
		`<tbody>${rows.join('')}</tbody></table></section>`
	];
}

function pagePart({ change, through, drawings, alike }: ReviewedPage, index: number): string {
	const id = `page-${index + 1}`;
	const under = change.chain.length === 0 ? 'bare' : change.chain.join(', ');
	return [
		`<section aria-labelledby="${id}"><h2 id="${id}"><code>${escapeHtml(change.page)}</code></h2>`,
		`<p>Under ${escapeHtml(under)}; through ${escapeHtml(listWords(through))}.</p>`,
		alike.length > 0 ? `<p>Drawn alike: ${alike.map(code).join(', ')}.</p>` : '',
		`<ul>${changeWords(change)
			.map((words) => `<li>${escapeHtml(words)}</li>`)
			.join('')}</ul>`,
		drawings.length > 0 ? `<div class="drawings">${drawings.join('')}</div>` : '',
		'</section>'
	].join('\n');
}

function findingsPart(title: string, findings: readonly ReportedFinding[]): string[] {
	if (findings.length === 0) return [];
	const id = title.toLowerCase().replaceAll(' ', '-');
	const items = findings.map(
		({ severity, code: kind, sentence, file, line }) =>
			`<li><strong>${severity}</strong> <code>${escapeHtml(kind)}</code> ${escapeHtml(sentence)} <code>${escapeHtml(file)}:${line}</code></li>`
	);
	return [
		`<section aria-labelledby="${id}"><h2 id="${id}">${title}</h2><ul>${items.join('')}</ul></section>`
	];
}

function textPart({ patch, leftOut }: Review): string[] {
	if (patch === '' && leftOut.length === 0) return [];
	const others =
		leftOut.length > 0 ? `<p>Another, and no text: ${leftOut.map(code).join(', ')}.</p>` : '';
	return [
		'<section aria-labelledby="text"><h2 id="text">The text</h2>',
		others,
		`<pre tabindex="0" aria-labelledby="text"><code>${patch.split('\n').map(patchLine).join('\n')}</code></pre></section>`
	];
}

function patchLine(line: string): string {
	const element = /^\+(?!\+\+ )/.test(line) ? 'ins' : /^-(?!-- )/.test(line) ? 'del' : undefined;
	const text = escapeHtml(line);
	return element ? `<${element}>${text}</${element}>` : text;
}

function code(name: string): string {
	return `<code>${escapeHtml(name)}</code>`;
}

function styleOf({ sheet, ink, secondary, hair, fault, accent, sans, mono }: Palette): string {
	return [
		':root{color-scheme:light}',
		`body{margin:0 auto;padding:0 24px 60px;max-width:1100px;background:${sheet};color:${ink};font:15px/1.5 ${sans}}`,
		`code,pre{font-family:${mono};font-size:13px}`,
		`header p,section p{color:${secondary}}`,
		`section{border-top:1px solid ${hair};padding:6px 0 14px}`,
		'h1{font-size:24px}h2{font-size:17px}h2 code{font-size:16px}',
		'table{border-collapse:collapse}th,td{text-align:start;padding:3px 18px 3px 0;vertical-align:top}',
		'.drawings{display:flex;flex-wrap:wrap;gap:18px;align-items:flex-start}',
		`pre{overflow:auto;max-height:70vh;border:1px solid ${hair};padding:10px}`,
		`ins{color:${accent};text-decoration:none}del{color:${fault};text-decoration:none}`,
		''
	].join('\n');
}
