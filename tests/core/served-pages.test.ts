import assert from 'node:assert/strict';
import { createServer, request, type IncomingMessage } from 'node:http';
import { once } from 'node:events';
import { test } from 'node:test';
import fc from 'fast-check';
import { parse, type DefaultTreeAdapterTypes } from 'parse5';
import { LivePages } from '../../src/cli/serve/live.ts';
import { Notices, type Noticed } from '../../src/cli/serve/notices.ts';
import { errorPage, signInPage } from '../../src/cli/serve/pages.ts';
import { around, resolve } from '../lib/site.ts';

/** What is served besides the pages of a site: its errors, the choice of a role, news of changes, and notices of sources. */

type Node = DefaultTreeAdapterTypes.Node;
type Element = DefaultTreeAdapterTypes.Element;

/** All elements of a document with a name, in their order. */
function named(node: Node, name: string): Element[] {
	const inner = 'childNodes' in node ? node.childNodes.flatMap((one) => named(one, name)) : [];
	return node.nodeName === name && 'attrs' in node ? [node, ...inner] : inner;
}

function textIn(node: Node): string {
	if (node.nodeName === '#text' && 'value' in node) return node.value;
	return 'childNodes' in node ? node.childNodes.map(textIn).join('') : '';
}

const attribute = (element: Element | undefined, name: string): string | undefined =>
	element?.attrs.find((one) => one.name === name)?.value;

test('errors are listed with their places, and what is written in the text is text there, too', () => {
	const site = resolve(around('route /x { piece a """<p>{<script>alert(1)</script>}</p>"""; admit "<b>" }')); // prettier-ignore
	const errors = site.problems.filter(({ severity }) => severity === 'error');
	assert.ok(errors.length > 0);
	const document = parse(errorPage(site.problems, site.reading.files.texts));
	const items = named(document, 'li');
	assert.equal(items.length, errors.length);
	for (const item of items) assert.match(textIn(item), /^site\.eave:8:\d+/);
	// No script but the one by which the page renews itself.
	assert.deepEqual(named(document, 'script').map((one) => attribute(one, 'src')), ['/.live.js']); // prettier-ignore
	assert.deepEqual(named(document, 'b'), []);
});

test('warnings do not keep a page from being shown, so they are not among the errors', () => {
	const site = resolve(around('route /x { piece a """<p>x</p>"""; allow style-unused "none" }'));
	const document = parse(errorPage(site.problems, site.reading.files.texts));
	assert.equal(named(document, 'li').length, 0);
});

test('whoever one is now is pressed; the first role is whoever has not signed in', () => {
	const pressed = (current: string | undefined): (string | undefined)[] =>
		named(parse(signInPage(['guest', 'member', 'keeper'], current, '/desk')), 'button')
			.filter((one) => attribute(one, 'aria-pressed') === 'true')
			.map((one) => attribute(one, 'value'));
	assert.deepEqual(pressed(undefined), ['guest']);
	assert.deepEqual(pressed('keeper'), ['keeper']);
	const none = parse(signInPage([], undefined, '/'));
	assert.deepEqual(named(none, 'button'), []);
	assert.match(textIn(none), /no roles, so everyone sees the same/);
});

test('where one came from is kept as it is, whatever it is made of (property)', () => {
	fc.assert(
		fc.property(fc.string({ maxLength: 30 }), (to) => {
			const wanted = `/${to.replace(/[\r\n\0]/g, '')}`;
			const [field] = named(parse(signInPage(['a', 'b'], 'b', wanted)), 'input');
			assert.equal(attribute(field, 'value'), wanted);
			assert.equal(named(parse(signInPage(['a'], 'a', wanted)), 'form').length, 1);
		})
	);
});

const sources: Noticed = {
	notice: (name) => (name === 'news' ? 'taken' : name === 'old' ? 'does not wait' : 'unknown')
};

