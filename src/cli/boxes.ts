import { z } from 'zod';
import { readFile } from 'node:fs/promises';
import { pieceHtmlOf } from '../core/emit/html/page.ts';
import { estimateSize } from '../core/geometry/pieces/estimate.ts';
import { metricsSchema, sizesFrom } from '../core/geometry/pieces/metrics.ts';
import { PageLayout, type PlacedBox } from '../core/geometry/page-layout.ts';
import { Sweep } from '../core/geometry/widths/sweep.ts';
import type { PieceSizes } from '../core/geometry/pieces/piece-size.ts';
import { hasErrors, reasonOf } from '../core/messages/problem.ts';
import { layerName, pagesOf } from '../core/model/site.ts';
import { openSite } from './open-site.ts';
import type { Streams } from './streams.ts';

/** What `boxes` is asked for, as it was typed. */
export interface BoxesOptions {
	readonly route: string;
	readonly width?: string;
	readonly widths?: string;
	readonly height: string;
	readonly metrics?: string;
	/** Whom the page is seen by; without, all of it. */
	readonly as?: string;
	readonly json: boolean;
}

/** Prints the boxes of a page at a width, or at every width of a range. */
export async function boxesCommand(
	path: string,
	options: BoxesOptions,
	streams: Streams
): Promise<number> {
	const widths = widthsOf(options);
	const height = Number(options.height);
	if (!widths || !(height > 0)) {
		streams.errors('Give --width 900 or --widths 280..1760, and --height in px.\n');
		return 2;
	}
	const opened = await openSite(path, streams);
	if (typeof opened === 'number') return opened;
	const page = pagesOf(opened.site).find((one) => layerName(one) === options.route);
	const [instance] = page ? opened.instances(page) : [];
	if (!page || !instance) {
		const known = opened.routes.map((one) => one.pattern.text).join(', ');
		streams.errors(`There is no route ${options.route}. There is ${known}.\n`);
		return 2;
	}
	const measured = await readMetrics(options.metrics);
	if (typeof measured === 'string') {
		streams.errors(`${measured}\n`);
		return 2;
	}
	const target = {
		link: (url: string) => url,
		headLines: [],
		marks: 'none' as const,
		year: new Date().getFullYear()
	};
	const seen = opened.as(options.as);
	const html = pieceHtmlOf(instance, seen, target);
	let estimated = 0;
	const sizes: PieceSizes = (key) => {
		const known = measured?.(key);
		if (!known) estimated++;
		return known ?? estimateSize(html(key));
	};
	const layout = new PageLayout({
		page: seen.page(page),
		site: opened.site,
		sizes,
		open: new Set()
	});
	const found = [...new Sweep(layout, widths.from, widths.to, height)].map(({ width, boxes }) => ({
		width,
		boxes: boxes.flatMap(boxEntry)
	}));
	const [only] = found;
	const answer = options.widths === undefined ? only?.boxes : found;
	streams.out(
		(options.json ? JSON.stringify(answer, null, 1) : found.map(tableOf).join('\n\n')) + '\n'
	);
	if (estimated > 0) {
		streams.errors(
			'Sizes of pieces are estimated from their text; --metrics brings measured ones.\n'
		);
	}
	return hasErrors(opened.problems) ? 1 : 0;
}

function widthsOf({ width, widths }: BoxesOptions): { from: number; to: number } | undefined {
	const [from, to = from] = widths === undefined ? [Number(width)] : widths.split('..').map(Number);
	if (from === undefined || to === undefined || !(from > 0) || !(to >= from)) return undefined;
	return widths === undefined || (Number.isInteger(from) && Number.isInteger(to))
		? { from, to }
		: undefined;
}

async function readMetrics(
	path: string | undefined
): Promise<ReturnType<typeof sizesFrom> | string | undefined> {
	if (path === undefined) return undefined;
	try {
		const parsed = metricsSchema.safeParse(JSON.parse(await readFile(path, 'utf8')));
		if (parsed.success) return sizesFrom(parsed.data);
		return `${path} holds no metrics: ${parsed.error.issues[0]?.message ?? 'it has another shape'}.`;
	} catch (failure) {
		return `${path} cannot be read: ${reasonOf(failure)}`;
	}
}

/** What is printed of a box; layouts' roots and boxes without a name in the text are left out. */
function boxEntry({ name, x, y, width, height, overflowX, overflowY }: PlacedBox): object[] {
	if (name.kind === 'layout' || name.kind === 'bare') return [];
	const { layout, region, wrapper, pieces } = name;
	const [first, ...others] = pieces;
	const place = { x, y, width, height, overflowX, overflowY };
	const rounded = Object.fromEntries(
		Object.entries(place).map(([side, value]) => [side, Math.round(value * 100) / 100])
	);
	if (name.kind === 'opener') return [{ layout, region, opener: first?.piece, ...rounded }];
	return [
		{
			layout,
			...(region !== undefined && { region }),
			...(wrapper !== undefined && { wrapper }),
			...(others.length === 0 ? first : { run: pieces }),
			...rounded
		}
	];
}

/** The pieces of a run in one line. */
const runSchema = z
	.array(z.object({ piece: z.string(), owner: z.string() }))
	.transform((pieces) => pieces.map(({ piece }) => piece).join(' + '));

function tableOf({ width, boxes }: { width: number; boxes: readonly object[] }): string {
	const lines = boxes.map((box) =>
		Object.entries(box)
			.map(([name, value]) => `${name} ${runSchema.safeParse(value).data ?? String(value)}`)
			.join(', ')
	);
	return [`At ${width} px:`, ...lines].join('\n');
}
