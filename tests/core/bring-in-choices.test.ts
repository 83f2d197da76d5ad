import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { guestsOf, readEach, siteOf, type ReadPages } from '../../src/core/bring-in/bring-in.ts';
import { prepare } from '../../src/core/edit/propose.ts';
import { finished } from '../../src/core/lib/finished.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import type { Command } from '../../src/core/model/command.ts';
import { around, bodyOf, sound } from '../lib/site.ts';
import {
	elementParts,
	type Choice,
	type ElementPart
} from '../../src/core/bring-in/choosing/choice.ts';
import {
	partAt,
	partsOnPage,
	type PartOnPage
} from '../../src/core/bring-in/choosing/parts-on-page.ts';
import { prove, proofWords } from '../../src/core/bring-in/proving/proof.ts';
import { elementsOf } from '../../src/core/bring-in/reading/element-place.ts';
import type { BroughtNode } from '../../src/core/bring-in/reading/brought-node.ts';
import { resolveSite } from '../../src/core/resolve/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { folderOf, oldPage, type Manner } from '../lib/brought.ts';
import { runs } from '../lib/runs.ts';

/** What was found in pages, put right before it is taken: whatever is chosen, every page stays as it was. */

function read(files: ReadonlyMap<string, Uint8Array>): ReadPages {
	return finished(readEach(files, 'seeds'));
}

const paths = ['index.html', 'seeds/kale.html', 'seeds/bean.html', 'seeds/leek.html', 'visit/index.html', 'visit/hours.html']; // prettier-ignore

function garden(manner: Manner): Map<string, Uint8Array> {
	return folderOf(
		Object.fromEntries(
			paths.map((path, index) => {
				const content = `<h1>${path}</h1>\n<p class="lead">Own words of ${path}.</p>${index % 2 === 0 ? '<p>Sow in April.</p>' : ''}`;
				const aside = path.startsWith('seeds') ? { aside: 'All seed is lent.' } : {};
				return [path, oldPage({ path, title: path, content, ...aside }, manner)] as const;
			})
		)
	);
}

/** What is the same of the pages of a site that was made with choices. */
function sameOf(
	files: ReadonlyMap<string, Uint8Array>,
	pages: ReadPages,
	choices: readonly Choice[]
): string[] {
	const site = siteOf(pages, choices);
	const reading = readSiteFiles(site.files);
	assert.deepEqual(reading.problems, []);
	const proof = prove(files, resolveSite(reading), 2026);
	return proof.pages.flatMap((one) =>
		one.kind === 'same' ? [] : [`${one.path} ${proofWords(one)}`]
	);
}

/** The place of an element of a page by its name, as the first of that name. */
function placeOf(pages: ReadPages, path: string, name: string): readonly number[] {
	const page = pages.pages.find((one) => one.path === path);
	assert.ok(page);
	const found = allPlaces(page.content).find((at) => partAt(page, [], at)?.name === name);
	assert.ok(found, `${path} has no ${name}`);
	return found;
}

function allPlaces(
	nodes: readonly BroughtNode[],
	around: readonly number[] = []
): (readonly number[])[] {
	return elementsOf(nodes).flatMap((element, index) => {
		const at = [...around, index];
		return [at, ...allPlaces(element.children, at)];
	});
}

function partOf(
	pages: ReadPages,
	path: string,
	at: readonly number[],
	choices: readonly Choice[]
): PartOnPage {
	const page = pages.pages.find((one) => one.path === path);
	assert.ok(page);
	const part = partAt(page, partsOnPage(page, siteOf(pages, choices).frames), at);
	assert.ok(part);
	return part;
}

function choiceOf(pages: ReadPages, page: string, name: string, as: ElementPart): Choice {
	return { kind: 'element', page, at: placeOf(pages, page, name), as };
}

