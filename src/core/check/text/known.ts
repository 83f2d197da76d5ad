import { layerPattern, type Layer, type Site } from '../../model/site.ts';
import { dataAt, valueAt, type PageInstance } from '../../resolve/instance.ts';

/** A value that a path can have, and where it has it, for sentences: a page, or a member of a list. */
export interface Found {
	readonly value: unknown;
	readonly where: string;
	/** It comes from a source that may give something else at any time. */
	readonly isGiven?: true;
}

/**
 * What paths can lead to at a place in a text. `undefined` is a path that leads nowhere; `anything` is one
 * of which nothing can be said here, such as what a part is given.
 */
export interface Known {
	at(path: readonly string[]): readonly Found[] | 'anything' | undefined;
	/** The paths that lead somewhere, for sentences. */
	readonly names: readonly string[];
}

/** What is known in the text of a layer, on all of its pages. */
export function knownIn(
	layer: Layer,
	pages: readonly PageInstance[],
	site: Site,
	hasTitle: boolean
): Known {
	const hasItem = layer.kind === 'route' && layer.pages.kind === 'each';
	const parameters = layerPattern(layer).segments.flatMap((segment) =>
		segment.kind === 'parameter' ? [segment.name] : segment.kind === 'rest' ? ['rest'] : []
	);
	const fixed = [...fixedPaths(hasTitle), ...parameters.map((name) => `route.${name}`)];
	return {
		names: [...fixed, ...(hasItem ? ['item'] : []), ...dataNames(site), 'year'],
		at(path) {
			const [root, ...rest] = path;
			if (root === 'data') return dataFound(path, site);
			if (root === 'item' && hasItem) {
				return pages.map(({ item, address }) => ({
					value: item === undefined ? '' : valueAt(item, rest),
					where: `on the page ${address}`
				}));
			}
			return fixed.includes(path.join('.')) || (root === 'year' && rest.length === 0)
				? 'anything'
				: undefined;
		}
	};
}

/** What is known in the markup of a part: the site, the page that shows it, and what it is given. */
export function knownInPart(parameters: readonly string[], site: Site): Known {
	const fixed = fixedPaths(true);
	return {
		names: [...parameters, ...fixed, ...dataNames(site), 'year'],
		at(path) {
			const [root = '', ...rest] = path;
			if (root === 'data') return dataFound(path, site);
			if (parameters.includes(root) || (root === 'year' && rest.length === 0)) return 'anything';
			return fixed.includes(path.join('.')) ? 'anything' : undefined;
		}
	};
}

/** What is known inside a list: each of its members, under a name of their own. */
export function withMembers(
	known: Known,
	name: string,
	lists: readonly Found[] | 'anything',
	list: string
): Known {
	return {
		names: [name, ...known.names],
		at(path) {
			const [root, ...rest] = path;
			if (root !== name) return known.at(path);
			if (lists === 'anything') return 'anything';
			return lists.flatMap(({ value, isGiven }) =>
				Array.isArray(value)
					? value.map((member: unknown, index) => ({
							value: valueAt(member, rest),
							where: `in member ${index + 1} of ${list}`,
							...(isGiven && { isGiven })
						}))
					: []
			);
		}
	};
}

function fixedPaths(hasTitle: boolean): string[] {
	return [
		'site.name',
		'site.lang',
		...(hasTitle ? ['page.title', 'page.description'] : []),
		'page.address'
	];
}

function dataNames(site: Site): string[] {
	return site.data.map(({ name }) => `data.${name.text}`);
}

/** A value of the site's data; anything where its source has given none yet, which is said at the source. */
function dataFound(path: readonly string[], site: Site): readonly Found[] | 'anything' | undefined {
	const [, source = '', ...rest] = path;
	if (!site.data.some(({ name }) => name.text === source)) return undefined;
	if (!site.values.has(source)) return 'anything';
	const value = dataAt(site, [source, ...rest]);
	const isUrl = site.data.some(({ name, isUrl: far }) => far && name.text === source);
	return [{ value, where: '', ...(isUrl && { isGiven: true as const }) }];
}
