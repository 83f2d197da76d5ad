import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import type { SiteFiles } from '../../src/core/model/files.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { PageRequest } from '../../src/workers/messages.ts';

/** What is taken in is looked at before it is opened; what is opened then is what was asked for, and nothing before it. */

const site = (name: string, more = ''): string => `site "${name}" { lang en }
layout shell at / { region main as main { slot } }
route / { title "${name}"; description "Seeds."; piece body """<h1>${name}</h1>""" }
${more}`;
const home: PageRequest = { page: '/', address: undefined };

const zipOf = (files: Readonly<Record<string, string>>): Uint8Array =>
	zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])));

function taken(result: SiteFiles | { readonly refused: string }): SiteFiles {
	assert.ok(!('refused' in result));
	return result;
}

function refused(result: SiteFiles | { readonly refused: string }): string {
	assert.ok('refused' in result);
	return result.refused;
}

/** What an open site shows first: its name, the words of the page, and the codes of its problems. */
function shownOf(desk: Desk, files: SiteFiles): readonly unknown[] {
	const { site: shown, page } = desk.open(files, home, 0);
	return [shown.name, /<h1[^>]*>([^<]*)/.exec(page?.html ?? '')?.[1], desk.checked().map(({ code }) => code)]; // prettier-ignore
}

test('a file that is taken in is opened as it is read, alone and in a zip', () => {
	const desk = new Desk(2026);
	assert.deepEqual(shownOf(desk, taken(desk.takeIn('site.eave', strToU8(site('Beans'))))), ['Beans', 'Beans', []]); // prettier-ignore
	const zip = zipOf({ 'box/site.eave': site('Kale'), 'box/more.eave': 'route /more { title "More" }' }); // prettier-ignore
	const files = taken(desk.takeIn('box.zip', zip));
	assert.deepEqual([...files.texts.keys()], ['site.eave', 'more.eave']);
	assert.deepEqual(shownOf(desk, files), ['Kale', 'Kale', []]);
});

test('what was taken in last does not show in another site that is opened instead', () => {
	const desk = new Desk(2026);
	taken(desk.takeIn('site.eave', strToU8(site('Beans', 'route /beans { title "Beans" }'))));
	const other: SiteFiles = { texts: new Map([['site.eave', site('Kale')]]), assets: new Map() };
	assert.deepEqual(shownOf(desk, other), ['Kale', 'Kale', []]);
	assert.deepEqual(
		desk.open(other, home, 0).site.roofline?.rows.map(({ page }) => page),
		['/']
	);
});

test('what cannot be opened is refused with a sentence, and what is open stays open', () => {
	const desk = new Desk(2026);
	shownOf(desk, taken(desk.takeIn('site.eave', strToU8(site('Beans')))));
	for (const [name, bytes, says] of [
		['site.eave', strToU8('layout shell at / { region main as main { slot } }'), /site/],
		['empty.zip', zipOf({ 'notes.txt': 'Nothing' }), /no \.eave file/],
		['blank.eave', strToU8('  \n'), /empty/],
		['long.eave', strToU8(`site "${'x'.repeat(30_000)}" {}\nroute / { title "A" }`), /line/]
	] as const) {
		assert.match(refused(desk.takeIn(name, bytes)), says, name);
	}
	const { site: still, page } = desk.redraw(home);
	assert.equal(still.name, 'Beans');
	assert.match(page?.html ?? '', /Beans/);
});

test('errors are told with the first page, what is doubtful once it is asked for', () => {
	const desk = new Desk(2026);
	const doubtful = site('Beans', 'layout frame at /x { region main as main { slot; gap 20px } }\nroute /x { title "X"; piece a """{nothing}""" }'); // prettier-ignore
	const files = taken(desk.takeIn('site.eave', strToU8(doubtful)));
	const codes = (problems: readonly { readonly code: string }[]): string[] =>
		problems.map(({ code }) => code);
	const first = codes(desk.open(files, home, 0).site.problems);
	assert.deepEqual(first, ['expression-unknown']);
	const all = codes(desk.checked());
	assert.ok(all.length > first.length && first.every((code) => all.includes(code)));
	// Asked again, it is the same, and nothing is looked for twice.
	assert.deepEqual(codes(desk.checked()), all);
});

test('whatever is taken in and opened in between, what is opened is shown as by a desk that has seen nothing (property)', () => {
	const name = fc.constantFrom('Beans', 'Kale', 'Leek');
	const more = fc.constantFrom('', 'route /a { title "A" }', 'route /a { piece x """{none}""" }', 'data list from "none.json"'); // prettier-ignore
	const text = fc.tuple(name, more).map(([one, rest]) => site(one, rest));
	const doing = fc.record({ text, opens: fc.boolean() });
	fc.assert(
		fc.property(fc.array(doing, { maxLength: 5 }), text, (doings, last) => {
			const desk = new Desk(2026);
			for (const one of doings) {
				const files = taken(desk.takeIn('site.eave', strToU8(one.text)));
				if (one.opens) shownOf(desk, files);
			}
			const files: SiteFiles = { texts: new Map([['site.eave', last]]), assets: new Map() };
			assert.deepEqual(shownOf(desk, files), shownOf(new Desk(2026), files));
		}),
		{ numRuns: 60 }
	);
});
