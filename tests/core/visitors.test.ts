import assert from 'node:assert/strict';
import { test } from 'node:test';
import { decodeUtf8 } from '../../src/core/lib/utf8.ts';
import { accessCsv, accessTable } from '../../src/core/view-models/access.ts';
import { crossSection } from '../../src/core/view-models/cross-section.ts';
import { closedPages, publicView } from '../../src/core/emit/access-file.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { emptyPieces } from '../../src/core/emit/html/empty.ts';
import { handOver } from '../../src/core/emit/hand-over.ts';
import { admittedRoles } from '../../src/core/resolve/roles.ts';
import type { ResolvedSite } from '../../src/core/resolve/site.ts';
import { placeWords } from '../../src/core/model/span.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { codes, pageNamed, resolve, sound } from '../lib/site.ts';

/** Who sees what: chains of admission, content for some, the access table, and what is delivered. */

const text = `site "T" { roles { visitor; member; keeper } }
layout frame at / {
  region menu as nav { piece links nav from / depth 2 }
  region side as aside { piece hours """<p>hours</p>"""; piece tools for keeper """<p>tools</p>""" }
  region main as main { slot }
}
layout desk at /desk { under none; admit member keeper; region main as main { slot } }
route / { piece b """<p>home</p>"""; fill side after for member keeper { piece mine """<p>mine</p>""" } }
route /desk { piece b """<p>desk</p>""" }
route /desk/loans { admit keeper; piece b """<p>loans</p>""" }
route /desk/loans/old { piece b """<p>old</p>""" }
route /desk/out { under none; piece b """<p>out</p>""" }
state denied at /desk { piece b """<p>keep out</p>""" }
`;
const site = sound(text);

function landed(role: string | undefined): string[] {
	const seen: ResolvedSite = site.as(role);
	return seen
		.page(pageNamed(site, '/'))
		.regions.filter(({ region }) => region.name.text === 'side')
		.flatMap(({ landed: all }) =>
			all.flatMap((one) => (one.kind === 'piece' ? [one.piece.name.text] : []))
		);
}

test('what is for some lands for them alone; the author sees all of it', () => {
	assert.deepEqual(landed('visitor'), ['hours']);
	assert.deepEqual(landed('member'), ['hours', 'mine']);
	assert.deepEqual(landed('keeper'), ['hours', 'tools', 'mine']);
	assert.deepEqual(landed(undefined), ['hours', 'tools', 'mine']);
	const home = pageNamed(site, '/');
	const entries = crossSection(site.as('keeper').page(home), site.as('keeper')).columns.flatMap(
		({ cells }) => cells.flatMap((cell) => cell.entries)
	);
	const roles = entries.map(({ pieces, roles: all }) =>
		pieces.map((piece, at) => `${piece} ${all[at]?.join('+')}`)
	);
	assert.ok(roles.flat().includes('tools keeper') && roles.flat().includes('mine member+keeper'));
});

test('who is let in holds for all below, whatever it sits under, and can only be narrowed', () => {
	const admits = (name: string): string =>
		admittedRoles(pageNamed(site, name), site.structure).join('+');
	assert.deepEqual(['/', '/desk', '/desk/loans', '/desk/loans/old', '/desk/out'].map(admits), [
		'',
		'member+keeper',
		'keeper',
		'keeper',
		'member+keeper'
	]);
	const wider = resolve(
		text.replace('route /desk/out {', 'route /desk/out { admit visitor keeper;')
	);
	assert.deepEqual(codes(wider), ['site.eave:12:25 admit-wider']);
});

test('the access table says for each route and role what opens and by which word', () => {
	const table = accessTable(site);
	const row = (route: string): string[] =>
		table.rows
			.find((one) => one.route === route)
			?.cells.map(({ status, by, shows }) =>
				`${status} ${by?.layer.name ?? ''} ${shows ?? ''}`.trim()
			) ?? [];
	assert.deepEqual(row('/'), ['200', '200', '200']);
	assert.deepEqual(row('/desk/loans/old'), ['403 desk denied at /desk', '403 /desk/loans denied at /desk', '200 /desk/loans']); // prettier-ignore
	const csv = accessCsv(table, (span) => placeWords(span, site.reading.files.texts));
	const lines = csv.split('\r\n');
	assert.equal(lines[0], 'route,pages,visitor,visitor by,member,member by,keeper,keeper by');
	const loans = lines.find((line) => line.startsWith('/desk/loans,')) ?? '';
	const [desk, own] = ['site\\.eave:7:\\d+', 'site\\.eave:10:\\d+'];
	assert.match(
		loans,
		new RegExp(
			`^/desk/loans,1,403,admit member keeper \\(${desk}\\),403,admit keeper \\(${own}\\),200,admit keeper`
		)
	);
});

