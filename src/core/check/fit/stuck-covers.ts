import { listWords } from '../../messages/wording.ts';
import { warning } from '../../messages/problem.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import { settingsAt, bandAt } from '../../resolve/bands.ts';
import { tokensAt } from '../../size/tokens.ts';
import { fixedPx } from '../boxes/fixed-px.ts';
import type { FitCheck } from '../check.ts';
import { boxSaid } from '../subject/box-said.ts';
import { joinedWidths, type Widths } from '../subject/occurrence.ts';
import type { FittedPage } from '../subject/fitted-page.ts';
import { boxWords } from './box-words.ts';

/** px: how high a small screen is, and what of it may be kept. */
const screen = 640;
const most = screen / 3;

const head = (height: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  region head as header { stick top; height ${height}; piece brand """<p>Seed library</p>""" }
  region main as main { slot }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

export const stuckCovers: FitCheck = {
	of: 'boxes',
	codes: ['stuck-covers'],
	what: 'What keeps to the edges leaves two thirds of a small screen to the content.',
	why: 'On a phone that lies on its side little is left to read in.',
	examples: { 'stuck-covers': { wrong: head('240px'), mended: head('64px') } },
	find(page) {
		const found = page.stretches.flatMap(({ from, to, first, last }) => {
			const ends = [stuck(first, from, page), stuck(last, to, page)];
			const worst = ends.reduce((one, other) => (other.px > one.px ? other : one));
			if (worst.px <= most || !worst.boxes[0]) return [];
			const [a = worst, b = worst] = ends;
			const widths: Widths =
				a.px > most && b.px > most
					? { from, to }
					: a.px > most
						? { from, to: from }
						: { from: to, to };
			return [{ ...worst, widths }];
		});
		const worst = found.reduce<(typeof found)[number] | undefined>(
			(one, other) => (one && one.px >= other.px ? one : other),
			undefined
		);
		const [first] = worst?.boxes ?? [];
		if (!worst || !first) return [];
		const words = listWords(worst.boxes.map(({ name }) => boxWords(name)));
		const px = Math.round(worst.px);
		return [
			{
				box: first.name,
				widths: joinedWidths(found.map(({ widths }) => widths)),
				weight: px,
				setting: 'height',
				problem: (at) => warning('stuck-covers', at, words, px, screen)
			}
		];
	}
};

/** What lies over the content as one scrolls: boxes that stick and go across more than half of the screen. */
function stuck(
	boxes: readonly PlacedBox[],
	width: number,
	page: FittedPage
): { readonly px: number; readonly boxes: readonly PlacedBox[] } {
	const across = boxes.filter(
		(box) =>
			box.sticking?.under === false &&
			box.width > width / 2 &&
			!isInStuck(box, boxes) &&
			!box.inScroller
	);
	const px = across.reduce((sum, box) => sum + Math.min(heightOf(box, width, page), screen), 0);
	return { px, boxes: across };
}

function isInStuck({ inside }: PlacedBox, boxes: readonly PlacedBox[]): boolean {
	for (let at = inside; at !== undefined; at = boxes[at]?.inside)
		if (boxes[at]?.sticking) return true;
	return false;
}

/** px: of what shrinks, what is left of it. */
function heightOf(
	{ name, height }: PlacedBox,
	width: number,
	{ page, resolved }: FittedPage
): number {
	const { bands, tokens } = resolved.site.settings;
	const band = bandAt(bands, width);
	const { shrink } = settingsAt(boxSaid(name, page)?.settings ?? [], bands, band);
	if (!shrink || shrink === 'none') return height;
	return fixedPx(shrink.to, tokensAt(tokens, bands, band)) ?? height;
}
