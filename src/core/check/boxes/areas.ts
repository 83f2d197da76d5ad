import { plainLayout } from '../example.ts';
import { error, warning, type Problem } from '../../messages/problem.ts';
import { areasOf, isEmptyCell } from '../../model/arrange.ts';
import { Memory } from '../../lib/memory.ts';
import {
	layerName,
	layersOf,
	type Layer,
	type Layout,
	type Member,
	type Piece,
	type Region
} from '../../model/site.ts';
import { adjustedChain, landingAdjusts } from '../../resolve/adjust.ts';
import { landingFills } from '../../resolve/fill-target.ts';
import {
	boxesOf,
	contentsOf,
	holdsSlot,
	memberNamed,
	type Holder
} from '../../resolve/boxes/members.ts';
import { slotOf, type Structure } from '../../resolve/structure.ts';
import { nothing, type LayerCheck } from '../check.ts';

export const areaUnknown: LayerCheck = {
	of: 'layer',
	reaches: 'site',
	codes: ['area-unknown', 'area-no-piece'],
	what: 'Every area is named for something that can lie in it.',
	why: 'An area for nothing is a hole in the page, most often a name that was changed elsewhere.',
	examples: {
		'area-unknown': {
			wrong: plainLayout('arrange areas { "main mian" auto }'),
			mended: plainLayout('arrange areas { "main" auto }')
		},
		'area-no-piece': {
			wrong: plainLayout(
				'region side as aside { arrange areas { "hours" auto; "map" auto }; piece hours """<p>Two to six.</p>""" }'
			),
			mended: plainLayout(
				'region side as aside { arrange areas { "hours" auto }; piece hours """<p>Two to six.</p>""" }'
			)
		}
	},
	find: (layer, { structure }) =>
		arrangedIn(layer, structure).flatMap((arranged) => unknownAreas(arranged, layer, structure))
};

export const notArranged: LayerCheck = {
	of: 'layer',
	codes: ['slot-in-areas', 'slot-not-arranged', 'region-not-arranged'],
	what: 'Every member of a box in areas has one, unless it says that it is hidden.',
	why: 'What has no area is not there at those widths; without the slot no page would be.',
	examples: {
		'slot-in-areas': {
			wrong: `layout frame at / { region main as main { slot; arrange areas { "text" auto } } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }`,
			mended: `layout frame at / { region main as main { slot; arrange stack { gap 8px } } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }`
		},
		'slot-not-arranged': {
			wrong: plainLayout(
				'arrange areas { "side" auto }; region side as aside { piece hours """<p>Two to six.</p>""" }'
			),
			mended: plainLayout(
				'arrange areas { "side main" auto }; region side as aside { piece hours """<p>Two to six.</p>""" }'
			)
		},
		'region-not-arranged': {
			wrong: plainLayout(
				'arrange areas { "main" auto }; region side as aside { piece hours """<p>Two to six.</p>""" }'
			),
			mended: plainLayout(
				'arrange areas { "side main" auto }; region side as aside { piece hours """<p>Two to six.</p>""" }'
			)
		}
	},
	find: (layer, { structure }) =>
		arrangedIn(layer, structure).flatMap((arranged) => withoutArea(arranged, layer))
};

export const pieceNotArranged: LayerCheck = {
	of: 'layer',
	codes: ['piece-not-arranged'],
	what: 'Every piece that is put into a region in areas has one there.',
	why: 'It would be on the page and show nowhere.',
	examples: {
		'piece-not-arranged': {
			wrong: `layout frame at / {\n  region side as aside { arrange areas { "hours" auto }; piece hours """<p>Two to six.</p>""" }\n  region main as main { slot }\n}\nroute / {\n  title "Home"\n  piece text """<h1>Seed</h1>"""\n  fill side after { piece swap """<p>Swap day</p>""" }\n}`,
			mended: `layout frame at / {\n  region side as aside { arrange areas { "hours" auto }; piece hours """<p>Two to six.</p>""" }\n  region main as main { slot }\n}\nroute / {\n  title "Home"\n  piece text """<h1>Seed</h1>"""\n  fill side instead { piece hours """<p>Swap day</p>""" }\n}`
		}
	},
	find(layer, { structure }) {
		if (layer.fills.length === 0) return nothing;
		const chain = structure.chainOf(layer);
		return landingFills(layer, chain).flatMap(({ fill, layout, region }) => {
			const pieces = fill.pieces.filter((piece) => !isSaidElsewhere(piece));
			return pieces.flatMap(({ name }) =>
				region.arrangements.flatMap((one) => {
					if (one.kind !== 'areas' || areasOf(one.rows).has(name.text)) return [];
					const where = one.band ? ` from ${one.band.text} on` : '';
					const names = [name.text, layerName(layer), region.name.text, layout.name.text] as const;
					return [warning('piece-not-arranged', name.span, ...names, where)];
				})
			);
		});
	}
};

