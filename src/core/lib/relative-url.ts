/** What a URL names from a file of a folder: a path in that folder, and its query and fragment. */
export interface InFolder {
	/** Path from the folder, decoded; a folder ends with a slash, the folder itself is empty. */
	readonly path: string;
	/** `?…#…`, or empty. */
	readonly tail: string;
}

/**
 * Where a URL leads from a file, by the paths of a folder (RFC 3986, section 5.2); undefined where it leads elsewhere: to
 * another origin, by another scheme, or nowhere. `/` is the folder itself. Steps out of it end there, as a server has it.
 */
export function inFolder(url: string, from: string): InFolder | undefined {
	const trimmed = url.trim();
	if (/^[a-z][a-z0-9+.-]*:/i.test(trimmed) || trimmed.startsWith('//')) return undefined;
	const [, path = '', tail = ''] = /^([^?#]*)(.*)$/s.exec(trimmed) ?? [];
	if (path === '') return { path: from, tail };
	const start = path.startsWith('/') ? [] : from.split('/').slice(0, -1);
	const segments = path.replace(/^\//, '').split('/');
	const last = segments.at(-1) ?? '';
	const isFolder = last === '' || last === '.' || last === '..';
	const kept = [...start];
	for (const segment of segments) {
		if (segment === '..') kept.pop();
		else if (segment !== '.' && segment !== '') kept.push(decoded(segment));
	}
	const joined = kept.join('/');
	return { path: isFolder && joined !== '' ? `${joined}/` : joined, tail };
}

function decoded(segment: string): string {
	try {
		return decodeURIComponent(segment);
	} catch {
		return segment;
	}
}
