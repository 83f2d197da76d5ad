import { generatedSite } from './bench/generated-site.ts';
import { readSiteFiles } from '../src/core/source/read.ts';
import { checkSite } from '../src/core/check/site.ts';
import { roofline } from '../src/core/drawing/roofline.ts';
import { applyChanges } from '../src/core/source/change.ts';
import { prepare } from '../src/core/edit/propose.ts';
import { stageHtml } from '../src/core/emit/stage.ts';
const n = Number(process.argv[2] ?? 2000);
const files = { texts: generatedSite(n, 40), assets: new Map<string, Uint8Array>() };
let site = checkSite(readSiteFiles(files));
console.log([...files.texts.keys()].slice(0, 3), site.site.layouts[0]?.name.text, site.site.layouts[0]?.regions.map((r) => r.name.text));
const parts: Record<string, number[]> = { apply: [], read: [], check: [], html: [], prepare: [] };
const time = <T>(name: string, f: () => T): T => { const t = performance.now(); const r = f(); parts[name]?.push(performance.now() - t); return r; };
const layout = site.site.layouts.find((l) => l.at.text === '/');
const file = layout?.span.file ?? '';
for (let i = 0; i < 60; i++) {
	const text = site.reading.files.texts.get(file) ?? '';
	const at = text.indexOf('</', layout?.span.from);
	const next = time('apply', () => applyChanges(site.reading.files, [{ kind: 'edit', file, from: at, to: at, insert: 'x' }]));
	const reading = time('read', () => readSiteFiles({ texts: next.texts, assets: next.assets }, site.reading));
	site = time('check', () => checkSite(reading));
	const page = site.site.routes[5];
	time('html', () => { const inst = page && site.instances(page)[0]; if (inst) stageHtml(inst, site, new Map(), 2026); });
	time('prepare', () => prepare(site, { kind: 'set-setting', box: { layout: layout?.name.text ?? '', box: layout?.regions[0]?.name.text }, setting: 'pad', value: `${i}px`, band: 'narrow' }));
}
for (const [k, v] of Object.entries(parts)) { v.sort((a, b) => a - b); console.log(k, v[30]?.toFixed(1), v[57]?.toFixed(1)); }
void roofline;
