import assert from 'node:assert/strict';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import fc from 'fast-check';
import { run } from '../../src/cli/main.ts';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { tidy } from '../../src/core/format/tidy.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { randomLayouts, siteText } from '../judge/boxes/random-layouts.ts';
import { Random } from '../judge/fuzz/random.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { runs } from '../lib/runs.ts';

const bands = ['narrow', 'wide'];

const untidy = `// A head that stays.
layout shell at / {
      height screen     // as tall as it gets

  region head as header { stick top; gap 8px @wide;  gap   4px
    pad 8px
      // by night, too


    piece name   """
   <p>Seed   </p>
""" }
  region main as main { required; slot }
  bands_of_nothing
}
route / { title "Home"; piece a """x""" }`;

test('a text gets its indentation, a statement a line, and settings in their order', () => {
	assert.equal(
		tidy(untidy, bands),
		`// A head that stays.
layout shell at / {
  height screen     // as tall as it gets

  region head as header {
    pad 8px
    gap 4px; gap 8px @wide
    stick top
    // by night, too

    piece name """
   <p>Seed   </p>
"""
  }
  region main as main { required; slot }
  bands_of_nothing
}
route / { title "Home"; piece a """x""" }
`
	);
});

test('settings with a comment behind one of them stay in their order, and comments in their column', () => {
	const text = `layout x at / {
  pad 4px; size fill        // both
  gap 1px                   // all
  region m as main { slot }
}
`;
	assert.equal(
		tidy(text, bands),
		`layout x at / {
  pad 4px
  size fill                 // both
  gap 1px                   // all
  region m as main { slot }
}
`
	);
});

test('what is said of one thing in several bands may stand on a line; what arranges keeps its words', () => {
	const text = `layout x at / {
  gap 2px; pad 4px; pad 8px @wide
  arrange row { wrap; align center; gap 4px }
  region m as main { slot }
}
`;
	const tidied = tidy(text, bands) ?? '';
	assert.match(tidied, /\n {2}pad 4px; pad 8px @wide\n {2}gap 2px\n/);
	assert.match(tidied, /arrange row \{ wrap; align center; gap 4px \}/);
});

test('a text with an error stays as it is, and ends of lines are those of the file', () => {
	assert.equal(tidy('layout x at / {', bands), undefined);
	assert.equal(tidy('route / { title "x', bands), undefined);
	const windows = untidy.replaceAll('\n', '\r\n');
	const tidied = tidy(windows, bands) ?? '';
	assert.equal(tidied.replaceAll('\r\n', '\n'), tidy(untidy, bands));
	assert.ok(!/[^\r]\n/.test(tidied));
});

/** A text with blanks, breaks and separators as nobody would set them. */
function roughened(text: string, random: Random): string {
	return text
		.split('\n')
		.map((line) => {
			const isPlain = !/"""/.test(line) && !/^\s*[.[@}a-z]*.*[{].*:.*/.test(line);
			return isPlain && random.once(3) ? `${' '.repeat(random.below(6))}${line.trim()}${' '.repeat(random.below(3))}` : line;
		})
		.join('\n');
} // prettier-ignore

test('tidied random sites are delivered byte for byte as before, and tidying them again changes nothing', () => {
	fc.assert(
		fc.property(randomLayouts, fc.nat(1000), (site, seed) => {
			const text = roughened(siteText(site), new Random(seed));
			const files = (one: string) => ({ texts: new Map([['site.eave', one]]), assets: new Map() });
			const before = checkSite(readSiteFiles(files(text)));
			const names = before.site.settings.bands.map(({ name }) => name.text);
			const tidied = tidy(text, names);
			assert.ok(tidied !== undefined);
			const after = checkSite(readSiteFiles(files(tidied)));
			assert.deepEqual(deliver(after, 2026), deliver(before, 2026));
			assert.equal(tidy(tidied, names), tidied);
		}),
		runs(40, 11)
	);
});

test('the demo is tidy; the command line writes what is not, and says so beforehand', async () => {
	const out: string[] = [];
	const streams = { out: (words: string) => void out.push(words), errors: (words: string) => void out.push(words) }; // prettier-ignore
	assert.equal(await run(['format', 'demo', '--check'], streams), 0, out.join(''));
	assert.ok((await readSitePath('demo')).texts.size > 5);
	const folder = await mkdtemp(join(tmpdir(), 'eave-tidy-'));
	const file = join(folder, 'site.eave');
	try {
		await writeFile(file, `\ufeff${untidy.replace('  bands_of_nothing\n', '')}`);
		assert.equal(await run(['format', folder, '--check'], streams), 1);
		assert.match(await readFile(file, 'utf8'), / {6}height screen/);
		assert.equal(await run(['format', folder], streams), 0);
		assert.match(await readFile(file, 'utf8'), /^\ufeff\/\/ A head[^]*\n {2}height screen/);
		assert.equal(await run(['format', folder, '--check'], streams), 0);
		await writeFile(file, 'layout x {');
		out.length = 0;
		assert.equal(await run(['format', folder], streams), 1);
		assert.match(out.join(''), /site\.eave:1:\d+: .*left as it is/);
		assert.equal(await readFile(file, 'utf8'), 'layout x {');
	} finally {
		await rm(folder, { recursive: true });
	}
});

test('an edit tidies a file, or says why not', () => {
	const site = `site "T" { lang en }
layout x at / {
      region m as main { slot }
}
route / { title "Home"; piece a """x""" }
`;
	const { text } = makeOn(site, { kind: 'tidy-text', file: undefined });
	assert.equal(text, site.replace('      region', '  region'));
	assert.match(
		refusal(text, { kind: 'tidy-text', file: 'site.eave' }),
		/site\.eave is tidy as it is/
	);
});