test('a cell is opened and closed by the shortest word; what cannot be is refused with the place', () => {
	const change = (route: string, role: string, opens: boolean) =>
		({ kind: 'change-access', route, role, opens }) as const;
	assert.match(
		makeOn(text, change('/', 'visitor', false)).text,
		/route \/ \{ admit member keeper; piece/
	);
	const closed = makeOn(text, change('/desk', 'member', false));
	assert.match(closed.text, /route \/desk \{ admit keeper; piece/);
	assert.equal(
		makeOn(closed.text, change('/desk', 'member', true)).text,
		text,
		'and back, without a word'
	);
	assert.match(
		refusal(text, change('/desk', 'visitor', true)),
		/desk lets in only member and keeper/
	);
	assert.match(refusal(text, change('/desk/loans', 'keeper', false)), /no one at all/);
});

test('for whom a piece or a fill is can be said, changed and taken back', () => {
	const holder = {
		layer: { kind: 'layout', name: 'frame' },
		region: { layout: 'frame', region: 'side' }
	} as const;
	const forRoles = (name: string, roles: string[]) =>
		({ kind: 'set-seen-by', holder, name, roles }) as const;
	const one = makeOn(text, forRoles('hours', ['member']));
	assert.match(one.text, /piece hours for member """/);
	assert.equal(makeOn(one.text, forRoles('hours', [])).text, text);
	assert.match(
		makeOn(text, forRoles('tools', ['member', 'keeper'])).text,
		/piece tools for member keeper """/
	);
	const fill = {
		kind: 'set-fill-seen-by',
		layer: { kind: 'route', name: '/' },
		region: holder.region
	} as const;
	assert.match(makeOn(text, { ...fill, roles: [] }).text, /fill side after \{/);
	assert.match(
		makeOn(text, { kind: 'rename-role', name: 'keeper', to: 'staff' }).text,
		/piece tools for staff[^]*for member staff/
	);
	assert.match(refusal(text, { kind: 'remove-role', name: 'keeper' }), /keeper and no one else/);
});

test('what is delivered has nothing in it that not everyone may see, and says who may see the rest', () => {
	const files = [...handOver(site, 2026, { marks: false, closed: false, nginx: false })];
	const pages = files.filter(({ kind }) => kind === 'page');
	assert.deepEqual(pages.map(({ path }) => path).sort(), ['desk/denied.html', 'index.html']);
	const home = String(pages.find(({ path }) => path === 'index.html')?.content);
	assert.doesNotMatch(home, /tools|mine|desk/);
	assert.deepEqual(closedPages(site).map(({ address }) => address), ['/desk', '/desk/loans', '/desk/loans/old', '/desk/out']); // prettier-ignore
	const access = files.find(({ path }) => path === 'access.json')?.content;
	assert.ok(access instanceof Uint8Array);
	assert.match(decodeUtf8(access), /"file": "desk\/loans\/index.html"/);
	// With closed pages: each is written as the first role that may open it sees it.
	const all = new Map(deliver(site, 2026).map(({ path, content }) => [path, String(content)]));
	assert.doesNotMatch(all.get('index.html') ?? '', /tools|mine/);
	assert.match(all.get('desk/loans/index.html') ?? '', /loans/);
	assert.equal(publicView(sound(text.replace(/ for [a-z ]+(?=["{])/g, ' ').replace(/admit [a-z ]+;/g, '').replace('roles { visitor; member; keeper }', ''))).role, undefined); // prettier-ignore
});

test('lists of links lead only where the visitor may go, and pieces that come out empty are named', () => {
	const links = (role: string): string[] => {
		const seen = site.as(role);
		const [instance] = seen.instances(pageNamed(site, '/'));
		assert.ok(instance);
		return emptyPieces(instance, seen, 2026).map(({ piece }) => piece);
	};
	assert.deepEqual(links('visitor'), ['links'], 'every link is closed for a visitor');
	assert.deepEqual(links('keeper'), []);
	const blank = sound(
		text.replace('"""<p>home</p>"""', '"""{if page.description}<p>a</p>{end}"""')
	);
	const [instance] = blank.instances(pageNamed(blank, '/'));
	assert.ok(instance);
	assert.deepEqual(
		emptyPieces(instance, blank, 2026).map(({ piece }) => piece),
		['b']
	);
});
