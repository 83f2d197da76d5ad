import { warning } from '../../messages/problem.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import type { FitCheck } from '../check.ts';
import { seenWhere, type Fit } from '../subject/fitted-page.ts';
import { boxWords } from './box-words.ts';

/** px; browsers round to less. */
const tolerance = 1;

const drawer = (width: number): string =>
	`layout frame at / {
  description "Seed that is lent."
  region head as header { piece name """<p>Seed library</p>""" }
  region menu as nav { label "Menu"; show drawer left 200px "Menu"; piece list """<p><img src="data:," alt="A pod" width="${width}" height="50"></p>""" }
  region main as main { slot }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

export const drawerTooNarrow: FitCheck = {
	of: 'boxes',
	codes: ['drawer-too-narrow'],
	what: 'What is in a drawer fits into its width.',
	why: 'An open drawer would have to be scrolled to the side, which no one expects.',
	examples: { 'drawer-too-narrow': { wrong: drawer(300), mended: drawer(100) } },
	find: ({ drawers }) =>
		seenWhere(drawers, (boxes) =>
			boxes.flatMap((box) => (isDrawerBox(box) ? [{ box, over: [box.overflowX - tolerance] }] : []))
		).map(({ box, widths, worst }): Fit => {
			const by = Math.round(worst + tolerance);
			const words = boxWords(box);
			return {
				box,
				widths,
				weight: by,
				setting: 'show',
				problem: (at) => warning('drawer-too-narrow', at, words, by)
			};
		})
};

function isDrawerBox({ name, inside }: PlacedBox): boolean {
	return name.kind === 'region' && inside === undefined;
}
