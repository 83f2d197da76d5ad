import assert from 'node:assert/strict';
import { readFile } from 'node:fs/promises';
import { test } from 'node:test';
import fc from 'fast-check';
import { propose } from '../../src/core/edit/propose.ts';
import { touches } from '../../src/core/edit/touches.ts';
import { underChoices } from '../../src/core/edit/layers/under-choices.ts';
import type { HolderRef, LayerRef, Command } from '../../src/core/model/command.ts';
import { layerName } from '../../src/core/model/site.ts';
import { isSound, type CheckedSite } from '../../src/core/check/checked-site.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { difference, edit, makeOn } from '../lib/edits.ts';
import { judgeCommands } from '../judge/commands/judge-commands.ts';
import { lands, pageNamed, sound } from '../lib/site.ts';
import { runs } from '../lib/runs.ts';

const text = `// A comment at the top stays.
site "Test" { lang en }

layout outer at / {
  arrange areas {
    "head head" auto
    "main side" 1fr   // a comment behind
  }
  region head as header {
    piece name """<b>Test</b>"""
  }
  region main as main { slot }
  region side as aside { piece hours """<p>hours</p>""" }
}

// The shop.
layout shop at /shop {
  region shelf as div { slot }
  fill side instead { piece deals """<p>deals</p>""" }
  fill head after {
    piece basket """
      <p>basket</p>
    """
    piece till """<p>till</p>"""
  }
}

layout wide at / on-request { region body as div { slot } }

route / { piece body """<p><a href="/shop/pen">home</a></p>""" }

route /shop {
  title "Shop"
  piece body """<p>shop</p>"""
  fill side after { piece mine """<p>mine</p>""" }   // stays with it
}

route /shop/pen { under wide; piece body """<p>pen</p>""" }
route /shop/ink
state not-found at /shop { piece sorry """<p>sorry</p>""" }
`;

const shop: LayerRef = { kind: 'route', name: '/shop' };
const side = { layout: 'outer', region: 'side' };
const head = { layout: 'outer', region: 'head' };

const made = (command: Command, from = text): ReturnType<typeof makeOn> => makeOn(from, command);

test('under: a page is made bare, picks a layout, and goes back under what covers it', () => {
	const bare = made({ kind: 'set-under', layer: { kind: 'route', name: '/shop/ink' }, under: 'none' });
	assert.deepEqual(difference(text, bare.text), {
		gone: ['route /shop/ink'],
		come: ['route /shop/ink {', '  under none', '}']
	});
	const picked = made({ kind: 'set-under', layer: { kind: 'route', name: '/shop/ink' }, under: 'wide' }, bare.text);
	assert.match(picked.text, /route \/shop\/ink \{\n {2}under wide\n\}/);
	const back = made({ kind: 'set-under', layer: { kind: 'route', name: '/shop/pen' }, under: undefined });
	assert.deepEqual(difference(text, back.text).come, ['route /shop/pen { piece body """<p>pen</p>""" }']);
	const [state] = sound(text).site.states.map(layerName);
	assert.ok(state !== undefined);
	const gone = { kind: 'state', name: state } as const;
	const stateBare = made({ kind: 'set-under', layer: gone, under: 'none' });
	assert.match(stateBare.text, /state not-found at \/shop \{[^}]*under none/);
	const nested = made({ kind: 'set-under', layer: { kind: 'layout', name: 'wide' }, under: 'none' });
	assert.match(nested.text, /layout wide at \/ on-request \{ region body as div \{ slot \}; under none \}/);
}); // prettier-ignore

