import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { mkdtemp, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, test } from 'node:test';
import Ajv from 'ajv';
import { z } from 'zod';
import { reportSchema } from '../../src/core/findings/report.ts';
import { explanationSchema } from '../../src/core/resolve/explain.ts';
import { run as runCommand } from '../../src/cli/main.ts';
import { around } from '../lib/site.ts';

const folder = await mkdtemp(join(tmpdir(), 'eave-cli-'));
after(() => rm(folder, { recursive: true }));

/** What a command line gives, without a process of its own. */
async function run(...args: string[]): Promise<{ code: number; out: string; errors: string }> {
	let [out, errors] = ['', ''];
	const code = await runCommand(args, {
		out: (text) => (out += text),
		errors: (text) => (errors += text)
	});
	return { code, out, errors };
}

test('build writes the site, with exit code 0', async () => {
	const out = join(folder, 'out');
	const { code, errors } = await run('build', 'demo', '--out', out, '--year', '2031');
	assert.equal(code, 0, errors);
	assert.match(await readFile(join(out, 'visit/index.html'), 'utf8'), /© 2031 Marrow Lane/);
	assert.match(
		await readFile(join(out, 'styles/layouts/commons.css'), 'utf8'),
		/grid-template-areas/
	);
});

test('with marks, each element says what made it', async () => {
	const out = join(folder, 'marked');
	assert.equal((await run('build', 'demo', '--out', out, '--marks')).code, 0);
	const page = await readFile(join(out, 'visit/index.html'), 'utf8');
	assert.match(page, /<header class="commons-head" data-layout="commons" data-region="head">/);
});

test('errors go to standard error with their place, exit code 1, and nothing is written', async () => {
	const file = join(folder, 'bad.eave');
	await writeFile(file, around('route /x {\n  fill foot after { piece a """x""" }\n}'));
	const { code, errors } = await run('build', file, '--out', join(folder, 'none'));
	assert.equal(code, 1);
	assert.equal(
		errors,
		'bad.eave:9:8: fill-locked: /x fills foot, but the layout outer has locked it.\n'
	);
	assert.ok(!(await readdir(folder)).includes('none'));
	await writeFile(join(folder, 'empty.eave'), '');
	const empty = await run('build', join(folder, 'empty.eave'), '--out', join(folder, 'none'));
	assert.equal(empty.code, 1);
	assert.match(empty.errors, /empty\.eave:1:1: intake: empty\.eave is empty\./);
});

test('boxes are printed for a width or for all of a range, from measured or estimated sizes', async () => {
	const schema = z.array(
		z.object({ layout: z.string(), region: z.string().optional(), piece: z.string().optional(), x: z.number(), y: z.number(), width: z.number(), height: z.number(), overflowX: z.number(), overflowY: z.number() })
	); // prettier-ignore
	const estimated = await run(
		'boxes',
		'demo',
		'--route',
		'/catalogue',
		'--width',
		'1180',
		'--json'
	);
	assert.equal(estimated.code, 0);
	assert.match(estimated.errors, /estimated/);
	const boxes = schema.parse(JSON.parse(estimated.out));
	const main = boxes.find((box) => box.region === 'main' && box.piece === undefined);
	assert.deepEqual([main?.x, main?.y, main?.width], [190, 60, 760]);
	const metrics = join(folder, 'metrics.json');
	const measured = { pieces: [{ piece: 'hours', owner: 'commons' }], min: 80, max: 160, heights: [[80, 90], [120, 60]] }; // prettier-ignore
	await writeFile(metrics, JSON.stringify({ pieces: [measured] }));
	const known = await run(
		'boxes',
		'demo',
		'--route',
		'/visit',
		'--width',
		'1180',
		'--as',
		'visitor',
		'--json',
		'--metrics',
		metrics
	);
	const hours = schema.parse(JSON.parse(known.out)).find((box) => box.piece === 'hours');
	assert.equal(hours?.height, 60);
	const range = await run('boxes', 'demo', '--route', '/', '--widths', '280..283', '--json');
	const all = z.array(z.object({ width: z.number(), boxes: schema })).parse(JSON.parse(range.out));
	assert.deepEqual(all.map((one) => one.width), [280, 281, 282, 283]); // prettier-ignore
	await writeFile(metrics, '{"pieces": [{}]}');
	assert.equal(
		(await run('boxes', 'demo', '--route', '/', '--width', '300', '--metrics', metrics)).code,
		2
	);
	assert.equal((await run('boxes', 'demo', '--route', '/none', '--width', '300')).code, 2);
	assert.equal((await run('boxes', 'demo', '--route', '/')).code, 2);
});

