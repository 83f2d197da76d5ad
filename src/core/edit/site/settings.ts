import { isName } from '../../model/name.ts';
import { listWords } from '../../messages/wording.ts';
import { layerName, layersOf } from '../../model/site.ts';
import type { Named } from '../../model/span.ts';
import type { SitePart } from '../../model/command.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import { rolesOf } from '../../resolve/roles.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkName } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
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

/** Renames a role and every place that names it. */
export function renameRole(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	to: string
): void {
	surgery.replace(findRole(resolved, name).span, checkName(to));
	for (const { roles } of namings(resolved)) {
		for (const role of roles) if (role.text === name) surgery.replace(role.span, to);
	}
}

/** Removes a role; where it was the only one that is let in, or that something is for, it stays. */
export function removeRole(resolved: ResolvedSite, surgery: Surgery, name: string): string[] {
	const role = findRole(resolved, name);
	const { roles, span } = resolved.site.settings;
	const places = namings(resolved).filter((one) => one.roles.some(({ text }) => text === name));
	const only = places.find((one) => one.roles.length === 1);
	if (only) {
		throw new CommandRefused(
			`${only.what} ${only.admits ? 'admits' : 'has something for'} ${name} and no one else: without the role everyone would ${only.admits ? 'be let in' : 'see it'}.`
		);
	}
	for (const place of places) {
		const at = place.roles.findIndex((one) => one.text === name);
		const next = place.roles[at + 1];
		const before = place.roles[at - 1];
		const own = place.roles[at];
		if (own && next) surgery.replace({ ...own.span, to: next.span.from }, '');
		else if (own && before) surgery.replace({ ...own.span, from: before.span.to }, '');
	}
	if (roles.length === 1) surgery.setInner(span, 'roles', undefined);
	else surgery.remove(role.span);
	const admitting = places.filter(({ admits }) => admits).map(({ what }) => what);
	return admitting.length === 0 ? [] : [`${listWords(admitting)} would no longer admit ${name}.`];
}

/** A place where roles are named: who is let in, or for whom something is. */
interface Naming {
	readonly what: string;
	readonly admits: boolean;
	readonly roles: readonly Named[];
}

function namings({ site }: ResolvedSite): Naming[] {
	return layersOf(site).flatMap((layer) => {
		const what = layerName(layer);
		const parts: { readonly seenBy: readonly Named[] }[] = [...layer.fills, ...piecesIn(layer)];
		return [
			{ what, admits: true, roles: rolesOf(layer) },
			...parts.map(({ seenBy }) => ({ what, admits: false, roles: seenBy }))
		];
	});
}

function findRole(resolved: ResolvedSite, name: string): Named {
	const role = resolved.site.settings.roles.find((one) => one.text === name);
	if (!role || !isName(name)) throw new CommandRefused(`There is no role ${name} any more.`);
	return role;
}
