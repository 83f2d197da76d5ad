import { walk } from '../../size/css-syntax.ts';
import { formatHex8 } from 'culori';
import { readColour } from '../../size/colour.ts';
import { siteSheets } from '../../author-styles/sheet-rules.ts';
import { hint, type Problem } from '../../messages/problem.ts';
import type { Command } from '../../model/command.ts';
import { freeName } from '../../model/name.ts';
import type { Span } from '../../model/span.ts';
import { placeOfStyle } from '../../model/style-place.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { declarationNode } from '../../size/css-declaration.ts';
import { CssText } from '../../size/css-items.ts';
import type { WholeCheck } from '../check.ts';
import { plainPage } from '../example.ts';

/** Times that a colour is written before it is worth a name, and a length, which are more often alike by chance. */
const least = { colour: 4, length: 8 } as const;
/** Values that are proposed at a time. */
const most = 6;

const sheet = (colour: string): Record<string, string> => ({
	'site.css': `h1, h2, h3, h4 { font-weight: 600 } ${['h1', 'h2', 'h3', 'h4'].map((name) => `${name} { color: ${colour} }`).join(' ')}`
});

export const valueRepeated: WholeCheck = {
	of: 'whole',
	codes: ['value-repeated'],
	what: 'A colour or length that sheets write again and again has a name, as a token.',
	why: 'To change it one would have to find all of its places, and know which of them mean the same.',
	examples: {
		'value-repeated': {
			wrong: plainPage('<h1>Seed</h1>', 'sheet "site.css"; '),
			mended: plainPage('<h1>Seed</h1>', ''),
			files: sheet('#2f6b3a')
		}
	},
	find(resolved) {
		const named = new Set(
			resolved.site.settings.tokens.map(({ value }) => wordOf(value.text.trim()))
		);
		const repeated = [...repeatedIn(resolved)]
			.filter(([value, { places, kind }]) => places.length >= least[kind] && !named.has(value))
			.sort(([, a], [, b]) => b.places.length - a.places.length);
		return repeated.slice(0, most).flatMap(([, { places, written }]): Problem[] => {
			const [first] = places;
			return first ? [hint('value-repeated', first.span, written, places.length)] : [];
		});
	},
	mend({ details: [written] }, resolved) {
		return asToken(String(written), resolved);
	}
};

interface Repeated {
	readonly kind: keyof typeof least;
	/** As it is written first. */
	readonly written: string;
	readonly places: { readonly span: Span; readonly was: string; readonly property: string }[];
}

/** Colours and lengths of the site's own sheets, by what they are. */
function repeatedIn(resolved: ResolvedSite): Map<string, Repeated> {
	const found = new Map<string, Repeated>();
	for (const style of siteSheets(resolved)) {
		for (const { start, to } of new CssText(style.css).declarations()) {
			const node = declarationNode(style.css.slice(start, to), start);
			// What is a name of its own is said once already.
			if (!node || node.property.startsWith('--')) continue;
			walk(node.value, ({ type, loc }) => {
				const kind = type === 'Hash' || type === 'Function' ? 'colour' : type === 'Dimension' ? 'length' : undefined; // prettier-ignore
				if (kind === undefined || !loc) return;
				const was = style.css.slice(loc.start.offset, loc.end.offset);
				if (kind === 'colour' ? readColour(was) === undefined : !isLength(was)) return;
				const span = placeOfStyle(style, loc.start.offset, was.length);
				const word = wordOf(was);
				const known = found.get(word) ?? { kind, written: was, places: [] };
				found.set(word, known);
				known.places.push({ span, was, property: node.property });
			});
		}
	}
	return found;
}

/** Lines of one or two px are what they are. */
function isLength(text: string): boolean {
	const [, number, unit] = /^([\d.]+)(px|rem)$/i.exec(text) ?? [];
	return unit !== undefined && Number(number) * (unit.toLowerCase() === 'px' ? 1 : 16) > 2;
}

/** One word for a colour, however it is written; else the text itself. */
function wordOf(text: string): string {
	const colour = readColour(text);
	return colour ? formatHex8(colour) : text.toLowerCase();
}

/** A token of that value, and its name in the place of each. */
function asToken(written: string, resolved: ResolvedSite): Command | undefined {
	const { settings } = resolved.site;
	const repeated = repeatedIn(resolved).get(wordOf(written));
	const [band] = settings.bands;
	if (!repeated || !band) return undefined;
	const taken = new Set(settings.tokens.map(({ name }) => name.text.replace(/^--/, '')));
	const name = `--${freeName(nameFor(repeated), taken)}`;
	const label = `Write var(${name})`;
	return {
		kind: 'several',
		label: `Make ${written} the token ${name}`,
		commands: [
			{ kind: 'set-token', name, value: written, band: band.name.text },
			...repeated.places.map(({ span, was }): Command => {
				return { kind: 'mend-text', label, span, was, insert: `var(${name})` };
			})
		]
	};
}

/** What a value is mostly for says how it is called. */
function nameFor({ kind, places }: Repeated): string {
	if (kind === 'length') return 'space';
	const count = (test: RegExp): number =>
		places.filter(({ property }) => test.test(property)).length;
	const [ink, ground, line] = [count(/^color$/), count(/^background/), count(/^(border|outline)/)];
	const most = Math.max(ink, ground, line);
	return most === 0 ? 'tone' : most === ink ? 'ink' : most === ground ? 'ground' : 'line';
}
