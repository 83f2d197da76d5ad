import { error, listWords, warning, type Problem } from '../messages/problem.ts';
import { layerName, type Layer, type Page, type Site } from '../model/site.ts';
import type { Named } from '../model/span.ts';
import type { Structure } from './structure.ts';

/** The roles that a page lets in, by its own word or by a layout's of its chain; none: everyone. */
export function admittedRoles(page: Page, structure: Structure): string[] {
	const layers: Layer[] = [...structure.chainOf(page), page];
	const saying = layers.findLast((layer) => rolesOf(layer).length > 0);
	return saying ? rolesOf(saying).map((role) => role.text) : [];
}

/** Reports roles that the site does not have, and that a static site cannot keep anyone out. */
export function checkRoles(layer: Layer, site: Site): Problem[] {
	const roles = rolesOf(layer);
	const [first] = roles;
	if (!first) return [];
	const known = site.settings.roles.map((role) => role.text);
	const unknown = roles.filter((role) => !known.includes(role.text));
	if (unknown.length > 0) {
		return unknown.map((role) => error('role-unknown', role.span, role.text, listWords(known)));
	}
	const names = listWords(roles.map((role) => role.text));
	return [warning('admit-static', first.span, layerName(layer), names)];
}

function rolesOf(layer: Layer): readonly Named[] {
	return layer.kind === 'state' ? [] : layer.admit;
}
