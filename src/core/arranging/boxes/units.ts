import { freeName, nameFrom } from '../../model/name.ts';
import { isRegionElement, type Region } from '../../model/site.ts';
import { landmarks } from '../../bring-in/finding/regions.ts';
import type { FramePart, FrameStatic, FrameTag } from '../frame/frame-tree.ts';
import { partWord, type FrameReading } from '../frame/reading.ts';

/** A box that a part of a frame becomes: a wrapper of others, or a region. */
export type Unit = WrapperUnit | RegionUnit;

interface UnitBase {
	readonly name: string;
	/** The element that the box is. */
	readonly element: string;
	/** As they are written; empty where it has none. */
	readonly attributes: string;
	/** The parts that it was, by their words; several where they stand together. */
	readonly words: readonly string[];
	/** The number of its element in the frame. */
	readonly number: number | undefined;
}

export interface WrapperUnit extends UnitBase {
	readonly kind: 'wrapper';
	readonly units: readonly Unit[];
}

export interface RegionUnit extends UnitBase {
	readonly kind: 'region';
	/** What it was; undefined of markup that was the frame's own. */
	readonly region: Region | undefined;
	/** Markup of the frame's own that stands in it; undefined where a region brings what it has. */
	readonly markup: string | undefined;
}

/** The boxes that the parts of a frame become, with names that are free among those of its regions. */
export function unitsOf(
	parts: readonly FramePart[],
	regions: readonly Region[],
	reading: FrameReading
): Unit[] {
	const taken = new Set(regions.map(({ name }) => name.text));
	return new Naming(taken, reading).units(parts, undefined);
}

class Naming {
	constructor(
		private readonly taken: Set<string>,
		private readonly reading: FrameReading
	) {}

	units(parts: readonly FramePart[], around: number | undefined): Unit[] {
		let before = 0;
		const units: Unit[] = [];
		let open: Standing | undefined;
		const close = (): void => {
			if (open) units.push(this.ofStatic(open));
			open = undefined;
		};
		for (const part of parts) {
			if (part.kind === 'static') {
				const word = part.element
					? partWord.element(part.element.number)
					: partWord.text(around, before);
				if (part.element) before++;
				if (open && this.goesOn(open.words, word)) {
					open = { words: [...open.words, word], parts: [...open.parts, part] };
				} else {
					close();
					open = { words: [word], parts: [part] };
				}
				continue;
			}
			close();
			before++;
			if (part.kind === 'place') units.push(this.ofPlace(part.region, part.element));
			else {
				const { element } = part;
				const name = this.nameFor(element, 'part');
				units.push({
					kind: 'wrapper',
					name,
					...elementOf(element),
					words: [partWord.element(element.number)],
					number: element.number,
					units: this.units(part.parts, element.number)
				});
			}
		}
		close();
		return units;
	}

	private ofPlace(region: Region, element: FrameTag | undefined): Unit {
		const own = element ? elementOf(element) : { element: 'div', attributes: '' };
		const word = element ? partWord.element(element.number) : partWord.place(region.name.text);
		return {
			kind: 'region',
			name: region.name.text,
			...own,
			words: [word],
			number: element?.number,
			region,
			markup: undefined
		};
	}

	/** Markup of the frame's own: an element that can be a region is one, all else stands in one. */
	private ofStatic({ words, parts }: Standing): Unit {
		const [first, ...others] = parts;
		const element = others.length === 0 ? first?.element : undefined;
		const isRegion = element !== undefined && this.canBeRegion(element);
		const named = parts.find((part) => part.element)?.element;
		const own = isRegion ? elementOf(element) : { element: 'div', attributes: '' };
		return {
			kind: 'region',
			name: this.nameFor(named, 'words'),
			...own,
			words,
			number: isRegion ? element.number : undefined,
			region: undefined,
			markup: isRegion
				? first?.inner
				: parts.map(({ markup, isApart }, at) => (at > 0 && isApart ? '\n' : '') + markup).join('')
		};
	}

