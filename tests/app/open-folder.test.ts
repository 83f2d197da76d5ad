import assert from 'node:assert/strict';
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { fileURLToPath } from 'node:url';
import type { Page } from 'puppeteer-core';
import { openPage } from '../../scripts/lib/browser.ts';
import { anyPort } from '../../scripts/lib/setup.js';
import { named, textOf, until } from '../lib/app.ts';
import { openContext } from '../lib/browser.ts';
import { editorText, toEnd } from '../lib/source.ts';
import { longest } from '../lib/until.ts';

/** The application as the command line opens it on a folder of the disk. */

const text = [
	'site "Seed" { bands { narrow 0 } }',
	'layout frame at / { region main as main { slot } }',
	'route / { title "Home"; piece body """<h1>A</h1>""" }',
	''
].join('\n');
const bin = fileURLToPath(new URL('../../bin/long-eave.js', import.meta.url));

let folder = '';
let port = 0;
let page: Page;
let closeContext: () => Promise<void>;
let command: ChildProcess | undefined;

before(async () => {
	folder = await mkdtemp(join(tmpdir(), 'eave-open-'));
	port = await anyPort();
	const { context, close } = await openContext(folder);
	closeContext = close;
	page = await openPage(context);
	page.setDefaultTimeout(longest);
});
after(async () => {
	await closeContext();
	await end();
	await rm(folder, { recursive: true });
});

/** Starts the command, and gives the address that it writes. */
async function open(): Promise<string> {
	await end();
	const args = [bin, 'open', folder, '--port', String(port)];
	const started = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] });
	command = started;
	let said = '';
	started.stdout.setEncoding('utf8').on('data', (part: string) => (said += part));
	return until('it says where', () => Promise.resolve(/Open at (\S+)/.exec(said)?.[1]));
}

async function end(): Promise<void> {
	if (!command || command.exitCode !== null || command.signalCode !== null) return;
	const ended = once(command, 'exit');
	command.kill('SIGTERM');
	await ended;
}

const file = (): Promise<string> => readFile(join(folder, 'site.eave'), 'utf8');

function markSays(words: string): Promise<true> {
	return until(`the mark of the folder says “${words}”`, async () =>
		(await textOf(page, 'header .folder')).includes(words)
	);
}

test('a folder without a site gets the open one; the token does not stay in the address', async () => {
	await page.goto(await open());
	await (await named(page, 'button', 'Write it there')).click();
	await markSays('in step');
	const written = await readdir(folder, { recursive: true });
	const own = written.filter((name) => name.endsWith('.eave'));
	assert.ok(own.length > 1 && written.length > own.length, written.join());
	assert.doesNotMatch(page.url(), /folder=/);
	await (await page.waitForSelector('header .folder'))?.click();
	await (await named(page, 'button', 'Leave the folder')).click();
	await page.waitForFunction(() => !document.querySelector('header .folder'));
	await end();
});

test('both ways, while the command runs and after it was started again', async () => {
	for (const name of await readdir(folder)) {
		await rm(join(folder, name), { recursive: true });
	}
	await writeFile(join(folder, 'site.eave'), text);
	await page.goto(await open());
	await page.waitForSelector('[data-ready]');
	await markSays('in step');
	await (await named(page, 'link', 'Source')).click();
	assert.equal(await editorText(page), text);
	await toEnd(page);
	await page.keyboard.type('// typed\n');
	await until('it is written', async () => (await file()) === `${text}// typed\n`);
	await writeFile(join(folder, 'site.eave'), `${text.replace('>A<', '>There<')}// typed\n`);
	await until('it comes here', async () => (await editorText(page)).includes('>There<'));
	await end();
	await markSays('not in step');
	await page.keyboard.type('// alone\n');
	await page.goto(await open());
	await markSays('in step');
	await until('what was typed meanwhile is written', async () =>
		(await file()).endsWith('// typed\n// alone\n')
	);
	await page.reload();
	await markSays('in step');
});
