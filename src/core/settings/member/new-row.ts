import { inColumns, members, type SettingDefinition } from '../definition.ts';

/** It is declared with the columns, at whose first one the row begins. */
export const newRow: SettingDefinition<'new-row'> = {
	kind: 'new-row',
	on: members,
	form: '[off]',
	says: 'in columns: starts a new row',
	called: 'The new row',
	first: '',
	needs: inColumns,
	read: (words) => !words.takeWord('off')
};