test('fills: a kind is changed in place, a fill is added, emptied and let pass', () => {
	const layer: LayerRef = { kind: 'layout', name: 'shop' };
	const after = made({ kind: 'set-fill', layer, region: side, fill: 'after' });
	assert.deepEqual(difference(text, after.text), {
		gone: ['  fill side instead { piece deals """<p>deals</p>""" }'],
		come: ['  fill side after { piece deals """<p>deals</p>""" }']
	});
	assert.deepEqual(lands(after.resolved, '/shop', 'side'), ['outer:hours', 'shop:deals', '/shop:mine']);
	const added = made({ kind: 'set-fill', layer: shop, region: head, fill: 'before' });
	assert.deepEqual(difference(text, added.text).come, [
		'  fill head before {', '    piece new """', '      <p>New</p>', '    """', '  }'
	]);
	assert.deepEqual(lands(added.resolved, '/shop', 'head').slice(0, 2), ['/shop:new', 'outer:name']);
	const emptied = made({ kind: 'set-fill', layer, region: head, fill: 'empty' });
	assert.equal(emptied.said, 'basket and till would be removed from shop.');
	assert.deepEqual(lands(emptied.resolved, '/shop', 'head'), []);
	const passed = made({ kind: 'remove-fill', layer, region: head });
	assert.deepEqual(difference(text, passed.text).come, []);
	assert.deepEqual(lands(passed.resolved, '/shop', 'head'), ['outer:name']);
}); // prettier-ignore

test('layouts: added, renamed with all uses, given another branch, removed with what hangs on them', () => {
	const added = made({ kind: 'add-layout', name: 'inner', at: '/shop/pen' });
	assert.match(added.text, /\n\nlayout inner at \/shop\/pen \{\n {2}region body as div \{ slot \}\n\}\n/);
	const named = text.replace('fill side after', 'fill outer.side after');
	const renamed = made({ kind: 'rename-layout', name: 'outer', to: 'frame' }, named);
	assert.equal(renamed.text, named.replace('layout outer', 'layout frame').replace('fill outer.side', 'fill frame.side'));
	const wide = made({ kind: 'rename-layout', name: 'wide', to: 'broad' });
	assert.equal(wide.text, text.replaceAll('wide', 'broad'));
	const moved = made({ kind: 'move-layout', name: 'shop', at: '/shop/ink' });
	assert.deepEqual(moved.resolved.structure.chainOf(pageNamed(moved.resolved, '/shop')).length, 1);
	const removed = made({ kind: 'remove-layout', name: 'wide' });
	assert.match(removed.said, /^\/shop\/pen asks for wide by name and would sit under the nearest layout instead\.$/);
	assert.equal(removed.text.includes('wide'), false);
	const removedShop = made({ kind: 'remove-layout', name: 'shop' });
	assert.match(removedShop.said, /\/shop and \/shop\/ink would no longer sit under shop, but under outer\./);
	assert.match(removedShop.text, /\n\/\/ The shop\.\n\nlayout wide/);
}); // prettier-ignore

test('routes: added beside their neighbours, moved with all below and the links to them, removed', () => {
	const added = made({ kind: 'add-route', pattern: '/shop/map', title: 'A "map" & {more}' });
	assert.match(added.text, /route \/shop\/ink\n\nroute \/shop\/map \{\n {2}title "A \\"map\\" & \\\{more\}"/);
	const moved = made({ kind: 'move-route', pattern: '/shop', to: '/store' });
	assert.equal(moved.text, text.replaceAll(/\/shop/g, '/store'));
	assert.match(moved.said, /shop, \/shop\/pen, \/shop\/ink, \/shop would move along\. 1 link would be changed\./);
	const removed = made({ kind: 'remove-route', pattern: '/shop/pen' });
	assert.match(removed.said, /Links to \/shop\/pen in one place would lead nowhere/);
	assert.equal(removed.text.includes('/shop/pen {'), false);
}); // prettier-ignore

test('regions: added, renamed with areas and fills, reordered, removed, locked, required', () => {
	const added = made({ kind: 'add-region', layout: 'outer', name: 'foot', element: 'footer' });
	assert.match(added.text, /"foot foot" auto\n {4}"main side"/);
	assert.match(added.text, /\n {2}region foot as footer \{ \}\n\}/);
	const renamed = made({ kind: 'rename-region', region: side, to: 'panel' });
	assert.equal(renamed.text, text.replaceAll(/\bside\b/g, 'panel'));
	const swapped = made({ kind: 'reorder-region', region: head, by: 1 });
	assert.deepEqual(
		swapped.resolved.structure.layoutsByName.get('outer')?.regions.map((region) => region.name.text),
		['main', 'head', 'side']
	);
	const removed = made({ kind: 'remove-region', region: side });
	assert.match(removed.said, /This also removes what shop and \/shop put into side\./);
	assert.match(removed.text, /"main \." 1fr {3}\/\/ a comment behind/);
	const free = text.replace(/ {2}fill side.*\n/g, '');
	const locked = made({ kind: 'set-flag', region: side, flag: 'locked', on: true }, free);
	assert.match(locked.text, /region side as aside \{ piece hours """<p>hours<\/p>"""; locked \}/);
	assert.equal(made({ kind: 'set-flag', region: side, flag: 'locked', on: false }, locked.text).text, free);
	const required = made({ kind: 'set-flag', region: head, flag: 'required', on: true });
	assert.deepEqual(difference(text, required.text).come, ['    required']);
}); // prettier-ignore

