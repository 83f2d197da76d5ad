import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { isSound, type CheckedSite } from '../../src/core/check/checked-site.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { propose } from '../../src/core/edit/propose.ts';
import type { Arrangement } from '../../src/core/model/arrange.ts';
import type { Command } from '../../src/core/model/command.ts';
import { arrangementAt } from '../../src/core/resolve/bands.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { runs } from '../lib/runs.ts';

/** A box is let arrange in another way, in one band: its members stay where they are as far as they can, and other bands as they are. */

const bands = ['narrow', 'medium', 'wide'] as const;
const kinds = [
	'stack',
	'row',
	'columns',
	'areas'
] as const satisfies readonly Arrangement['kind'][];
const box = { layout: 'frame', box: undefined } as const;

const arrangements: Readonly<Record<Arrangement['kind'], string>> = {
	stack: 'arrange stack BAND { gap 8px }',
	row: 'arrange row BAND { gap 8px; justify end; wrap }',
	columns: 'arrange columns 4 BAND { gap 8px }',
	areas: 'arrange areas BAND { "head head" auto; "side main" 1fr; columns 200px 1fr; gap 8px }'
};

/** A frame of three regions, arranged in some bands. */
function siteWith(said: readonly (Arrangement['kind'] | undefined)[]): string {
	const lines = said.flatMap((kind, at) =>
		kind === undefined ? [] : [`  ${arrangements[kind].replace('BAND', at === 0 ? '' : `@${bands[at]}`)}`]
	); // prettier-ignore
	return [
		'site "Test" { lang en; bands { narrow 0; medium 600; wide 1000 } }',
		'layout frame at / {',
		...lines,
		'  region head as header { piece a """<p>Seeds</p>"""; span all }',
		'  region side as aside { piece b """<p>Hours</p>"""; size 180px; span 1 }',
		'  region main as main { slot; span 3 }',
		'}',
		'route / { title "Home"; piece c """<h1>Home</h1>""" }',
		''
	].join('\n');
}

function read(text: string): CheckedSite {
	const site = checkSite(readSiteFiles({ texts: new Map([['site.eave', text]]), assets: new Map() }));
	assert.ok(isSound(site), `${text}\n${JSON.stringify(site.problems)}`);
	return site;
} // prettier-ignore

interface Made {
	readonly text: string;
	readonly site: CheckedSite;
}

/** What a command makes of a site; the sentence where it is refused. */
function make(text: string, command: Command): Made | string {
	const site = read(text);
	const proposal = propose(site, command);
	if (proposal.kind === 'refused') return proposal.sentence;
	const { texts, inverse } = applyChanges(site.reading.files, proposal.changes);
	const back = applyChanges({ texts, assets: new Map() }, inverse);
	assert.equal(back.texts.get('site.eave'), text);
	const after = texts.get('site.eave') ?? '';
	return { text: after, site: read(after) };
}

function made(text: string, command: Command): Made {
	const done = make(text, command);
	assert.ok(typeof done !== 'string', String(done));
	return done;
}

/** How the frame is arranged in a band; a stack where nobody says. */
function holding({ site }: { readonly site: CheckedSite }, band: number): Arrangement | undefined {
	const [frame] = site.site.layouts;
	return frame && arrangementAt(frame.arrangements, site.site.settings.bands, band);
}

/** What an arrangement says, without where it is written. */
function words(arrangement: Arrangement | undefined): string {
	return JSON.stringify(arrangement, (key, value: unknown) => (key === 'band' || /span$/i.test(key) ? undefined : value)); // prettier-ignore
}

/** What is refused: columns that are fewer than a member says it takes. */
const tooFew = /takes \d columns, but there are \d/;

const said = fc.tuple(
	...bands.map(() => fc.option(fc.constantFrom(...kinds), { nil: undefined, freq: 2 }))
);

