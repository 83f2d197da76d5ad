import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { valueOf } from '../judge/boxes/random-layouts.ts';
import { declare } from '../../src/core/box-styles/declare.ts';
import { frameOf } from '../../src/core/box-styles/frame.ts';
import { surroundingsOf } from '../../src/core/box-styles/outside.ts';
import { printed } from '../../src/core/emit/css/boxes/printed.ts';
import { settings } from '../../src/core/settings/list.ts';
import { resolve } from '../lib/site.ts';
import { runs } from '../lib/runs.ts';

/**
 * What settings mean, said a second time: from their words, slowly and one case after the other, with
 * nothing of the core. Were the core to misread a setting, style sheets and computed boxes would agree,
 * and no comparison with a browser could tell.
 */

const kinds = [
	'width', 'height', 'min', 'max', 'pad', 'contain', 'scroll', 'gap',
	'size', 'span', 'offset', 'new-row', 'place-self', 'order'
] as const; // prettier-ignore
type Said = Readonly<Partial<Record<(typeof kinds)[number], string>>>;

const arrangements = {
	flow: '',
	row: 'arrange row { gap 8px }',
	stack: 'arrange stack { gap 8px }',
	columns: 'arrange columns 4 { gap 2px 8px }',
	areas: 'arrange areas { "a m" auto }'
} as const;
type Around = keyof typeof arrangements;

/** Sizes side by side, as an author parts them: at blanks outside of parentheses. */
function parts(value: string): string[] {
	return value.match(/(?:[^\s(]|\((?:[^()]|\([^()]*\))*\))+/g) ?? [];
}

function isNothing(size: string): boolean {
	return size === '0';
}

function unit(size: string): string {
	return size === '0' ? '0px' : size;
}

function inCss(said: Said, around: Around): Record<string, string> {
	const css: Record<string, string> = {};
	const [minWidth = 'auto', minHeight = 'auto'] = parts(said.min ?? '');
	const [maxWidth = 'none', maxHeight = 'none'] = parts(said.max ?? '');
	if (said.width !== undefined && said.width !== 'auto') css['width'] = said.width;
	if (minWidth !== 'auto') css['min-width'] = minWidth;
	if (minHeight !== 'auto') css['min-height'] = minHeight;
	if (maxWidth !== 'none') css['max-width'] = maxWidth;
	if (maxHeight !== 'none') css['max-height'] = maxHeight;
	if (said.height === 'screen') {
		css['min-height'] = minHeight === 'auto' ? '100dvh' : `max(100dvh, ${unit(minHeight)})`;
	} else if (said.height !== undefined && said.height !== 'auto') {
		css['height'] = said.height;
	}
	const [top = '0', end = top, bottom = top, start = end] = parts(said.pad ?? '');
	const measure = said.contain === 'none' ? undefined : said.contain;
	const across = (padding: string): string =>
		measure === undefined ? padding : `max(${unit(padding)}, (100% - ${unit(measure)}) / 2)`;
	const both = (one: string, other: string): string => (one === other ? one : `${one} ${other}`);
	if (!isNothing(top) || !isNothing(bottom)) css['padding-block'] = both(top, bottom);
	if (!isNothing(across(start)) || !isNothing(across(end))) {
		css['padding-inline'] = both(across(start), across(end));
	}
	if (said.scroll === 'own') css['overflow'] = 'auto';
	if (around === 'flow') return css;
	if (said.order !== undefined && Number(said.order) !== 0) css['order'] = said.order;
	const [align = 'auto', justify = align] = parts(said['place-self'] ?? '');
	if (align !== 'auto') css['align-self'] = align;
	if (justify !== 'auto' && (around === 'columns' || around === 'areas')) {
		css['justify-self'] = justify;
	}
	if (around === 'areas') css['grid-area'] = 'a';
	if (around === 'row' || around === 'stack') {
		const [word = 'hug', share = '1'] = parts(said.size ?? '');
		if (word === 'fill') css['flex'] = `${Number(share)} 1 0px`;
		else if (word !== 'hug' && !(around === 'stack' && said.size?.includes('%'))) {
			css['flex'] = `0 0 ${said.size}`;
		}
	}
	if (around === 'columns') {
		const [span = 'all', , rows = '1'] = parts(said.span ?? '');
		const free = Number(said.offset ?? 0);
		const wide = span === 'all' ? 4 : Math.min(4, Number(span) + free);
		const first = said['new-row'] === '' ? '1 / ' : '';
		// It comes first, so it is known where it begins, but for what takes several rows or is drawn in another order.
		const known = free > 0 && rows === '1' && css['order'] === undefined;
		const taken = wide - Math.min(free, 3);
		if (known) css['grid-column'] = taken === 1 ? `${free + 1}` : `${free + 1} / span ${taken}`;
		else css['grid-column'] = wide === 4 ? '1 / -1' : `${first}span ${wide}`;
		if (rows !== '1') css['grid-row'] = `span ${rows}`;
		if (free > 0 && !known) css['margin-inline-start'] = `calc((100% + 8px) * ${free} / ${wide})`;
	}
	return css;
}

const someSettings: fc.Arbitrary<Said> = fc
	.uniqueArray(fc.constantFrom(...kinds), { minLength: 1, maxLength: 6 })
	.chain((chosen) =>
		fc.record(Object.fromEntries(chosen.map((kind) => [kind, valueOf(settings[kind].form)])))
	);

test('what the core declares is what the words say', () => {
	fc.assert(
		fc.property(
			someSettings,
			fc.constantFrom<Around>('flow', 'row', 'stack', 'columns', 'areas'),
			(said, around) => {
				const lines = Object.entries(said).map(([kind, value]) => `${kind} ${value}`);
				const { site } = resolve(`site "T" { tokens { --gap: 8px } }
layout f at / { ${arrangements[around]}; region a as div { ${lines.join('; ')} }; region m as main { slot } }
route / { piece p """x""" }`);
				const [layout] = site.layouts;
				const box = layout && frameOf(layout, []).boxes.get('a');
				assert.ok(box);
				const declared = Object.fromEntries(printed(declare(box, 0, surroundingsOf([], []))));
				assert.deepEqual(declared, inCss(said, around), lines.join('; '));
			}
		),
		runs(300, 4)
	);
});
