import { mostTracks } from '../../size/tracks.ts';
import { inColumns, members, type SettingDefinition } from '../definition.ts';

/** It is declared with the columns that it leaves free. */
export const offset: SettingDefinition<'offset'> = {
	kind: 'offset',
	on: members,
	form: 'FREE',
	says: 'in columns: how many stay free before it',
	called: 'The offset',
	first: '1',
	needs: inColumns,
	read: (words) => words.takeWholeNumber(offset.called, mostTracks)
};