test('wrong usage is exit code 2', async () => {
	assert.equal((await run('build', 'demo')).code, 2);
	assert.equal((await run('paint')).code, 2);
	assert.equal((await run('build', join(folder, 'nowhere'), '--out', folder)).code, 2);
	assert.equal((await run('--help')).code, 0);
});

test('the command itself is one process that ends with the code', () => {
	const ended = spawnSync(process.execPath, ['bin/long-eave.js', 'build', 'demo'], {
		encoding: 'utf8'
	});
	assert.equal(ended.status, 2);
	assert.match(ended.stderr, /--out/);
	assert.equal(ended.stdout, '');
});

test('explain says the chain of a page, and what each layer did in each region', async () => {
	const file = join(folder, 'explained.eave');
	const text = around(
		[
			'layout inner at /in { region side as aside { piece tools """x""" }; region body as div { slot }; fill head after { piece more """x""" } }',
			'route /in/deep { piece own """x"""; fill head instead { piece other """x""" }; fill side empty }'
		].join('\n')
	);
	await writeFile(file, text);
	const { code, out } = await run('explain', file, '--route', '/in/deep', '--json');
	assert.equal(code, 0);
	const { chain, regions } = explanationSchema.parse(JSON.parse(out));
	assert.deepEqual(
		chain.map(({ layout, at }) => `${layout} at ${at}`),
		['outer at /', 'inner at /in']
	);
	const said = regions.map(({ layout, region, steps, lands }) => {
		const actions = steps.map(({ layer, action }) => `${layer} ${action}`).join(', ');
		const ends = lands.map((one) => (one.kind === 'piece' ? one.piece : one.layout)).join(' ');
		return `${layout}.${region}: ${actions}: ${ends}`;
	});
	assert.deepEqual(said, [
		'outer.head: outer gave, inner after, /in/deep instead: other',
		'outer.main: outer gave, inner content, /in/deep passed: inner',
		'outer.foot: outer gave, inner passed, /in/deep passed: small',
		'inner.side: inner gave, /in/deep emptied: ',
		'inner.body: inner gave, /in/deep content: own'
	]);
	const [land] = regions[0]?.lands ?? [];
	assert.equal(text.slice(land?.place.from, land?.place.to), 'piece other """x"""');
});