test('in its band a box is arranged as was chosen, and in wider and narrower ones as before (property)', () => {
	fc.assert(
		fc.property(said, fc.nat(2), fc.constantFrom(...kinds), (first, band, kind) => {
			const text = siteWith(first);
			const before = { site: read(text) };
			const after = make(text, { kind: 'set-arrangement', box, arrangement: kind, band: bands[band] ?? '' }); // prettier-ignore
			if (typeof after === 'string') return assert.match(after, tooFew);
			assert.equal(holding(after, band)?.kind ?? 'stack', kind, after.text);
			for (const [at, name] of bands.entries()) {
				const follows =
					at > band && first.slice(band + 1, at + 1).every((one) => one === undefined);
				if (at === band || follows) continue;
				assert.equal(words(holding(after, at)), words(holding(before, at)), `${name}\n${after.text}`); // prettier-ignore
			}
		}),
		runs(150, 7311)
	);
});

test('what is chosen is taken back: the narrower band holds again, and the text is as it was where nothing stood (property)', () => {
	fc.assert(
		fc.property(said, fc.integer({ min: 1, max: 2 }), fc.constantFrom(...kinds), (first, band, kind) => {
			if (first[band] !== undefined) return;
			const text = siteWith(first);
			const name = bands[band] ?? '';
			if ((holding({ site: read(text) }, band)?.kind ?? 'stack') === kind) return;
			const there = make(text, { kind: 'set-arrangement', box, arrangement: kind, band: name });
				if (typeof there === 'string') return assert.match(there, tooFew);
				const back = made(there.text, { kind: 'set-arrangement', box, arrangement: undefined, band: name }); // prettier-ignore
			assert.equal(back.text, text);
		}),
		runs(100, 7312)
	); // prettier-ignore
});

test('members stay where they are: a row becomes areas beside each other, columns become areas of as many, a stack rows', () => {
	const as = (from: Arrangement['kind']): string => {
		const { text } = made(siteWith([from, undefined, undefined]), { kind: 'set-arrangement', box, arrangement: 'areas', band: 'wide' }); // prettier-ignore
		return /arrange areas @wide[^}]*\}/.exec(text)?.[0].replace(/\s+/g, ' ') ?? '';
	};
	assert.match(as('row'), /"head side main" auto;? columns auto 180px auto;? gap 8px/);
	assert.match(
		as('columns'),
		/"head head" auto;? "side main" auto;? columns minmax\(0, 1fr\) minmax\(0, 3fr\)/
	);
	assert.match(as('stack'), /"head" auto;? "side" auto;? "main" auto/);
	const columns = made(siteWith(['areas', undefined, undefined]).replace('span 3', 'span 1'), { kind: 'set-arrangement', box, arrangement: 'columns', band: 'wide' }); // prettier-ignore
	assert.match(columns.text, /arrange columns 2 @wide \{ gap 8px \}/);
});

test('a gap that is said for one band is said there alone, with all else that holds', () => {
	const text = siteWith(['row', undefined, undefined]);
	const wide = made(text, { kind: 'set-arranged', box, word: 'gap', value: '24px', band: 'wide' });
	const gap = (site: Made, band: number): string | undefined => holding(site, band)?.gap?.text;
	assert.deepEqual([0, 1, 2].map((band) => gap(wide, band)), ['8px', '8px', '24px']); // prettier-ignore
	const row = holding(wide, 2);
	assert.ok(row?.kind === 'row' && row.justify === 'end' && row.wrap);
	const narrow = made(wide.text, { kind: 'set-arranged', box, word: 'gap', value: undefined, band: 'narrow' }); // prettier-ignore
	assert.deepEqual([0, 1, 2].map((band) => gap(narrow, band)), [undefined, undefined, '24px']); // prettier-ignore
	const unwrapped = made(narrow.text, { kind: 'set-arranged', box, word: 'wrap', value: undefined, band: 'wide' }); // prettier-ignore
	const line = holding(unwrapped, 2);
	assert.ok(line?.kind === 'row' && !line.wrap && line.gap?.text === '24px');
});

test('what is not arranged in a band has no gap there', () => {
	const plain = siteWith([undefined, undefined, undefined]);
	assert.match(String(make(plain, { kind: 'set-arranged', box, word: 'gap', value: '8px', band: 'wide' })), /not arranged at wide/); // prettier-ignore
});
