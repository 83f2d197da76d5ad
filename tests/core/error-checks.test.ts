import assert from 'node:assert/strict';
import { test } from 'node:test';
import { errorChecks } from '../../src/core/check/errors.ts';
import { checks, doubtChecks } from '../../src/core/check/list.ts';
import { soundSite } from '../../src/core/check/sound.ts';
import { severityOf, type Code } from '../../src/core/messages/catalogue.ts';
import { resolve } from '../lib/site.ts';

/** What opens a site looks for errors alone, and knows of all of them. */

const isError = (code: Code): boolean => severityOf(code) === 'error';

test('each check that can find an error is among those that open a site, and no other is', () => {
	for (const { codes } of errorChecks) assert.ok(codes.some(isError), codes.join(' '));
	for (const { codes } of doubtChecks) assert.ok(!codes.some(isError), codes.join(' '));
	assert.equal(new Set(checks).size, errorChecks.length + doubtChecks.length);
});

test('a site that is only opened has the errors of one that is looked through, and no doubts', () => {
	const { reading, problems: all } = resolve(`
			site "T"
			layout main at / {
				region head as header { locked; piece mark """<img src="/none.png">""" }
				region main as main { slot; gap 20px }
			}
			route / { title "A"; fill head { piece x """<b>{nothing}</b>""" } }
			route /b { title "A"; piece x """<h1>Seed</h1>""" }
			route /b { piece x """<h1>Seed</h1>""" }
	`);
	const errors = soundSite(reading).problems;
	assert.deepEqual(
		errors.map(({ code, span }) => [code, span]),
		all.filter(({ severity }) => severity === 'error').map(({ code, span }) => [code, span])
	);
	assert.deepEqual([...new Set(errors.map(({ code }) => code))].sort(), [
		'expression-unknown',
		'fill-locked',
		'route-twice'
	]);
	assert.ok(all.some(({ severity }) => severity !== 'error'));
});
