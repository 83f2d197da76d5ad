import type { Metrics } from '$core/geometry/pieces/metrics.ts';
import {
	all,
	appendTo,
	attribute,
	clearMark,
	create,
	elementsIn,
	htmlIn,
	parent,
	partsOf,
	rectOf,
	remove,
	setMark
} from './dom.ts';
import { showInFrame, stageOf } from './frame.ts';

/** Sizes of pieces as the browser shows them, measured in a frame that no one sees. */

type Measured = Metrics['pieces'][number];

/** What was measured, by the style around it, and then by the piece's place and HTML. */
const known = new Map<string, Map<string, Measured>>();
const mostKnown = 4000;

/**
 * Stands every box there, so that also what is hidden or slid away can be measured. What is measured is a
 * box of its own size: a piece that has an element, or the region around a run with nothing else in it.
 */
const showAll = `
	[data-region], [data-wrapper], [data-opener] { display: flow-root !important; position: static !important; }
	[data-piece]:not([data-part]), [data-opener], [data-holds] { display: flow-root !important;
		position: absolute !important; padding: 0 !important; margin: 0 !important; min-width: 0 !important;
		max-width: none !important; height: auto !important; min-height: 0 !important; max-height: none !important; }
	[data-holds] { border-width: 0 !important; }
	[data-holds] > :not([data-held]) { display: none !important; }
`;

/** More widths than any text needs before its height stays the same. */
const mostSamples = 120;
/** Characters; laying out more than this at many widths would hold up everything else. It is estimated. */
const mostMarkup = 60_000;
/** ms of work before the page itself gets its turn. */
const slice = 12;

/**
 * Measures every piece and opener of a page, each text once, a little at a time. Pieces that are too
 * large are left out. Gives undefined where it was given up meanwhile.
 */
export async function measurePieces(
	frame: HTMLIFrameElement,
	html: string,
	address: string,
	signal: AbortSignal
): Promise<Metrics | undefined> {
	const inner = stageOf(frame);
	if (!inner || !showInFrame(frame, html, address)) return undefined;
	const head = partsOf(inner)?.head;
	if (!head) return undefined;
	const contents = contentsOf(inner).filter(({ element, held }) => {
		if (held.reduce((sum, one) => sum + htmlIn(one).length, 0) <= mostMarkup) return true;
		for (const one of held) if (one !== element) remove(one);
		if (held.includes(element)) remove(element);
		return false;
	});
	const styles = all(inner, 'head style').map((one) => one.textContent);
	if (!all(inner, 'style[data-measuring]')[0]) {
		const style = create(inner, 'style');
		style.setAttribute('data-measuring', '');
		style.textContent = showAll;
		appendTo(head, style);
	}
	const cache = cacheFor(styles.join(''));
	const turns = new Turns(signal);
	const pieces: Measured[] = [];
	for (const content of contents) {
		const { name, held } = content;
		const key = JSON.stringify(name) + held.map(htmlIn).join('');
		const measured = cache.get(key) ?? (await measureAlone(content, turns));
		if (!measured) return undefined;
		cache.set(key, { ...name, ...measured });
		pieces.push({ ...name, ...measured });
		if (!(await turns.next())) return undefined;
	}
	return { pieces };
}

function cacheFor(styles: string): Map<string, Measured> {
	let cache = known.get(styles);
	const count = [...known.values()].reduce((sum, one) => sum + one.size, 0);
	if (count > mostKnown) known.clear();
	if (!cache) known.set(styles, (cache = new Map()));
	return cache;
}

/** Gives the page its turn whenever a slice of work is done. */
class Turns {
	private since = performance.now();

	constructor(private readonly signal: AbortSignal) {}

	/** Gives whether to go on. */
	async next(): Promise<boolean> {
		if (performance.now() - this.since > slice) {
			await new Promise((resolve) => setTimeout(resolve));
			this.since = performance.now();
		}
		return !this.signal.aborted;
	}
}

type Name = Pick<Measured, 'pieces' | 'layout' | 'region' | 'opener'>;

