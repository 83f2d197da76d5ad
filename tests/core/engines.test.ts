import assert from 'node:assert/strict';
import { readFile } from 'node:fs/promises';
import { test } from 'node:test';
import { parse, walk } from 'css-tree';
import fc from 'fast-check';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import type { SiteFiles } from '../../src/core/model/files.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { randomLayouts, siteText } from '../judge/boxes/random-layouts.ts';

/** What of CSS the sheets of sites use, without the authors' own styles: all that a browser of 2022 lacks is told. */

/** What the three engines had in January 2022. */
const before2022: Readonly<Record<string, readonly string[]>> = {
	'at-rule': ['media', 'supports', 'keyframes'],
	'media feature': ['min-width', 'prefers-color-scheme', 'prefers-reduced-motion'],
	pseudo: ['root', 'where', 'not', 'focus', 'before', 'after', 'first-child', 'last-child'],
	property: [
		'--*', 'align-items', 'align-self', 'animation', 'aspect-ratio', 'background', 'background-color', 'border',
		'border-block-width', 'border-inline-width', 'border-style', 'border-width', 'box-shadow', 'box-sizing', 'clip-path', 'color',
		'color-scheme', 'display', 'flex', 'flex-direction', 'flex-wrap', 'gap', 'grid-area', 'grid-column', 'grid-row',
		'grid-auto-rows', 'grid-template-areas', 'grid-template-columns', 'grid-template-rows', 'height', 'inset', 'inset-block', 'inset-block-end',
		'inset-block-start', 'inset-inline', 'inset-inline-start', 'isolation', 'justify-content', 'justify-self', 'list-style', 'margin',
		'margin-block-end', 'margin-block-start', 'margin-inline-end', 'margin-inline-start', 'max-height', 'max-width', 'min-height', 'min-width', 'order', 'overflow', 'padding',
		'padding-block', 'padding-inline', 'position', 'scroll-padding-block-end', 'scroll-padding-block-start', 'width', 'z-index',
		'inset-inline-end'
	],
	unit: ['px', 'rem', 'em', 'vw', 'vh', 'fr', 'vmin', 'vmax', 'ch'],
	function: ['var', 'calc', 'min', 'max', 'clamp', 'minmax', 'repeat', 'fit-content', 'rgb', 'inset', 'where', 'not']
}; // prettier-ignore

function used(css: string): Map<string, string> {
	const found = new Map<string, string>();
	const note = (kind: string, name: string): void => void found.set(`${kind} ${name}`, kind);
	walk(parse(css), (node) => {
		if (node.type === 'Atrule') note('at-rule', node.name);
		if (node.type === 'Feature') note('media feature', node.name);
		if (node.type === 'PseudoClassSelector' || node.type === 'PseudoElementSelector')
			note('pseudo', node.name);
		if (node.type === 'Declaration')
			note('property', node.property.startsWith('--') ? '--*' : node.property);
		if (node.type === 'Dimension') note('unit', node.unit);
		if (node.type === 'Function') note('function', node.name);
	});
	return found;
}

/** What authors write is theirs. */
function withoutStyles({ texts, assets }: SiteFiles): SiteFiles {
	const bare = (text: string): string => text.replace(/style( global)?( @\w+)? """[^]*?"""/g, '');
	return { texts: new Map([...texts].map(([path, text]) => [path, bare(text)])), assets };
}

function sheetsOf(files: SiteFiles): string[] {
	const site = checkSite(readSiteFiles(files));
	return deliver(site, 2026).flatMap(({ path, content }) =>
		path.endsWith('.css') && typeof content === 'string' ? [content] : []
	);
}

test('what sheets use that a browser of 2022 lacks is named in the documents, with what is there without it', async () => {
	const document = await readFile('docs/output.md', 'utf8');
	const rows = document.split('\n').filter((line) => /^\| .*\| 20\d\d/.test(line));
	const told = new Set(
		rows.flatMap((row) => [...(row.split('|')[1] ?? '').matchAll(/`([^`]+)`/g)].map(([, name]) => name))
	); // prettier-ignore
	assert.ok(rows.length > 3);
	for (const row of rows) {
		const [, , chromium, firefox, safari, without] = row.split('|').map((cell) => cell.trim());
		for (const since of [chromium, firefox, safari])
			assert.match(since ?? '', /^20\d\d|^not yet$/, row);
		assert.ok((without ?? '').length > 20, `what is there without it: ${row}`);
	}
	const demo = withoutStyles(await readSitePath('demo'));
	const random = fc.sample(randomLayouts, { numRuns: 60, seed: 1 }).map((site): SiteFiles => ({
		texts: new Map([['site.eave', siteText(site).replace(/style global """[^]*?"""/g, '')]]),
		assets: new Map()
	}));
	const all = [demo, ...random].flatMap(sheetsOf);
	assert.ok(all.length > 60);
	const lacking = new Set<string>();
	for (const css of all) {
		for (const [word, kind] of used(css)) {
			const name = word.slice(kind.length + 1);
			const spelled = kind === 'at-rule' ? `@${name}` : kind === 'pseudo' ? `:${name}` : name;
			if (!before2022[kind]?.includes(name) && !told.has(spelled))
				lacking.add(`${kind} ${spelled}`);
		}
	}
	assert.deepEqual([...lacking], []);
});