/** What a request to the address of notices is answered. */
async function noticed(
	notices: Notices,
	path: string,
	method = 'POST',
	headers: Readonly<Record<string, string>> = {}
): Promise<readonly [number, string]> {
	let said: readonly [number, string] = [0, ''];
	const server = createServer((asked, response) => {
		const { status, says } = notices.answer(asked, sources);
		said = [status, says];
		response.end();
	});
	server.listen(0, '127.0.0.1');
	await once(server, 'listening');
	const bound = server.address();
	assert.ok(typeof bound === 'object' && bound);
	await new Promise<void>((answered, failed) => {
		request({ host: '127.0.0.1', port: bound.port, path, method, headers }, (response) => {
			response.resume();
			response.on('end', () => answered());
		})
			.on('error', failed)
			.end();
	});
	server.close();
	return said;
}

test('a notice is taken with its token alone, and without it nothing is learnt of the sources', async () => {
	const notices = new Notices('a token & more = all');
	const at = (name: string): string => new URL(notices.addressOf(name, 'http://site.test/')).pathname + new URL(notices.addressOf(name, 'http://site.test/')).search; // prettier-ignore
	assert.deepEqual(await noticed(notices, at('news')), [204, '']);
	assert.deepEqual(await noticed(notices, at('none')), [404, 'There is no data none from a URL.']);
	assert.match((await noticed(notices, at('old'))).join(' '), /^409 .*not "fresh notice"/);
	assert.deepEqual(await noticed(notices, at('news'), 'GET'), [405, 'Notices are given with POST.']); // prettier-ignore
	for (const path of ['/.notice/news', '/.notice/none?token=other', '/.notice/old?token=']) {
		for (const method of ['POST', 'GET']) {
			assert.deepEqual(await noticed(notices, path, method), [403, 'The token of this address is missing or wrong.']); // prettier-ignore
		}
	}
});

test('two sites have tokens of their own, which nobody can guess', () => {
	const tokens = Array.from({ length: 50 }, () => new Notices().addressOf('x', 'http://a/').split('=')[1]); // prettier-ignore
	assert.equal(new Set(tokens).size, 50);
	assert.ok(tokens.every((token) => (token?.length ?? 0) >= 32));
	assert.ok(new Notices().isFor('/.notice/x') && !new Notices().isFor('/notice/x'));
});

/** A page that wants to know of changes. */
class OpenPage {
	readonly ended: Promise<void>;
	private heard = '';
	private onHeard: () => void = () => undefined;

	constructor(
		response: IncomingMessage,
		readonly leave: () => void
	) {
		response.setEncoding('utf8');
		response.on('data', (part: string) => {
			this.heard += part;
			this.onHeard();
		});
		// Whoever leaves is told that the answer was cut off.
		response.on('error', () => undefined);
		this.ended = new Promise((ended) => response.on('close', () => ended()));
	}

	/** How often it was told of a change. */
	get times(): number {
		return this.heard.match(/data: changed\n\n/g)?.length ?? 0;
	}

	/** Waits until it was told so often. */
	async hears(times: number): Promise<void> {
		while (this.times < times) await new Promise<void>((heard) => (this.onHeard = heard));
	}
}

test('pages that are open hear of each change, those that are closed of none, and the end ends all', async () => {
	const live = new LivePages();
	const server = createServer((_, response) => live.add(response));
	server.listen(0, '127.0.0.1');
	await once(server, 'listening');
	const bound = server.address();
	assert.ok(typeof bound === 'object' && bound);
	const open = (): Promise<OpenPage> =>
		new Promise((opened, failed) => {
			const asked = request({ host: '127.0.0.1', port: bound.port, path: '/.live' }, (response) => {
				opened(new OpenPage(response, () => asked.destroy()));
			});
			asked.on('error', failed).end();
		});
	const [one, other] = [await open(), await open()];
	live.tell();
	await Promise.all([one.hears(1), other.hears(1)]);
	other.leave();
	await other.ended;
	live.tell();
	await one.hears(2);
	assert.equal(other.times, 1);
	live.close();
	await one.ended;
	server.close();
});
