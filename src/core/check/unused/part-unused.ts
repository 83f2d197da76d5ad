import { hint } from '../../messages/problem.ts';
import { layersOf, markupsOf, type Site } from '../../model/site.ts';
import type { Template } from '../../model/template.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import { plainPage } from '../example.ts';
import type { WholeCheck } from '../check.ts';

const part = 'part caution """<div>{content}</div>"""';

export const partUnused: WholeCheck = {
	of: 'whole',
	codes: ['part-unused'],
	what: 'Some page uses each part.',
	why: 'Nobody sees whether it is still right.',
	examples: {
		'part-unused': {
			wrong: `${part}\n${plainPage('<h1>Seed</h1>')}`,
			mended: `${part}\n${plainPage('<h1>Seed</h1>{use caution}<p>Frost</p>{end}')}`
		}
	},
	find({ site }) {
		const used = usedParts(site);
		return site.parts
			.filter(({ name }) => !used.has(name.text))
			.map(({ name }) => hint('part-unused', name.span, name.text));
	},
	mend: ({ details: [name] }) => ({ kind: 'remove-part', name: String(name) })
};

/** Parts that pages use, by themselves or through others. */
function usedParts({ parts, ...site }: Site): ReadonlySet<string> {
	const used = new Set<string>();
	const add = (template: Template): void => {
		for (const one of template.parts) {
			if (typeof one === 'string' || one.kind !== 'use' || used.has(one.part.text)) continue;
			used.add(one.part.text);
			const part = parts.find(({ name }) => name.text === one.part.text);
			if (part) add(part.markup);
		}
	};
	for (const layer of layersOf(site))
		for (const piece of piecesIn(layer)) markupsOf(piece).forEach(add);
	return used;
}
