import { declare } from '../../../box-styles/declare.ts';
import { frameOf, type Box } from '../../../box-styles/frame.ts';
import type { Surroundings } from '../../../box-styles/surroundings.ts';
import { Memory } from '../../../lib/memory.ts';
import type { Layout } from '../../../model/site.ts';
import { edgesInside } from '../../../box-styles/landing.ts';
import { surroundingsOf } from '../../../box-styles/outside.ts';
import type { Structure } from '../../../resolve/structure.ts';
import { bandPlaces, settingsAt, type Bands } from '../../../resolve/bands.ts';
import { coveredEdge, keptHeight, shrinkOf } from '../../../settings/member/stick.ts';
import { classNames } from '../../names.ts';
import type { Printed } from './printed.ts';

/**
 * Heights of boxes that keep to an edge. What else keeps to it starts where they end, in this sheet and
 * in those of layers further in, so each has a name, and stands in one place.
 */

const known = new Memory<Layout, ReadonlyMap<string, string>>();

/** Surroundings in which the heights that several boxes refer to have names. */
export function withHeightNames(
	layout: Layout,
	structure: Structure,
	surroundings: Surroundings
): Surroundings {
	const names = known.get(layout, [structure], () => heightNames(layout, structure));
	return { ...surroundings, heightName: (box) => names.get(box) };
}

/** Every sheet must come to the same names, so they follow from the layout alone. */
function heightNames(layout: Layout, structure: Structure): Map<string, string> {
	const { site } = structure;
	const { bands } = site.settings;
	const inside = edgesInside(layout, structure);
	const surroundings = surroundingsOf(structure.chainOf(layout), bands, inside);
	const { boxes } = frameOf(layout, bands);
	const referring = new Map<string, Set<string>>();
	for (const box of boxes.values()) {
		const heightName = (name: string): undefined => {
			referring.set(name, (referring.get(name) ?? new Set()).add(box.name));
		};
		for (const band of bandPlaces(bands)) declare(box, band, { ...surroundings, heightName });
	}
	const tokens = new Set(site.settings.tokens.map(({ name }) => name.text));
	const names = classNames(site);
	return new Map(
		[...referring].flatMap(([name, others]) => {
			const box = boxes.get(name);
			const shrinks = bandPlaces(bands).some(
				(band) => box && shrinkOf(settingsAt(box.settings, bands, band))
			);
			// A box that shrinks has two heights of its own, and says neither by the name.
			const places = others.size + (shrinks ? 0 : 1);
			const property = `--${names.member(layout, name)}-height`;
			return places > 1 && !tokens.has(property) ? [[name, property]] : [];
		})
	);
}

/** What a layout's root declares of the heights in it, in each band. */
export function heightLines(
	boxes: ReadonlyMap<string, Box>,
	{ bands, heightName }: Surroundings
): Printed[] {
	return bandPlaces(bands).map((band) => {
		const lines = new Map<string, string>();
		for (const box of boxes.values()) {
			const name = heightName?.(box.name);
			const height = name === undefined ? undefined : heightIn(box, band, bands);
			if (name !== undefined && height !== undefined) lines.set(name, height);
		}
		return lines;
	});
}

function heightIn({ settings }: Box, band: number, bands: Bands): string | undefined {
	const said = settingsAt(settings, bands, band);
	return coveredEdge(said) === undefined ? undefined : keptHeight(said);
}

/** What a box declares, with its own height by its name. */
export function byHeightName(
	box: Box,
	lines: readonly Printed[],
	{ bands, heightName }: Surroundings
): Printed[] {
	const name = heightName?.(box.name);
	if (name === undefined) return [...lines];
	return bandPlaces(bands).map((band, index) => {
		const said = lines[index] ?? new Map<string, string>();
		const height = heightIn(box, band, bands);
		const isNamed = height !== undefined && said.get('height') === height;
		return isNamed ? new Map([...said, ['height', `var(${name})`]]) : said;
	});
}
