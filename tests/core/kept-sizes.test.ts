import assert from 'node:assert/strict';
import { mock, test } from 'node:test';
import { drive } from '../../src/core/measure/drive.ts';
import { MeasuredPage } from '../../src/core/laid/measured-page.ts';
import { SizeStore } from '../../src/core/measure/size-store.ts';
import { SizeKeeper } from '../../src/workers/kept-sizes.ts';
import { pageNamed, sound } from '../lib/site.ts';

const site = (text: string, style = 'p { font-size: 3vw }'): string => `site "T" { }
layout l at / { arrange areas { "m s" auto }; region m as main { slot }; region s as aside { piece p """<p>side</p>""" }; style """${style}""" }
route / { title "T"; piece x """${text}""" }`;

/** Lays a page out on all screens; gives how often something had to be measured, by what. */
async function measured(text: string, store: SizeStore): Promise<Map<string, number>> {
	const resolved = sound(text);
	const [instance] = resolved.instances(pageNamed(resolved, '/'));
	assert.ok(instance);
	const page = new MeasuredPage(instance, resolved, 2026, { height: 800 }, store);
	const asked = new Map<string, number>();
	await drive(page.between(280, 500), (questions) =>
		Promise.resolve(
			questions.map(({ screen, asks }) =>
				asks.map(({ content, width }) => {
					asked.set(content, (asked.get(content) ?? 0) + 1);
					if (width === undefined) return [40, screen / 4];
					return [Math.ceil(3000 / width) * 20, 0, 0];
				})
			)
		)
	);
	return asked;
}

/** A place in memory that keeps what a browser could keep. */
function place(): {
	getItem(name: string): Promise<unknown>;
	setItem(name: string, value: unknown): Promise<unknown>;
} {
	// prettier-ignore
	const items = new Map<string, unknown>();
	return {
		getItem: (name) => Promise.resolve(items.get(name)),
		setItem: (name, value) => Promise.resolve(items.set(name, structuredClone(value)))
	};
}

test('what was measured is kept over a reload, and renewed where text or style is another', async () => {
	mock.timers.enable({ apis: ['setTimeout'] });
	const kept = place();
	const first = new SizeStore();
	const before = await measured(site('<p>text</p>'), first);
	assert.ok(before.size === 2 && [...before.values()].every((count) => count > 2));
	new SizeKeeper(first, kept, 'this browser').keepSoon();
	mock.timers.tick(60_000);
	mock.timers.reset();
	await Promise.resolve();

	const again = async (name = 'this browser'): Promise<SizeStore> => {
		const store = new SizeStore();
		await new SizeKeeper(store, kept, name).fetch();
		return store;
	};
	assert.equal(
		(await measured(site('<p>text</p>'), await again())).size,
		0,
		'nothing is asked again'
	);
	const other = await measured(site('<p>other</p>'), await again());
	assert.deepEqual([...other.keys()], ['l m  /:x'], 'only what is another is measured');
	const restyled = await measured(site('<p>text</p>', 'p { font-size: 4vw }'), await again());
	assert.equal(restyled.size, 2, 'another style renews all that it may reach');
	assert.equal((await measured(site('<p>text</p>'), await again('another browser'))).size, 2);
	await kept.setItem('this browser', [['broken', 3]]);
	assert.equal(
		(await measured(site('<p>text</p>'), await again())).size,
		2,
		'what is broken is left'
	);
});