interface Arranged {
	readonly box: Holder;
	/** The same box as its layout has it by itself. */
	readonly written: Holder;
	/** The layout it is of; undefined for a group of pieces. */
	readonly layout: Layout | undefined;
}

/** Boxes whose arrangement a layer says: its own, and those further out that it adjusts. */
function arrangedIn(layer: Layer, structure: Structure): Arranged[] {
	const own = layer.kind === 'layout' ? layer : undefined;
	const boxes = boxesOf(layer).map((box): Arranged => {
		return { box, written: box, layout: box.kind === 'group' ? undefined : own };
	});
	const chain = structure.chainOf(layer);
	const seen = adjustedChain(layer, structure);
	const adjusted = landingAdjusts(layer, chain).flatMap(({ adjust, layout, box: written }) => {
		const now = seen[chain.indexOf(layout)];
		const box = now && memberNamed(now, adjust.box);
		return box && adjust.arrangements.length > 0 ? [{ box, written, layout: now }] : [];
	});
	return [...boxes, ...adjusted];
}

function unknownAreas(
	{ box, written, layout }: Arranged,
	layer: Layer,
	structure: Structure
): Problem[] {
	if (layout && box === slotOf(layout)) return [];
	const filled = written.kind === 'region' ? namesFilledInto(written, structure) : nothingNamed;
	const names = new Set([...contentsOf(box).map((member) => member.name.text), ...filled]);
	return box.arrangements.flatMap((one) => {
		if (one.kind !== 'areas') return [];
		return [...areasOf(one.rows)].flatMap(([name, { y }]): Problem[] => {
			const row = one.rows[y.from];
			if (names.has(name) || !row || isEmptyCell(name)) return [];
			return box.kind === 'region' || box.kind === 'group'
				? [warning('area-no-piece', row.areas.span, name, calledOf(box, layer))]
				: [error('area-unknown', row.areas.span, name, box.name.text)];
		});
	});
}

/** All that a page or fill brings has no name of its own. */
function calledOf(box: Holder, layer: Layer): string {
	return box.kind === 'group' && box.isWhole ? layerName(layer) : box.name.text;
}

const nothingNamed: ReadonlySet<string> = new Set();
const filling = new Memory<Structure, ReadonlyMap<Region, ReadonlySet<string>>>();

/** Names of the pieces that other layers put into a region, on whatever page. */
function namesFilledInto(region: Region, structure: Structure): ReadonlySet<string> {
	const known = filling.get(structure, [], () => allFilled(structure));
	return known.get(region) ?? nothingNamed;
}

function allFilled({ site, chainOf }: Structure): Map<Region, Set<string>> {
	const found = new Map<Region, Set<string>>();
	for (const layer of layersOf(site)) {
		for (const { fill, region } of landingFills(layer, chainOf(layer))) {
			const names = found.get(region) ?? new Set();
			for (const { name } of fill.pieces) names.add(name.text);
			found.set(region, names);
		}
	}
	return found;
}

function withoutArea({ box, written, layout }: Arranged, layer: Layer): Problem[] {
	// Whoever arranges a region anew may have put other pieces into it.
	const isOthers = box.kind === 'region' && box !== written;
	const slot = layout && slotOf(layout);
	return box.arrangements.flatMap((one): Problem[] => {
		if (one.kind !== 'areas') return [];
		if (layout && box === slot)
			return [error('slot-in-areas', one.span, box.name.text, layout.name.text)];
		const places = areasOf(one.rows);
		const where = one.band ? ` from ${one.band.text} on` : '';
		return contentsOf(box).flatMap((member): Problem[] => {
			const { text, span } = member.name;
			if (places.has(text) || isOthers) return [];
			if (layout && holdsSlot(member, slot)) {
				return [error('slot-not-arranged', span, text, layout.name.text)];
			}
			return isSaidElsewhere(member)
				? []
				: [warning('region-not-arranged', span, text, calledOf(box, layer), where)];
		});
	});
}

/** Whether a member says by itself that it is hidden or a drawer somewhere. */
function isSaidElsewhere({ settings }: Member | Piece): boolean {
	return settings.some(
		(one) => one.kind === 'show' && (one.value.kind === 'hidden' || one.value.kind === 'drawer')
	);
}
