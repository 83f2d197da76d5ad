import { pageScope } from '../../emit/html/words.ts';
import type { Layer, Part } from '../../model/site.ts';
import { lookUp, scopeOfPart, type Scope } from '../../resolve/content/values.ts';
import type { ResolvedSite } from '../../resolve/site.ts';

/** Whose text is written: a layer's, or a part's. */
export type TagOwner = Layer | Part;

/** What names stand for at the end of a text, on some page: lists that are open there give their first member. */
export function scopeIn(
	before: string,
	owner: TagOwner,
	resolved: ResolvedSite,
	year: number
): Scope | undefined {
	const { site, structure } = resolved;
	const pages = [...site.routes, ...site.states];
	const page =
		owner.kind === 'part'
			? pages[0]
			: owner.kind === 'layout'
				? pages.find((one) => structure.chainOf(one).includes(owner))
				: owner;
	const [instance] = page ? resolved.instances(page) : [];
	if (!instance) return undefined;
	let scope = pageScope(instance, resolved, year);
	if (owner.kind === 'part') scope = scopeOfPart(owner, { given: [] }, scope);
	const open: { readonly name: string; readonly list: string }[] = [];
	for (const [, name, list, other, end] of before.matchAll(
		/\{\s*(?:for\s+([\w-]+)\s+in\s+([\w.-]+)|(if)\s[^{}]*|(end))\s*\}/g
	)) {
		if (end !== undefined) open.pop();
		else
			open.push(
				other === undefined ? { name: name ?? '', list: list ?? '' } : { name: '', list: '' }
			);
	}
	for (const { name, list } of open) {
		if (name === '') continue;
		const found = lookUp(list.split('.'), scope);
		const member: unknown = Array.isArray(found) ? found[0] : undefined;
		scope = { ...scope, names: new Map(scope.names).set(name, member) };
	}
	return scope;
}
