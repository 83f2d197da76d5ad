import { encodeSegment } from '../../model/address.ts';
import { inFolder } from '../../lib/relative-url.ts';

/** HTML, "Attributes" index: attributes whose value is one URL. */
const urlAttributes = new Set(['href', 'src', 'action', 'formaction', 'poster', 'data', 'cite']);
const urlLists = new Set(['srcset', 'imagesrcset']);

/** Whether a file of a folder is a page. */
export function isPage(path: string): boolean {
	return /\.html?$/i.test(path);
}

/** The address at which a page stands: where it came from, so that `git/add.html` stays that. */
export function addressOf(path: string): string {
	const address = `/${path.split('/').map(segmentText).join('/')}`;
	return address.replace(/\/index\.html$/, '') || '/';
}

/** A name as a segment of a route: of the characters that RFC 3986 leaves free there. */
function segmentText(name: string): string {
	return encodeSegment(name).replace(/[!'()*]/g, (character) => {
		return `%${character.charCodeAt(0).toString(16).toUpperCase()}`;
	});
}

/** What the URLs of pages lead to, so that equal links are equal texts wherever their pages stand. */
export class Links {
	constructor(
		/** Paths of all files that came in. */
		private readonly files: ReadonlySet<string>
	) {}

	/** The value of an attribute of a page, with URLs as a site writes them. */
	value(name: string, value: string, page: string): string {
		if (urlAttributes.has(name)) return this.url(value, page);
		if (!urlLists.has(name)) return value;
		return value
			.split(/,\s+/)
			.map((candidate) => {
				const [url = '', ...descriptors] = candidate.trim().split(/\s+/);
				return [this.url(url, page), ...descriptors].join(' ');
			})
			.join(', ');
	}

	/** A URL: the address of a page, a file by its path, or as it is where it leads elsewhere. */
	private url(url: string, page: string): string {
		if (url.trim() === '' || url.startsWith('#')) return url;
		const target = inFolder(url, page);
		if (!target) return url;
		const { path, tail } = target;
		const index = path === '' || path.endsWith('/') ? `${path}index.html` : path;
		if (this.files.has(index) && isPage(index)) return addressOf(index) + tail;
		const written = path.split('/').map(segmentText).join('/');
		return this.files.has(path) ? written + tail : `/${written}${tail}`;
	}
}
