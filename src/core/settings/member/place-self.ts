import { placements } from '../../model/setting.ts';
import { anyArrangement, members, type SettingDefinition } from '../definition.ts';

const words = placements.join('/');

export const placeSelf: SettingDefinition<'place-self'> = {
	kind: 'place-self',
	on: members,
	form: `${words} [${words}]`,
	says: 'where it lies in its place, as in CSS',
	called: 'The placement',
	first: 'center',
	needs: anyArrangement,
	inStyles: /^(place-self|justify-self|align-self)$/,
	read(said) {
		const align = said.takeChoice('placement', placements);
		if (!align || !said.hasWord) return align && { align, justify: align };
		const justify = said.takeChoice('placement', placements);
		return justify && { align, justify };
	},
	declare({ around }, { align, justify }) {
		if (!around || around.inside.kind === 'flow') return {};
		const inGrid = around.inside.kind === 'areas' || around.inside.kind === 'columns';
		return {
			...(align !== 'auto' && { 'align-self': align }),
			...(inGrid && justify !== 'auto' && { 'justify-self': justify })
		};
	}
};
