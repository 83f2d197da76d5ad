import assert from 'node:assert/strict';
import { once } from 'node:events';
import {
	chmod,
	mkdir,
	mkdtemp,
	readdir,
	readFile,
	rm,
	stat,
	symlink,
	writeFile
} from 'node:fs/promises';
import { createServer, request, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { FolderRequests } from '../../src/cli/open/folder-requests.ts';
import { run } from '../../src/cli/main.ts';
import { agreedFrom, InStep } from '../../src/core/in-step/in-step.ts';
import { PlaceFailure } from '../../src/core/in-step/place.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { ServedPlace } from '../../src/store/folder/served-place.ts';
import { editBoth, Mirror, OneSide } from '../lib/in-step.ts';

/** A folder on the disk, which the application asks the command line for. */

const text =
	'site "Seed" {}\nlayout frame at / { region main as main { slot } }\nroute / { title "Home" }\n';
const token = 'a-token-that-nobody-knows';

let folder = '';
let server: Server;
let port = 0;
let place: ServedPlace;

before(async () => {
	folder = await mkdtemp(join(tmpdir(), 'eave-open-'));
	await writeFile(join(folder, 'site.eave'), text);
	const requests = new FolderRequests(folder, token, () => [`127.0.0.1:${port}`]);
	server = createServer((asked, answer) => {
		if (!requests.take(asked, answer)) answer.writeHead(404).end();
	}).listen(0, '127.0.0.1');
	await once(server, 'listening');
	const at = server.address();
	assert.ok(typeof at === 'object' && at !== null);
	port = at.port;
	place = new ServedPlace(`http://127.0.0.1:${port}`, token);
});
after(async () => {
	server.close();
	server.closeAllConnections();
	await rm(folder, { recursive: true });
});

/** Status and words of an answer to a request as it is given. */
function asked(
	method: string,
	path: string,
	headers: Readonly<Record<string, string>> = {},
	body = ''
): Promise<{ status: number; says: string }> {
	return new Promise((resolve, reject) => {
		const sent = request(
			{ host: '127.0.0.1', port, method, path, headers: { authorization: `Bearer ${token}`, ...headers } },
			(answer) => {
				let says = '';
				answer.setEncoding('utf8').on('data', (part: string) => (says += part));
				answer.on('end', () => resolve({ status: answer.statusCode ?? 0, says }));
			}
		); // prettier-ignore
		sent.on('error', reject);
		sent.end(body);
	});
}

test('only who knows the token gets at the folder, and only by the name of this machine', async () => {
	const wrong = await asked('GET', '/.folder/', { authorization: 'Bearer guessed' });
	assert.equal(wrong.status, 403);
	assert.match(wrong.says, /^The token of this address is missing/);
	assert.equal((await asked('GET', '/.folder/site.eave', { authorization: '' })).status, 403);
	const elsewhere = await asked('GET', '/.folder/', { host: `evil.example:${port}` });
	assert.equal(elsewhere.status, 403);
	assert.doesNotMatch(elsewhere.says, /site\.eave/);
	const listing = await asked('GET', '/.folder/');
	assert.equal(listing.status, 200);
	assert.match(listing.says, /"site\.eave"/);
});

test('no path leads out of the folder, nor to what is no file of a site', async () => {
	await mkdir(join(folder, 'node_modules'), { recursive: true });
	await writeFile(join(folder, 'node_modules/a.eave'), 'a');
	await writeFile(join(folder, '.secret'), 'a');
	await symlink(tmpdir(), join(folder, 'out'));
	await symlink(join(folder, '.secret'), join(folder, 'link.txt'));
	const any = { 'if-none-match': '*' };
	for (const path of [
		'/.folder/%2e%2e/x.txt',
		'/.folder/a%2f..%2f..%2fx.txt',
		'/.folder//x.txt',
		'/.folder/.secret',
		'/.folder/node_modules/a.eave',
		'/.folder/out/x.txt',
		'/.folder/link.txt',
		'/.folder/%E0%A4'
	]) {
		for (const method of ['GET', 'PUT', 'DELETE']) {
			const { status } = await asked(method, path, any, method === 'PUT' ? 'x' : '');
			assert.ok([400, 404, 412].includes(status), `${method} ${path}: ${status}`);
		}
	}
	assert.deepEqual([...(await place.list()).keys()], ['site.eave']);
	assert.equal(await readFile(join(folder, '.secret'), 'utf8'), 'a');
	await assert.rejects(stat(join(tmpdir(), 'x.txt')));
	for (const name of ['out', 'link.txt', '.secret', 'node_modules']) {
		await rm(join(folder, name), { recursive: true });
	}
});

test('what is written says what it expects to find, and is put in place whole with the rights it had', async () => {
	assert.equal((await asked('PUT', '/.folder/site.eave', {}, 'x')).status, 428);
	assert.equal(
		(await asked('PUT', '/.folder/site.eave', { 'if-match': '"another"' }, 'x')).status,
		412
	);
	assert.equal(
		(await asked('PUT', '/.folder/site.eave', { 'if-none-match': '*' }, 'x')).status,
		412
	);
	assert.equal(
		(await asked('DELETE', '/.folder/site.eave', { 'if-match': '"another"' })).status,
		412
	);
	assert.equal((await asked('POST', '/.folder/site.eave')).status, 405);
	assert.equal(await readFile(join(folder, 'site.eave'), 'utf8'), text);
	await chmod(join(folder, 'site.eave'), 0o640);
	const there = await place.read('site.eave');
	assert.ok(there);
	assert.ok(await place.write('site.eave', encodeUtf8('new'), there));
	assert.equal(
		await place.write('site.eave', encodeUtf8('newer'), there),
		undefined,
		'it is another'
	);
	assert.equal(await readFile(join(folder, 'site.eave'), 'utf8'), 'new');
	assert.equal((await stat(join(folder, 'site.eave'))).mode & 0o777, 0o640);
	assert.ok(await place.write('deep/er/a.css', encodeUtf8('a {}'), undefined));
	assert.deepEqual(await readdir(folder), ['deep', 'site.eave'], 'nothing is left beside');
	const deep = await place.read('deep/er/a.css');
	assert.ok(deep);
	assert.equal(await place.remove('deep/er/a.css', deep), true);
	assert.equal(await place.read('deep/er/a.css'), undefined);
	await rm(join(folder, 'deep'), { recursive: true });
	await writeFile(join(folder, 'site.eave'), text);
});

test('a folder that is gone, and a command that has ended, are said', async () => {
	const requests = new FolderRequests(join(folder, 'none'), token, () => [`127.0.0.1:${own}`]);
	let own = 0;
	const other = createServer((one, answer) => void requests.take(one, answer)).listen(
		0,
		'127.0.0.1'
	);
	await once(other, 'listening');
	const at = other.address();
	assert.ok(typeof at === 'object' && at !== null);
	own = at.port;
	const there = new ServedPlace(`http://127.0.0.1:${own}`, token);
	await assert.rejects(there.list(), (failure) =>
		failure instanceof PlaceFailure && failure.why === 'gone' && failure.message === 'The folder is not there any more.'
	); // prettier-ignore
	other.close();
	other.closeAllConnections();
	await assert.rejects(there.list(), (failure) =>
		failure instanceof PlaceFailure && failure.why === 'gone' && failure.message.includes('does not answer')
	); // prettier-ignore
});

test('a site and its folder are in step through the command line', async () => {
	const begun = new Map([['site.eave', encodeUtf8(text)]]);
	const side = new OneSide(begun);
	const pair = new InStep(place, side, agreedFrom(begun));
	const look = async (): Promise<void> => {
		while ((await pair.look()).restless);
	};
	side.put('site.eave', text.replace('Home', 'Here'));
	side.put('styles/ä b.css', 'a {}');
	await look();
	assert.match(await readFile(join(folder, 'site.eave'), 'utf8'), /Here/);
	assert.equal(await readFile(join(folder, 'styles/ä b.css'), 'utf8'), 'a {}');
	await writeFile(join(folder, 'site.eave'), text.replace('Home', 'There'));
	await rm(join(folder, 'styles'), { recursive: true });
	await look();
	assert.match(side.text('site.eave') ?? '', /There/);
	assert.equal(side.text('styles/ä b.css'), undefined);
	await writeFile(join(folder, 'site.eave'), text);
});

test('edits at random on both sides of a folder on the disk lose nothing', async () => {
	const read = async (): Promise<Map<string, string>> => {
		const names = (await readdir(folder)).filter((name) => !name.startsWith('.'));
		const files = names.map(async (name) => [name, await readFile(join(folder, name), 'utf8')] as const); // prettier-ignore
		return new Map(await Promise.all(files));
	};
	const write = (path: string, content: string | undefined): Promise<void> =>
		content === undefined ? rm(join(folder, path)) : writeFile(join(folder, path), content);
	const begun = new Map([['site.eave', encodeUtf8(text)]]);
	const edits = Number(process.env['EDITS'] ?? 1000);
	const left = await editBoth(11, edits, place, new Mirror(read, write), begun);
	assert.deepEqual(left, { edits, missing: [], differing: [] });
});

test('open takes a folder, and says what is wrong with anything else', async () => {
	const words: string[] = [];
	const streams = { out: (said: string) => void words.push(said), errors: (said: string) => void words.push(said) }; // prettier-ignore
	assert.equal(await run(['open', join(folder, 'site.eave')], streams), 2);
	assert.equal(await run(['open', join(folder, 'none')], streams), 2);
	assert.equal(await run(['open', folder, '--port', 'x'], streams), 2);
	assert.match(words.join(''), /is a file: open takes a folder[^]*cannot be opened: it is not there[^]*--port needs a number/); // prettier-ignore
});
