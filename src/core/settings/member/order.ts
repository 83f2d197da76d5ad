import { anyArrangement, members, type SettingDefinition } from '../definition.ts';

/** More members than any box has. */
const mostOrder = 10_000;

export const order: SettingDefinition<'order'> = {
	kind: 'order',
	on: members,
	form: 'PLACE',
	says: 'drawn earlier or later than it is read',
	called: 'The order',
	first: '1',
	needs: anyArrangement,
	inStyles: /^order$/,
	read: (words) => words.takeInteger(order.called, mostOrder),
	declare: ({ around }, value) =>
		around && around.inside.kind !== 'flow' && value !== 0 ? { order: value } : {}
};
