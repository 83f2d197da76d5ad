import { allSettings } from '../settings/list.ts';

/** Words that begin a statement, in whatever block: where one stands behind a block or a text, the one before was meant to end. */
export const statementWords: ReadonlySet<string> = new Set([
	...allSettings.map(({ kind }) => kind),
	...'address admit allow arrange bands data description dir each fill lang layout locked measure moved nav night part piece region required role roles route samples sheets site slot state style title tokens under urls values wrapper'.split(' ') // prettier-ignore
]);
