import { layerName, type Layer, type Site } from '../../model/site.ts';
import { templateText } from '../../model/template.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import type { PieceRef, RegionRef } from '../../model/command.ts';
import { holdersIn } from '../../resolve/content/holders.ts';
import type { ResolvedSite } from '../../resolve/site.ts';

/** Something that can be gone to by its name. */
export type Findable =
	| { readonly kind: 'page'; readonly name: string; readonly says: string }
	| { readonly kind: 'layout'; readonly name: string; readonly says: string }
	| {
			readonly kind: 'region';
			readonly name: string;
			readonly says: string;
			readonly region: RegionRef;
	  }
	| {
			readonly kind: 'piece';
			readonly name: string;
			readonly says: string;
			readonly piece: PieceRef;
			/** A page on which it can be seen. */
			readonly page: string;
	  }
	| { readonly kind: 'data'; readonly name: string; readonly says: string }
	| { readonly kind: 'part'; readonly name: string; readonly says: string }
	| { readonly kind: 'token'; readonly name: string; readonly says: string }
	| { readonly kind: 'file'; readonly name: string; readonly says: string };

/** All pages, layouts, regions, pieces, data, parts, tokens and files, each with a few words on what it is. */
export function findable(resolved: ResolvedSite): Findable[] {
	const { site } = resolved;
	const found: Findable[] = [];
	for (const layer of [...site.routes, ...site.states]) {
		const title = layer.title ? templateText(layer.title) : layer.kind;
		const once = layer.kind === 'route' ? layer.moved.map(({ text }) => text) : [];
		const says = once.length > 0 ? `${title}; once at ${once.join(', ')}` : title;
		found.push({ kind: 'page', name: layerName(layer), says });
	}
	for (const layout of site.layouts) {
		const name = layout.name.text;
		found.push({ kind: 'layout', name, says: `layout at ${layout.at.text}` });
		for (const member of membersIn(layout.members)) {
			const { text: box } = member.name;
			const says = `${member.kind} of ${name}`;
			found.push({ kind: 'region', name: box, says, region: { layout: name, region: box } });
		}
	}
	found.push(...piecesOf(resolved));
	for (const { name, from } of site.data) {
		found.push({ kind: 'data', name: name.text, says: `data from ${from.text}` });
	}
	for (const { name } of site.parts) found.push({ kind: 'part', name: name.text, says: 'part' });
	for (const name of new Set(site.settings.tokens.map((token) => token.name.text))) {
		found.push({ kind: 'token', name, says: 'token' });
	}
	for (const path of site.assets) found.push({ kind: 'file', name: path, says: 'file' });
	return found;
}

function piecesOf(resolved: ResolvedSite): Findable[] {
	const { site } = resolved;
	return [...site.layouts, ...site.routes, ...site.states].flatMap((layer): Findable[] => {
		const page = layer.kind === 'layout' ? pageUnder(site, layer, resolved) : layerName(layer);
		if (page === undefined) return [];
		return holdersIn(layer, resolved).flatMap(({ holder, pieces }) =>
			pieces.flatMap((one): Findable[] => {
				// What no one has written a name for is not looked for by one.
				if (one.kind === 'group' && one.isWhole) return [];
				const name = one.name.text;
				const where = holder.region
					? `${holder.region.region} of ${layerName(layer)}`
					: layerName(layer);
				const piece = { holder, piece: name };
				const what = one.kind === 'group' ? 'wrapper' : 'piece';
				return [{ kind: 'piece', name, says: `${what} in ${where}`, piece, page }];
			})
		);
	});
}

/** The first page that a layout covers. */
function pageUnder(site: Site, layout: Layer, { structure }: ResolvedSite): string | undefined {
	const page = [...site.routes, ...site.states].find((one) =>
		structure.chainOf(one).some((outer) => outer === layout)
	);
	return page && layerName(page);
}