	/** Whether an element can be a region itself, and what is in it lies in that as it did. */
	private canBeRegion({ tag, number }: FrameTag): boolean {
		// What can stand in a table or list alone is no element elsewhere.
		if (/^(?:td|th|li|dt|dd|caption)$/.test(tag)) return true;
		const boxes = this.reading.at.flatMap(({ parts }) => parts[partWord.element(number)] ?? []);
		return isRegionElement(tag) && boxes.every(({ isPlain }) => isPlain);
	}

	/** Markup that stands in the flow of what is before it, at every width, needs no box of its own. */
	private goesOn(words: readonly string[], word: string): boolean {
		const all = [...words, word];
		return this.reading.at.every(({ parts }) => {
			const boxes = all.flatMap((one) => parts[one] ?? []);
			return boxes.every(({ flow }) => flow === 'block' || flow === 'inline' || flow === 'away');
		});
	}

	private nameFor(element: FrameTag | undefined, otherwise: string): string {
		const names = element
			? [
					nameFrom(attributeIn(element.attributes, 'id')),
					nameFrom(attributeIn(element.attributes, 'class').split(/\s+/)[0] ?? ''),
					landmarks.get(element.tag) ?? ''
				]
			: [];
		const name = freeName(names.find((one) => one !== '') ?? otherwise, this.taken);
		this.taken.add(name);
		return name;
	}
}

/** Units without those of which nothing is seen at any width, such as what only cleared a float, and what those are called. */
export function withoutEmpty(
	units: readonly Unit[],
	reading: FrameReading
): { readonly units: readonly Unit[]; readonly empty: readonly string[] } {
	const found = units.map((unit) => {
		if (unit.kind === 'wrapper') {
			const inside = withoutEmpty(unit.units, reading);
			return { unit: { ...unit, units: inside.units }, empty: inside.empty };
		}
		return isEmpty(unit, reading) ? { unit: undefined, empty: [unit.name] } : { unit, empty: [] };
	});
	return {
		units: found.flatMap(({ unit }) => unit ?? []),
		empty: found.flatMap(({ empty }) => empty)
	};
}

function isEmpty({ markup, words }: RegionUnit, { at }: FrameReading): boolean {
	const says = markup === undefined || markup.replace(/<[^>]*>/g, '').trim() !== '';
	if (says || /<(?:img|svg|input|button|iframe|video|object|script|hr)\b/i.test(markup ?? ''))
		return false;
	const boxes = at.flatMap(({ parts }) => words.flatMap((word) => parts[word] ?? []));
	return boxes.length > 0 && boxes.every(({ width, height }) => width < 0.5 || height < 0.5);
}

/** Markup of a frame that stands together. */
interface Standing {
	readonly words: readonly string[];
	readonly parts: readonly FrameStatic[];
}

/** What such attributes say of tables says nothing of a box. */
const ofTables =
	/(?:^|\s)(?:width|height|cellpadding|cellspacing|border|valign|colspan|rowspan|align|summary)\s*=\s*(?:"[^"]*"|'[^']*'|[^\s"']+)/gi;

function elementOf({ tag, attributes }: FrameTag): { element: string; attributes: string } {
	const isOfTable = /^(?:table|tbody|thead|tfoot|tr|td|th)$/.test(tag);
	return {
		element: isRegionElement(tag) ? tag : 'div',
		attributes: isOfTable ? attributes.replace(ofTables, '').trim() : attributes
	};
}

/** A value in attributes as they are written; empty where it is not among them, or follows from the page. */
function attributeIn(attributes: string, name: string): string {
	const found = new RegExp(
		`(?:^|\\s)${name}\\s*=\\s*(?:"([^"]*)"|'([^']*)'|([^\\s"'>]+))`,
		'i'
	).exec(attributes);
	const value = found?.[1] ?? found?.[2] ?? found?.[3] ?? '';
	return value.includes('{') ? '' : value;
}

/** All boxes among units, however deep. */
export function withInnerUnits(units: readonly Unit[]): Unit[] {
	return units.flatMap((unit) =>
		unit.kind === 'wrapper' ? [unit, ...withInnerUnits(unit.units)] : [unit]
	);
}
