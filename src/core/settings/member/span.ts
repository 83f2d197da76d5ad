import { mostTracks } from '../../size/tracks.ts';
import { inColumns, members, type SettingDefinition } from '../definition.ts';

/** It is declared with the columns it spans, since what is left free belongs to them. */
export const span: SettingDefinition<'span'> = {
	kind: 'span',
	on: members,
	form: 'COUNT/all [by COUNT]',
	says: 'in columns: how many, maybe "by" rows',
	called: 'The span',
	first: 'all',
	needs: inColumns,
	read(words) {
		const columns = words.takeWord('all') ? 'all' : words.takeCount(span.called, mostTracks);
		if (columns === undefined) return undefined;
		const rows = words.takeWord('by') ? words.takeCount(span.called, mostTracks) : 1;
		return rows === undefined ? undefined : { columns, rows };
	}
};