test('explain as text names the same, and a page that is not there is wrong usage', async () => {
	const text = await run('explain', 'demo', '--route', '/catalogue');
	assert.match(text.out, /commons[\s\S]*catalogue/);
	const state = await run('explain', 'demo', '--route', 'not-found at /');
	assert.equal(state.code, 0, state.errors);
	const unknown = await run('explain', 'demo', '--route', '/none');
	assert.equal(unknown.code, 2);
	assert.match(unknown.errors, /There is no route \/none\. There is \//);
});

test('compare says which pages changed, on which screens, by how much, and draws both over each other', async () => {
	const [before, later] = [join(folder, 'before.eave'), join(folder, 'later.eave')];
	const site = `site "Two" { bands { narrow 0; wide 900 } }
layout shell at / {
  region head as header { height 60px }
  region main as main { slot }
}
route / { title "Home"; piece a """<p>home</p>""" }
route /alone { title "Alone"; under none; piece a """<p>alone</p>""" }
`;
	await writeFile(before, site);
	await writeFile(later, site.replace('height 60px', 'height 60px; height 80px @wide'));
	const same = await run('compare', before, before);
	assert.deepEqual([same.code, same.out], [0, 'Nothing changed on 2 pages.\n']);
	const drawing = join(folder, 'changes.svg');
	const { code, out, errors } = await run('compare', before, later, '--out', drawing, '--widths', '1200'); // prettier-ignore
	assert.equal(code, 1, errors);
	assert.match(
		out,
		/^\/ \(shell\)\n {2}wide 900 px: head: 20 px taller; main: 20 px lower and 1 more\n/
	);
	assert.match(out, /\n1 of 2 pages changed\.\n/);
	const svg = await readFile(drawing, 'utf8');
	assert.equal(svg.match(/<g class="drawing"/g)?.length, 3, 'one page at three widths');
	assert.match(svg, /class="before"/);
	const json = await run('compare', before, later, '--json');
	const schema = z.array(
		z.object({
			page: z.string(),
			screens: z.array(
				z.object({
					column: z.object({ width: z.number() }),
					moved: z.array(z.object({ box: z.string() }))
				})
			)
		})
	);
	const [change] = schema.parse(JSON.parse(json.out));
	assert.deepEqual(change?.screens.map(({ column }) => column.width), [900]); // prettier-ignore
	assert.equal((await run('compare', before, join(folder, 'nowhere.eave'))).code, 2);
	assert.equal((await run('compare', before, later, '--widths', '12')).code, 2);
});

const doubtful = around(
	'route /x { title "X"; piece a """<h1>X</h1><h1>Y</h1><p>&copy; 2024</p>""" }'
);

test('check prints findings with line and caret, and ends with 0, 1 or 2', async () => {
	const file = join(folder, 'doubtful.eave');
	await writeFile(file, doubtful);
	const { code, out } = await run('check', file, '--year', '2031');
	assert.equal(code, 1);
	assert.match(
		out,
		/doubtful\.eave:\d+:\d+: warning: heading-twice: .*\n {2}\d+ \| route \/x .*\n {4,5}\| +\^~~\n.*on \/x/
	);
	assert.equal((await run('check', file, '--fail-on', 'error')).code, 0);
	assert.equal((await run('check', file, '--fail-on', 'maybe')).code, 2);
	assert.equal((await run('check', join(folder, 'nowhere.eave'))).code, 2);
});

test('check gives JSON that keeps to its schema, and a baseline that lets only what is new fail', async () => {
	const file = join(folder, 'baseline.eave');
	await writeFile(file, doubtful);
	const { out } = await run('check', file, '--format', 'json');
	const report = reportSchema.parse(JSON.parse(out));
	assert.ok(report.findings.some(({ code, mend }) => code === 'year-fixed' && mend === 'look'));
	const baseline = join(folder, 'baseline.json');
	await writeFile(baseline, out);
	await writeFile(file, `// a line more\n${doubtful}`);
	assert.equal((await run('check', file, '--baseline', baseline)).code, 0, 'lines may move');
	await writeFile(file, doubtful.replace('<h1>Y</h1>', '<h1>Y</h1><a href="/gone">Gone</a>'));
	assert.equal((await run('check', file, '--baseline', baseline)).code, 1);
	assert.equal((await run('check', file, '--baseline', file)).code, 2, 'no report');
});

test('check gives SARIF that is valid against its schema, with what is set aside', async () => {
	const read = async (path: string): Promise<object> =>
		z.looseObject({}).parse(JSON.parse(await readFile(`node_modules/${path}`, 'utf8')));
	const ajv = new Ajv({ schemaId: 'auto', meta: false });
	ajv.addMetaSchema(await read('ajv/lib/refs/json-schema-draft-04.json'));
	const isValid = ajv.compile(
		await read('@microsoft/jest-sarif/lib/schemas/sarif-2.1.0-rtm.5.json')
	);
	const file = join(folder, 'sarif.eave');
	await writeFile(
		file,
		doubtful.replace('title "X"', 'title "X"; allow heading-twice "two poems"')
	);
	for (const site of ['demo', file]) {
		const log: unknown = JSON.parse((await run('check', site, '--format', 'sarif')).out);
		assert.ok(isValid(log), JSON.stringify(isValid.errors));
	}
	assert.ok(
		!isValid({ version: '2.1.0', runs: [{ results: [{}] }] }),
		'the schema sees what is wrong'
	);
	const { out } = await run('check', file, '--format', 'sarif');
	assert.match(out, /"justification": "two poems"/);
});

test('the demo has no findings but those that it allows, and those that rest on guesses', async () => {
	const report = reportSchema.parse(
		JSON.parse((await run('check', 'demo', '--format', 'json')).out)
	);
	assert.deepEqual(
		report.findings.filter(({ estimated }) => !estimated).map(({ sentence }) => sentence),
		[]
	);
	assert.deepEqual([...new Set(report.aside.map(({ code }) => code))], ['order-differs']);
});

test('sizes without an end and files that cannot be written are refused with a sentence and exit code 2', async () => {
	for (const wrong of [
		['--width', '1e309'],
		['--widths', '280..99999999'],
		['--width', '900', '--height', '1e9']
	]) {
		const { code, errors } = await run('boxes', 'demo', '--route', '/', ...wrong);
		assert.deepEqual(
			[code, /Screens have 10000 px at most/.test(errors)],
			[2, true],
			wrong.join(' ')
		);
	}
	const [one, other] = [join(folder, 'one.eave'), join(folder, 'other.eave')];
	await writeFile(one, around('route /x { title "X"; piece a """<h1>X</h1>""" }'));
	await writeFile(other, around('route /x { title "X"; piece a """<h1>X</h1><p>more</p>""" }'));
	const nowhere = join(folder, 'not-there', 'sheet.svg');
	const { code, errors } = await run('compare', one, other, '--out', nowhere);
	assert.equal(code, 2);
	assert.match(errors, /sheet\.svg cannot be written/);
	assert.equal((await run('compare', one, other, '--widths', '99999999')).code, 2);
});
