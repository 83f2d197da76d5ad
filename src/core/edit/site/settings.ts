import { isName } from '../../model/name.ts';
import { listWords } from '../../messages/problem.ts';
import { layerName, type Layout, type Route } from '../../model/site.ts';
import type { Named } from '../../model/span.ts';
import type { SitePart } from '../../model/wish.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkName } from '../find.ts';
import { WishRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';

/** Edits of what a site says of itself, and of who its visitors can be. */

/** A text as it stands between quotation marks. */
export function quoted(text: string): string {
	return `"${text.replace(/\\?"/g, '\\"').replace(/\s*\n\s*/g, ' ')}"`;
}

/** Says one thing of a site; `undefined` takes it back. */
export function setSite(
	resolved: ResolvedSite,
	surgery: Surgery,
	part: SitePart,
	value: string | undefined
): void {
	const { span, name } = resolved.site.settings;
	if (part === 'name') {
		const [head, text] = surgery.statementAt(span).atoms;
		if (text) surgery.replace(name.span, quoted(value ?? ''));
		else if (head) surgery.insertBehind(head.span, quoted(value ?? ''), ' ');
		return;
	}
	const written = part === 'address' && value !== undefined ? quoted(value) : value;
	surgery.setInnerFirst(span, part, written === undefined ? undefined : `${part} ${written}`);
}

/** Adds a role; the first one is whoever has not signed in. */
export function addRole(resolved: ResolvedSite, surgery: Surgery, name: string): void {
	const { roles, span } = resolved.site.settings;
	checkName(name);
	const last = roles.at(-1);
	if (last) surgery.insertBehind(last.span, name);
	else surgery.insertInto(span, [`roles { ${name} }`]);
}

/** Renames a role and every place that lets it in. */
export function renameRole(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	to: string
): void {
	surgery.replace(findRole(resolved, name).span, checkName(to));
	for (const layer of admitting(resolved)) {
		for (const role of layer.admit) if (role.text === name) surgery.replace(role.span, to);
	}
}

/** Removes a role; where it was the only one that is let in, it stays. */
export function removeRole(resolved: ResolvedSite, surgery: Surgery, name: string): string[] {
	const role = findRole(resolved, name);
	const { roles, span } = resolved.site.settings;
	const layers = admitting(resolved).filter(({ admit }) => admit.some((one) => one.text === name));
	const only = layers.find(({ admit }) => admit.length === 1);
	if (only) {
		throw new WishRefused(
			`${layerName(only)} admits ${name} and no one else: without the role everyone would be let in.`
		);
	}
	for (const { admit } of layers) {
		const at = admit.findIndex((one) => one.text === name);
		const next = admit[at + 1];
		const before = admit[at - 1];
		const own = admit[at];
		if (own && next) surgery.replace({ ...own.span, to: next.span.from }, '');
		else if (own && before) surgery.replace({ ...own.span, from: before.span.to }, '');
	}
	if (roles.length === 1) surgery.setInner(span, 'roles', undefined);
	else surgery.remove(role.span);
	if (layers.length === 0) return [];
	return [`${listWords(layers.map(layerName))} would no longer admit ${name}.`];
}

function admitting({ site }: ResolvedSite): (Layout | Route)[] {
	return [...site.layouts, ...site.routes];
}

function findRole(resolved: ResolvedSite, name: string): Named {
	const role = resolved.site.settings.roles.find((one) => one.text === name);
	if (!role || !isName(name)) throw new WishRefused(`There is no role ${name} any more.`);
	return role;
}
