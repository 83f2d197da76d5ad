import { columnsOf, type Column } from '../../core/sheet/columns.ts';
import { changeWords, siteChanges, type PageChange } from '../../core/changes/site-changes.ts';
import { miniaturesOf } from '../../core/sheet/miniatures.ts';
import { fileRow, sheetFile } from '../../core/sheet/sheet-file.ts';
import { miniatureSvg, movedSvg, type DrawingWay } from '../../core/sheet/svg.ts';
import type { Miniature } from '../../core/sheet/miniature.ts';
import type { CheckedSite } from '../../core/check/checked-site.ts';
import { layPage } from '../../core/laid/laid-page.ts';
import { MeasuredPage } from '../../core/laid/measured-page.ts';
import { SizeStore } from '../../core/measure/size-store.ts';
import { counted } from '../../core/messages/wording.ts';
import { layerName, pagesOf } from '../../core/model/site.ts';
import type { PageInstance } from '../../core/resolve/instance.ts';
import type { ResolvedSite } from '../../core/resolve/site.ts';
import { drive } from '../../core/measure/drive.ts';
import { touchedBetween } from '../../core/edit/touches.ts';
import { findChromium, noChromium, openChromium } from '../measure/chromium.ts';
import { Measurer } from '../measure/measurer.ts';
import { openSite } from '../files/open-site.ts';
import { dayPalette } from '../palette.ts';
import type { Streams } from '../streams.ts';
import { widestScreen } from '../widest-screen.ts';
import { wrote } from '../files/wrote.ts';

/** What `compare` is asked for, as it was typed. */
export interface CompareOptions {
	readonly widths?: string;
	readonly height: string;
	readonly out?: string;
	readonly json: boolean;
	readonly measure?: true;
	/** A folder for one document that shows what changed. */
	readonly report?: string;
}

/** px of the drawings for each px of a page. */
const scale = 0.2;

/** Says what became of the pages between two states of a site; 0 nothing, 1 something, 2 wrong usage. */
export async function compareCommand(
	oldPath: string,
	newPath: string,
	options: CompareOptions,
	streams: Streams
): Promise<number> {
	const height = Number(options.height);
	const further = (options.widths ?? '')
		.split(',')
		.filter((word) => word !== '')
		.map(Number);
	if (
		!(height > 0 && height <= widestScreen) ||
		further.some((width) => !Number.isInteger(width) || width < 200 || width > widestScreen)
	) {
		streams.errors('Give --height in px, and --widths as whole px, such as 390,1440.\n');
		return 2;
	}
	const chromium = options.measure ? findChromium() : undefined;
	if (options.measure && chromium === undefined) {
		streams.errors(`${noChromium}\n`);
		return 2;
	}
	const before = await openSite(oldPath, streams);
	if (typeof before === 'number') return 2;
	const after = await openSite(newPath, streams);
	if (typeof after === 'number') return 2;
	const columns = columnsOf(bandStarts(after), further);
	const lay = layer(height);
	if (chromium !== undefined) await measureChanged(before, after, columns, lay, chromium);
	const changes = [...siteChanges(before, after, columns, (...of) => layPage(lay(...of), columns))];
	const found = changes.flatMap((change) => change ?? []);
	streams.out(options.json ? JSON.stringify(found, null, 1) + '\n' : report(found, changes.length));
	if (options.out !== undefined) {
		const title = `${after.site.settings.name.text}: what changed`;
		const svg = drawn(title, found, after, columns, height, lay);
		if (!(await wrote(options.out, svg, streams))) return 2;
	}
	if (options.report !== undefined) {
		const pages = found.map((change) => ({
			change,
			drawings: drawingsOf(change, after, columns, height, lay)
		}));
		const { reviewed } = await import('./review.ts');
		const sites = {
			before: { path: oldPath, site: before },
			after: { path: newPath, site: after }
		};
		if (!(await reviewed(options.report, pages, changes.length, sites, streams))) return 2;
	}
	return found.length > 0 ? 1 : 0;
}

function bandStarts({ site }: CheckedSite): { name: string; from: number }[] {
	return site.settings.bands.map(({ name, from }) => ({ name: name.text, from }));
}