for (const manner of ['tables', 'floats', 'flex', 'grid'] as const) {
	test(`whatever is chosen of elements, all pages in the manner of ${manner} come out the same`, () => {
		const files = garden(manner);
		const pages = read(files);
		const places = pages.pages.flatMap(({ path, content }) =>
			allPlaces(content).map((at) => ({ page: path, at }))
		);
		const made = new Map(elementParts.map((as) => [as, 0]));
		const choice = fc.record({
			place: fc.nat(places.length - 1),
			as: fc.constantFrom(...elementParts)
		});
		fc.assert(
			fc.property(fc.array(choice, { minLength: 1, maxLength: 4 }), (wanted) => {
				let choices: readonly Choice[] = [];
				for (const { place, as } of wanted) {
					const where = places[place];
					if (!where) continue;
					const next: Choice = { kind: 'element', ...where, as };
					const site = siteOf(pages, [...choices, next]);
					const why = site.unfit.get(next);
					if (why !== undefined) {
						assert.match(why, /^[A-Z0-9].*\.$/, 'a refusal is a sentence');
						continue;
					}
					if (site.unfit.size > 0) continue;
					choices = [...choices, next];
					const { part } = partOf(pages, where.page, where.at, choices);
					const fits: readonly ElementPart[] = as === 'own' ? ['own', 'region'] : [as];
					assert.ok(fits.includes(part), `${JSON.stringify(next)} is ${part}`);
					made.set(as, (made.get(as) ?? 0) + 1);
				}
				assert.deepEqual(sameOf(files, pages, choices), []);
			}),
			runs(60, 29)
		);
		for (const [as, count] of made) assert.ok(count > 3, `${as} was made ${count} times`);
	});
}

test('what is said once in the frame becomes a region with a default that no page fills', () => {
	const files = garden('floats');
	const pages = read(files);
	const choice = choiceOf(pages, 'index.html', 'div#foot', 'region');
	const site = siteOf(pages, [choice]);
	const [frame] = site.frames;
	const region = frame?.regions.find(({ name }) => name === 'foot');
	assert.ok(region?.place.usual, 'it has a default');
	assert.match(site.files.texts.get('layouts/site.eave') ?? '', /<div id="foot">\{region foot\}/);
	assert.doesNotMatch(site.files.texts.get('pages/index.eave') ?? '', /fill foot/);
	assert.deepEqual(sameOf(files, pages, [choice]), []);
});

test('what only some pages have is a region that the others leave empty, and not the frame’s', () => {
	const files = garden('flex');
	const pages = read(files);
	const place = { page: 'seeds/kale.html', at: placeOf(pages, 'seeds/kale.html', 'aside.note') };
	const frame: Choice = { kind: 'element', ...place, as: 'frame' };
	const before = siteOf(pages).frames.flatMap(({ inner }) => inner);
	// Where the branch has a frame of its own, all of its pages have it.
	const without: readonly Choice[] = before.map(({ at }) => ({ kind: 'drop', page: 'seeds/kale.html', folder: at.slice(1) })); // prettier-ignore
	assert.match(
		siteOf(pages, [...without, frame]).unfit.get(frame) ?? '',
		/3 of 6 pages have no <aside>/
	);
	const region: Choice = { ...frame, as: 'region' };
	const chosen = siteOf(pages, [...without, region]);
	assert.equal(chosen.unfit.size, 0);
	assert.equal(partOf(pages, place.page, place.at, [...without, region]).part, 'region');
	assert.deepEqual(sameOf(files, pages, [...without, region]), []);
});

test('frames are joined, parted and dropped, and every page stays as it was', () => {
	const files = new Map([...garden('grid'), ...[...garden('tables')].map(([path, bytes]) => [`old/${path}`, bytes] as const)]); // prettier-ignore
	const pages = read(files);
	const found = siteOf(pages).frames;
	assert.ok(found.length >= 2, 'two kinds of pages have two frames');
	const [one, other] = found.map((frame) => frame.pages[0]?.path ?? '');
	const join: Choice = { kind: 'join', page: one ?? '', with: other ?? '' };
	assert.equal(siteOf(pages, [join]).frames.length, found.length - 1);
	assert.deepEqual(sameOf(files, pages, [join]), []);
	const part: Choice = { kind: 'part', pages: ['visit/index.html', 'visit/hours.html'] };
	const parted = siteOf(pages, [part]).frames.map((frame) => frame.pages.length);
	assert.equal(parted.length, found.length + 1);
	assert.ok(parted.includes(2), 'the two pages have a frame by themselves');
	assert.deepEqual(sameOf(files, pages, [part]), []);
	const drop: Choice = { kind: 'drop', page: one ?? '', folder: undefined };
	assert.equal(siteOf(pages, [drop]).frames.length, found.length - 1);
	assert.deepEqual(sameOf(files, pages, [drop]), []);
	assert.deepEqual(
		[...siteOf(pages, [join, join]).unfit.values()],
		['These pages have one frame already.']
	);
});

