import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Command } from '../../src/core/model/command.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import type { Mark } from '../../src/core/view-models/marks.ts';
import { Desk } from '../../src/workers/desk/desk.ts';
import type { Shown } from '../../src/workers/messages.ts';
import { filesOf } from '../lib/desk.ts';

const text = `site "Desk" { bands { narrow 0; medium 600; wide 1000 } }
layout shell at / {
  arrange areas @medium { "head head" auto; "menu main" 1fr; columns 200px 1fr }
  region head as header { height 40px; piece name """<b>Desk</b>""" }
  region menu as nav { show drawer left 240px "Menu"; show in-place @medium; piece links """<a href="/">Home</a>""" }
  region main as main { slot }
}
route / { title "Home"; piece hello """<p>hello</p>""" }
route /guides/:slug { title "Guide"; samples "one", "two"; piece guide """<p>guide</p>""" }
state not-found at / { title "Gone"; piece gone """<p>gone</p>""" }
`;
const home = { page: '/', address: undefined };

function opened(source = text): Desk {
	const desk = new Desk(2026);
	desk.open(filesOf(source), home, 0);
	return desk;
}

function editsOf(desk: Desk, command: Command): Parameters<Desk['change']>[0] {
	const proposal = desk.proposals.propose(command);
	assert.equal(proposal.kind, 'edit', proposal.kind === 'refused' ? proposal.sentence : '');
	return proposal.kind === 'edit' ? proposal.changes : [];
}

test('what is opened is shown: the site, and the page that was asked for or the first', () => {
	const desk = new Desk(2026);
	assert.deepEqual(desk.proposals.propose({ kind: 'remove-route', pattern: '/' }), {
		kind: 'refused',
		sentence: 'No site is open.'
	});
	const { site, page } = desk.open(
		filesOf(text),
		{
			page: '/guides/:slug',
			address: '/guides/two'
		},
		0
	);
	assert.equal(site.name, 'Desk');
	assert.deepEqual(site.bands.map(({ name, from }) => `${name} ${from}`), ['narrow 0', 'medium 600', 'wide 1000']); // prettier-ignore
	assert.deepEqual([page?.page, page?.address, page?.title], ['/guides/:slug', '/guides/two', 'Guide']); // prettier-ignore
	assert.deepEqual(page?.addresses, ['/guides/one', '/guides/two']);
	assert.equal(
		desk.open(filesOf(text), { page: '/nowhere', address: undefined }, 0).page?.page,
		'/'
	);
});

test('while the text has an error the drawings keep its last good state, and say so', () => {
	const desk = opened();
	const at = text.indexOf('  region main');
	const broken = desk.change(
		[{ kind: 'edit', file: 'site.eave', from: at, to: at, insert: '  region menu as nav { }\n' }],
		home,
		0
	);
	assert.equal(broken.site.current, false);
	const [problem] = broken.site.problems;
	assert.equal(problem?.severity, 'error');
	assert.equal(problem.line, 6, 'with its place');
	assert.match(broken.page?.html ?? '', /hello/);
	assert.deepEqual(desk.handingOver.delivery().files, [], 'nothing is delivered');
	assert.equal(desk.handingOver.siteZip(), undefined);
	const mended = desk.change(
		[{ kind: 'edit', file: 'site.eave', from: at, to: at + 27, insert: '' }],
		home,
		0
	);
	assert.equal(mended.site.current, true);
	assert.deepEqual(mended.site.problems, []);
});

test('an edit that was proposed is made as it was, and the roofline is sent only when it changes', async () => {
	const desk = opened();
	const command: Command = { kind: 'add-route', pattern: '/visit', title: 'Visit' };
	const shown = desk.change(editsOf(desk, command), { page: '/visit', address: undefined }, 0);
	assert.equal(shown.page?.page, '/visit');
	assert.ok(shown.site.roofline?.rows.some((row) => row.page === '/visit'));
	const box = { layout: 'shell', box: 'head' };
	const set: Command = { kind: 'set-setting', box, setting: 'height', value: '60px', band: 'wide' };
	assert.deepEqual(await desk.proposals.touches(set), {
		pages: ['/', '/guides/:slug', '/visit', 'not-found at /'],
		bands: ['wide']
	});
	const sized = desk.change(editsOf(desk, set), home, 0);
	assert.equal(sized.site.roofline, undefined, 'it looks as before');
	assert.match(sized.page?.html ?? '', /height: 60px/);
	// A proposal for a text that has changed since is not used for another change.
	desk.proposals.propose({ kind: 'remove-route', pattern: '/visit' });
	const other = desk.change([{ kind: 'add', file: 'more.eave', text: 'route /more { }' }], home, 0);
	const names = other.site.roofline?.rows.map((row) => row.page);
	assert.ok(names?.includes('/more') && names.includes('/visit'));
});

test('addresses lead to their pages, and to the nearest state where there is none', () => {
	const desk = opened();
	assert.deepEqual(desk.answers.pageAt('/guides/two'), {
		page: '/guides/:slug',
		address: '/guides/two',
		missing: false
	});
	assert.deepEqual(desk.answers.pageAt('/nowhere'), {
		page: 'not-found at /',
		address: undefined,
		missing: true
	});
});

