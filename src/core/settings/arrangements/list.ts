import type { SettingsAt } from '../../model/setting.ts';
import type { Declarations } from '../declarations.ts';
import type { Inside, Placed } from '../placed.ts';
import { areas, areasWritten } from './areas.ts';
import { columns, columnsWritten } from './columns.ts';
import type {
	ArrangementDefinition,
	ArrangementKind,
	Neighbour,
	WrittenArrangement
} from './definition.ts';
import { flow } from './flow.ts';
import { gapOf } from './gap.ts';
import { line, rowWritten, stackWritten } from './line.ts';
import { strip } from './strip.ts';

/** How each arrangement is written, in the order in which they are shown. */
export const arrangements: Readonly<Record<ArrangementKind, WrittenArrangement>> = {
	areas: areasWritten,
	columns: columnsWritten,
	row: rowWritten,
	stack: stackWritten
};

export const arrangementKinds: readonly ArrangementKind[] = ['areas', 'columns', 'row', 'stack'];

/** What a box says about how its members lie. */
export function declareInside(inside: Inside, settings: SettingsAt): Declarations {
	return meaning(inside).declare(gapOf(inside, settings));
}

/** What every member has by its parent alone, whoever brings it. */
export function declareAnyMember(inside: Inside): Declarations {
	return meaning(inside).declareAny();
}

/** A layout that lands in a row takes what the pieces beside it leave. */
export function declareLanded(inside: Inside): Declarations {
	return inside.kind === 'row'
		? { flex: { grow: 1, shrink: 1, basis: '0px' } }
		: declareAnyMember(inside);
}

/** What the arrangement around a box makes of the box's own settings. */
export function declareMember(placed: Placed): Declarations {
	return placed.around ? meaning(placed.around.inside).declareMember(placed) : {};
}

/** Whether one member lies over another, so that the two would meet when the page scrolls. */
export function isAbove(inside: Inside, one: Neighbour, other: Neighbour): boolean {
	return meaning(inside).isAbove(one, other);
}

/** What one arrangement as it is written means. */
interface Meaning {
	declare(gap: readonly string[] | undefined): Declarations;
	declareAny(): Declarations;
	declareMember(placed: Placed): Declarations;
	isAbove(one: Neighbour, other: Neighbour): boolean;
}

function meaning(inside: Inside): Meaning {
	switch (inside.kind) {
		case 'areas':
			return meaningOf(areas, inside);
		case 'columns':
			return meaningOf(columns, inside);
		case 'row':
		case 'stack':
			return meaningOf(line, inside);
		case 'strip':
			return meaningOf(strip, inside);
		case 'flow':
			return meaningOf(flow, inside);
	}
}

function meaningOf<I extends Inside>(definition: ArrangementDefinition<I>, inside: I): Meaning {
	return {
		declare: (gap) => definition.declare(inside, gap),
		declareAny: () => definition.declareAny(inside),
		declareMember: (placed) => {
			const { around = { settings: {}, members: undefined, place: -1 } } = placed;
			return definition.declareMember(placed, { ...around, inside });
		},
		isAbove: (one, other) => definition.isAbove(inside, one, other)
	};
}
