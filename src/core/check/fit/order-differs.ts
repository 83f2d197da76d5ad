import { warning } from '../../messages/problem.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import { layerName, type Layer } from '../../model/site.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import type { FitCheck } from '../check.ts';
import { seenWhere, type Candidate, type FittedPage } from '../subject/fitted-page.ts';
import { siblingsIn } from '../subject/siblings.ts';
import { boxWords } from './box-words.ts';

const beside = (first: string, second: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  arrange areas { "side main" auto; columns 200px 1fr }
  ${first}
  ${second}
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;
const main = 'region main as main { slot }';
const side = 'region side as aside { piece hours """<p>Two to six.</p>""" }';

export const orderDiffers: FitCheck = {
	of: 'boxes',
	codes: ['order-differs'],
	what: 'What is read first is drawn first.',
	why: 'Whoever listens or uses a keyboard goes to and fro over the page.',
	examples: { 'order-differs': { wrong: beside(main, side), mended: beside(side, main) } },
	find(page) {
		const isMirrored = page.resolved.site.settings.dir === 'rtl';
		const places = readingPlaces(page);
		return seenWhere(page.stretches, (boxes) => neighbours(boxes, places, isMirrored)).flatMap(
			({ box, other, widths }) => {
				if (!other) return [];
				const words = [boxWords(box), boxWords(other)] as const;
				return [
					{
						box,
						widths,
						weight: 0,
						cause: words[1],
						problem: (at) => warning('order-differs', at, ...words)
					}
				];
			}
		);
	}
};

/** Places of regions, wrappers and pieces in the order in which they are read. */
function readingPlaces({ page }: FittedPage): ReadonlyMap<string, number> {
	const places = new Map<string, number>();
	for (const layout of page.chain) {
		for (const [at, member] of membersIn(layout.members).entries()) {
			places.set(`${layout.name.text} ${member.name.text}`, at);
		}
	}
	for (const { landed } of page.regions) {
		for (const [at, one] of landed.entries()) {
			if (one.kind === 'piece') places.set(pieceWord(one.piece.name.text, one.owner), at);
		}
	}
	return places;
}

function pieceWord(piece: string, owner: Layer): string {
	return `piece ${piece} of ${layerName(owner)}`;
}

function placeOf({ name }: PlacedBox, places: ReadonlyMap<string, number>): number | undefined {
	const [piece] = name.pieces;
	if (name.kind === 'opener') return undefined;
	if (piece) return places.get(`piece ${piece.piece} of ${piece.owner}`);
	return places.get(`${name.layout} ${name.wrapper ?? name.region}`);
}

/**
 * Boxes in one box, each with the one that is read before it, and how far the later is drawn before the earlier:
 * above it, or in front of it in the same lines. What sticks is out of the order.
 */
function neighbours(
	boxes: readonly PlacedBox[],
	places: ReadonlyMap<string, number>,
	isMirrored: boolean
): Candidate[] {
	const placeOfBox = new Map<PlacedBox, number>();
	for (const box of boxes) {
		const place = box.height > 0 && box.width > 0 ? placeOf(box, places) : undefined;
		if (place !== undefined) placeOfBox.set(box, place);
	}
	return [...siblingsIn([...placeOfBox.keys()]).values()].flatMap((list) => {
		const order = [...list].sort((a, b) => (placeOfBox.get(a) ?? 0) - (placeOfBox.get(b) ?? 0));
		return order.slice(1).flatMap((box, index): Candidate[] => {
			const before = order[index];
			if (!before) return [];
			const inFront = isMirrored
				? box.x - (before.x + before.width)
				: before.x - (box.x + box.width);
			const above = before.y - (box.y + box.height);
			const beside = [box.y + box.height - before.y - 1, before.y + before.height - box.y - 1];
			const one = { box, other: before };
			return [
				{ ...one, over: [above + 1] },
				{ ...one, over: [inFront + 1, ...beside] }
			];
		});
	});
}
