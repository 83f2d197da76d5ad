import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { between } from '../../src/core/resolve/between.ts';
import { sheetsOf } from '../../src/core/emit/delivery.ts';
import { explain, explanationSchema } from '../../src/core/resolve/explain.ts';
import { randomSite, siteText, type RandomSite } from '../lib/random-site.ts';
import { around, markedOf, pageNamed, resolve, sound } from '../lib/site.ts';
import { runs } from '../lib/runs.ts';

const key = (pattern: string): string[] =>
	pattern
		.split('/')
		.filter(Boolean)
		.map((word) => (word.startsWith(':') ? ':' : word));
const within = (pattern: string, branch: string): boolean =>
	key(branch).every((word, index) => key(pattern)[index] === word);

/** The chain by the words of the language document, slow and obvious; undefined where it is in a circle. */
function slowChain(site: RandomSite, at: string, under: string | undefined, self?: string): string[] | undefined {
	const chain: string[] = [];
	let [place, command, me] = [at, under, self];
	for (let steps = 0; steps < 20; steps++) {
		const covering = site.layouts
			.filter((one) => !one.onRequest && within(place, one.at) && one.name !== me)
			.filter((one, _, all) => all.findIndex((other) => !other.onRequest && key(other.at).join() === key(one.at).join()) === all.indexOf(one))
			.filter((one) => site.layouts.find((other) => !other.onRequest && key(other.at).join() === key(one.at).join()) === one);
		const nearest = covering.sort((a, b) => key(b.at).length - key(a.at).length)[0];
		const named = site.layouts.find((one) => one.name === command);
		const next = command === 'none' ? undefined : named && within(place, named.at) ? named : nearest;
		if (!next) return chain;
		if (chain.includes(next.name) || next.name === self) return undefined;
		chain.unshift(next.name);
		[place, command, me] = [next.at, next.under, next.name];
	}
	return undefined;
} // prettier-ignore

test('every page’s chain is the one that a slow second reading of the language finds', () => {
	fc.assert(
		fc.property(randomSite, (site) => {
			const resolved = resolve(siteText(site));
			for (const route of site.routes) {
				const expected = slowChain(site, route.pattern, route.under);
				if (!expected) {
					assert.ok(resolved.problems.some((problem) => problem.code === 'under-cycle'));
					continue;
				}
				const found = resolved.structure.chainOf(pageNamed(resolved, route.pattern));
				assert.deepEqual(found.map((layout) => layout.name.text), expected, siteText(site));
			}
		}),
		{ ...runs(400, 5), includeErrorInReport: true }
	);
}); // prettier-ignore

test('fills never touch locked regions, and never take away what lands in a slot', () => {
	let locked = 0;
	fc.assert(
		fc.property(randomSite, (site) => {
			const resolved = resolve(siteText(site));
			for (const route of site.routes) {
				const page = resolved.page(pageNamed(resolved, route.pattern));
				for (const { region, layout, landed } of page.regions) {
					if (region.locked) {
						locked++;
						assert.ok(landed.every((one) => one.kind === 'piece' && one.owner === layout));
						assert.equal(landed.length, 1);
					}
					if (!region.slot) continue;
					const next = page.chain[page.chain.indexOf(layout) + 1];
					const content = landed.filter((one) =>
						next ? one.kind === 'layout' : one.kind === 'piece' && one.piece.name.text === 'body'
					);
					assert.equal(content.length, 1, siteText(site));
				}
			}
		}),
		runs(200, 6)
	);
	assert.ok(locked > 100, 'the generator makes locked regions');
});

test('what is emitted says each box once: no region and no piece of a page is lost or doubled', () => {
	fc.assert(
		fc.property(randomSite, (site) => {
			const resolved = resolve(siteText(site));
			for (const route of site.routes) {
				const page = resolved.page(pageNamed(resolved, route.pattern));
				const body = markedOf(resolved, route.pattern);
				assert.equal(body.split('data-region=').length - 1, page.regions.length);
				const pieces = page.regions.flatMap((one) =>
					one.landed.filter((two) => two.kind === 'piece')
				);
				assert.equal(body.split('data-piece=').length - 1, pieces.length + page.bare.length);
			}
		}),
		runs(80, 8)
	);
});

test('between two pages: shared outer layers stay, regions are kept, refilled, new or gone', () => {
	const resolved = sound(
		around(`
layout shop at /shop { region aisle as nav { piece list """x""" }; region shelf as div { slot }; fill head after { piece cart """x""" } }
layout desk at /desk { under none; region work as main { slot } }
route /visit { piece body """x""" }
route /shop { piece body """x""" }
route /shop/pen { piece body """x"""; fill aisle empty }
route /desk { piece body """x""" }`)
	);
	const fates = (from: string, to: string): string[] => {
		const page = (name: string) => resolved.page(pageNamed(resolved, name));
		return between(page(from), page(to)).regions.map((one) => `${one.layout}.${one.region} ${one.fate}`);
	};
	assert.deepEqual(fates('/', '/visit'), ['outer.head kept', 'outer.main refilled', 'outer.foot kept']);
	assert.deepEqual(fates('/visit', '/shop'), [
		'outer.head refilled', 'outer.main refilled', 'outer.foot kept', 'shop.aisle new', 'shop.shelf new'
	]);
	assert.deepEqual(fates('/shop', '/shop/pen').slice(3), ['shop.aisle refilled', 'shop.shelf refilled']);
	assert.deepEqual(fates('/shop', '/desk'), [
		'desk.work new', 'outer.head gone', 'outer.main gone', 'outer.foot gone', 'shop.aisle gone', 'shop.shelf gone'
	]);
	// The delivered sheets say the same: kept regions, and only those, share a name.
	const names = (page: string): Record<string, string> => {
		const css = sheetsOf(pageNamed(resolved, page), resolved).map((sheet) => sheet.css).join('');
		const said = css.matchAll(/\.([\w-]+) \{[^}]*view-transition-name: ([\w-]+)/g);
		return Object.fromEntries([...said].map(([, region = '', name = '']) => [region, name]));
	};
	assert.deepEqual(names('/'), { 'outer-head': 'outer-head', 'outer-foot': 'outer-foot' });
	assert.deepEqual(names('/visit'), names('/'));
	assert.deepEqual(names('/shop'), {
		'outer-head': 'outer-head-shop', 'outer-foot': 'outer-foot', 'shop-aisle': 'shop-aisle'
	});
	assert.deepEqual(names('/shop/pen'), { ...names('/shop'), 'shop-aisle': 'none' });
}); // prettier-ignore

test('an explanation names the owner of everything, in the documented shape', () => {
	const resolved = sound(around('route /a { piece body """x"""; fill head empty }'));
	const explanation = explain(pageNamed(resolved, '/a'), resolved);
	assert.deepEqual(explanationSchema.parse(JSON.parse(JSON.stringify(explanation))), explanation);
	assert.deepEqual(
		explanation.regions.map((one) => [one.region, one.steps.map((step) => step.action).join(' ')]),
		[
			['head', 'gave emptied'],
			['main', 'gave content'],
			['foot', 'gave passed']
		]
	);
	const [landed] = explanation.regions[1]?.lands ?? [];
	assert.ok(landed?.kind === 'piece' && landed.owner === '/a');
	const text = resolved.reading.files.texts.get(landed.place.file) ?? '';
	assert.equal(text.slice(landed.place.from, landed.place.to), 'piece body """x"""');
});
