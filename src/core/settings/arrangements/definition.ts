import type { Arrangement } from '../../model/arrange.ts';
import type { SettingsAt } from '../../model/setting.ts';
import type { CssText, Declarations } from '../declarations.ts';
import type { Around, Inside, Placed } from '../placed.ts';

export type ArrangementKind = Arrangement['kind'];

/** A word and what can follow it; see `form.ts`. */
export interface InnerWord {
	readonly form: string;
	readonly says: string;
}

/** How an arrangement is written. */
export interface WrittenArrangement {
	/** What follows `arrange`. */
	readonly form: string;
	readonly says: string;
	/** What can be said inside. */
	readonly inner: Readonly<Record<string, InnerWord>>;
}

/** Everything there is to know of one way to arrange, in one place. */
export interface ArrangementDefinition<I extends Inside> {
	/** What it says to the box whose members it arranges. */
	declare(inside: I, gap: readonly CssText[] | undefined): Declarations;
	/** What every member has by it alone, whoever brings it. */
	declareAny(inside: I): Declarations;
	/** What it makes of a member's own settings. */
	declareMember(placed: Placed, around: Around & { readonly inside: I }): Declarations;
	/** Whether one member lies over another, so that the two would meet when the page scrolls. */
	isAbove(inside: I, one: Neighbour, other: Neighbour): boolean;
}

/** A member as its place in the arrangement counts. */
export interface Neighbour {
	readonly name: string;
	/** Its place in the order of reading. */
	readonly index: number;
	readonly settings: SettingsAt;
}

export const gapWord: InnerWord = { form: 'GAP [GAP]', says: 'space between rows and columns' };
