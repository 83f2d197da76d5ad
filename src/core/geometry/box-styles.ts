import { declare, declareInSlot } from '../box-styles/declare.ts';
import { openerBox, pieceBox, type Box } from '../box-styles/frame.ts';
import { surroundingsOf } from '../box-styles/outside.ts';
import { declaredOnPaper, onPaper } from '../box-styles/printed.ts';
import type { Surroundings } from '../box-styles/surroundings.ts';
import type { Layout, Piece, SiteSettings } from '../model/site.ts';
import type { Opener } from '../resolve/boxes/drawers.ts';
import { handedOn, type Declarations } from '../settings/declarations.ts';
import { substitute, tokensAt, type Lookup } from '../size/tokens.ts';
import { readStyle, type Style } from './style.ts';

/**
 * What boxes are declared as, and the styles that come of it. Frames are the same on all pages that they
 * cover, so each is worked out once for a site, and stays while its layout and the site's own words do.
 */
export class BoxStyles {
	private readonly lookups = new Map<number, Lookup>();
	private readonly around = new Map<Layout | undefined, Known<Surroundings>>();
	private readonly boxes = new WeakMap<Box, Map<number, Known<Declarations>>>();
	private readonly slots = new WeakMap<Box, Map<number, Declarations>>();
	private readonly styles = new WeakMap<Declarations, WeakMap<Lookup, Style>>();
	private readonly inner = new WeakMap<Declarations, WeakMap<Lookup, Lookup>>();
	private readonly roots = new WeakMap<Declarations, WeakMap<Declarations, Declarations>>();
	private readonly contents = new WeakMap<Box, WeakMap<Piece | Opener, Box>>();

	private constructor(private readonly settings: SiteSettings) {}

	private static readonly known = new WeakMap<SiteSettings, BoxStyles>();

	static of(settings: SiteSettings): BoxStyles {
		let styles = BoxStyles.known.get(settings);
		if (!styles) BoxStyles.known.set(settings, (styles = new BoxStyles(settings)));
		return styles;
	}

	/** The values of tokens in a band of the screen. */
	lookupIn(band: number): Lookup {
		let lookup = this.lookups.get(band);
		if (!lookup) {
			const tokens = tokensAt(this.settings.tokens, this.settings.bands, band);
			this.lookups.set(band, (lookup = (name) => tokens.get(name)));
		}
		return lookup;
	}

	/** The surroundings of boxes of a layout that sits under others, outermost first. */
	surroundingsIn(outer: readonly Layout[]): Surroundings {
		const nearest = outer.at(-1);
		const known = this.around.get(nearest);
		if (known && sameLayouts(known.of, outer)) return known.value;
		const value = surroundingsOf(outer, this.settings.bands);
		this.around.set(nearest, { of: outer, value });
		return value;
	}

	/** What a box of a layout is declared as; of none where it stands on a page without. */
	declared(
		box: Box,
		band: number,
		surroundings: Surroundings,
		layout: Layout | undefined
	): Declarations {
		const inBands = entry(this.boxes, box, () => new Map<number, Known<Declarations>>());
		const known = inBands.get(band);
		if (known?.of === surroundings) return known.value;
		const onScreen = declare(box, band, surroundings);
		const { printed } = this.settings.trial;
		const value = printed && layout ? declaredOnPaper(onScreen, onPaper(box, layout)) : onScreen;
		inBands.set(band, { of: surroundings, value });
		return value;
	}

	/** What the root of a layout has by the slot that it lands in. */
	inSlot(host: Box, band: number): Declarations {
		const inBands = entry(this.slots, host, () => new Map<number, Declarations>());
		let declared = inBands.get(band);
		if (!declared) {
			inBands.set(band, (declared = declareInSlot(host, band, this.settings.bands)));
		}
		return declared;
	}

	/** What a root is declared as by its slot and by itself, which comes first. */
	both(inSlot: Declarations, own: Declarations): Declarations {
		const made = entry(this.roots, own, () => new WeakMap<Declarations, Declarations>());
		return entry(made, inSlot, () => ({ ...inSlot, ...own }));
	}

	style(declared: Declarations, lookup: Lookup): Style {
		const read = entry(this.styles, declared, () => new WeakMap<Lookup, Style>());
		return entry(read, lookup, () => readStyle(declared, lookup));
	}

	/** Custom properties that a box declares hold for everything in it. */
	lookupInside(lookup: Lookup, declared: Declarations): Lookup {
		const own = handedOn(declared);
		if (own.length === 0) return lookup;
		const made = entry(this.inner, declared, () => new WeakMap<Lookup, Lookup>());
		return entry(made, lookup, () => {
			// Worked out with what holds outside: a property may refer to itself further out.
			const values = new Map(own.map(([name, value]) => [name, substitute(value, lookup)]));
			return (name) => values.get(name) ?? lookup(name);
		});
	}

	pieceIn(piece: Piece, parent: Box): Box {
		const boxes = entry(this.contents, parent, () => new WeakMap<Piece | Opener, Box>());
		return entry(boxes, piece, () => pieceBox(piece, parent));
	}

	openerIn(opener: Opener, parent: Box): Box {
		const boxes = entry(this.contents, parent, () => new WeakMap<Piece | Opener, Box>());
		return entry(boxes, opener, () => openerBox(opener, parent));
	}
}

/** What was worked out, and from what beside its key. */
interface Known<V> {
	readonly of: unknown;
	readonly value: V;
}

function entry<K extends WeakKey, V>(map: WeakMap<K, V>, key: K, make: () => V): V {
	let value = map.get(key);
	if (value === undefined) map.set(key, (value = make()));
	return value;
}

function sameLayouts(one: unknown, other: readonly Layout[]): boolean {
	return (
		Array.isArray(one) &&
		one.length === other.length &&
		other.every((layout, index) => one[index] === layout)
	);
}
