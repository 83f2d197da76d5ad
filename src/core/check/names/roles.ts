import { error, listWords, warning } from '../../messages/problem.ts';
import { layerName } from '../../model/site.ts';
import { rolesOf } from '../../resolve/roles.ts';
import { nothing, type LayerCheck } from '../check.ts';

export const roleUnknown: LayerCheck = {
	of: 'layer',
	codes: ['role-unknown'],
	what: 'Every role that a layer lets in is one of the site’s.',
	why: 'A slip in a role’s name would keep everyone out, or no one.',
	find(layer, { site }) {
		const known = site.settings.roles.map((role) => role.text);
		return rolesOf(layer)
			.filter((role) => !known.includes(role.text))
			.map((role) => error('role-unknown', role.span, role.text, listWords(known)));
	}
};

export const admitStatic: LayerCheck = {
	of: 'layer',
	codes: ['admit-static'],
	what: 'Who is let in is not taken for a lock.',
	why: 'Static pages are there for whoever asks for them.',
	find(layer, { site }) {
		const roles = rolesOf(layer);
		const known = site.settings.roles.map((role) => role.text);
		const [first] = roles;
		if (!first || roles.some((role) => !known.includes(role.text))) return nothing;
		const names = listWords(roles.map((role) => role.text));
		return [warning('admit-static', first.span, layerName(layer), names)];
	}
};
