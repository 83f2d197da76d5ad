import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { checkSite } from '../../src/core/check/site.ts';
import { isSound, type CheckedSite } from '../../src/core/check/checked-site.ts';
import { propose } from '../../src/core/edit/propose.ts';
import type { HolderRef, LayerRef, Side, Command } from '../../src/core/model/command.ts';
import { piecesIn } from '../../src/core/resolve/content/pieces.ts';
import { applyChanges, type Change } from '../../src/core/source/change.ts';
import type { SiteFiles } from '../../src/core/model/files.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { difference, makeOn, refusal } from '../lib/edits.ts';
import { runs } from '../lib/runs.ts';

/** Everything that the text can say can be said by an edit of a drawing, as a small change of the text. */

const text = `site "Test" {
  bands { narrow 0; medium 640; wide 1024 }
  roles { visitor; keeper }
  tokens { --gutter: 16px; --gutter @wide: 24px }
}
layout frame at / {
  pad var(--gutter)
  arrange areas { "head head" 64px; "menu main" 1fr; columns 180px 1fr }
  arrange stack @medium { gap 8px }
  region head as header { piece name """<b>Test &amp; more</b>""" }
  region menu as nav { width 50% @medium; piece links nav from / depth 1 }
  region main as main { slot }
}
layout tools at / on-request { region body as div { slot } }
route / { title "Home"; piece body """<p style="gap: var( --gutter )">One <i>two</i> {site.name}</p>"""; fill menu after { piece extra """<p>extra</p>""" } }
route /kinds/:kind { samples "kale"; admit keeper; piece body """<img src="images/pod.svg" alt="">""" }
`;
const frame = { layout: 'frame', box: undefined };
const menu = { layout: 'frame', region: 'menu' };
const home: LayerRef = { kind: 'route', name: '/' };
const own: HolderRef = { layer: home, region: undefined };
const inMenu: HolderRef = { layer: { kind: 'layout', name: 'frame' }, region: menu };

/** What a command leaves of the text and adds to it. */
function lines(command: Command, from = text): { gone: string; come: string; said: string } {
	const { text: after, said } = makeOn(from, command);
	const { gone, come } = difference(from, after);
	return { gone: gone.join('\n'), come: come.join('\n'), said };
}

test('a site: its words, bands with all that is said for them, roles with all that admits them', () => {
	assert.match(lines({ kind: 'set-site', part: 'name', value: 'A "new" name' }).come, /^site "A \\"new\\" name" \{$/);
	assert.match(lines({ kind: 'set-site', part: 'dir', value: 'rtl' }).come, /^ {2}dir rtl$/);
	assert.match(refusal(text, { kind: 'set-site', part: 'address', value: 'nowhere' }), /nowhere/);
	assert.match(lines({ kind: 'add-band', name: 'huge', from: 1440 }).come, /wide 1024; huge 1440 \}/);
	assert.match(lines({ kind: 'add-band', name: 'small', from: 400 }).come, /narrow 0; small 400; medium 640/);
	assert.match(refusal(text, { kind: 'add-band', name: 'other', from: 640 }), /medium starts at 640 px already/);
	const renamed = makeOn(text, { kind: 'rename-band', band: 'medium', to: 'tablet' }).text;
	assert.deepEqual([...renamed.matchAll(/tablet/g)].length, 3);
	assert.doesNotMatch(renamed, /medium/);
	const removed = lines({ kind: 'remove-band', band: 'medium' });
	assert.match(removed.said, /2 values that start at medium would go with it, in frame and menu; what holds at narrow/);
	assert.doesNotMatch(removed.come, /@medium/);
	assert.match(refusal(text, { kind: 'remove-band', band: 'narrow' }), /narrowest band/);
	assert.match(lines({ kind: 'add-role', name: 'member' }).come, /visitor; keeper; member/);
	assert.match(makeOn(text, { kind: 'rename-role', name: 'keeper', to: 'warden' }).text, /admit warden/);
	assert.match(refusal(text, { kind: 'remove-role', name: 'keeper' }), /admits keeper and no one else/);
}); // prettier-ignore

