import type { Layer, Page } from '../model/site.ts';
import type { Named } from '../model/span.ts';
import type { Structure } from './structure.ts';

/** The roles that a page lets in, by its own word or by a layout's of its chain; none: everyone. */
export function admittedRoles(page: Page, structure: Structure): string[] {
	const layers: Layer[] = [...structure.chainOf(page), page];
	const saying = layers.findLast((layer) => rolesOf(layer).length > 0);
	return saying ? rolesOf(saying).map((role) => role.text) : [];
}

/** The roles that a layer itself names. */
export function rolesOf(layer: Layer): readonly Named[] {
	return layer.kind === 'state' ? [] : layer.admit;
}
