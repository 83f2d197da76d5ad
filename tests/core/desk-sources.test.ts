import assert from 'node:assert/strict';
import { test } from 'node:test';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { Desk } from '../../src/workers/desk/desk.ts';

/** Shared data in the application: asked for, kept, failing, and drawn with what it gives. */

const text = `site "Hours" { }
data hours from "https://hours.example/now" { fresh 60s; failed last }
data local from "list.json"
layout frame at / { region main as main { slot } }
route / { title "Hours"; piece now """<p>{data.hours.today}, {data.local.name}</p>""" }
`;
const home = { page: '/', address: undefined };

interface Asked {
	readonly method: string;
	readonly url: string;
}

/** Runs something while what is asked for is answered by the test. */
async function answered<T>(
	answers: (asked: Asked) => Response | Promise<Response>,
	work: (log: Asked[]) => Promise<T>
): Promise<T> {
	const { fetch } = globalThis;
	const log: Asked[] = [];
	globalThis.fetch = async (input, init) => {
		const asked = { method: init?.method ?? 'GET', url: String(input) };
		log.push(asked);
		return answers(asked);
	};
	try {
		return await work(log);
	} finally {
		globalThis.fetch = fetch;
	}
}

function opened(source = text): Desk {
	const desk = new Desk(2026);
	const assets = new Map([
		['list.json', encodeUtf8('{"name": "beds"}')],
		['copies/hours.json', encodeUtf8('{"today": "closed"}')]
	]);
	desk.open({ texts: new Map([['site.eave', source]]), assets }, home, 0);
	return desk;
}

const says = (words: string): Response =>
	new Response(JSON.stringify({ today: words }), {
		headers: { 'content-type': 'application/json', 'cache-control': 'max-age=30' }
	});

test('the copy of the site is shown until the source has been asked, then what that gives', async () => {
	const desk = opened();
	assert.match(desk.page(home)?.html ?? '', /closed, beds/);
	assert.deepEqual(desk.sources.due(['hours', 'local', 'none']), ['hours']);
	await answered(
		() => says('open till six'),
		async (log) => {
			assert.equal(await desk.sources.ask('hours', 'site-1'), true);
			assert.equal(log.length, 1);
			assert.match(log[0]?.url ?? '', /\/stand-in\/data\/hours\?of=site-1/);
		}
	);
	assert.match(desk.redraw(home).page?.html ?? '', /open till six, beds/);
	assert.deepEqual(desk.sources.due(['hours']), [], 'it may be a minute old');
	const [state, ...others] = desk.sources.states();
	assert.equal(others.length, 0, 'a file of the site is no source from elsewhere');
	assert.deepEqual([state?.answered, state?.failure, state?.lifetime], ['new', undefined, 30]);
});

test('the same answer again is nothing new, and draws nothing', async () => {
	const desk = opened();
	await answered(
		() => says('open'),
		async () => {
			assert.equal(await desk.sources.ask('hours', 's'), true);
			desk.redraw(home);
			assert.equal(await desk.sources.ask('hours', 's'), false);
		}
	);
});

test('a source that fails keeps what was there, says why, and is left alone for a while', async () => {
	const desk = opened();
	await answered(
		() => says('open'),
		() => desk.sources.ask('hours', 's')
	);
	await answered(
		() => new Response('no', { status: 500 }),
		async () => {
			assert.equal(await desk.sources.ask('hours', 's'), true, 'that it fails is to be drawn');
		}
	);
	assert.match(desk.redraw(home).page?.html ?? '', /open, beds/);
	const [state] = desk.sources.states();
	assert.equal(state?.answered, 'failed');
	assert.match(state?.failure ?? '', /500/);
	assert.deepEqual(desk.sources.due(['hours']), []);
	await answered(
		() => Promise.reject(new TypeError('fetch failed')),
		async () => {
			assert.equal(await desk.sources.ask('hours', 's'), false, 'it fails as before');
		}
	);
	await answered(
		() => says('open again'),
		async () => {
			assert.equal(await desk.sources.ask('hours', 's'), true);
		}
	);
	assert.match(desk.redraw(home).page?.html ?? '', /open again, beds/);
	assert.equal(desk.sources.states()[0]?.failure, undefined);
});

test('a stand-in that has nothing yet is given the copy of the site first', async () => {
	const desk = opened();
	let has = false;
	await answered(
		({ method }) => {
			if (method === 'PUT') has = true;
			if (method === 'PUT') return new Response('');
			return has ? says('closed') : new Response('', { status: 404 });
		},
		async (log) => {
			await desk.sources.ask('hours', 's');
			assert.deepEqual(log.map(({ method }) => method), ['GET', 'PUT', 'GET']); // prettier-ignore
		}
	);
	assert.equal(desk.sources.states()[0]?.failure, undefined);
});

test('a source that no one knows is not asked', async () => {
	const desk = opened();
	await answered(
		() => says('x'),
		async (log) => {
			assert.equal(await desk.sources.ask('nothing', 's'), false);
			assert.deepEqual(log, []);
		}
	);
});

test('a source of "fresh notice" is due when it says that it changed, whatever failed before', async () => {
	const desk = opened(text.replace('fresh 60s', 'fresh notice'));
	await answered(
		() => says('open'),
		() => desk.sources.ask('hours', 's')
	);
	assert.deepEqual(desk.sources.due(['hours']), []);
	desk.sources.notice('hours');
	assert.deepEqual(desk.sources.due(['hours']), ['hours']);
	assert.notEqual(desk.sources.states()[0]?.noticed, undefined);
	await answered(
		() => new Response('no', { status: 500 }),
		() => desk.sources.ask('hours', 's')
	);
	assert.deepEqual(desk.sources.due(['hours']), [], 'it failed, and is left alone');
	desk.sources.notice('hours');
	assert.deepEqual(desk.sources.due(['hours']), ['hours']);
	const other = opened();
	await answered(
		() => says('open'),
		() => other.sources.ask('hours', 's')
	);
	other.sources.notice('hours');
	assert.deepEqual(other.sources.due(['hours']), [], 'with "fresh 60s" nobody waits for it');
});
