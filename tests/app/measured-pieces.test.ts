import assert from 'node:assert/strict';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { build } from 'vite';
import { z } from 'zod';
import { stageHtml } from '../../src/core/emit/stage.ts';
import { PageLayout } from '../../src/core/geometry/page-layout.ts';
import { metricsSchema, sizesFrom } from '../../src/core/geometry/pieces/metrics.ts';
import type { PageInstance } from '../../src/core/resolve/instance.ts';
import { root } from '../../scripts/lib/setup.js';
import { startApp, type App } from '../lib/app.ts';
import { pageNamed, sound } from '../lib/site.ts';

/** Pieces are measured as the application does it, in its own frame, and boxes come out as the browser has them. */

let app: App;
before(async () => {
	app = await startApp();
});
after(() => app.close());

const words = 'Seed sown under glass in March, planted out when the nights are mild.';
const site = `
site "Measured" { bands { narrow 0; wide 800 } }
layout shell at / {
  arrange areas { "head" auto; "main" auto; "foot" auto }
  arrange areas @wide { "head head" auto; "main side" 1fr; "foot foot" auto; columns minmax(0, 1fr) 220px }
  style """:scope { font: 16px/24px monospace } p { margin: 20px 0 12px } ul { margin: 30px 0 }"""
  region head as header { arrange row { gap 12px }; piece brand """<b>Measured</b>"""; piece links nav from / depth 1 }
  region main as main { slot; pad 10px 20px }
  region side as aside { show hidden; show in-place @wide; pad 8px; piece a """<h2>One</h2><p>${words}</p>"""; piece b """<ul><li>two</li><li>three</li></ul>"""; piece c """loose words""" }
  region foot as footer { piece small """<p>foot</p>"""; piece boxed { pad 6px } """<p>boxed</p>"""; piece last """<p>last</p>""" }
}
layout inner at /in { region body as div { slot }; region more as div { piece note """<p>${words}</p>""" } }
route / { title "Home"; piece first """<h1>Home</h1><p>${words}</p>"""; piece second """<p>${words}</p>""" }
route /in { title "In"; piece text """<p>${words}</p>"""; piece empty """<!-- nothing -->"""; piece end """<blockquote><p>end</p></blockquote>"""; fill side after { piece extra """<p>extra</p>""" } }
`;
const resolved = sound(site);

/** The code that measures, as one script. */
async function measuring(): Promise<string> {
	const built = await build({
		root,
		configFile: false,
		logLevel: 'error',
		resolve: { alias: { $core: join(root, 'src/core') } },
		build: {
			write: false,
			minify: false,
			lib: {
				entry: join(root, 'src/views/frame/measure-pieces.ts'),
				formats: ['iife'],
				name: 'measuring'
			}
		}
	});
	const [bundle] = [built].flat();
	const chunk = bundle && 'output' in bundle ? bundle.output[0] : undefined;
	assert.ok(chunk);
	return chunk.code;
}

const boxesSchema = z.record(z.string(), z.array(z.number()));

/** Every region and piece with an element of its own, as the browser lays them out in a frame. */
async function shownAt(html: string, width: number): Promise<Record<string, number[]>> {
	const shown: unknown = await app.page.evaluate(
		async (content, wide) => {
			const frame = document.createElement('iframe');
			frame.style.cssText = `position: fixed; inset: 0 auto auto 0; border: 0; width: ${wide}px; height: 800px`;
			document.body.append(frame);
			frame.src = '/stage';
			await new Promise((done) => frame.addEventListener('load', done));
			const inner = frame.contentDocument;
			if (!inner) return {};
			const page = new DOMParser().parseFromString(content, 'text/html');
			inner.head.innerHTML = page.head.innerHTML;
			inner.body.className = page.body.className;
			inner.body.innerHTML = page.body.innerHTML;
			const boxes: Record<string, number[]> = {};
			const all = inner.querySelectorAll<HTMLElement>(
				'[data-region], [data-piece]:not([data-part])'
			);
			for (const element of all) {
				if (element.getClientRects().length === 0) continue;
				const host = element.parentElement?.dataset ?? {};
				const { layout = '', region, piece } = element.dataset;
				const name = piece === undefined ? `${layout}.${region}` : `${host['region']}/${piece}`;
				const { x, y, width: w, height: h } = element.getBoundingClientRect();
				boxes[name] = [x, y, w, h];
			}
			frame.remove();
			return boxes;
		},
		html,
		width
	);
	return boxesSchema.parse(shown);
}

test('runs are measured with their margins, pieces with what is in them, at every width', async () => {
	await app.open('/deliver');
	await app.page.evaluate(`${await measuring()}; globalThis.measuring = measuring`);
	for (const name of ['/', '/in']) {
		const page = pageNamed(resolved, name);
		const [instance] = resolved.instances(page);
		assert.ok(instance);
		await compare(name, instance);
	}
});

async function compare(name: string, instance: PageInstance): Promise<void> {
	const html = stageHtml(instance, resolved, new Map(), 2026);
	const measured: unknown = await app.page.evaluate(`(async () => {
		const frame = document.createElement('iframe');
		frame.style.cssText = 'position: absolute; left: -4000px; width: 1000px; height: 800px';
		document.body.append(frame);
		frame.src = '/stage';
		await new Promise((done) => frame.addEventListener('load', done));
		const found = await measuring.measurePieces(frame, ${JSON.stringify(html)}, '/', new AbortController().signal);
		frame.remove();
		return found;
	})()`);
	const sizes = sizesFrom(metricsSchema.parse(measured));
	const layout = new PageLayout({
		page: resolved.page(instance.page),
		site: resolved.site,
		sizes: (key) => {
			const size = sizes(key);
			assert.ok(size, `nothing was measured for ${JSON.stringify(key)}`);
			return size;
		},
		open: new Set()
	});
	for (const width of [320, 500, 799, 800, 1100]) {
		const computed = new Map(
			layout.boxesAt({ width, height: 800 }).map((box) => {
				const { layout: owner = '', region, pieces } = box.name;
				const [first] = pieces;
				const key =
					first && box.name.kind === 'piece' ? `${region}/${first.piece}` : `${owner}.${region}`;
				return [box.name.kind === 'run' ? 'run' : key, box];
			})
		);
		const shown = await shownAt(html, width);
		assert.ok(Object.keys(shown).length >= 6, 'the page is there');
		for (const [box, [x = 0, y = 0, wide = 0, high = 0]] of Object.entries(shown)) {
			const there = computed.get(box);
			assert.ok(there, `${box} is computed`);
			const off = [there.x - x, there.y - y, there.width - wide, there.height - high];
			assert.ok(
				off.every((by) => Math.abs(by) < 1),
				`${name} at ${width} px, ${box}: off by ${off.join(', ')}`
			);
		}
	}
}