test('sizes of a box are told for a width, and of one that is gone nothing', () => {
	const desk = opened();
	const view = desk.answers.boxView({ layout: 'shell', box: 'menu' }, 700);
	assert.deepEqual([view?.name, view?.band, view?.parent?.kind], ['menu', 1, 'areas']);
	assert.deepEqual(
		view?.strip.map(({ setting, overhangs }) => ({ setting, overhangs })),
		[
			{
				setting: 'show',
				overhangs: [
					{ from: 0, to: 1, value: 'drawer left 240px "Menu"' },
					{ from: 1, to: 3, value: 'in-place' }
				]
			}
		]
	);
	assert.equal(desk.answers.boxView({ layout: 'shell', box: 'none' }, 700), undefined);
	assert.equal(desk.answers.boxView({ layout: 'none', box: undefined }, 700), undefined);
});

test('jumps come from what the pieces measure, asked for step by step', () => {
	const desk = opened();
	const screen = { height: 800, scrollbar: 0 };
	let step = desk.boxes.jumps(home, screen);
	for (let round = 0; step?.kind === 'asks'; round++) {
		assert.ok(round < 200, 'questions have an end');
		const answers = step.asked.map(({ asks }) =>
			asks.map(({ width }) => (width === undefined ? [40, 100] : [20, 0, 0]))
		);
		step = desk.boxes.settleOn(step.id, answers);
	}
	assert.deepEqual(step?.settled.jumps, [600], 'the menu comes in place');
	assert.equal(desk.boxes.jumps({ page: '/nowhere', address: undefined }, screen), undefined);
	assert.equal(desk.boxes.settleOn(99, []), undefined);
});

test('a place of the text leads to the output and back, and a box to its line', () => {
	const desk = opened();
	const offset = text.indexOf('<p>hello') + 4;
	const there = desk.places.traceToOutput('site.eave', offset, home);
	const [html, ...sheets] = desk.handingOver.output(home);
	assert.ok(there && html);
	assert.match(html.text.slice(there.from, there.to), /^<p>hello<\/p>$/);
	const back = desk.places.traceToSource(there.from + 2, home);
	assert.ok(back && back.from <= offset && offset < back.to);
	assert.deepEqual(
		sheets.map(({ language }) => language).filter((one) => one !== 'css'),
		[]
	);
	const place = desk.places.placeOf({
		kind: 'layout',
		layer: 'shell',
		region: 'menu',
		piece: undefined
	});
	assert.deepEqual([place?.file, place?.line], ['site.eave', 5]);
});

test('pieces are listed as they are written, and layouts that a page could sit under', () => {
	const desk = opened();
	const holder = { layer: { kind: 'layout', name: 'shell' }, region: { layout: 'shell', region: 'menu' } } as const; // prettier-ignore
	const [links] = desk.answers.piecesIn(holder);
	assert.deepEqual([links?.name, links?.markup?.trim()], ['links', '<a href="/">Home</a>']);
	const choices = desk.answers.underChoices({ kind: 'route', name: '/' });
	assert.ok(choices.length > 0);
	const between = desk.answers.between('/', '/guides/:slug');
	assert.deepEqual([between?.stays, between?.goes, between?.comes], [['shell'], [], []]);
	assert.equal(desk.answers.between('/', '/nowhere'), undefined);
});

test('a file is taken in or refused with a sentence, and what is open stays', () => {
	const desk = opened();
	const taken = desk.takeIn(
		'other.eave',
		encodeUtf8('site "Other" { }\nlayout f at / { region m as main { slot } }\nroute / { }')
	);
	assert.ok('texts' in taken);
	const refused = desk.takeIn('picture.png', new Uint8Array([1, 2, 3]));
	assert.ok('refused' in refused && refused.refused.endsWith('.'));
	assert.match(desk.page(home)?.html ?? '', /hello/);
	const delivered = desk.handingOver.delivery().files;
	assert.ok(delivered?.some(({ path, size }) => path === 'index.html' && size > 100));
	assert.ok((desk.handingOver.siteZip()?.size ?? 0) > 100);
	assert.ok(desk.handingOver.sourceZip().size > 100);
});

test('completion knows the names of the site', () => {
	const desk = opened(text.replace('samples', 'under \n  samples'));
	const at = text.indexOf('samples') + 'under '.length;
	const offers = desk.places.complete('site.eave', at);
	assert.ok(JSON.stringify(offers).includes('shell'));
});

