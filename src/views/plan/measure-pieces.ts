import type { Metrics } from '$core/geometry/metrics.ts';
import { showInFrame } from './frame.ts';

/** Sizes of pieces as the browser shows them, measured in a frame that no one sees. */

type Measured = Metrics['pieces'][number];

/** What was measured, by the piece's place and HTML and the style around it. */
const known = new Map<string, Measured>();

/** Stands every box there, so that also what is hidden or slid away can be measured. */
const showAll = `
	[data-region], [data-wrapper], [data-opener] { display: flow-root !important; position: static !important; }
	[data-piece], [data-opener] { display: flow-root !important; position: absolute !important; padding: 0 !important;
		margin: 0 !important; min-width: 0 !important; max-width: none !important; height: auto !important;
		min-height: 0 !important; max-height: none !important; }
`;

/** More widths than any text needs before its height stays the same. */
const mostSamples = 120;

/** Measures every piece and opener of a page, each text once. */
export function measurePieces(frame: HTMLIFrameElement, html: string, address: string): Metrics {
	showInFrame(frame, html, address);
	const inner = frame.contentDocument;
	if (!inner) return { pieces: [] };
	const style = inner.createElement('style');
	style.textContent = showAll;
	inner.head.append(style);
	const styles = [...inner.head.querySelectorAll('style')].map((one) => one.textContent).join('');
	const elements = [...inner.querySelectorAll<HTMLElement>('[data-piece], [data-opener]')];
	const pieces = elements.map((element) => {
		const name = nameOf(element);
		const key = JSON.stringify([name, element.innerHTML, styles]);
		const measured = known.get(key) ?? { ...name, ...sizeOf(element) };
		if (known.size > 4000) known.clear();
		known.set(key, measured);
		return measured;
	});
	return { pieces };
}

function nameOf(
	element: HTMLElement
): Pick<Measured, 'piece' | 'owner' | 'layout' | 'region' | 'opener'> {
	const { layout, route, state, piece, opener } = element.dataset;
	const region = element.parentElement?.dataset;
	return {
		piece: piece ?? opener ?? '',
		owner: layout ?? route ?? state ?? '',
		...(region?.['layout'] !== undefined && { layout: region['layout'] }),
		...(region?.['region'] !== undefined && { region: region['region'] }),
		...(opener !== undefined && { opener: true })
	};
}

function sizeOf(element: HTMLElement): Pick<Measured, 'min' | 'max' | 'heights'> {
	const widthAs = (width: string): number => {
		element.style.setProperty('width', width, 'important');
		return element.getBoundingClientRect().width;
	};
	const heightAt = (width: number): number => {
		element.style.setProperty('width', `${width}px`, 'important');
		return element.getBoundingClientRect().height;
	};
	const min = widthAs('min-content');
	const max = widthAs('max-content');
	const heights = steps(heightAt, Math.floor(min), Math.ceil(max));
	element.style.removeProperty('width');
	return { min, max, heights };
}

/** The widths at which a height changes, found by halving wherever two ends differ. */
function steps(heightAt: (width: number) => number, from: number, to: number): [number, number][] {
	const found = new Map<number, number>([[from, heightAt(from)]]);
	let left = mostSamples;
	const search = (low: number, lowHeight: number, high: number, highHeight: number): void => {
		if (lowHeight === highHeight || left-- <= 0) return;
		if (high - low <= 1) {
			found.set(high, highHeight);
			return;
		}
		const middle = Math.floor((low + high) / 2);
		const height = heightAt(middle);
		search(low, lowHeight, middle, height);
		search(middle, height, high, highHeight);
	};
	search(from, found.get(from) ?? 0, to, heightAt(to));
	return [...found].sort(([a], [b]) => a - b);
}