test('a page alone without a main part gets a frame once its slot is chosen', () => {
	const files = folderOf({
		'one.html': '<!DOCTYPE html><title>One</title><p>a</p><div class="x"><b>b</b></div><p>c</p>'
	});
	const pages = read(files);
	const slot = choiceOf(pages, 'one.html', 'div.x', 'slot');
	const site = siteOf(pages, [slot]);
	assert.equal(site.frames.length, 1);
	assert.match(site.files.texts.get('layouts/site.eave') ?? '', /<div class="x">\{slot\}<\/div>/);
	assert.deepEqual(sameOf(files, pages, [slot]), []);
});

test('pages come into a site that is there, in a folder of it: they are the same, and what is there stays', () => {
	const files = garden('floats');
	const site = sound(around(''));
	const moved = new Map([...files].map(([path, bytes]) => [`old/${path}`, bytes] as const));
	const assets = new Map([['old/css/site.css', encodeUtf8('b { color: red }')]]);
	const pages = read(new Map([...moved, ...assets]));
	const taken = new Set(site.site.layouts.map(({ name }) => name.text));
	const { texts } = guestsOf(pages, [], 'en', taken);
	assert.ok(texts.size > files.size, 'there are pages and frames');
	const command: Command = {
		kind: 'add-made',
		what: 'pages',
		texts: [...texts],
		files: [...assets]
	};
	const { after, proposal } = prepare(site, command);
	assert.equal(proposal.kind, 'edit', proposal.kind === 'refused' ? proposal.sentence : '');
	assert.ok(after);
	const proof = prove(moved, after, 2026);
	assert.deepEqual(proof.pages.filter(({ kind }) => kind !== 'same').map(proofWords), []);
	assert.deepEqual(bodyOf(after, '/'), bodyOf(site, '/'), 'the page that was there is as it was');
	const again = prepare(after, {
		...command,
		texts: [],
		files: [['old/css/site.css', encodeUtf8('b {}')]]
	});
	assert.equal(again.proposal.kind, 'refused', 'another file of the same path is not overwritten');
});

test('a block that pages repeat word for word becomes a part that each of them uses', () => {
	const block =
		'<div class="loan"><p>Seed is lent for a season.</p><ul><li>Bring back twice as much.</li><li>Dry it, and label it with its year.</li></ul></div>';
	const files = folderOf(
		Object.fromEntries(
			paths.map((path, index) => {
				const content = `<h1>${path}</h1><p>Own words of ${path}.</p>${'<p>More.</p>'.repeat(index)}${index % 2 === 0 ? block : ''}<p>And ${path} again.</p>`;
				return [path, oldPage({ path, title: path, content }, 'grid')] as const;
			})
		)
	);
	const pages = read(files);
	const found = siteOf(pages);
	assert.deepEqual(
		found.blocks.map(({ name, count }) => [name, count]),
		[['loan', 3]]
	);
	assert.equal(found.files.texts.has('parts.eave'), false, 'it is proposed, and not done');
	const chosen = siteOf(pages, [{ kind: 'blocks' }]);
	assert.match(
		chosen.files.texts.get('parts.eave') ?? '',
		/^part loan """\n {2}<div class="loan">/
	);
	assert.match(chosen.files.texts.get('pages/index.eave') ?? '', /\{use loan\}/);
	assert.doesNotMatch(chosen.files.texts.get('pages/index.eave') ?? '', /lent for a season/);
	assert.deepEqual(sameOf(files, pages, [{ kind: 'blocks' }]), []);
});

test('what can hold nothing cannot be a region, and says so', () => {
	const page = (name: string): string =>
		`<!DOCTYPE html><title>${name}</title><header><img src="pod.png" alt=""><select><option>Kale</option></select></header><main><h1>${name}</h1><p>Own words of ${name}, and a few more of them.</p></main><footer>All seed is lent for one season, and brought back twice.</footer>`;
	const files = folderOf({ 'a.html': page('a'), 'b.html': page('b'), 'c.html': page('c') });
	const pages = read(files);
	for (const name of ['img', 'select']) {
		const choice = choiceOf(pages, 'a.html', name, 'region');
		assert.match(
			siteOf(pages, [choice]).unfit.get(choice) ?? '',
			/^Nothing can be put into a <(img|select)>\./
		);
		const own: Choice = choiceOf(pages, 'a.html', name, 'own');
		assert.deepEqual(sameOf(files, pages, [own]), []);
	}
});
