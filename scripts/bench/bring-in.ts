import { bringIn } from '../../src/core/bring-in/bring-in.ts';
import { prove } from '../../src/core/bring-in/proving/proof.ts';
import { resolveSite } from '../../src/core/resolve/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { folderOf, oldPage } from '../../tests/lib/brought.ts';
import type { BenchRow } from './core.ts';
import { summary, timeRuns } from './measure.ts';

const count = 1000;
/** Letters of each page. */
const size = 20_000;

/** Pages brought in: found and written, and held against what came in. */
export function benchBringingIn(): BenchRow[] {
	const files = manyPages();
	const bytes = [...files.values()].reduce((sum, { length }) => sum + length, 0);
	const found = summary(timeRuns(() => void bringIn(files, 'seeds'), 3, 1));
	const site = bringIn(files, 'seeds');
	if (!('pages' in site)) throw new Error('No page was found.');
	const letters = [...site.files.texts.values()].reduce((sum, { length }) => sum + length, 0);
	const resolved = resolveSite(readSiteFiles(site.files));
	const { same } = prove(files, resolved, 2026);
	const share = ((100 * letters) / bytes).toFixed(0);
	return [
		{
			what: `bring in ${count.toLocaleString('en')} pages of ${Math.round(bytes / count / 1000)} kB`,
			measured: found,
			note: `${same} come out the same; the source is ${share} % of what came in; aim: under 10,000 ms of processor`
		},
		{
			what: '… hold each of them against what came in',
			measured: summary(timeRuns(() => void prove(files, resolved, 2026), 1, 0)),
			note: 'delivered, parsed and walked'
		}
	];
}

/** Pages in ten folders, a third of each its frame. */
function manyPages(): Map<string, Uint8Array> {
	const paragraph =
		'<p>Sown in <b>March</b>, thinned in <a href="../visit/index.html">April</a>, and lent again in autumn.</p>\n';
	const menu =
		'<div class="all">' +
		'<a href="../seeds/kale.html">Kale, the old one</a>\n'.repeat(120) +
		'</div>\n';
	const pages = Array.from({ length: count }, (_, index) => {
		const path = `branch-${index % 10}/page-${index}.html`;
		const own = paragraph.repeat(Math.floor((size - menu.length - 1500) / paragraph.length));
		const content = `${menu}<h1>Page ${index}</h1>\n${own.replaceAll('March', `March ${index}`)}`;
		return [path, oldPage({ path, title: `Page ${index}`, content }, 'floats')] as const;
	});
	return folderOf(Object.fromEntries(pages));
}
