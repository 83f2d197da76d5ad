import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { decodeSegment, encodeSegment } from '../../model/address.ts';
import { counted, listWords } from '../../messages/wording.ts';
import { readPattern } from '../../model/pattern.ts';

/** The addresses of a list, as routes are written, or a sentence that says why they cannot be taken. */
export type ListedAddresses = { readonly paths: readonly string[] } | { readonly refused: string };

/** Characters: what a sitemap may have (Sitemaps XML format, "Sitemap file limits"). */
const largest = 50_000_000;

/** Reads a sitemap, or a list with an address a line: whole URLs of one host, or paths. Each is taken once. */
export function listedAddresses(text: string, base: string): ListedAddresses {
	if (text.length > largest)
		return { refused: 'The list has more than 50 MB, which no sitemap may have.' };
	const isXml = /<(?:\w+:)?(urlset|sitemapindex)\b/i.exec(text)?.[1]?.toLowerCase();
	const locations = isXml ? locationsIn(text) : lines(text);
	if (isXml === 'sitemapindex') {
		const some = listWords(locations.slice(0, 3));
		return {
			refused: `This is an index of ${counted(locations.length, 'sitemap')}, which are not asked for: take those in, such as ${some}.`
		};
	}
	if (locations.length === 0) return { refused: 'There is no address in the list.' };
	const hosts = [
		...new Set(locations.flatMap((one) => /^[a-z]+:\/\/[^/?#]+/i.exec(one)?.[0] ?? []))
	];
	if (hosts.length > 1)
		return { refused: `The addresses are of several hosts: ${listWords(hosts.slice(0, 4))}.` };
	const paths = new Set<string>();
	for (const location of locations) {
		const path = pathOf(location, base);
		const pattern = readPattern(path);
		if (typeof pattern === 'string')
			return { refused: `${location} cannot be a route: ${pattern}.` };
		paths.add(path);
	}
	return { paths: [...paths] };
}

function lines(text: string): string[] {
	return text.split(/\s*\n\s*/).flatMap((line) => {
		const [word = ''] = line.trim().split(/\s+/);
		return word === '' || word.startsWith('#') ? [] : [word];
	});
}

/** The `<loc>` of a sitemap's entries; those of pictures and videos in them are none of pages. */
function locationsIn(xml: string): string[] {
	const plain = xml.replaceAll(/<!\[CDATA\[([^]*?)\]\]>/g, (_, inside: string) =>
		inside.replaceAll('&', '&amp;').replaceAll('<', '&lt;')
	);
	const found: string[] = [];
	const walk = (node: Tree.ParentNode): void => {
		for (const child of node.childNodes) {
			if (!('tagName' in child)) continue;
			if (child.tagName === 'loc') found.push(textIn(child).trim());
			else walk(child);
		}
	};
	walk(parseFragment(plain));
	return found.filter((one) => one !== '');
}

function textIn({ childNodes }: Tree.ParentNode): string {
	return childNodes.map((child) => ('value' in child ? child.value : '')).join('');
}

/** The path of an address below the site's own, without what is asked of it; escapes are written in one way. */
function pathOf(location: string, base: string): string {
	const [path = ''] = location.replace(/^[a-z]+:\/\/[^/?#]+/i, '').split(/[?#]/);
	const below = base !== '/' && path.startsWith(base) ? path.slice(base.length - 1) : path;
	const plain = below.replace(/\/index\.html?$/i, '/').replace(/(.)\/+$/, '$1');
	const words = plain.split('/').map((word) => encodeSegment(decodeSegment(word)));
	return words.join('/') || '/';
}
