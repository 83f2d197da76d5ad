import { layersOf, layerName, type Part } from '../../model/site.ts';
import type { Template } from '../../model/template.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import type { ResolvedSite } from '../../resolve/site.ts';

/** More than anyone chooses among. */
const most = 60;

/** Pages that layers give something with the part in it, by their names, in the order of the site. */
export function pagesWithPart(part: Part, resolved: ResolvedSite): string[] {
	const { site, structure } = resolved;
	const names = namesWith(part, site.parts);
	const layers = new Set(
		layersOf(site).filter((layer) =>
			piecesIn(layer).some((piece) => piece.kind === 'markup' && uses(piece.markup, names))
		)
	);
	return [...site.routes, ...site.states]
		.filter((page) => layers.has(page) || structure.chainOf(page).some((one) => layers.has(one)))
		.slice(0, most)
		.map(layerName);
}

/** A page by its name, as one of those it stands for. */
export function instanceNamed(name: string, resolved: ResolvedSite): PageInstance | undefined {
	const { site } = resolved;
	const page = [...site.routes, ...site.states].find((one) => layerName(one) === name);
	return page && resolved.instances(page)[0];
}

/** The part and all parts that have it in them, however deep. */
function namesWith(part: Part, parts: readonly Part[]): Set<string> {
	const names = new Set([part.name.text]);
	for (let before = -1; before !== names.size;) {
		before = names.size;
		for (const one of parts) if (uses(one.markup, names)) names.add(one.name.text);
	}
	return names;
}

function uses({ parts }: Template, names: ReadonlySet<string>): boolean {
	return parts.some(
		(one) => typeof one !== 'string' && one.kind === 'use' && names.has(one.part.text)
	);
}
