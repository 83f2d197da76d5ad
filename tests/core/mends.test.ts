import assert from 'node:assert/strict';
import { test } from 'node:test';
import { mendOf } from '../../src/core/check/mend.ts';
import { prepare } from '../../src/core/edit/propose.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { judgeMends } from '../judge/mends.ts';
import { around, resolve } from '../lib/site.ts';

/** A mend takes its problem away, brings no other, and changes nothing else of the text. */

const sites: Readonly<Record<string, readonly { text: string; mended: string }[]>> = {
	'setting-idle': [
		{
			text: 'layout x at /x { region main as main { slot; span 2 @wide } }',
			mended: 'layout x at /x { region main as main { slot } }'
		},
		{
			text: 'layout x at /x { gap 8px; region main as main { slot } }',
			mended: 'layout x at /x { region main as main { slot } }'
		}
	],
	'span-too-wide': [
		{
			text: 'layout x at /x { arrange columns 4; region main as main { slot; offset 1; span 6 } }',
			mended: 'layout x at /x { arrange columns 4; region main as main { slot; offset 1; span 3 } }'
		}
	],
	'nav-empty': [
		{
			text: 'layout x at /x { region main as main { slot }; region side as nav { piece more nav from /nothing/here; piece a """a""" } }',
			mended:
				'layout x at /x { region main as main { slot }; region side as nav { piece a """a""" } }'
		},
		{
			text: 'route /x { piece b """b"""; fill head after { piece more nav from /nothing/here; piece a """a""" } }',
			mended: 'route /x { piece b """b"""; fill head after { piece a """a""" } }'
		},
		{
			text: 'route /x { piece b """b"""; piece more nav from /nothing/here }',
			mended: 'route /x { piece b """b""" }'
		}
	],
	'style-of-box': [
		{
			text: 'layout x at /x { region main as main { slot }; region side as aside { locked }; style """aside { padding: 4px 8px; color: red }""" }\nroute /x { piece b """b""" }',
			mended:
				'layout x at /x { region main as main { slot }; region side as aside { locked; pad 4px 8px }; style """aside { color: red }""" }\nroute /x { piece b """b""" }'
		}
	]
};

const plain = (text: string): string => text.replace(/[\s;]+/g, ' ');

for (const [code, cases] of Object.entries(sites)) {
	test(`${code}: the mend takes it away and nothing else`, () => {
		for (const { text, mended } of cases) {
			const written = around(text);
			const before = resolve(written);
			const problem = before.problems.find((one) => one.code === code);
			assert.ok(problem, text);
			const wish = mendOf(problem, before);
			assert.ok(wish, text);
			const { proposal, after } = prepare(before, wish);
			assert.ok(proposal.kind === 'edit', text);
			assert.ok(after);
			const known = before.problems.length;
			assert.equal(after.problems.length, known - 1, text);
			const { texts } = applyChanges(before.reading.files, proposal.changes);
			assert.equal(plain(texts.get('site.eave') ?? ''), plain(around(mended)));
		}
	});
}

test('a problem of a piece’s setting, for which there is no wish, has no mend', () => {
	const site = resolve(around('route /x { piece b { span 2 } """b""" }'));
	const problem = site.problems.find((one) => one.code === 'setting-idle');
	assert.ok(problem);
	assert.equal(mendOf(problem, site), undefined);
});

test('on sites that were broken a little, each mend leaves a sound site and can be taken back', async () => {
	const { failure, made } = await judgeMends(8, 5);
	assert.equal(failure?.text, undefined, failure?.says);
	assert.ok(made > 3, `${made} mends were made`);
});
