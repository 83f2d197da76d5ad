import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Command, HolderRef } from '../../src/core/model/command.ts';
import { pageSheet } from '../../src/core/emit/css/sheets.ts';
import { explain, explanationText } from '../../src/core/resolve/explain.ts';
import { boxView, holderInView } from '../../src/core/view-models/chosen/box-view.ts';
import { crossSection } from '../../src/core/view-models/cross-section.ts';
import { findable } from '../../src/core/view-models/words/findable.ts';
import { difference, edit, makeOn, refusal } from '../lib/edits.ts';
import { boxesOf, oneLayout } from '../lib/boxes.ts';
import { codes, pageNamed, resolve, sound } from '../lib/site.ts';

/** A page says itself how its pieces lie, in one box around them or in wrappers. */
const text = `site "Seed library" { lang en; roles { visitor; keeper }; bands { narrow 0; wide 800 } }
layout commons at / {
  description "Seed that is lent."
  region side as aside { piece hours """<p>Saturdays</p>""" }
  region main as main { slot }
}
route / {
  title "Home"
  arrange areas @wide {
    "hero news" auto
    "cards news" auto
    columns 1fr 200px
    gap 10px
  }
  piece hero """<h1>Seed</h1>"""
  wrapper cards as section {
    arrange columns 2
    pad 8px
    piece bean { span 1 } """<p>Bean</p>"""
    piece pea for keeper { span 1 } """<p>Pea</p>"""
  }
  piece news """<p>News</p>"""
  fill side after { arrange row; piece one """<p>One</p>"""; piece two """<p>Two</p>""" }
}
`;
const site = sound(text);
const page = pageNamed(site, '/');
const own: HolderRef = { layer: { kind: 'route', name: '/' }, region: undefined };
const side = { layout: 'commons', region: 'side' };
const inSide: HolderRef = { layer: { kind: 'route', name: '/' }, region: side };

/** What a command takes out of the text and puts in, line by line without blanks in front. */
function lines(command: Command): { gone: string[]; come: string[] } {
	const { gone, come } = difference(text, makeOn(text, command).text);
	const bare = (all: readonly string[]): string[] => all.map((line) => line.trim());
	return { gone: bare(gone), come: bare(come) };
}

test('pieces lie as their page says, in a box of their own that takes the slot’s width', () => {
	const arranged = oneLayout(
		'region main as main { slot; pad 10px }',
		`arrange areas { "a b" 60px; "a c" 1fr; columns 1fr 100px; gap 10px }
		piece fix-20-20 """x"""; wrapper a { arrange stack { gap 4px }; pad 5px; piece fix-10-30-a """x"""; piece fix-10-30-b """x""" }
		wrapper b { piece fix-30-30 """x""" }; wrapper c { piece fix-40-40 """x""" }`
	);
	const boxes = boxesOf(arranged, 500);
	assert.equal(boxes['content'], '10 10 480 110');
	assert.equal(boxes['a'], '10 10 370 110');
	assert.equal(boxes['fix-10-30-b'], '15 49 360 30');
	assert.equal(boxes['b'], '390 10 100 60');
	assert.equal(boxes['c'], '390 80 100 40');
	// It has no area, so it is not shown, which is told.
	assert.equal(boxes['fix-20-20'], undefined);
	assert.deepEqual(
		codes(arranged).filter((one) => one.includes('arranged')),
		['site.eave:4:9 region-not-arranged']
	);
});

test('a wrapper that arranges nothing holds text whose margins collapse, as a region does', () => {
	const plain = oneLayout(
		'region main as main { slot }',
		'wrapper note { pad 5px; piece fix-10-20-m10-30 """x"""; piece fix-10-20-m20-0 """x""" }'
	);
	const boxes = boxesOf(plain, 500);
	assert.equal(boxes['note'], '0 0 500 90');
});

