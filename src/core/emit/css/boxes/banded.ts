import type { Bands } from '../../../resolve/bands.ts';
import type { Layout } from '../../../model/site.ts';
import { splitSizes } from '../../../size/css-tokens.ts';
import { group, indent, rule } from '../css-text.ts';
import { initialValue, inOrder, type Printed } from './printed.ts';
import { cascadeName } from '../selectors.ts';

/** What a selector says in each band, narrowest first. */
export interface BandedRule {
	readonly selector: string;
	readonly bands: readonly Printed[];
	/** What a weaker selector gives the same elements, band by band. */
	readonly under?: readonly Printed[];
	/** The layout whose bands are meant: its own space may be what they look at. */
	readonly layout: Layout | undefined;
}

/** Where a band begins: a media query, or a container query of the space that a layout gets. */
export function bandQuery(from: number, layout: Layout | undefined): string {
	return layout?.measure === 'space'
		? `@container ${cascadeName(layout)} (min-width: ${from}px)`
		: `@media (min-width: ${from}px)`;
}

/** Rules for the narrowest band first, then for each band what changes with it. */
export function bandedCss(rules: readonly BandedRule[], bands: Bands): string[] {
	const written = rules.map(changesByBand);
	const starts = bands.length === 0 ? [0] : bands.map((band) => band.from);
	return starts.flatMap((from, place) => {
		const groups = new Map<string, string[]>();
		for (const [index, { selector, layout }] of rules.entries()) {
			const text = rule(selector, lines(written[index]?.[place] ?? new Map()));
			const query = place === 0 ? '' : bandQuery(from, layout);
			if (text !== '') groups.set(query, [...(groups.get(query) ?? []), text]);
		}
		return [...groups].flatMap(([query, texts]) => (query === '' ? texts : [group(query, texts)]));
	});
}

/** Properties that set others besides: what was said of those before is gone with them. */
const shorthands: ReadonlyMap<string, readonly string[]> = new Map(
	Object.entries<readonly string[]>({
		'grid-area': ['grid-column', 'grid-row'],
		'inset-block': ['inset-block-start', 'inset-block-end'],
		animation: ['animation-timeline', 'animation-range']
	})
);

/** Properties that only containers of one kind read. */
const readBy: ReadonlyMap<string, string> = new Map(
	Object.entries<string>({
		'flex-direction': 'flex',
		'flex-wrap': 'flex',
		'grid-template-columns': 'grid',
		'grid-template-rows': 'grid',
		'grid-auto-rows': 'grid',
		'grid-template-areas': 'grid'
	})
);

function isIdle(property: string, display: string | undefined): boolean {
	const reader = readBy.get(property);
	return reader !== undefined && display !== reader;
}

/** The value of a property of which another rule has set a part: no value is it, so whatever is wanted is said. */
const torn = '';

/**
 * What elements have in each band that were `said` to be something, once what another rule gives them, which has the last
 * word, is `now` something else than `then`.
 */
export function givenOver(
	said: readonly Printed[],
	now: readonly Printed[],
	then: readonly Printed[]
): Printed[] {
	const all = [...namesIn([...now, ...then])];
	const wholes = namesIn(said);
	return said.map((lines, place) => {
		// Below the first band in which it says something else, the other rule says nothing anew.
		const names = all.filter((name) =>
			now.slice(0, place + 1).some((one, at) => one.get(name) !== then[at]?.get(name))
		);
		const given = new Map(lines);
		const give = (name: string): void => {
			given.set(name, now[place]?.get(name) ?? initialValue(name));
		};
		for (const name of names) give(name);
		for (const [whole, parts] of shorthands) {
			if (names.includes(whole)) for (const part of parts) give(part);
			else if (wholes.has(whole) && parts.some((part) => names.includes(part))) {
				given.set(whole, torn);
			}
		}
		return given;
	});
}

/** All properties that are said in some band. */
export function namesIn(bands: readonly Printed[]): ReadonlySet<string> {
	return new Set(bands.flatMap((lines) => [...lines.keys()]));
}

/** What the elements of a rule have in each band once it is written: what nothing reads there stayed as it was. */
export function standing(bands: readonly Printed[]): Printed[] {
	let before: Printed = new Map();
	return bands.map((wanted) => {
		const display = wanted.get('display');
		const idle = [...before].filter(([name]) => !wanted.has(name) && isIdle(name, display));
		before = new Map([...wanted, ...idle]);
		return before;
	});
}

/** What a rule has to say anew in each band. */
function changesByBand({ bands, under = [] }: BandedRule): Printed[] {
	const said = new Map<string, string>();
	return bands.map((wanted, place) => {
		const weaker = under[place] ?? new Map<string, string>();
		const changes = new Map<string, string>();
		const say = (property: string): void => {
			const now = said.get(property) ?? weaker.get(property) ?? initialValue(property);
			const value = wanted.get(property) ?? initialValue(property);
			// Of what this rule has said a part of, the other parts are as it has said them.
			const isOurs = said.get(property) === torn && !wanted.has(property) && !weaker.has(property);
			if (now === value || isOurs) return;
			// What only lines or only grids read can stay as it was where neither is one.
			if (!wanted.has(property) && isIdle(property, wanted.get('display'))) return;
			changes.set(property, value);
			said.set(property, value);
		};
		for (const [whole, parts] of shorthands) {
			say(whole);
			if (!changes.has(whole)) continue;
			for (const part of parts) said.set(part, initialValue(part));
		}
		const properties = new Set([...wanted.keys(), ...said.keys(), ...weaker.keys()]);
		for (const property of properties) say(property);
		for (const [whole, parts] of shorthands) {
			if (!wanted.has(whole) && parts.some((part) => changes.has(part))) said.set(whole, torn);
		}
		return changes;
	});
}

function lines(declarations: Printed): string[] {
	return withBorder(withPadding(inOrder(declarations))).map(([property, value]) =>
		value.includes('\n') ? `${property}:\n${indent(value)};` : `${property}: ${value};`
	);
}

/** A border whose lines are as wide at both ends of a line stands in one, in the order of CSS. */
function withBorder(said: readonly [string, string][]): [string, string][] {
	const valueOf = (property: string): string | undefined =>
		said.find(([name]) => name === property)?.[1];
	const [block, inline] = [valueOf('border-block-width'), valueOf('border-inline-width')];
	if (block === undefined || inline === undefined) return [...said];
	const [top = block, bottom = top] = splitSizes(block);
	if (splitSizes(inline).length > 1) return [...said];
	const [short] = top === bottom ? [top === inline ? top : `${top} ${inline}`] : [undefined];
	return said.flatMap(([property, value]): [string, string][] => {
		if (property === 'border-inline-width') return [];
		const whole = short ?? `${top} ${inline} ${bottom}`;
		return [property === 'border-block-width' ? ['border-width', whole] : [property, value]];
	});
}

/** Padding that is the same on both sides of each axis stands in one line. */
function withPadding(said: readonly [string, string][]): [string, string][] {
	const valueOf = (property: string): string | undefined =>
		said.find(([name]) => name === property)?.[1];
	const [block, inline] = [valueOf('padding-block'), valueOf('padding-inline')];
	const isPlain = (value: string): boolean => splitSizes(value).length === 1;
	if (block === undefined || inline === undefined) return [...said];
	if (!isPlain(block) || !isPlain(inline)) return [...said];
	const both = block === inline ? block : `${block} ${inline}`;
	return said.flatMap(([property, value]): [string, string][] => {
		if (property === 'padding-inline') return [];
		return [property === 'padding-block' ? ['padding', both] : [property, value]];
	});
}
