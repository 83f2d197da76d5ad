import type { SettingKind, SettingsAt, SettingValues } from '../model/setting.ts';
import type { Declarations } from './declarations.ts';
import type { BoxKind, Inside, Placed } from './placed.ts';
import type { Words } from './words.ts';

/** A size in a value, with what it may be besides a length. */
export interface Size {
	readonly text: string;
	/** Shares (%) of what is not known would mean nothing. */
	readonly shares: boolean;
	readonly words: readonly string[];
}

/** What a setting needs to do something. */
export interface Need {
	/** The end of "nothing around head is arranged …", or a whole reason why it does nothing. */
	readonly said: string;
	/** What is said is a whole reason, not a way to arrange. */
	readonly isWhole?: true;
	/** `around` is how the box around it arranges, `own` what else holds for the box, which is `on`. */
	met(around: Inside, own: SettingsAt, on: Placed['kind']): boolean;
}

/** Everything there is to know of one setting, in one place. */
export interface SettingDefinition<K extends SettingKind> {
	readonly kind: K;
	/** The boxes on which it may stand. */
	readonly on: readonly BoxKind[];
	/** The form of its value in words; see `form.ts`. */
	readonly form: string;
	/** What it does, in a few words. */
	readonly says: string;
	/** How its value is called at the beginning of a sentence. */
	readonly called: string;
	/** The value that drawings give it at first; undefined where there is none to guess. */
	readonly first?: string;
	/** It holds at every width, and names no band. */
	readonly everywhere?: true;
	/** What must hold around it; it does something everywhere where nothing is said. */
	readonly needs?: Need;
	/** Properties of a style that would do the same, unseen by the geometry. */
	readonly inStyles?: RegExp;
	read(words: Words): SettingValues[K] | undefined;
	/** The sizes in a value, in the order in which they are written. */
	sizes?(value: SettingValues[K]): readonly Size[];
	/** The colours in a value. */
	colours?(value: SettingValues[K]): readonly string[];
	/** What it means in CSS, for a box on which it stands in a band. */
	declare?(placed: Placed, value: SettingValues[K]): Declarations;
}

/** Sizes along lines: shares are shares of a width that is known. */
export function alongLines(text: string, words: readonly string[] = []): Size {
	return { text, shares: true, words };
}

/** Sizes across lines: nothing says what a share would be a share of. */
export function acrossLines(text: string, words: readonly string[] = []): Size {
	return { text, shares: false, words };
}

export const everyBox: readonly BoxKind[] = ['layout', 'wrapper', 'region', 'piece'];
/** Boxes that hold others. */
export const holders: readonly BoxKind[] = ['layout', 'wrapper', 'region'];
/** Boxes among others. */
export const members: readonly BoxKind[] = ['wrapper', 'region', 'piece'];

export const inColumns: Need = { said: 'in columns', met: ({ kind }) => kind === 'columns' };
export const anyArrangement: Need = {
	said: 'in areas, columns, a row or a stack',
	met: ({ kind }) => kind !== 'flow'
};