type Lay = (instance: PageInstance, site: ResolvedSite) => MeasuredPage;

/** Pages as they are laid out, by what has been measured of them; each is made once. */
function layer(height: number): Lay {
	const store = new SizeStore();
	const pages = new WeakMap<PageInstance, MeasuredPage>();
	return (instance, site) => {
		const known = pages.get(instance);
		if (known) return known;
		const page = new MeasuredPage(instance, site, thisYear, { height }, store);
		pages.set(instance, page);
		return page;
	};
}

const thisYear = new Date().getFullYear();

/** Measures what each page that is another needs on the screens that are compared, before and after. */
async function measureChanged(
	before: CheckedSite,
	after: CheckedSite,
	columns: readonly Column[],
	lay: Lay,
	chromium: string
): Promise<void> {
	const { browser, close } = await openChromium(chromium, false);
	try {
		const measurer = await Measurer.open(browser);
		const widths = columns.map(({ width }) => width);
		for (const name of touchedBetween(before, after)) {
			if (name === undefined) continue;
			for (const site of [before, after]) {
				const page = pagesOf(site.site).find((one) => layerName(one) === name);
				const [instance] = page ? site.instances(page) : [];
				if (!instance) continue;
				await measurer.show(instance, site, thisYear);
				await drive(lay(instance, site).atAll(widths), measurer.answer.bind(measurer));
			}
		}
	} finally {
		await close();
	}
}

function report(found: readonly PageChange[], total: number): string {
	if (found.length === 0) return `Nothing changed on ${counted(total, 'page')}.\n`;
	const lines = found.flatMap((change) => [
		`${change.page} (${change.chain.join(', ') || 'bare'})`,
		...changeWords(change).map((words) => `  ${words}`)
	]);
	const estimated = found.some((change) => change.estimated)
		? ['Sizes of content were guessed from its text: --measure measures them.']
		: [];
	return [
		...lines,
		'',
		`${found.length} of ${counted(total, 'page')} changed.`,
		...estimated,
		''
	].join('\n');
}

/** How pages are drawn: small, and no further than a little below the screen. */
function wayOf(height: number): DrawingWay {
	return { scale, depth: height * 1.25, fold: height };
}

/** A page as it is now, on each screen, with what moved before and after over it; none of a page that is gone. */
function overlaid(
	change: PageChange,
	after: CheckedSite,
	columns: readonly Column[],
	way: DrawingWay,
	lay: Lay
): { miniature: Miniature; over: string }[] {
	const page = pagesOf(after.site).find((one) => layerName(one) === change.page);
	const [instance] = page ? after.instances(page) : [];
	if (!instance) return [];
	const measured = lay(instance, after);
	const laid = layPage(measured, columns);
	return miniaturesOf(laid, measured, instance, after, columns, way.depth).map(
		(miniature, index) => {
			const screen = change.screens.find((one) => one.column === columns[index]);
			return { miniature, over: movedSvg(screen?.moved ?? [], way) };
		}
	);
}

/** The sheet of what changed. */
function drawn(
	title: string,
	found: readonly PageChange[],
	after: CheckedSite,
	columns: readonly Column[],
	height: number,
	lay: Lay
): string {
	const way = wayOf(height);
	const rows = found.map((change) => {
		const drawings = overlaid(change, after, columns, way, lay);
		const row = { page: change.page, chain: change.chain, words: changeWords(change), found: [] };
		return fileRow({ row, alike: 0, drawings }, columns, way);
	});
	return sheetFile(title, columns, rows, way, dayPalette());
}

/** The same, each drawing by itself. */
function drawingsOf(
	change: PageChange,
	after: CheckedSite,
	columns: readonly Column[],
	height: number,
	lay: Lay
): string[] {
	const way = wayOf(height);
	return overlaid(change, after, columns, way, lay).map(({ miniature, over }, index) => {
		const { name = '', width = 0 } = columns[index] ?? {};
		return miniatureSvg(miniature, way, `${change.page} at ${`${name} ${width}`.trim()} px`, over);
	});
}