test('pieces: added, renamed, reordered, rewritten, removed; the last one takes its fill along', () => {
	const holder: HolderRef = { layer: { kind: 'layout', name: 'shop' }, region: head };
	const mine: HolderRef = { layer: shop, region: side };
	const own: HolderRef = { layer: shop, region: undefined };
	assert.deepEqual(lands(made({ kind: 'add-piece', holder, name: 'more' }).resolved, '/shop', 'head').at(-1), 'shop:more');
	assert.equal(made({ kind: 'rename-piece', holder, name: 'till', to: 'counter' }).text, text.replace('piece till', 'piece counter'));
	const swapped = made({ kind: 'reorder-piece', holder, name: 'till', by: -1 });
	assert.deepEqual(lands(swapped.resolved, '/shop', 'head'), ['outer:name', 'shop:till', 'shop:basket']);
	const one = made({ kind: 'set-markup', holder: own, name: 'body', markup: '<p>new</p>' });
	assert.equal(one.text, text.replace('"""<p>shop</p>"""', '"""<p>new</p>"""'));
	const many = made({ kind: 'set-markup', holder, name: 'basket', markup: '<p>\n  two\n\n</p>' });
	assert.deepEqual(difference(text, many.text).come, ['      <p>', '        two', '', '      </p>']);
	assert.match(made({ kind: 'remove-piece', holder: mine, name: 'mine' }).text, /\{\n {2}title "Shop"\n {2}piece body """<p>shop<\/p>"""\n\}/);
	assert.equal(made({ kind: 'remove-piece', holder, name: 'till' }).text, text.replace(/ {4}piece till.*\n/, ''));
}); // prettier-ignore

