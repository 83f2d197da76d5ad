import { areasOf, type AreasArrangement } from '../../model/arrange.ts';
import { gapWord, type ArrangementDefinition, type WrittenArrangement } from './definition.ts';

/** CSS Grid Layout 2, section 7.3. Who has no area in a band is not there in it. */
export const areas: ArrangementDefinition<AreasArrangement> = {
	declare({ rows, columns }, gap) {
		const sizes = rows.map((row) => row.size);
		return {
			display: 'grid',
			...(columns && { 'grid-template-columns': { kind: 'written', text: columns.text } }),
			...(sizes.some((size) => size !== 'auto') && {
				'grid-template-rows': { kind: 'written', text: sizes.join(' ') }
			}),
			'grid-template-areas': rows.map((row) => row.cells),
			...(gap && { gap })
		};
	},
	declareAny: () => ({ display: 'none' }),
	declareMember: ({ name }, { inside }) =>
		inside.rows.some((row) => row.cells.includes(name))
			? { 'grid-area': name }
			: { display: 'none' },
	isAbove({ rows }, one, other) {
		const places = areasOf(rows);
		const [above, below] = [places.get(one.name), places.get(other.name)];
		if (!above || !below || above.y.to > below.y.from) return false;
		return above.x.from < below.x.to && below.x.from < above.x.to;
	}
};

export const areasWritten: WrittenArrangement = {
	form: 'areas',
	says: 'members have named areas, drawn row by row',
	inner: { columns: { form: 'TRACKS', says: 'widths of the columns' }, gap: gapWord }
};
