import assert from 'node:assert/strict';
import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { parse } from 'parse5';
import { z } from 'zod';
import { compareCommand, type CompareOptions } from '../../src/cli/comparing/compare.ts';

/** Two states of a site are held against each other on the command line: what changed, on which screens, by how much. */

let folder: string;
before(async () => {
	folder = await mkdtemp(join(tmpdir(), 'eave-compare-'));
});
after(() => rm(folder, { recursive: true, force: true }));

const site = `site "Seeds" { lang en; bands { narrow 0; wide 900 } }
layout shell at / {
  region head as header { height 60px; piece name """<b>Seeds</b>""" }
  region main as main { slot }
}
route / { title "Home"; description "Seeds."; piece body """<h1>Home</h1>""" }
route /a { title "A"; description "As."; piece body """<h1>A</h1>""" }
route /b { title "B"; description "Bs."; piece body """<h1>B</h1>""" }
state not-found at / { title "Gone"; piece body """<h1>Gone</h1>""" }
`;

/** A state of a site in a folder of its own. */
async function stateOf(name: string, text: string): Promise<string> {
	const path = join(folder, name);
	await mkdir(path, { recursive: true });
	await writeFile(join(path, 'site.eave'), text);
	return path;
}

interface Said {
	readonly code: number;
	readonly out: string;
	readonly errors: string;
}

async function compare(
	from: string,
	to: string,
	options: Partial<CompareOptions> = {}
): Promise<Said> {
	const [out, errors]: [string[], string[]] = [[], []];
	const streams = {
		out: (text: string) => void out.push(text),
		errors: (text: string) => void errors.push(text)
	};
	const code = await compareCommand(from, to, { height: '800', json: false, ...options }, streams);
	return { code, out: out.join(''), errors: errors.join('') };
}

const changesSchema = z.array(
	z.object({
		page: z.string(),
		kind: z.enum(['added', 'removed', 'changed']),
		screens: z.array(
			z.object({ column: z.object({ width: z.number() }), moved: z.array(z.unknown()) })
		)
	})
);

const taller = site.replace('height 60px', 'height 60px; height 90px @wide');

test('the same site twice is no change, and says of how many pages', async () => {
	const path = await stateOf('same', site);
	assert.deepEqual(await compare(path, path), {
		code: 0,
		out: 'Nothing changed on 4 pages.\n',
		errors: ''
	});
});

test('what moves in one band is told for its screens alone, in words and as data', async () => {
	const [old, now] = [await stateOf('old', site), await stateOf('taller', taller)];
	const { code, out } = await compare(old, now);
	assert.equal(code, 1);
	assert.match(out, /^\/ \(shell\)\n {2}wide 900 px: head: 30 px taller; main: 30 px lower/);
	assert.match(out, /\n4 of 4 pages changed\.\nSizes of content were guessed/);
	assert.doesNotMatch(out, /narrow/);
	const data = changesSchema.parse(JSON.parse((await compare(old, now, { json: true })).out));
	assert.deepEqual(
		data.map(({ page }) => page),
		['/', '/a', '/b', 'not-found at /']
	);
	for (const { kind, screens } of data) {
		assert.equal(kind, 'changed');
		assert.deepEqual(
			screens.map(({ column }) => column.width),
			[900]
		);
	}
	// Held the other way round it is as much shorter.
	assert.match((await compare(now, old)).out, /head: 30 px shorter; main: 30 px higher/);
});

test('further widths are looked at as well', async () => {
	const [old, now] = [await stateOf('old', site), await stateOf('taller', taller)];
	const { out } = await compare(old, now, { json: true, widths: '700,1440' });
	const [first] = changesSchema.parse(JSON.parse(out));
	assert.deepEqual(
		first?.screens.map(({ column }) => column.width),
		[900, 1440]
	);
});

test('pages that came and went are told as such, and words that changed where nothing moved', async () => {
	const other = site
		.replace(
			/route \/b .*\n/,
			'route /c { title "C"; description "Cs."; piece body """<h1>C</h1>""" }\n'
		) // prettier-ignore
		.replace('<h1>A</h1>', '<h1>Z</h1>');
	const { out } = await compare(await stateOf('old', site), await stateOf('other', other), { json: true }); // prettier-ignore
	const found = changesSchema.parse(JSON.parse(out));
	assert.deepEqual(found.map(({ page, kind }) => [page, kind]).sort(), [
		['/a', 'changed'],
		['/b', 'removed'],
		['/c', 'added']
	]);
	assert.deepEqual(found.find(({ page }) => page === '/a')?.screens, []);
});

test('a sheet of drawings is written whole, and a place that cannot be written is said', async () => {
	const [old, now] = [await stateOf('old', site), await stateOf('taller', taller)];
	const out = join(folder, 'sheet.svg');
	assert.equal((await compare(old, now, { out })).code, 1);
	const svg = await readFile(out, 'utf8');
	assert.match(svg, /^<svg/);
	assert.match(svg, /Seeds: what changed/);
	assert.equal(svg.match(/wide 900 px: head: 30 px taller/g)?.length, 4);
	const nowhere = await compare(old, now, { out: join(folder, 'none', 'sheet.svg') });
	assert.equal(nowhere.code, 2);
	assert.match(nowhere.errors, /sheet\.svg cannot be written/);
	assert.ok(!(await readdir(folder)).some((name) => name.endsWith('.part')));
});

test('a report shows pages that changed alike once, with what is newly found and what is gone', async () => {
	const doubtful = taller
		.replace('route /a { title "A"; description "As."', 'route /a { title "A"')
		.replace('<h1>Home</h1>', '<h1>Home</h1><a href="/none">None</a>');
	const fixed = await stateOf('fixed', site);
	const report = join(folder, 'review', 'now');
	const { code } = await compare(fixed, await stateOf('doubtful', doubtful), { report });
	assert.equal(code, 1);
	const html = await readFile(join(report, 'index.html'), 'utf8');
	assert.deepEqual(parse(html).childNodes.map(({ nodeName }) => nodeName), ['#documentType', 'html']); // prettier-ignore
	assert.match(html, /\/none/);
	assert.match(html, /height 90px @wide/);
	// Of four pages that the frame moved, those that differ in it alone are one.
	assert.match(html, /not-found at \//);
	const back = join(folder, 'review', 'back');
	assert.equal((await compare(join(folder, 'doubtful'), fixed, { report: back })).code, 1);
	const gone = await readFile(join(back, 'index.html'), 'utf8');
	assert.notEqual(gone, html);
});

test('what is asked for wrongly is said, and nothing is read', async () => {
	for (const options of [
		{ height: '0' },
		{ height: 'tall' },
		{ widths: '390,wide' },
		{ widths: '100' },
		{ widths: '390.5' }
	]) {
		const said = await compare('/nowhere', '/nowhere', options);
		assert.deepEqual([said.code, said.out], [2, '']);
		assert.match(said.errors, /--height in px, and --widths as whole px/);
	}
	const missing = await compare(join(folder, 'gone'), join(folder, 'gone'));
	assert.equal(missing.code, 2);
	assert.match(missing.errors, /gone cannot be read/);
});