test('fills that an edit leaves without a region are taken along, and it is said', () => {
	const bare = made({ kind: 'set-under', layer: shop, under: 'none' });
	assert.equal(bare.said, 'This also removes what /shop puts into side.');
	assert.match(bare.text, /<p>shop<\/p>"""\n {2}under none\n\}/);
	const locked = made({ kind: 'set-flag', region: side, flag: 'locked', on: true });
	assert.equal(locked.said, 'This also removes what shop puts into side. This also removes what /shop puts into side.');
	assert.deepEqual(lands(locked.resolved, '/shop', 'side'), ['outer:hours']);
}); // prettier-ignore

test('a command that would break the site is refused with the reason, and changes nothing', () => {
	const cases: [Command, RegExp][] = [
		[{ kind: 'set-under', layer: { kind: 'route', name: '/' }, under: 'shop' }, /cannot sit under shop: that layout can be picked only at \/shop/],
		[{ kind: 'set-under', layer: { kind: 'layout', name: 'outer' }, under: 'wide' }, /in a circle/],
		[{ kind: 'remove-region', region: { layout: 'outer', region: 'main' } }, /is the slot of outer/],
		[{ kind: 'add-layout', name: 'twin', at: '/shop' }, /both cover \/shop/],
		[{ kind: 'rename-layout', name: 'outer', to: 'shop' }, /two layouts named/],
		[{ kind: 'rename-layout', name: 'outer', to: 'Outer' }, /cannot be a name/],
		[{ kind: 'add-route', pattern: '/shop', title: 'x' }, /given twice/],
		[{ kind: 'add-route', pattern: 'shop', title: 'x' }, /not a route/],
		[{ kind: 'move-route', pattern: '/', to: '/x' }, /stays where it is/],
		[{ kind: 'move-route', pattern: '/shop', to: '/shop/old' }, /below itself/],
		[{ kind: 'set-fill', layer: shop, region: { layout: 'outer', region: 'main' }, fill: 'instead' }, /slot of outer/],
		[{ kind: 'set-markup', holder: { layer: shop, region: undefined }, name: 'body', markup: 'a\n"""' }, /three quotes/],
		[{ kind: 'set-markup', holder: { layer: shop, region: undefined }, name: 'body', markup: '{nowhere}' }, /leads nowhere/],
		[{ kind: 'remove-layout', name: 'gone' }, /no layout gone any more/]
	];
	for (const [command, sentence] of cases) {
		const proposal = propose(sound(text), command);
		assert.ok(proposal.kind === 'refused', JSON.stringify(command));
		assert.match(proposal.sentence, sentence);
		const { from = 0, to = 0 } = proposal.at ?? {};
		assert.ok(0 <= from && from <= to && to <= text.length, `${proposal.sentence} has its place in the text as it is`);
	}
	const placeOf = (command: Command): string | undefined => {
		const proposal = propose(sound(text), command);
		return proposal.kind === 'refused' && proposal.at ? text.slice(proposal.at.from, proposal.at.to) : undefined;
	};
	assert.equal(placeOf({ kind: 'remove-region', region: { layout: 'outer', region: 'main' } }), 'main');
	const circle = propose(sound(text), { kind: 'set-under', layer: { kind: 'layout', name: 'outer' }, under: 'wide' });
	assert.ok(circle.kind === 'refused' && circle.at);
	const before = text.slice(0, circle.at.from);
	assert.match(before.slice(before.lastIndexOf('layout ')), /^layout outer/, 'what would be wrong would stand there');
	assert.equal(placeOf({ kind: 'remove-layout', name: 'gone' }), undefined);
	const choices = underChoices(sound(text), { kind: 'route', name: '/' });
	assert.deepEqual(choices.map(({ under, refused, now }) => [under, refused !== undefined, now]), [
		['outer', false, true], ['shop', true, false], ['wide', false, false], ['none', false, false]
	]);
}); // prettier-ignore

test('what an edit touches is known before it is made', () => {
	const resolved = sound(text);
	const touched = (command: Command): string[] => touches(resolved, edit(resolved, command).changes);
	const all = ['/', '/shop', '/shop/pen', '/shop/ink', 'not-found at /shop'];
	assert.deepEqual(touched({ kind: 'set-flag', region: head, flag: 'required', on: true }), []);
	assert.deepEqual(touched({ kind: 'rename-region', region: side, to: 'panel' }), all);
	assert.deepEqual(
		touched({ kind: 'set-fill', layer: { kind: 'layout', name: 'shop' }, region: side, fill: 'before' }),
		['/shop', '/shop/ink', 'not-found at /shop']
	);
	assert.deepEqual(touched({ kind: 'set-under', layer: shop, under: 'none' }), ['/shop']);
	assert.deepEqual(touched({ kind: 'add-route', pattern: '/new', title: 'New' }), ['/new']);
	const [at] = [text.indexOf('hours</p>')];
	assert.deepEqual(
		touches(resolved, [{ kind: 'edit', file: 'site.eave', from: at, to: at, insert: 'x' }]),
		['/', '/shop/pen'],
		'not where the shop has put its own there instead'
	);
}); // prettier-ignore

