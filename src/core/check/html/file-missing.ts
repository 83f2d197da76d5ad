import { warning } from '../../messages/problem.ts';
import { attributeOf, type Element } from '../../author-styles/page-tree.ts';
import type { PageCheck } from '../check.ts';
import { plainPage } from '../example.ts';
import { Addresses, linkTarget } from '../subject/link-target.ts';
import type { Occurrence } from '../subject/occurrence.ts';

/** HTML, section 4.8: elements that show a file, by the attributes that name it. */
const showing: ReadonlyMap<string, readonly string[]> = new Map(
	Object.entries({
		img: ['src', 'srcset'],
		source: ['src', 'srcset'],
		video: ['src', 'poster'],
		audio: ['src'],
		track: ['src'],
		embed: ['src'],
		object: ['data'],
		input: ['src'],
		iframe: ['src'],
		image: ['href']
	})
);

export const fileMissing: PageCheck = {
	of: 'page',
	codes: ['file-missing'],
	what: 'Each picture, film and sound of the site is there.',
	why: 'Browsers show an empty frame, or nothing.',
	examples: {
		'file-missing': {
			wrong: plainPage('<h1>Seed</h1><img src="images/pod.svg" alt="A pod" width="8" height="8">'),
			mended: plainPage('<h1>Seed</h1><img src="pod.svg" alt="A pod" width="8" height="8">'),
			files: { 'pod.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"/>' }
		}
	},
	find(page) {
		const addresses = Addresses.of(page.resolved);
		return page.named(...showing.keys()).flatMap((element) =>
			filesOf(element).flatMap((url): Occurrence[] => {
				const target = linkTarget(url, page.instance.address);
				if (!target || url === '' || url.startsWith('#')) return [];
				if (addresses.hasFile(target.path) || addresses.routeAt(target.path)) return [];
				const problem = warning('file-missing', page.placeOf(element), url);
				return [{ problem, box: page.boxOf(element) }];
			})
		);
	}
};

/** HTML, section 4.8.4.2.1: several pictures are parted by commas, each with its width or density behind it. */
function filesOf(element: Element): string[] {
	return (showing.get(element.name) ?? []).flatMap((name) => {
		const value = attributeOf(element, name);
		if (value === undefined) return [];
		if (name !== 'srcset') return [value.trim()];
		// An address of its own text has commas in it.
		if (value.includes('data:')) return [];
		return value.split(',').map((one) => one.trim().split(/\s+/)[0] ?? '');
	});
}
