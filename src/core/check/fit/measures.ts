import { hint } from '../../messages/problem.ts';
import { plainPage } from '../example.ts';
import type { FitCheck } from '../check.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import { seenWhere, type Fit, type FittedPage } from '../subject/fitted-page.ts';
import { boxWords } from './box-words.ts';

/** Characters of a line that are read with ease, on the whole. */
const longest = 90;
const shortest = 20;

const words = 'Borrow seed in spring and bring some back in autumn; all we ask is that one good plant runs to seed, and that you share what it gives with the next one who comes.'; // prettier-ignore

export const measureTooLong: FitCheck = {
	of: 'boxes',
	codes: ['measure-too-long'],
	what: 'Lines of running text have 90 characters at most.',
	why: 'The eye does not find the beginning of the next one.',
	examples: {
		'measure-too-long': {
			wrong: plainPage(`<h1>Seed</h1><p>${words}</p>`),
			mended: plainPage(`<h1>Seed</h1><p>${words}</p>`, 'style """ p { max-width: 40em; } """')
		}
	},
	find: (page) =>
		lines(page, (box) => {
			const text = page.text(box.name);
			if (!text || text.characters <= longest) return undefined;
			const fits = box.width / text.character;
			return {
				over: fits - longest,
				at: (worst) => Math.min(text.characters, Math.floor(worst + longest))
			};
		}).map(({ fit, characters }) => {
			const box = boxWords(fit.box);
			return {
				...fit,
				weight: characters,
				problem: (at) => hint('measure-too-long', at, box, characters)
			};
		})
};

const column = (size: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  arrange areas { "main side" auto; columns 1fr ${size} }
  region main as main { slot }
  region side as aside { piece note """<p>Bring a label for each packet that you lay on the long table, with the year.</p>""" }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

export const measureTooShort: FitCheck = {
	of: 'boxes',
	codes: ['measure-too-short'],
	what: 'Lines of running text have room for 20 characters at least.',
	why: 'Nearly each word stands on a line of its own.',
	examples: { 'measure-too-short': { wrong: column('110px'), mended: column('180px') } },
	find: (page) =>
		lines(page, (box) => {
			const text = page.text(box.name);
			if (!text || text.characters <= 3 * shortest || box.width <= 0) return undefined;
			const fits = box.width / text.character;
			return { over: shortest - fits, at: (worst) => Math.max(1, Math.floor(shortest - worst)) };
		}).map(({ fit, characters }) => {
			const box = boxWords(fit.box);
			return {
				...fit,
				weight: -characters,
				problem: (at) => hint('measure-too-short', at, box, characters)
			};
		})
};

interface Line {
	readonly over: number;
	/** Characters in a line, where that is greatest. */
	at(worst: number): number;
}

/** Contents whose lines are too long or too short somewhere. */
function lines(
	{ stretches }: FittedPage,
	lineOf: (box: PlacedBox) => Line | undefined
): { readonly fit: Omit<Fit, 'problem'>; readonly characters: number }[] {
	const ways = new Map<string, Line>();
	const isContent = ({ name }: PlacedBox): boolean => name.kind === 'piece' || name.kind === 'run';
	const seen = seenWhere(stretches, (boxes) =>
		boxes.filter(isContent).map((box) => {
			const line = lineOf(box);
			if (line && line.over > 0) ways.set(JSON.stringify(box.name), line);
			return { box, over: [line?.over ?? -1] };
		})
	);
	return seen.flatMap(({ box, widths, worst }) => {
		const line = ways.get(JSON.stringify(box));
		return line ? [{ fit: { box, widths, weight: 0 }, characters: line.at(worst) }] : [];
	});
}
