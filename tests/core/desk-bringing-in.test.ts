import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Desk } from '../../src/workers/desk/desk.ts';
import { BringIn, type ProofView } from '../../src/workers/desk/bringing-in.ts';
import { resolveSite } from '../../src/core/resolve/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { isSound } from '../../src/core/check/checked-site.ts';
import { prepare } from '../../src/core/edit/propose.ts';
import type { BroughtView } from '../../src/core/bring-in/brought-view.ts';
import type { Choice } from '../../src/core/bring-in/choosing/choice.ts';
import { folderOf, oldPage } from '../lib/brought.ts';
import { filesOf } from '../lib/desk.ts';
import { around, resolve } from '../lib/site.ts';

/** Pages are brought in by the worker: what is open stays until somebody takes what was found. */

const nothingSaid = (): void => undefined;

const pages = ['index.html', 'seeds/kale.html', 'seeds/bean.html', 'visit/index.html'];

/** The garden's old pages, and the sheet that all of them link to. */
function garden(): Map<string, Uint8Array> {
	return folderOf({
		...Object.fromEntries(
			pages.map((path, at) => [
				path,
				oldPage(
					{
						path,
						title: `Page ${at}`,
						content: `<h1>Page ${at}</h1><p>Words of page ${at}, and of no other.</p>`,
						...(at === 1 && { aside: '<h2>Kale</h2>' })
					},
					'floats'
				)
			])
		),
		'css/site.css': '#side { float: left }',
		'js/menu.js': 'void 0;'
	});
}

/** What was found; a sentence why nothing was fails the test. */
async function foundIn(room: BringIn, files = garden()): Promise<BroughtView> {
	const answer = await room.find('garden.zip', files, nothingSaid);
	assert.ok(answer !== 'stopped' && 'frames' in answer, JSON.stringify(answer));
	return answer;
}

const room = (site?: string): BringIn =>
	new BringIn(2026, () => (site === undefined ? undefined : resolve(site)));

test('what pages share is found, each with the pages it is around, and what they bring of their own', async () => {
	const view = await foundIn(room());
	assert.equal(view.pages, 4);
	assert.deepEqual(view.alone, []);
	assert.deepEqual(view.notTaken, []);
	assert.deepEqual(view.frames[0]?.pages.toSorted(), pages.toSorted());
	assert.ok((view.frames[0]?.saved ?? 0) > 0);
	assert.ok(view.letters < view.bytes, 'the site says less than the pages did');
});

test('each page comes out as it came in, which is told as it is found out', async () => {
	const one = room();
	await foundIn(one);
	const said: ProofView[] = [];
	const proof = await one.prove((so) => said.push(so));
	assert.ok(proof);
	assert.deepEqual([proof.same, proof.of, proof.others], [4, 4, []]);
	assert.deepEqual(proof.paths.toSorted(), pages.toSorted());
	assert.ok(said.every(({ same, of }) => same <= of));
});

test('a page is shown as it came in, with its sheets in it, and as it would come out', async () => {
	const one = room();
	await foundIn(one);
	const before = one.cameIn('seeds/kale.html');
	assert.match(before?.html ?? '', /#side \{ float: left \}/);
	assert.match(before?.html ?? '', /Words of page 1/);
	const after = one.preview('seeds/kale.html');
	assert.match(after?.html ?? '', /Words of page 1/);
	assert.equal(after?.address, before?.address);
	assert.equal(one.cameIn('nowhere.html'), undefined);
	assert.equal(one.preview('nowhere.html'), undefined);
});

test('of each element of a page it is said whose it is, and those around one lead to it', async () => {
	const one = room();
	await foundIn(one);
	const parts = one.parts('seeds/kale.html');
	assert.ok(parts.length > 0);
	assert.deepEqual(one.parts('nowhere.html'), []);
	assert.deepEqual(one.around('nowhere.html', [0]), []);
});

test('files without a page, and files that are none, are refused with a sentence', async () => {
	const one = room();
	const none = await one.find('sheets.zip', folderOf({ 'css/site.css': 'p { }' }), nothingSaid);
	assert.deepEqual(none, {
		refused:
			'There is no page among these files: pages are files whose names end with .html or .htm.'
	});
	const frames = folderOf({ 'a.html': '<frameset><frame src="b.html"></frameset>' });
	const unread = await one.find('x.zip', frames, nothingSaid);
	assert.ok(unread !== 'stopped' && 'refused' in unread);
	// Nothing of what failed can be taken.
	assert.equal(one.take(), undefined);
	assert.equal(await one.prove(nothingSaid), undefined);
	assert.equal(one.choose([]), undefined);
});

test('what was found is taken once, as a site that has no errors', async () => {
	const one = room();
	await foundIn(one);
	const files = one.take();
	assert.ok(files);
	const site = resolveSite(readSiteFiles(files));
	assert.deepEqual(
		site.routes.map(({ pattern }) => pattern.text).toSorted(),
		['/index.html', '/seeds/bean.html', '/seeds/kale.html', '/visit/index.html']
			.map((address) => address.replace(/index\.html$/, ''))
			.map((address) => address.replace(/(.)\/$/, '$1'))
			.toSorted()
	);
	assert.ok(files.assets.has('css/site.css'));
	assert.equal(one.take(), undefined);
	assert.deepEqual(one.parts('index.html'), []);
});

test('a choice that the pages do not allow is refused with a sentence, and all stays as it was', async () => {
	const one = room();
	await foundIn(one);
	const before = one.preview('index.html')?.html;
	const unfit: Choice = { kind: 'element', page: 'index.html', at: [9, 9, 9], as: 'slot' };
	const refused = one.choose([unfit]);
	assert.ok(refused && 'refused' in refused && refused.refused.endsWith('.'));
	assert.equal(one.preview('index.html')?.html, before);
	const again = one.choose([]);
	assert.ok(again && 'frames' in again);
});

test('frames come into the open site in a folder of it, with their pages or without, as one edit', async () => {
	const one = room(around(''));
	assert.equal(one.intoSite([], 'old', true), undefined);
	await foundIn(one);
	for (const withPages of [true, false]) {
		const command = one.intoSite([], 'old', withPages);
		assert.ok(command);
		assert.equal(command.what, withPages ? '4 pages' : 'the frame of 4 pages');
		assert.ok(command.files.every(([path]) => path.startsWith('old/')));
		const { proposal, after } = prepare(resolve(around('')), command);
		assert.equal(proposal.kind, 'edit', proposal.kind === 'refused' ? proposal.sentence : '');
		assert.ok(after && isSound(after));
		const routes = after.site.routes.map(({ pattern }) => pattern.text);
		assert.equal(routes.filter((route) => route.startsWith('/old')).length, withPages ? 4 : 0);
		assert.ok(routes.includes('/'), 'what was open is there');
	}
});

test('looking for another stops the one before, and what is open in the application stays as it is', async () => {
	const desk = new Desk(2026);
	const { site } = desk.open(filesOf(around('')), undefined, 0);
	const one = new BringIn(2026, () => undefined);
	const first = one.find('first.zip', garden(), nothingSaid);
	const second = await foundIn(one);
	assert.equal(second.pages, 4);
	const answer = await first;
	assert.ok(answer === 'stopped' || 'frames' in answer);
	one.stop();
	assert.equal(site.name, 'Test');
});
