import { error } from '../../../messages/problem.ts';
import type { Named } from '../../../model/span.ts';
import type { Cursor } from '../cursor.ts';

/** `admit ROLE ROLE`. */
export class AdmitReader {
	readonly roles: Named[] = [];

	readonly read = (cursor: Cursor): void => {
		takeRoles(cursor, 'admit', this.roles);
		cursor.finish();
	};
}

/** `for ROLE ROLE` within a statement; no roles where the word is not there. */
export function readRoles(cursor: Cursor, word: 'for'): Named[] {
	const roles: Named[] = [];
	if (cursor.takeWord(word)) takeRoles(cursor, word, roles);
	return roles;
}

function takeRoles(cursor: Cursor, word: string, roles: Named[]): void {
	const what = `The word "${word}"`;
	let role = cursor.takeName(what);
	while (role) {
		const { text, span } = role;
		if (roles.some((one) => one.text === text)) {
			cursor.problems.push(error('listed-twice', span, 'The role', text));
		} else {
			roles.push(role);
		}
		role = cursor.peek()?.kind === 'word' ? cursor.takeName(what) : undefined;
	}
}
