import type { Site } from '../model/site.ts';
import { bandPlace, type Bands } from '../resolve/bands.ts';
import type { AuthorRule, Condition } from '../author-styles/author-rules.ts';
import type { Dependence } from './dependence.ts';

/** CSS Values 4, section 5.1.2: lengths that are shares of the screen; and those of containers. */
const screenUnits = /\d(?:[dsl]?v(?:w|h|i|b|min|max))\b/i;
const heightUnits = /\d(?:[dsl]?v(?:h|b|min|max))\b/i;
const containerUnits = /\dcq(?:w|h|i|b|min|max)\b/i;
const references = /var\(\s*(--[\w-]+)/g;

/** Properties whose values hold for all that is in an element, as far as they have to do with sizes. */
const handedOn =
	/^(--|font|line-|letter-|word-|text-|white-space|hyphen|overflow-wrap|tab-size|direction|writing-mode|list-style|quotes|border-(spacing|collapse)|all$|zoom)/;

/** What in a style, or in the attributes of an element, depends on the screen. */
export class ScreenUse {
	constructor(
		readonly breakpoints: readonly number[],
		readonly fluid: boolean,
		readonly byHeight: boolean,
		/** It holds for what is in an element as well. */
		readonly inherited: boolean
	) {}

	/** What the values of custom properties and tokens depend on, by their names. */
	static ofProperties(rules: readonly AuthorRule[], site: Site): Map<string, ScreenUse> {
		const { bands, tokens } = site.settings;
		const found = new Map<string, ScreenUse>();
		const said = [
			...tokens.map(({ name, value, band }) => ({
				property: name.text,
				value: value.text,
				use: band ? ScreenUse.at([bands[bandPlace(bands, band)]?.from ?? 0]) : undefined
			})),
			...rules.flatMap((rule) => {
				const use = ofConditions(rule.conditions, bands);
				return rule.declarations.map(({ property, value }) => ({ property, value, use }));
			})
		].filter(({ property }) => property.startsWith('--'));
		// What refers to another property depends on all that the other does; chains have an end.
		for (let round = 0; round <= said.length; round++) {
			let changed = false;
			for (const { property, value, use } of said) {
				const uses = [use, ofValue(value, found), found.get(property)].filter(
					(one) => one !== undefined
				);
				if (uses.length === 0) continue;
				const sum = uses.reduce((all, one) => all.with(one));
				changed ||= !sum.equals(found.get(property));
				found.set(property, sum);
			}
			if (!changed) break;
		}
		return found;
	}

	/** What a rule depends on; undefined where it is the same on every screen. */
	static of(
		{ conditions, declarations }: AuthorRule,
		properties: ReadonlyMap<string, ScreenUse>,
		{ settings }: Site
	): ScreenUse | undefined {
		const around = ofConditions(conditions, settings.bands);
		const own = declarations.map(({ value }) => ofValue(value, properties));
		const uses = [around, ...own].filter((one) => one !== undefined);
		if (uses.length === 0) return undefined;
		const sum = uses.reduce((all, one) => all.with(one));
		const inherited = declarations.some(({ property }) => handedOn.test(property));
		return new ScreenUse(sum.breakpoints, sum.fluid, sum.byHeight, inherited);
	}

	/** What the attributes of an element depend on: HTML, sections 2.5.5 and 4.8.4.2. */
	static ofElement(
		{ style, srcset, sizes, media }: Readonly<Record<string, string>>,
		properties: ReadonlyMap<string, ScreenUse>
	): ScreenUse | undefined {
		const uses = [
			style === undefined ? undefined : ofValue(style, properties),
			media === undefined ? undefined : ofQuery(media),
			sizes === undefined && !/\d+w\b/.test(srcset ?? '')
				? undefined
				: // Which picture is taken may differ from screen to screen, and with it its size.
					new ScreenUse([], true, false, false)
		].filter((one) => one !== undefined);
		return uses.length === 0 ? undefined : uses.reduce((all, one) => all.with(one));
	}

	static sum(uses: readonly ScreenUse[]): Dependence {
		const fluid = uses.some((one) => one.fluid);
		const breakpoints = fluid ? [] : sorted(uses.flatMap((one) => one.breakpoints));
		return { breakpoints, fluid, byHeight: uses.some((one) => one.byHeight) };
	}

	private static at(breakpoints: readonly number[]): ScreenUse {
		return new ScreenUse(breakpoints, false, false, false);
	}

	with(other: ScreenUse): ScreenUse {
		return new ScreenUse(
			sorted([...this.breakpoints, ...other.breakpoints]),
			this.fluid || other.fluid,
			this.byHeight || other.byHeight,
			this.inherited || other.inherited
		);
	}

	private equals(other: ScreenUse | undefined): boolean {
		return (
			other !== undefined &&
			this.fluid === other.fluid &&
			this.byHeight === other.byHeight &&
			this.breakpoints.length === other.breakpoints.length
		);
	}
}

function sorted(numbers: readonly number[]): number[] {
	return [...new Set(numbers)].sort((a, b) => a - b);
}

function ofValue(value: string, properties: ReadonlyMap<string, ScreenUse>): ScreenUse | undefined {
	const uses: ScreenUse[] = [];
	const byContainer = containerUnits.test(value);
	if (screenUnits.test(value) || byContainer) {
		uses.push(new ScreenUse([], true, heightUnits.test(value), false));
	}
	for (const [, name = ''] of value.matchAll(references)) {
		const use = properties.get(name);
		if (use) uses.push(use);
	}
	return uses.length === 0 ? undefined : uses.reduce((all, one) => all.with(one));
}

function ofConditions(conditions: readonly Condition[], bands: Bands): ScreenUse | undefined {
	const uses = conditions.map((condition) => {
		switch (condition.of) {
			case 'band':
				// Bands of a space are other content to the calculation, as they are other boxes.
				return condition.space
					? undefined
					: new ScreenUse(
							[bands[bandPlace(bands, condition.band)]?.from ?? 0],
							false,
							false,
							false
						);
			case 'screen':
				return ofQuery(condition.query);
			case 'container':
				return new ScreenUse([], true, false, false);
		}
	});
	const said = uses.filter((one) => one !== undefined);
	return said.length === 0 ? undefined : said.reduce((all, one) => all.with(one));
}

/** px for a unit that media queries may use (Media Queries 5, section 1.3: relative to what text is at first). */
const pxIn: ReadonlyMap<string, number> = new Map(
	Object.entries<number>({
		px: 1,
		em: 16,
		rem: 16,
		in: 96,
		cm: 96 / 2.54,
		mm: 9.6 / 2.54,
		pt: 4 / 3,
		pc: 16
	})
);

/** Screens at which what a media query says may change. */
function ofQuery(query: string): ScreenUse | undefined {
	const byHeight = /height|aspect-ratio|orientation/i.test(query);
	const byWidth = /width|aspect-ratio|orientation/i.test(query);
	if (!byWidth && !byHeight) return undefined;
	if (/aspect-ratio|orientation|calc\(|resolution/i.test(query)) {
		return new ScreenUse([], true, byHeight, false);
	}
	const places = [...query.matchAll(/(\d*\.?\d+)(px|r?em|in|cm|mm|pt|pc)\b/gi)].flatMap(
		([, number = '0', unit = 'px']) => {
			const px = Number(number) * (pxIn.get(unit.toLowerCase()) ?? 1);
			return [Math.ceil(px), Math.floor(px) + 1];
		}
	);
	return new ScreenUse(byWidth ? sorted(places) : [], false, byHeight, false);
}