test('any series of edits of the demo leaves a sound site, and undoing gives the first text back', async () => {
	const files = await readSitePath('demo');
	const start = checkSite(readSiteFiles(files));
	const seeds = fc.array(fc.nat(100_000), { minLength: 1, maxLength: 12 });
	fc.assert(
		fc.property(seeds, (numbers) => {
			let resolved = start;
			const undo: (typeof resolved.reading.files.texts extends infer T ? () => T : never)[] = [];
			for (const number of numbers) {
				const proposal = propose(resolved, anyCommand(resolved, number));
				if (proposal.kind === 'refused') continue;
				const { texts, inverse } = applyChanges(resolved.reading.files, proposal.changes);
				const next = checkSite(readSiteFiles({ texts, assets: files.assets }, resolved.reading));
				assert.ok(isSound(next), JSON.stringify([proposal, next.problems], null, 1));
				undo.unshift(
					() => (last = applyChanges({ texts: last, assets: new Map() }, inverse).texts)
				);
				resolved = next;
			}
			let last = resolved.reading.files.texts;
			for (const step of undo) step();
			assert.deepEqual([...last], [...files.texts]);
		}),
		{ ...runs(20, 11), includeErrorInReport: true }
	);
	assert.ok((await readFile('demo/site.eave', 'utf8')).startsWith('//'));
});

/** Some command about the site, chosen by a number. */
function anyCommand(resolved: CheckedSite, number: number): Command {
	let state = number;
	const pick = <T>(list: readonly T[]): T => {
		// A linear congruential step, so that picks of one command do not go together.
		state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
		for (const one of list.slice((state >> 8) % list.length)) return one;
		throw new RangeError('There is nothing to pick from.');
	};
	const { layouts, routes, states } = resolved.site;
	const layout = pick(layouts);
	const region = { layout: layout.name.text, region: pick(layout.regions).name.text };
	const layerOf = pick([...layouts, ...routes, ...states]);
	const layer: LayerRef = { kind: layerOf.kind, name: layerName(layerOf) };
	const route = pick(routes);
	const target = layouts[(number >> 3) % layouts.length]?.name.text;
	const own: HolderRef = { layer: { kind: 'route', name: route.pattern.text }, region: undefined };
	const piece = route.pieces[0]?.name.text ?? 'none';
	return pick<Command>([
		{ kind: 'set-under', layer, under: pick([target, 'none', undefined]) },
		{ kind: 'set-fill', layer, region, fill: pick(['instead', 'before', 'after', 'empty']) },
		{ kind: 'remove-fill', layer, region },
		{ kind: 'add-route', pattern: `${route.pattern.text === '/' ? '' : route.pattern.text}/n${number % 5}`, title: 'N' },
		{ kind: 'move-route', pattern: route.pattern.text, to: `/m${number % 3}` },
		{ kind: 'remove-route', pattern: route.pattern.text },
		{ kind: 'add-layout', name: `l${number % 4}`, at: route.pattern.text },
		{ kind: 'rename-layout', name: layout.name.text, to: `r${number % 4}` },
		{ kind: 'move-layout', name: layout.name.text, at: route.pattern.text },
		{ kind: 'remove-layout', name: layout.name.text },
		{ kind: 'add-region', layout: layout.name.text, name: `g${number % 3}`, element: 'div' },
		{ kind: 'rename-region', region, to: `h${number % 3}` },
		{ kind: 'reorder-region', region, by: pick([1, -1]) },
		{ kind: 'remove-region', region },
		{ kind: 'set-flag', region, flag: pick(['locked', 'required']), on: number % 2 === 0 },
		{ kind: 'add-piece', holder: own, name: `p${number % 3}` },
		{ kind: 'rename-piece', holder: own, name: piece, to: `q${number % 3}` },
		{ kind: 'reorder-piece', holder: own, name: piece, by: pick([1, -1]) },
		{ kind: 'remove-piece', holder: own, name: piece },
		{ kind: 'set-markup', holder: own, name: piece, markup: pick(['<p>x</p>', '<p>\n  y\n</p>', '']) }
	]);
} // prettier-ignore

test('whatever is asked for is done as a whole or refused with a sentence, and loses nothing in silence', async () => {
	const { asked, made, failure } = await judgeCommands(250, 21);
	assert.equal(failure?.says, undefined, failure?.text);
	assert.equal(asked, 250);
	assert.ok(made > 50, `${made} were edits`);
});
