import type { FrameReading, ReadBox } from '../frame/reading.ts';
import type { Shape, Trim } from '../boxes/unit-box.ts';
import { withInnerUnits, type Unit } from '../boxes/units.ts';

/**
 * What a style has to say so that content shows as it did in the elements that boxes were: no setting says it, since it
 * moves no box. `classOf`: the class of a box by its name.
 */
export function contentRules(
	units: readonly Unit[],
	{ trims }: Shape,
	reading: FrameReading,
	classOf: (name: string) => string
): string[] {
	const all = withInnerUnits(units);
	const boxesOf = ({ words }: Unit): ReadBox[] =>
		reading.at.flatMap(({ parts }) => words.flatMap((word) => parts[word] ?? []));
	const named = (test: (unit: Unit) => boolean, behind: string): string[] =>
		all.filter(test).map(({ name }) => `.${classOf(name)}${behind}`);
	const margins = (side: keyof Trim, child: string): string[] =>
		[...trims].flatMap(([{ name }, trim]) =>
			Array.from(
				{ length: trim[side] },
				(_, depth) => `.${classOf(name)}${` > :${child}`.repeat(depth + 1)}`
			)
		);
	const isPlaced = (unit: Unit): boolean =>
		unit.number !== undefined && boxesOf(unit).some(({ isRelative }) => isRelative);
	const isBlock = (unit: Unit): boolean =>
		unit.number === undefined &&
		unit.words.length === 1 &&
		boxesOf(unit).some(({ isMadeBlock }) => isMadeBlock);
	// Words get an element of their own in a region, which arranges them as the place did.
	const lines = all.flatMap((unit) => {
		const [first, ...others] = new Set(
			boxesOf(unit).flatMap(({ arrangesLines }) => arrangesLines ?? [])
		);
		const isPlace =
			unit.kind === 'region' && unit.region !== undefined && unit.number !== undefined;
		return isPlace && first !== undefined && others.length === 0
			? rule([`.${classOf(unit.name)} > div`], first)
			: [];
	});
	const words = all.flatMap((unit) => {
		const [first, ...others] = new Set(boxesOf(unit).flatMap((box) => box.setsWords ?? []));
		const isAlike = unit.number === undefined || first === undefined || others.length > 0;
		return isAlike ? [] : rule([`.${classOf(unit.name)}`], first);
	});
	return [
		...words,
		...lines,
		...rule(named(isPlaced, ''), 'position: relative'),
		...rule(named(isBlock, ' > div > *'), 'display: block !important'),
		...rule(margins('top', 'first-child'), 'margin-top: 0 !important'),
		...rule(margins('bottom', 'last-child'), 'margin-bottom: 0 !important')
	];
}

function rule(selectors: readonly string[], says: string): string[] {
	return selectors.length === 0 ? [] : [`${selectors.join(', ')} { ${says} }`];
}