test('tokens: a value for each band, a name through all its uses, and none goes that is used', () => {
	assert.match(lines({ kind: 'set-token', name: '--gutter', value: '20px', band: 'medium' }).come, /--gutter: 16px; --gutter @medium: 20px; --gutter @wide: 24px/);
	assert.match(lines({ kind: 'set-token', name: '--gutter', value: undefined, band: 'wide' }).come, /\{ --gutter: 16px \}/);
	assert.match(lines({ kind: 'set-token', name: '--leaf', value: '#2c6e49', band: 'narrow' }).come, /--leaf: #2c6e49/);
	const renamed = makeOn(text, { kind: 'rename-token', name: '--gutter', to: '--space' }).text;
	assert.equal([...renamed.matchAll(/--space/g)].length, 4);
	assert.doesNotMatch(renamed, /--gutter/);
	assert.match(refusal(text, { kind: 'remove-token', name: '--gutter' }), /used in 2 places/);
}); // prettier-ignore

test('layers: title, description, who is let in, which pages, on request, what bands look at', () => {
	assert.match(lines({ kind: 'set-words', layer: home, part: 'title', value: 'Say "hi" {site.name}' }).come, /title "Say \\"hi\\" \{site.name\}"/);
	assert.match(lines({ kind: 'set-words', layer: { kind: 'layout', name: 'frame' }, part: 'title', value: '{page.title} | T' }).come, /^ {2}title "\{page.title\} \| T"$/);
	assert.doesNotMatch(makeOn(text, { kind: 'set-words', layer: home, part: 'title', value: undefined }).text, /title/);
	const kinds: LayerRef = { kind: 'route', name: '/kinds/:kind' };
	assert.match(lines({ kind: 'set-admit', layer: kinds, roles: ['visitor', 'keeper'] }).come, /admit visitor keeper/);
	assert.doesNotMatch(makeOn(text, { kind: 'set-admit', layer: kinds, roles: [] }).text, /admit/);
	assert.match(lines({ kind: 'set-pages', pattern: '/kinds/:kind', pages: { kind: 'samples', values: ['kale', 'bean'] } }).come, /samples "kale", "bean"/);
	assert.doesNotMatch(makeOn(text, { kind: 'set-pages', pattern: '/kinds/:kind', pages: { kind: 'one' } }).text, /samples/);
	assert.match(lines({ kind: 'set-on-request', name: 'tools', on: false }, text.replace('layout tools at /', 'layout tools at /kinds')).come, /layout tools at \/kinds \{/);
	assert.match(refusal(text, { kind: 'set-on-request', name: 'tools', on: false }), /frame/);
	assert.match(lines({ kind: 'set-measure', name: 'frame', by: 'space' }).come, /^ {2}measure by space$/);
	assert.match(makeOn(text, { kind: 'add-layout', name: 'card', at: '/kinds', onRequest: true }).text, /layout card at \/kinds on-request \{/);
}); // prettier-ignore

test('tracks: added, taken away, several in the place of one, always with their cells', () => {
	const wide = 'narrow';
	assert.match(lines({ kind: 'add-track', box: frame, axis: 'columns', index: 2, band: wide }).come, /"head head \." 64px; "menu main \." 1fr; columns 180px 1fr 1fr/);
	assert.match(lines({ kind: 'add-track', box: frame, axis: 'columns', index: 1, band: wide }).come, /"head head head" 64px; "menu \. main" 1fr; columns 180px 1fr 1fr/);
	assert.match(lines({ kind: 'set-track', box: frame, axis: 'columns', index: 1, size: '1fr 2fr', band: wide }).come, /"head head head" 64px; "menu main main" 1fr; columns 180px 1fr 2fr/);
	assert.match(lines({ kind: 'add-track', box: frame, axis: 'columns', index: 2, band: wide, count: 3 }).come, /"head head \. \. \." 64px; "menu main \. \. \." 1fr; columns 180px 1fr 1fr 1fr 1fr/); // prettier-ignore
	assert.match(refusal(text, { kind: 'remove-track', box: frame, axis: 'columns', index: 1, band: wide, count: 2 }), /last of the columns/); // prettier-ignore
	const row = makeOn(text, { kind: 'add-track', box: frame, axis: 'rows', index: 2, band: wide }).resolved;
	const [areas] = row.site.layouts[0]?.arrangements ?? [];
	assert.ok(areas?.kind === 'areas');
	assert.deepEqual(areas.rows.map(({ cells, size }) => [...cells, size]), [['head', 'head', '64px'], ['menu', 'main', '1fr'], ['.', '.', '80px']]);
	const away = lines({ kind: 'remove-track', box: frame, axis: 'columns', index: 0, band: wide });
	assert.match(away.come, /"head" 64px; "main" 1fr; columns 1fr/);
	assert.match(away.said, /menu/, 'what is hidden by it is said');
	const copied = lines({ kind: 'set-columns', box: { layout: 'frame', box: 'menu' }, said: { columns: '3', rows: 'any' }, band: 'wide' }, text.replace('width 50% @medium', 'arrange columns 2 rows 2'));
	assert.match(copied.come, /arrange columns 3 @wide/);
}); // prettier-ignore

test('arrangements start from what holds, and say no gap that was not asked for', () => {
	const region = { layout: 'frame', box: 'menu' };
	assert.match(lines({ kind: 'set-arrangement', box: region, arrangement: 'row', band: 'narrow' }).come, /arrange row(?! \{)/);
	assert.match(lines({ kind: 'set-arrangement', box: frame, arrangement: 'areas', band: 'medium' }).come, /arrange areas @medium \{\n {4}"head" auto\n {4}"menu" auto\n {4}"main" auto\n {4}gap 8px\n {2}\}/);
	assert.match(lines({ kind: 'set-arrangement', box: frame, arrangement: 'areas', band: 'wide' }).come, /arrange areas @wide/);
	const columns = text.replace('arrange stack @medium { gap 8px }', 'arrange columns 6 @medium').replace('width 50% @medium', 'span 2 @medium').replace('{ slot }', '{ slot; span 4 @medium }');
	assert.match(lines({ kind: 'set-arrangement', box: frame, arrangement: 'areas', band: 'medium' }, columns).come, /"head head" auto\n {4}"menu main" auto\n {4}columns minmax\(0, 2fr\) minmax\(0, 4fr\)/);
	const line = text.replace('arrange stack @medium { gap 8px }', 'arrange row @medium { gap 8px; wrap }');
	assert.match(lines({ kind: 'set-arranged', box: frame, word: 'justify', value: 'between', band: 'wide' }, line).come, /arrange row @wide \{\n {4}gap 8px\n {4}wrap\n {4}justify between\n {2}\}/);
	assert.match(lines({ kind: 'set-arranged', box: frame, word: 'gap', value: undefined, band: 'medium' }).come, /arrange stack @medium \{ {1,2}\}/);
}); // prettier-ignore

test('members: wrapped as they lay, unwrapped again, put before and after each other', () => {
	const one = text.replace('  arrange stack @medium { gap 8px }\n', '');
	const wrapped = makeOn(one, { kind: 'wrap', layout: 'frame', members: ['menu', 'main'], name: 'body' });
	assert.match(wrapped.text, /"head head" 64px; "body body" 1fr/);
	assert.match(wrapped.text, /wrapper body \{\n {4}arrange areas \{\n {6}"menu main" 1fr\n {6}columns 180px 1fr\n {4}\}\n {4}region menu/);
	const back = makeOn(wrapped.text, { kind: 'unwrap', layout: 'frame', name: 'body' });
	assert.match(back.text, /"head head" 64px; "menu main" 1fr; columns 180px 1fr/);
	assert.match(refusal(one, { kind: 'wrap', layout: 'frame', members: ['head', 'menu'], name: 'top' }), /main lies between/);
	const moved = makeOn(text, { kind: 'place-member', layout: 'frame', name: 'main', beside: { name: 'menu', where: 'before' } });
	assert.deepEqual(moved.resolved.site.layouts[0]?.regions.map((region) => region.name.text), ['head', 'main', 'menu']);
	assert.match(lines({ kind: 'set-element', region: menu, element: 'aside' }).come, /region menu as aside/);
	const painted = lines({ kind: 'add-region', layout: 'frame', name: 'side', element: 'aside', area: { box: frame, band: 'narrow', cells: [['main', 'main'], ['menu', 'side']] } }, one.replace('"menu main" 1fr', '"menu ." 1fr').replace('"head head"', '"main main"'));
	assert.match(painted.come, /"menu side" 1fr/);
}); // prettier-ignore

test('a region changes places with another, or goes to one of its sides with a track of its own', () => {
	const move = (side: Side, member = 'menu', target = 'main'): string[] => {
		const { resolved } = makeOn(text, { kind: 'move-area', box: frame, member, target, side, band: 'narrow' });
		const [areas] = resolved.site.layouts[0]?.arrangements ?? [];
		assert.ok(areas?.kind === 'areas');
		return [...areas.rows.map(({ cells, size }) => `${cells.join(' ')}, ${size}`), areas.columns?.text ?? ''];
	};
	assert.deepEqual(move('swap'), ['head head, 64px', 'main menu, 1fr', '180px 1fr']);
	assert.deepEqual(move('right'), ['head head, 64px', 'main menu, 1fr', '1fr 180px']);
	assert.deepEqual(move('below'), ['head, 64px', 'main, 1fr', 'menu, auto', '1fr']);
	assert.deepEqual(move('above', 'menu', 'head'), ['menu, auto', 'head, 64px', 'main, 1fr', '1fr']);
	const line = text.replace(/arrange areas [^\n]*\n/, '');
	const before = makeOn(line, { kind: 'move-area', box: frame, member: 'main', target: 'head', side: 'above', band: 'narrow' });
	assert.deepEqual(before.resolved.site.layouts[0]?.regions.map(({ name }) => name.text), ['main', 'head', 'menu']);
}); // prettier-ignore

test('pieces: settings of their own, lists of links, copies, other places, words', () => {
	const piece = { holder: own, piece: 'body' };
	const set = makeOn(text, { kind: 'set-setting', box: piece, setting: 'pad', value: '8px', band: 'narrow' }).text;
	assert.match(set, /piece body \{ pad 8px \} """<p style/);
	const again = makeOn(set, { kind: 'set-setting', box: piece, setting: 'order', value: '2', band: 'wide' }).text;
	assert.match(again, /\{ pad 8px; order 2 @wide \}/);
	assert.equal(makeOn(set, { kind: 'set-setting', box: piece, setting: 'pad', value: undefined, band: 'narrow' }).text, text);
	const links = { holder: inMenu, piece: 'links' };
	assert.match(lines({ kind: 'set-setting', box: links, setting: 'pad', value: '8px', band: 'wide' }).come, /nav from \/ depth 1 \{ pad 8px @wide \}/);
	assert.match(lines({ kind: 'set-nav', holder: inMenu, name: 'links', said: { from: '/kinds', depth: 2, withStart: false } }).come, /links nav from \/kinds depth 2/);
	assert.match(makeOn(text, { kind: 'add-piece', holder: own, name: 'list', start: { kind: 'nav', from: '/', depth: 2 } }).text, /piece list nav from \/ depth 2/);
	assert.match(makeOn(text, { kind: 'add-piece', holder: own, name: 'twin', start: { kind: 'copy', of: piece } }).text, /piece twin """<p style/);
	const moved = makeOn(text, { kind: 'move-piece', holder: { layer: home, region: menu }, name: 'extra', to: own }).text;
	assert.doesNotMatch(moved, /fill menu/);
	const there = makeOn(text, { kind: 'move-piece', holder: inMenu, name: 'links', to: { layer: home, region: { layout: 'frame', region: 'head' } } }).text;
	assert.match(there, /fill head after \{\s+piece links nav from \/ depth 1\s+\}/);
}); // prettier-ignore

test('states: added for a route and all below it, once, and taken away', () => {
	const added = makeOn(text, { kind: 'add-state', state: 'denied', at: '/kinds' });
	assert.match(added.text, /state denied at \/kinds \{\n {2}title "Not for you"/);
	assert.match(refusal(added.text, { kind: 'add-state', state: 'denied', at: '/kinds' }), /denied at \/kinds already/);
	assert.match(makeOn(added.text, { kind: 'add-state', state: 'failed', at: '/' }).text, /denied at[^]*state failed at \/ /);
	assert.equal(makeOn(added.text, { kind: 'remove-state', name: 'denied at /kinds' }).text.trimEnd(), text.trimEnd());
	assert.match(refusal(text, { kind: 'add-state', state: 'loading', at: 'kinds' }), /kinds/);
	assert.match(refusal(text, { kind: 'remove-state', name: 'failed at /' }), /no state failed at \/ any more/);
}); // prettier-ignore

test('any series of such edits of the demo leaves a sound site, and undoing gives all files back', async () => {
	const files = await readSitePath('demo');
	const start = checkSite(readSiteFiles(files));
	let taken = 0;
	fc.assert(
		fc.property(fc.array(fc.nat(1_000_000), { minLength: 1, maxLength: 10 }), (numbers) => {
			let resolved = start;
			const undo: (readonly Change[])[] = [];
			for (const number of numbers) {
				const command = anyCommand(resolved, number);
				const proposal = propose(resolved, command);
				if (proposal.kind === 'refused') continue;
				taken++;
				const { texts, assets, inverse } = applyChanges(resolved.reading.files, proposal.changes);
				const next = checkSite(readSiteFiles({ texts, assets }, resolved.reading));
				assert.ok(isSound(next), JSON.stringify([command, proposal, next.problems], null, 1));
				undo.unshift(inverse);
				resolved = next;
			}
			let last: SiteFiles = resolved.reading.files;
			for (const inverse of undo) last = applyChanges(last, inverse);
			assert.deepEqual([...last.texts], [...files.texts]);
			assert.deepEqual([...last.assets].sort(), [...files.assets].sort());
		}),
		{ ...runs(14, 7), includeErrorInReport: true }
	);
	assert.ok(taken > 25, `only ${taken} of the edits were taken`);
});

/** Some command of those that are new here, chosen by a number. */
function anyCommand(resolved: CheckedSite, number: number): Command {
	let state = number;
	const pick = <T>(list: readonly T[]): T => {
		state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
		for (const one of list.slice((state >> 8) % list.length)) return one;
		throw new RangeError('There is nothing to pick from.');
	};
	const { layouts, routes, settings } = resolved.site;
	const layout = pick(layouts);
	const name = layout.name.text;
	const member = pick(layout.members).name.text;
	const other = pick(layout.regions).name.text;
	const route = pick(routes);
	const layer = pick<LayerRef>([
		{ kind: 'layout', name },
		{ kind: 'route', name: route.pattern.text }
	]);
	const content: HolderRef = { layer: { kind: 'route', name: route.pattern.text }, region: undefined };
	const given: HolderRef = { layer: { kind: 'layout', name }, region: { layout: name, region: other } };
	const piece = pick([...piecesIn(route), { name: { text: 'none' } }]).name.text;
	const band = pick(settings.bands).name.text;
	const token = pick([...settings.tokens, { name: { text: '--none' } }]).name.text;
	const file = pick([...resolved.reading.files.assets.keys(), 'none']);
	const box = { layout: name, box: pick([undefined, member, other]) };
	const axis = pick(['columns', 'rows'] as const);
	const index = pick([0, 1, 2]);
	return pick<Command>([
		{ kind: 'set-site', part: pick(['name', 'lang', 'dir']), value: pick(['rtl', 'de', undefined]) },
		{ kind: 'add-band', name: `b${number % 4}`, from: pick([300, 900, 1500]) },
		{ kind: 'rename-band', band, to: `c${number % 4}` },
		{ kind: 'remove-band', band },
		{ kind: 'add-role', name: `r${number % 3}` },
		{ kind: 'rename-role', name: pick([...settings.roles, { text: 'none' }]).text, to: `s${number % 3}` },
		{ kind: 'remove-role', name: pick([...settings.roles, { text: 'none' }]).text },
		{ kind: 'set-token', name: pick([token, '--new']), value: pick(['9px', '#abc', undefined]), band },
		{ kind: 'rename-token', name: token, to: `--t${number % 3}` },
		{ kind: 'remove-token', name: token },
		{ kind: 'put-file', file: pick([file, 'images/x.png']), bytes: new Uint8Array([number % 256]) },
		{ kind: 'rename-file', file, to: `images/y${number % 3}.svg` },
		{ kind: 'remove-file', file },
		{ kind: 'set-words', layer, part: pick(['title', 'description']), value: pick(['New "one"', undefined]) },
		{ kind: 'set-admit', layer, roles: pick([[], ['keeper'], ['visitor']]) },
		{ kind: 'set-on-request', name, on: number % 2 === 0 },
		{ kind: 'set-measure', name, by: pick(['screen', 'space']) },
		{ kind: 'set-sheets', name, do: pick(['move', 'paint']) },
		{ kind: 'set-box-attributes', layout: name, box: pick([member, other]), text: pick(['class="x"', undefined]) },
		{ kind: 'set-setting', box: { holder: content, piece }, setting: pick(['pad', 'order']), value: pick(['2', undefined]), band },
		{ kind: 'set-arrangement', box, arrangement: pick(['areas', 'columns', 'row', 'stack', undefined]), band },
		{ kind: 'set-columns', box, said: pick([{ columns: '3', each: 1 }, { rows: 2, equalRows: true }, { columns: '90px 1fr' }]), band },
		{ kind: 'set-arranged', box, word: 'gap', value: pick(['4px', undefined]), band },
		{ kind: 'add-track', box, axis, index, band },
		{ kind: 'remove-track', box, axis, index, band },
		{ kind: 'set-track', box, axis, index, size: pick(['1fr 2fr', '90px']), band },
		{ kind: 'place-member', layout: name, name: member, beside: { name: other, where: pick(['before', 'after']) } },
		{ kind: 'wrap', layout: name, members: [member, other], name: `w${number % 3}` },
		{ kind: 'unwrap', layout: name, name: member },
		{ kind: 'move-area', box: { layout: name, box: undefined }, member, target: other, side: pick(['swap', 'left', 'below']), band },
		{ kind: 'set-element', region: { layout: name, region: other }, element: pick(['div', 'section']) },
		{ kind: 'add-piece', holder: pick([content, given]), name: `p${number % 3}`, start: { kind: 'nav', from: '/', depth: 1 } },
		{ kind: 'add-piece', holder: content, name: `q${number % 3}`, start: { kind: 'copy', of: { holder: content, piece } } },
		{ kind: 'move-piece', holder: content, name: piece, to: given }
	]);
} // prettier-ignore