test('a command is made in one answer; where the text was changed meanwhile, it did not happen', () => {
	const command: Command = { kind: 'set-setting', box: { layout: 'shell', box: 'head' }, setting: 'height', value: '50px', band: 'narrow' }; // prettier-ignore
	const desk = opened();
	assert.equal(
		desk.proposals.look(command, home).html?.includes('height: 50px'),
		true,
		'it is looked at'
	);
	assert.equal(desk.page(home)?.html.includes('height: 40px'), true, 'and not made');
	const made = desk.make(command, home, 0, false);
	assert.ok(made.kind === 'made' && made.shown?.page?.html.includes('height: 50px'));
	// The next edit counts the command: both are in the text.
	const edit = [{ kind: 'edit', file: 'site.eave', from: 0, to: 0, insert: '// one\n' }] as const;
	const both = desk.change(edit, home, 1);
	assert.ok(both.page?.html.includes('height: 50px'));
	// One that does not know of it was typed before: the command is taken back, and has to be made again.
	const other = opened();
	assert.equal(other.make(command, home, 0, false).kind, 'made');
	const typed = other.change(edit, home, 0);
	assert.ok(typed.page?.html.includes('height: 40px') && typed.site.current);
	assert.equal(other.make(command, home, 0, false).kind, 'overtaken');
	const again = other.make(command, home, 1, false);
	assert.ok(again.kind === 'made' && again.shown?.page?.html.includes('height: 50px'));
});

test('what a command takes along is asked about before it is made', () => {
	const desk = opened();
	const command: Command = { kind: 'remove-band', band: 'medium' };
	const asked = desk.make(command, home, 0, false);
	assert.ok(asked.kind === 'asks');
	assert.match(asked.proposal.consequences[0] ?? '', /start at medium would go with it/);
	assert.equal(desk.make(command, home, 0, true).kind, 'made');
	assert.equal(desk.make({ kind: 'remove-band', band: 'medium' }, home, 1, false).kind, 'refused');
});

test('layouts keep their marks while others come, go and are renamed', () => {
	const desk = opened();
	const marks = (shown: ReturnType<Desk['open']>): Map<string, string> =>
		new Map(
			shown.site.roofline?.layouts.map(({ name, mark }) => [name, `${mark.hue} ${mark.hatch}`])
		);
	const first = marks(new Desk(2026).open(filesOf(text), home, 0)).get('shell');
	let number = 0;
	const make = (command: Command): Map<string, string> => {
		const made = desk.make(command, home, number++, true);
		assert.ok(made.kind === 'made' && made.shown, JSON.stringify(made));
		return marks(made.shown);
	};
	const added = make({ kind: 'add-layout', name: 'aaa', at: '/guides' });
	assert.equal(added.get('shell'), first);
	const more = make({ kind: 'add-layout', name: 'bbb', at: '/guides', onRequest: true });
	assert.equal(more.get('aaa'), added.get('aaa'));
	const renamed = make({ kind: 'rename-layout', name: 'aaa', to: 'zzz' });
	assert.equal(renamed.get('zzz'), added.get('aaa'));
	const gone = make({ kind: 'remove-layout', name: 'zzz' });
	assert.deepEqual([gone.get('shell'), gone.get('bbb')], [first, more.get('bbb')]);
});

test('layouts keep their hues when the site is opened again, however they came to them', () => {
	const layout = (name: string, at: string): string =>
		`layout ${name} at ${at} { region main as div { slot } }`;
	const siteOf = (names: readonly string[]): string =>
		[
			'site "Hues" { bands { narrow 0 } }',
			...names.map((name) => layout(name, `/${name}`)),
			...names.map((name) => `route /${name} { title "${name}"; piece a """a""" }`)
		].join('\n');
	const marksOf = ({ site }: Shown): Map<string, Mark> =>
		new Map(site.roofline?.layouts.map((one) => [one.name, one.mark]));
	const desk = new Desk(2026);
	const before = siteOf(['b', 'c']);
	desk.open(filesOf(before), undefined, 0);
	const at = before.indexOf('layout b');
	const insert = `${layout('a', '/a')}\n`;
	const changed = desk.change(
		[{ kind: 'edit', file: 'site.eave', from: at, to: at, insert }],
		undefined,
		0
	);
	const marks = marksOf(changed);
	assert.equal(marks.get('b')?.hue, 1, 'the one that came keeps out of the way');
	const again = new Desk(2026);
	const now = before.slice(0, at) + insert + before.slice(at);
	assert.deepEqual(marksOf(again.open(filesOf(now), undefined, 0, marks)), marks);
	const fresh = new Desk(2026);
	assert.notDeepEqual(
		marksOf(fresh.open(filesOf(now), undefined, 0)),
		marks,
		'by the text alone they are others'
	);
});

test('a closed page without a state for it is drawn as the sentence that its visitor gets', () => {
	const closed = `site "Closed" { bands { narrow 0 }; roles { guest; keeper } }
layout f at / { region main as main { slot } }
route / { title "Home"; piece a """<p>Open</p>""" }
route /desk { admit keeper; title "Desk"; piece a """<p>Secret of the house</p>""" }`;
	const desk = new Desk(2026);
	desk.open(filesOf(closed), undefined, 0);
	const seen = (role: string): string =>
		desk.page({ page: '/desk', address: undefined, role })?.html ?? '';
	assert.match(seen('keeper'), /Secret of the house/);
	assert.doesNotMatch(seen('guest'), /Secret/);
	assert.match(seen('guest'), /This page is not for everyone\. \(\/desk\)/);
});
