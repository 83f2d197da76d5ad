import assert from 'node:assert/strict';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { type Page, pagesOf } from '../../src/core/model/site.ts';
import { layerName } from '../../src/core/model/site.ts';
import { pageHtml } from '../../src/core/emit/html/page.ts';
import type { Problem } from '../../src/core/messages/problem.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { placeWords } from '../../src/core/model/span.ts';
import { readSiteFiles, type SiteReading } from '../../src/core/source/read.ts';

/** A site of one file, `site.eave`, and maybe others by path. */
function read(text: string, others: Readonly<Record<string, string>> = {}): SiteReading {
	const texts = new Map([['site.eave', text]]);
	const assets = new Map<string, Uint8Array>();
	for (const [path, content] of Object.entries(others)) {
		if (path.endsWith('.eave')) texts.set(path, content);
		else assets.set(path, encodeUtf8(content));
	}
	return readSiteFiles({ texts, assets });
}

export function resolve(text: string, others: Readonly<Record<string, string>> = {}): CheckedSite {
	return checkSite(read(text, others));
}

/** A site that must be without problems. */
export function sound(text: string, others: Readonly<Record<string, string>> = {}): CheckedSite {
	const resolved = resolve(text, others);
	assert.deepEqual(resolved.problems.map(sentenceOf), []);
	return resolved;
}

/** A site around some declarations: the name, a covering layout with a slot, a page. */
export function around(declarations: string): string {
	return [
		'site "Test" { lang en; bands { narrow 0; wide 1000 } }',
		'layout outer at / {',
		'  region head as header { piece name """<b>Test</b>""" }',
		'  region main as main { slot }',
		'  region foot as footer { locked; piece small """<p>foot</p>""" }',
		'}',
		'route / { piece body """<p>home</p>""" }',
		declarations
	].join('\n');
}

export function pageNamed(resolved: CheckedSite, name: string): Page {
	const pages = pagesOf(resolved.site);
	const page = pages.find((one) => layerName(one) === name);
	assert.ok(page, `there is no page ${name}`);
	return page;
}

/** `site.eave:3:5 code` of each problem, in order. */
export function codes(resolved: CheckedSite): string[] {
	return resolved.problems.map(
		(problem) => `${placeWords(problem.span, resolved.reading.files.texts)} ${problem.code}`
	);
}

/** The only problem of a kind, with its sentence. */
export function only(
	problems: readonly Problem[],
	code: string
): Problem & { readonly sentence: string } {
	const found = problems.filter((problem) => problem.code === code);
	assert.equal(
		found.length,
		1,
		`one ${code} in ${problems.map((one) => `${one.code}: ${sentenceOf(one)}`).join('\n') || 'no problems'}`
	);
	const [problem] = found;
	assert.ok(problem);
	return { ...problem, sentence: sentenceOf(problem) };
}

/** The words that a problem marks in the text. */
export function marked(resolved: CheckedSite, code: string): string {
	const { span } = only(resolved.problems, code);
	return (resolved.reading.files.texts.get(span.file) ?? '').slice(span.from, span.to);
}

/** The body of a page without links rewritten or sheets, each line trimmed. */
export function bodyOf(resolved: CheckedSite, name: string, address?: string): string {
	const html = htmlOf(resolved, name, address);
	const body = html.slice(html.indexOf('<body'), html.indexOf('</body>'));
	return body
		.split('\n')
		.map((line) => line.trim())
		.join('');
}

/** A page with the marks that the stage reads. */
export function markedOf(resolved: CheckedSite, name: string): string {
	const [instance] = resolved.instances(pageNamed(resolved, name));
	assert.ok(instance);
	return pageHtml(instance, resolved, {
		link: (url) => url,
		headLines: [],
		marks: 'all',
		year: 2026
	});
}

export function htmlOf(resolved: CheckedSite, name: string, address?: string): string {
	const instances = resolved.instances(pageNamed(resolved, name));
	const instance = address ? instances.find((one) => one.address === address) : instances[0];
	assert.ok(instance, `${name} has no page ${address ?? ''}`);
	return pageHtml(instance, resolved, {
		link: (url) => url,
		headLines: [],
		marks: 'none',
		year: 2026
	});
}

/** What lands in a region, as `owner:piece` words. */
export function lands(resolved: CheckedSite, page: string, region: string): string[] {
	const [layout, name] = region.includes('.') ? region.split('.') : [undefined, region];
	const found = resolved
		.page(pageNamed(resolved, page))
		.regions.findLast(
			(one) => one.region.name.text === name && (!layout || one.layout.name.text === layout)
		);
	assert.ok(found, `${page} has no region ${region}`);
	return found.landed.map((one) =>
		one.kind === 'layout' ? one.layout.name.text : `${layerName(one.owner)}:${one.piece.name.text}`
	);
}