test('pages without a layout arrange their pieces, too', () => {
	const bare = resolve(
		'site "T" { }\nroute / { arrange columns 100px 1fr; piece fix-10-10 """x"""; piece fix-10-20 """x""" }'
	);
	const boxes = boxesOf(bare, 400);
	assert.equal(boxes['fix-10-20'], '100 0 300 20');
	assert.match(
		pageSheet(pageNamed(bare, '/'), bare.site, bare.structure)?.css ?? '',
		/\.page-content \{\s*display: grid/
	);
});

test('names are once in a place, in wrappers or not, and what holds nothing is told', () => {
	const twice = resolve(text.replace('piece news ', 'piece bean '));
	assert.ok(codes(twice).some((one) => one.endsWith(' piece-twice')));
	const found = (more: string): string[] =>
		codes(resolve(text.replace('  piece hero', `${more}\n  piece hero`))).map(
			(one) => one.split(' ')[1] ?? ''
		);
	assert.deepEqual(found('wrapper empty { show hidden @wide }'), ['arranges-nothing']);
	assert.deepEqual(found('fill side empty { arrange row }'), ['arranges-nothing']);
	assert.deepEqual(found('wrapper extra { piece more """<p>x</p>""" }'), ['region-not-arranged']);
	assert.deepEqual(found('wrapper w { show hidden @wide; arrange areas { "seed" auto }; piece x """<p>x</p>""" }'), [
		'area-no-piece', 'region-not-arranged'
	]); // prettier-ignore
	assert.deepEqual(found('wrapper w as blink { show hidden @wide; piece x """<p>x</p>""" }'), [
		'element-invalid'
	]);
	assert.deepEqual(
		found('wrapper w { show hidden @huge; show hidden @wide; piece x """<p>x</p>""" }'),
		['band-unknown']
	);
	assert.deepEqual(
		found('wrapper w { show hidden @wide; arrange columns 2 @huge; piece x """<p>x</p>""" }'),
		['band-unknown']
	);
});

test('a role gets what it sees, and a wrapper of which it sees nothing is not there', () => {
	const landed = (role: string): string[] => {
		const main = site
			.as(role)
			.page(page)
			.regions.find(({ region }) => region.slot);
		return explainNames(main?.landed ?? []);
	};
	const explainNames = (all: readonly { readonly kind: string }[]): string[] =>
		all.map(({ kind }) => kind);
	assert.deepEqual(landed('visitor'), ['piece']);
	const names = (role: string): string => explanationText(explain(page, site.as(role)));
	assert.doesNotMatch(names('visitor'), /pea/);
	assert.match(names('keeper'), /pea from \/ in cards/);
	const only = sound(text.replace('piece bean {', 'piece bean for keeper {'));
	assert.doesNotMatch(explanationText(explain(pageNamed(only, '/'), only.as('visitor'))), /cards/);
});

test('edits of how a page arranges are small changes where that is written', () => {
	const whole = { holder: own };
	assert.deepEqual(lines({ kind: 'set-arrangement', box: whole, arrangement: 'stack', band: 'narrow' }), {
		gone: [], come: ['arrange stack']
	}); // prettier-ignore
	assert.deepEqual(
		lines({ kind: 'set-track', box: whole, axis: 'columns', index: 1, size: '240px', band: 'wide' })
			.come,
		['columns 1fr 240px']
	);
	assert.deepEqual(lines({ kind: 'move-area', box: whole, member: 'hero', target: 'cards', side: 'swap', band: 'wide' }).come, [
		'"cards news" auto', '"hero news" auto'
	]); // prettier-ignore
	const cards = { holder: own, piece: 'cards' };
	assert.deepEqual(
		lines({ kind: 'set-columns', box: cards, said: { columns: '3' }, band: 'narrow' }).come,
		['arrange columns 3']
	);
	assert.deepEqual(
		lines({ kind: 'set-setting', box: cards, setting: 'pad', value: '12px', band: 'narrow' }).come,
		['pad 12px']
	);
	assert.deepEqual(lines({ kind: 'set-arrangement', box: { holder: inSide }, arrangement: undefined, band: 'narrow' }).gone, [
		'fill side after { arrange row; piece one """<p>One</p>"""; piece two """<p>Two</p>""" }'
	]); // prettier-ignore
	assert.match(
		refusal(text, {
			kind: 'set-arrangement',
			box: { holder: own, piece: 'hero' },
			arrangement: 'row',
			band: 'narrow'
		}),
		/nothing in it/
	);
});

test('an edit says in which bands it changes what a page brings', () => {
	const bands = (command: Command): readonly string[] => edit(site, command).bands;
	const cards = { holder: own, piece: 'cards' };
	assert.deepEqual(bands({ kind: 'set-columns', box: cards, said: { columns: '3' }, band: 'narrow' }), ['narrow', 'wide']);
	assert.deepEqual(bands({ kind: 'set-track', box: { holder: own }, axis: 'columns', index: 1, size: '240px', band: 'wide' }), ['wide']);
}); // prettier-ignore

test('pieces come, go and move in wrappers and areas, and areas follow', () => {
	const added = lines({ kind: 'add-piece', holder: { ...own, group: 'cards' }, name: 'kale' });
	assert.match(added.come.join('\n'), /^piece kale \{ span 1 \} """/);
	assert.deepEqual(
		lines({ kind: 'add-piece', holder: own, name: 'foot' }).come[0],
		'"foot foot" auto'
	);
	assert.match(refusal(text, { kind: 'add-piece', holder: own, name: 'pea' }), /already/);
	const out = makeOn(text, {
		kind: 'move-piece',
		holder: own,
		name: 'bean',
		to: own,
		beside: { name: 'news', where: 'before' }
	});
	assert.match(out.text, /"bean bean" auto/);
	assert.match(out.text, /\}\n {2}piece bean \{ span 1 \} """<p>Bean<\/p>"""\n {2}piece news/);
	const into = makeOn(text, {
		kind: 'move-piece',
		holder: own,
		name: 'news',
		to: own,
		beside: { name: 'pea', where: 'after' }
	});
	assert.match(into.text, /"hero \." auto/);
	assert.match(
		refusal(text, {
			kind: 'move-piece',
			holder: own,
			name: 'cards',
			to: own,
			beside: { name: 'pea', where: 'after' }
		}),
		/inside itself/
	);
	assert.match(
		makeOn(text, { kind: 'rename-piece', holder: own, name: 'cards', to: 'kinds' }).text,
		/"kinds news" auto/
	);
	assert.match(
		makeOn(text, { kind: 'remove-piece', holder: own, name: 'news' }).text,
		/"hero \." auto\n {4}"cards \." auto/
	);
	assert.match(
		makeOn(text, { kind: 'remove-piece', holder: own, name: 'pea' }).text,
		/wrapper cards as section/
	);
});

test('the box around all that a page brings has no name that an edit could take away', () => {
	assert.match(refusal(text, { kind: 'remove-piece', holder: own, name: 'content' }), /no piece content/);
	assert.match(refusal(text, { kind: 'rename-piece', holder: own, name: 'content', to: 'x' }), /no piece content/);
}); // prettier-ignore

test('pieces get a wrapper around them, and lose it, where they lie', () => {
	const wrapped = makeOn(text, {
		kind: 'group-pieces',
		holder: own,
		pieces: ['hero', 'cards'],
		name: 'start'
	}).text;
	assert.match(wrapped, /"start news" auto\n {4}"start news" auto/);
	assert.match(
		wrapped,
		/wrapper start \{\n {4}arrange areas @wide \{\n {6}"hero" auto\n {6}"cards" auto/
	);
	const back = makeOn(wrapped, { kind: 'ungroup', holder: own, name: 'start' }).text;
	assert.match(back, /"hero news" auto\n {4}"cards news" auto/);
	assert.match(
		refusal(text, { kind: 'group-pieces', holder: own, pieces: ['hero', 'pea'], name: 'x' }),
		/do not stand in one box/
	);
	assert.match(
		refusal(text, {
			kind: 'group-pieces',
			holder: own,
			pieces: ['hero', 'cards', 'news'],
			name: 'pea'
		}),
		/pea/
	);
	assert.match(makeOn(text, { kind: 'ungroup', holder: own, name: 'cards' }).said, /pad/);
});

test('the drawings show it: what it stands in, what is in it, and where a new piece goes', () => {
	const bean = boxView(site, { holder: own, piece: 'bean' }, 400);
	assert.deepEqual(bean.parent, { ref: { holder: own, piece: 'cards' }, kind: 'columns' });
	const hero = boxView(site, { holder: own, piece: 'hero' }, 900);
	assert.deepEqual(hero.parent, { ref: { holder: own }, kind: 'areas' });
	const whole = boxView(site, { holder: own }, 900);
	assert.deepEqual([whole.name, whole.kind, whole.members.join()], ['/', 'group', 'hero,cards,news']);
	assert.deepEqual(whole.unsaid, []);
	assert.deepEqual(holderInView(boxView(site, { holder: own, piece: 'cards' }, 400)), { ...own, group: 'cards' });
	const { columns } = crossSection(site.page(page), site);
	const entry = columns.flatMap(({ cells }) => cells.flatMap(({ entries }) => entries)).find(({ action }) => action === 'content');
	assert.deepEqual(entry?.pieces, ['hero', 'cards', 'bean', 'pea', 'news']);
	const found = findable(site).flatMap((one) => (one.kind === 'piece' && one.piece.holder.layer.name === '/' ? [one.name] : []));
	assert.deepEqual(found, ['hero', 'cards', 'bean', 'pea', 'news', 'one', 'two']);
}); // prettier-ignore
