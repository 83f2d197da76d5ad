import { inFolder } from '../../lib/relative-url.ts';
import { hint } from '../../messages/problem.ts';
import { copyPath } from '../../model/site.ts';
import { plainPage } from '../example.ts';
import type { WholeCheck } from '../check.ts';

/** bytes; larger files are no text that names others. */
const mostText = 1_000_000;

export const assetUnused: WholeCheck = {
	of: 'whole',
	codes: ['asset-unused'],
	what: 'Something names each file of the site.',
	why: 'It is kept and delivered, and nobody sees it.',
	examples: {
		'asset-unused': {
			wrong: plainPage('<h1>Seed</h1>'),
			mended: plainPage('<h1>Seed</h1> <img src="pod.svg" alt="A pod" width="8" height="8">'),
			files: { 'pod.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"/>' }
		}
	},
	find({ site, reading: { files } }) {
		if (files.assets.size === 0) return [];
		const named = new Set<string>(site.data.map(copyPath));
		const add = (text: string, from: string): void => {
			for (const word of text.split(/["'(),=?#>\s]+/)) {
				named.add(word.replace(/^\.?\//, ''));
				const target = from === '' || word === '' ? undefined : inFolder(word, from);
				if (target) named.add(target.path);
			}
		};
		for (const text of files.texts.values()) add(text, '');
		for (const [path, bytes] of files.assets) {
			if (/\.(css|js|json|html|svg|webmanifest)$/.test(path) && bytes.length <= mostText)
				add(latin(bytes), path);
		}
		const about = site.settings.name.span;
		return [...files.assets.keys()]
			.filter((path) => !named.has(path))
			.map((path) => hint('asset-unused', about, path));
	},
	mend: ({ details: [file] }) => ({ kind: 'remove-file', file: String(file) })
};

/** Names of files are looked for; what is not ASCII only has to be the same each time. */
function latin(bytes: Uint8Array): string {
	const parts: string[] = [];
	for (let at = 0; at < bytes.length; at += 8192) {
		parts.push(String.fromCharCode(...bytes.subarray(at, at + 8192)));
	}
	return parts.join('');
}