/** What has one size: a piece or opener by itself, or a run with the element that holds it. */
interface Content {
	readonly name: Name;
	/** Whose size it is. */
	readonly element: HTMLElement;
	/** The element itself, or those of the run in it. */
	readonly held: readonly Element[];
}

/** Pieces and openers, and runs: elements that stand in a region one after the other. */
function contentsOf(inner: Document): Content[] {
	const alone = all(inner, '[data-piece]:not([data-part]), [data-opener]').map((element) => {
		const around = parent(element);
		return { name: nameOf(around, [element]), element, held: [element] };
	});
	const holders = all(inner, '[data-region], main').filter((element) => runsIn(element).length > 0);
	const runs = holders.flatMap((element) =>
		runsIn(element).map((held) => ({ name: nameOf(element, held), element, held }))
	);
	return [...alone, ...runs];
}

function runsIn(holder: Element): Element[][] {
	const runs: Element[][] = [];
	let open: Element[] | undefined;
	for (const element of elementsIn(holder)) {
		if (attribute(element, 'data-part') === undefined) open = undefined;
		else if (open) open.push(element);
		else runs.push((open = [element]));
	}
	return runs;
}

function nameOf(around: Element | null, held: readonly Element[]): Name {
	const [layout, region] = ['data-layout', 'data-region'].map((name) =>
		around ? attribute(around, name) : undefined
	);
	const opener = held.some((element) => attribute(element, 'data-opener') !== undefined);
	const pieces = new Map(held.map((element) => [keyOf(element), pieceOf(element)]));
	return {
		pieces: [...pieces.values()],
		...(region !== undefined && { layout, region }),
		...(opener && { opener: true })
	};
}

function pieceOf(element: Element): Name['pieces'][number] {
	const data = (name: string): string | undefined => attribute(element, `data-${name}`);
	return {
		piece: data('piece') ?? data('opener') ?? '',
		owner: data('layout') ?? data('route') ?? data('state') ?? ''
	};
}

function keyOf(element: Element): string {
	const { piece, owner } = pieceOf(element);
	return `${owner} ${piece}`;
}

async function measureAlone({ element, held }: Content, turns: Turns): Promise<Sizes | undefined> {
	if (held.includes(element)) return sizeOf(element, turns);
	setMark(element, 'data-holds');
	for (const one of held) setMark(one, 'data-held');
	const sizes = await sizeOf(element, turns);
	clearMark(element, 'data-holds');
	for (const one of held) clearMark(one, 'data-held');
	return sizes;
}

type Sizes = Pick<Measured, 'min' | 'max' | 'heights'>;

async function sizeOf(element: HTMLElement, turns: Turns): Promise<Sizes | undefined> {
	const widthAs = (width: string): number => {
		element.style.setProperty('width', width, 'important');
		return rectOf(element).width;
	};
	const heightAt = (width: number): number => {
		element.style.setProperty('width', `${width}px`, 'important');
		return rectOf(element).height;
	};
	const min = widthAs('min-content');
	const max = widthAs('max-content');
	const heights = await steps(heightAt, Math.floor(min), Math.ceil(max), turns);
	element.style.removeProperty('width');
	return heights && { min, max, heights };
}

/** The widths at which a height changes, found by halving wherever two ends differ. */
async function steps(
	heightAt: (width: number) => number,
	from: number,
	to: number,
	turns: Turns
): Promise<[number, number][] | undefined> {
	const found = new Map<number, number>([[from, heightAt(from)]]);
	let left = mostSamples;
	const search = async (
		low: number,
		lowHeight: number,
		high: number,
		highHeight: number
	): Promise<boolean> => {
		if (lowHeight === highHeight || left-- <= 0) return true;
		if (high - low <= 1) {
			found.set(high, highHeight);
			return true;
		}
		if (!(await turns.next())) return false;
		const middle = Math.floor((low + high) / 2);
		const height = heightAt(middle);
		return (
			(await search(low, lowHeight, middle, height)) &&
			(await search(middle, height, high, highHeight))
		);
	};
	const whole = await search(from, found.get(from) ?? 0, to, heightAt(to));
	return whole ? [...found].sort(([a], [b]) => a - b) : undefined;
}
