import { listWords } from '../../messages/wording.ts';
import { layerName, layerSpan } from '../../model/site.ts';
import { admittedRoles, admittingLayers, rolesOf } from '../../resolve/roles.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findRoute } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { setAdmit } from './words.ts';

/** Opens a route to a role, or closes it: the route names who is let in, where that differs from what is around it. */
export function changeAccess(
	resolved: ResolvedSite,
	surgery: Surgery,
	pattern: string,
	role: string,
	opens: boolean
): void {
	const { site, structure } = resolved;
	const route = findRoute(resolved, pattern);
	const all = site.settings.roles.map(({ text }) => text);
	const around = admittingLayers(route, structure).filter((layer) => layer !== route);
	const closing = around.find((layer) => !rolesOf(layer).some(({ text }) => text === role));
	if (opens && closing) {
		const names = listWords(rolesOf(closing).map(({ text }) => text));
		throw new CommandRefused(
			`${layerName(closing)} lets in only ${names}, and holds for ${pattern} too: open it to ${role} there first.`,
			layerSpan(closing)
		);
	}
	const now = admittedRoles(route, structure);
	const open = now.length === 0 ? all : now;
	const wanted = all.filter((one) => (one === role ? opens : open.includes(one)));
	if (wanted.length === 0) {
		throw new CommandRefused(
			`${pattern} would let in no one at all: take the page away instead.`,
			route.span
		);
	}
	const outer = all.filter((one) =>
		around.every((layer) => rolesOf(layer).some(({ text }) => text === one))
	);
	// Where it would say what is said around it already, it says nothing.
	const same = wanted.length === outer.length;
	setAdmit(resolved, surgery, { kind: 'route', name: pattern }, same ? [] : wanted);
}
