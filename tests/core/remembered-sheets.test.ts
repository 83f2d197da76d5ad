import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { hasErrors } from '../../src/core/messages/problem.ts';
import { soundSite } from '../../src/core/check/sound.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import type { SiteFiles } from '../../src/core/model/files.ts';
import { readSiteFiles, type SiteReading } from '../../src/core/source/read.ts';
import { randomLayouts, siteText } from '../judge/boxes/random-layouts.ts';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { runs } from '../lib/runs.ts';

/**
 * What is remembered of an earlier state of a site is used for the next one: it must be what is worked out from a text that
 * nobody has seen before, errors too.
 */

function read(files: SiteFiles, before?: SiteReading): CheckedSite {
	return soundSite(readSiteFiles(files, before));
}

const sheetsOf = (site: CheckedSite): (readonly [string, string])[] =>
	deliver(site, 2026).flatMap(({ path, kind, content }) =>
		kind === 'style' ? [[path, String(content)] as const] : []
	);

/** Takes lines away, here and there: settings, regions, styles, whole beginnings of blocks; and puts them back. */
function holdAgainstFresh(
	{ texts: begun, assets }: SiteFiles,
	cuts: readonly (readonly number[])[]
): number {
	let before = read({ texts: begun, assets }).reading;
	let delivered = 0;
	for (const cut of [...cuts, []]) {
		const texts = new Map(begun);
		const [file = '', text = ''] = [...begun][(cut[0] ?? 0) % begun.size] ?? [];
		const lines = text.split('\n');
		const gone = new Set(cut.slice(1).map((at) => at % lines.length));
		texts.set(file, lines.filter((_, at) => !gone.has(at)).join('\n'));
		const [next, fresh] = [
			read({ texts, assets }, before),
			read({ texts: new Map(texts), assets: new Map(assets) })
		];
		assert.deepEqual(next.problems.map(({ code, span }) => [code, span]), fresh.problems.map(({ code, span }) => [code, span])); // prettier-ignore
		before = next.reading;
		if (hasErrors(next.problems)) continue;
		delivered++;
		assert.deepEqual(sheetsOf(next), sheetsOf(fresh));
	}
	return delivered;
}

/** A file for each declaration: those of files that stay are the same objects. */
function filesOf(text: string): SiteFiles {
	const declarations = text.split(/^(?=layout|route)/m);
	const texts = new Map(declarations.map((one, at) => [`${String(at)}.eave`, one]));
	return { texts, assets: new Map() };
}

/** Which file, and which lines of it. */
const cuts = fc.array(fc.array(fc.nat(400), { minLength: 2, maxLength: 4 }), { maxLength: 8 });

void test('what another layer brings changes the sheet of a layout whose own file stays', () => {
	const outer =
		'site "Seed" { bands { narrow 0 } }\nlayout f at / { style \"\"\"p { color: red }\"\"\"; region head as header { stick top; height 60px; piece h \"\"\"<p>H</p>\"\"\" }; region main as main { slot } }\n';
	const cases = [
		// Its style ends where something is brought into its region …
		['route / { title "A" }', 'route / { title "A"; fill head after { piece m \"\"\"<p>M</p>\"\"\" } }'],
		// … what keeps to the top edge further in begins where its head ends, so the height gets a name …
		['layout g at /a { region t as div { slot } }\nroute /a { title "A" }', 'layout g at /a { region s as div { stick top; piece p \"\"\"<p>S</p>\"\"\" }; region t as div { slot } }\nroute /a { title "A" }'],
		// … and something that floats anywhere is minded everywhere.
		['layout g at /a { region t as div { slot } }\nroute /a { title "A" }', 'layout g at /a { region t as div { slot } }\nroute /a { title "A"; style \"\"\"p { float: left }\"\"\" }']
	] as const; // prettier-ignore
	for (const [one, other] of cases) {
		const files = (inner: string): SiteFiles => ({
			texts: new Map([
				['a.eave', outer],
				['b.eave', inner]
			]),
			assets: new Map()
		});
		const first = read(files(one));
		assert.deepEqual(first.problems, []);
		const before = new Map(sheetsOf(first));
		const next = new Map(sheetsOf(read(files(other), first.reading)));
		assert.deepEqual(next, new Map(sheetsOf(read(files(other)))));
		const changed = [...next].filter(([path, css]) => before.has(path) && before.get(path) !== css);
		assert.ok(changed.length > 0, other);
	}
});

void test('sheets and errors of random sites, line after line taken away, are those of a fresh reading (property)', () => {
	let delivered = 0;
	fc.assert(
		fc.property(randomLayouts, cuts, (site, some) => {
			delivered += holdAgainstFresh(filesOf(siteText(site)), some);
		}),
		runs(25, 4101)
	);
	assert.ok(delivered > 25, 'not all of them have errors');
});

void test('the same for the demo site (property)', async () => {
	const demo = await readSitePath('demo');
	let delivered = 0;
	fc.assert(
		fc.property(cuts, (some) => {
			delivered += holdAgainstFresh(demo, some);
		}),
		runs(6, 4102)
	);
	assert.ok(delivered > 6);
});
