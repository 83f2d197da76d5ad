import { walk } from '../../size/css-syntax.ts';
import { formatHex8 } from 'culori';
import { readColour } from '../../size/colour.ts';
import { hint, type Problem } from '../../messages/problem.ts';
import { layersOf, type Site, type Style } from '../../model/site.ts';
import type { Setting } from '../../model/setting.ts';
import type { Span } from '../../model/span.ts';
import { placeOfStyle } from '../../model/style-place.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import { declarationNode } from '../../size/css-declaration.ts';
import { CssText } from '../../size/css-items.ts';
import { siteSheets } from '../../author-styles/sheet-rules.ts';
import { stylesOf } from '../subject/styles-of.ts';
import type { WholeCheck } from '../check.ts';

const styled = (colour: string): string =>
	`site "Seed library" { lang en; bands { narrow 0; wide 1000 }; tokens { --leaf: #2f6b3a } }
layout frame at / {
  description "Seed that is lent."
  region main as main { slot }
  style """ :scope { color: var(--leaf); } a { color: ${colour}; } """
}
route / { title "Home"; piece text """<h1>Seed</h1> <a href="#">Up</a>""" }`;

export const valueNotToken: WholeCheck = {
	of: 'whole',
	codes: ['value-not-token'],
	what: 'Where a token names a colour or a space, its name is written, not its value.',
	why: 'A value that is written out stays as it is when the token changes, or has another value by night.',
	// Where something sets the name anew, it may be another value in the place of this one.
	isSafe: ({ details: [, token] }, { reading }) => {
		const set = new RegExp(`${String(token)}\\s*:`, 'g');
		const times = [...reading.files.texts.values()].map((text) => [...text.matchAll(set)].length);
		return times.reduce((sum, count) => sum + count, 0) <= 1;
	},
	examples: { 'value-not-token': { wrong: styled('#2F6B3A'), mended: styled('var(--leaf)') } },
	find(resolved) {
		const { site, reading } = resolved;
		const { colours, sizes } = namedValues(site);
		if (colours.size === 0 && sizes.size === 0) return [];
		const settings = layersOf(site).flatMap((layer) => [
			...[...piecesIn(layer), ...layer.adjusts].flatMap(({ settings }) => settings),
			...(layer.kind === 'layout'
				? [layer, ...membersIn(layer.members)].flatMap((box) => box.settings)
				: [])
		]);
		return [
			...[...stylesOf(site), ...siteSheets(resolved)].flatMap((style) => coloursIn(style, colours)),
			...settings.flatMap((setting) => sizesIn(setting, sizes, reading.files.texts))
		];
	}
};

/** Values with the one token that names them: with two it is not clear which is meant. */
function namedValues({ settings }: Site): {
	readonly colours: ReadonlyMap<string, string>;
	readonly sizes: ReadonlyMap<string, string>;
} {
	const byName = new Map<string, string[]>();
	for (const { name, value } of settings.tokens) {
		byName.set(name.text, [...(byName.get(name.text) ?? []), value.text.trim()]);
	}
	const colours: [string, string][] = [];
	const sizes: [string, string][] = [];
	for (const [name, values] of byName) {
		const [value = '', ...others] = values;
		// A token that changes from band to band is more than the value it has in one of them.
		if (others.length > 0) continue;
		const colour = hexOf(value);
		if (colour !== undefined) colours.push([colour, name]);
		else if (/^[\d.]+(px|rem)$/.test(value)) sizes.push([value, name]);
	}
	return { colours: onlyOnce(colours), sizes: onlyOnce(sizes) };
}

function onlyOnce(pairs: readonly (readonly [string, string])[]): Map<string, string> {
	const count = (value: string): number => pairs.filter(([one]) => one === value).length;
	return new Map(pairs.filter(([value]) => count(value) === 1));
}

function hexOf(text: string): string | undefined {
	const colour = readColour(text);
	return colour && formatHex8(colour);
}

/** Colours that are written out in values; white, black and the like are words of their own. */
function coloursIn(style: Style, colours: ReadonlyMap<string, string>): Problem[] {
	const found: Problem[] = [];
	for (const { start, to } of new CssText(style.css).declarations()) {
		const node = declarationNode(style.css.slice(start, to), start);
		if (!node) continue;
		walk(node.value, ({ type, loc }) => {
			if ((type !== 'Hash' && type !== 'Function') || !loc) return;
			const written = style.css.slice(loc.start.offset, loc.end.offset);
			const token = colours.get(hexOf(written) ?? '');
			if (token === undefined) return;
			found.push(problemAt(placeOfStyle(style, loc.start.offset, written.length), written, token));
		});
	}
	return found;
}

/** Spaces between things: other sizes are rarely meant to be the same. */
function sizesIn(
	{ kind, valueSpan, value }: Setting,
	sizes: ReadonlyMap<string, string>,
	texts: ReadonlyMap<string, string>
): Problem[] {
	if (kind !== 'pad' && kind !== 'gap') return [];
	const text = texts.get(valueSpan.file) ?? '';
	const parts = Array.isArray(value) ? value : [];
	let at = valueSpan.from;
	return parts.flatMap((part: string) => {
		const from = text.indexOf(part, at);
		const token = sizes.get(part);
		if (from === -1) return [];
		at = from + part.length;
		return token === undefined ? [] : [problemAt({ ...valueSpan, from, to: at }, part, token)];
	});
}

function problemAt(span: Span, value: string, token: string): Problem {
	const insert = `var(${token})`;
	return {
		...hint('value-not-token', span, value, token),
		mend: { label: `Write ${insert}`, span, insert }
	};
}
