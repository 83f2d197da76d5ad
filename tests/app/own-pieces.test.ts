import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { named, startApp, until, type App } from '../lib/app.ts';
import { Hand } from '../lib/hand.ts';
import { sourceText } from '../lib/stage.ts';

/** A page arranges its own pieces, by hand. */

let app: App;

before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
});

/** Where pieces are on the stage, px of the page. */
async function pieces(): Promise<
	Record<string, { x: number; y: number; right: number; bottom: number }>
> {
	const stage = await app.stage();
	return stage.$$eval('main [data-piece]', (all) =>
		Object.fromEntries(
			all.map((one) => {
				const { x, y, right, bottom } = one.getBoundingClientRect();
				return [one.getAttribute('data-piece') ?? '', { x, y, right, bottom }];
			})
		)
	);
}

/** Drags a piece by its name to a side of another. */
async function dragBeside(
	hand: Hand,
	piece: string,
	other: string,
	x: number,
	y: number
): Promise<void> {
	await hand.drag(`.box-name[title^="Drag ${piece} "]`, `.box[data-name="${other}"]`, x, y);
}

test('a board with columns over two rows and a strip below is arranged on its page in under 25 steps', async () => {
	await app.open('/plan?route=/borrow&width=1100');
	const hand = new Hand(app);
	await hand.block('/borrow, main');
	await hand.press('button', 'Add piece …');
	await hand.fill('Name', 'left, right, low, strip');
	await hand.press('button', 'Add it');
	await hand.block('/borrow, main');
	await hand.arrange('/borrow', 'areas');
	await dragBeside(hand, 'left', "form", 0.05, 0.5);
	await dragBeside(hand, 'right', "form", 0.95, 0.5);
	await dragBeside(hand, 'low', "form", 0.5, 0.95);
	const at = await until('it lies so', async () => {
		const { left, right, form: list, low, strip } = await pieces();
		if (!left || !right || !list || !low || !strip) return false;
		return left.right <= list.x && right.x >= list.right && low.y >= list.bottom && { left, right, low, strip };
	});
	// The columns at the sides reach over both rows, the strip over all columns.
	assert.ok(at.left.bottom >= at.low.bottom - 1 && at.right.bottom >= at.low.bottom - 1);
	assert.ok(at.strip.y >= at.low.bottom && at.strip.x <= at.left.x && at.strip.right >= at.right.right);
	assert.ok(hand.steps < 25, `${hand.steps} steps`);
	assert.match(await sourceText(app, 'routes/4-borrow.eave'), /"left form right" auto\s+"left low right" auto\s+"strip strip strip" auto/);
}); // prettier-ignore

test('a wrapper is put around a piece, arranged, filled and taken away', async () => {
	await app.open('/plan?route=/visit&width=1100');
	const hand = new Hand(app);
	await hand.block('/visit, main');
	await hand.press('button', 'how');
	await hand.press('button', 'Wrap it …');
	await hand.fill('Name', 'both');
	await hand.press('button', 'Wrap it');
	await hand.arrange('both', 'columns');
	await hand.press('button', 'Add piece …');
	await hand.fill('Name', 'way');
	await hand.press('button', 'Add it');
	const text = await until('it is said', async () => {
		const said = await sourceText(app, 'routes/1-public.eave');
		return said.includes('piece way') && said;
	});
	assert.match(text, /wrapper both \{\n\s+arrange columns 12( @\w+)?\n\s+piece how """[\s\S]+piece way \{ span 1( @\w+)? \} """/);
	await app.open('/plan?route=/visit&width=1100');
	await hand.block('/visit, main');
	await hand.press('button', 'both');
	await hand.press('button', 'Take the wrapper away');
	await until('it is gone', async () => !(await sourceText(app, 'routes/1-public.eave')).includes('wrapper both'));
	await app.open('/plan?route=/visit&width=1100');
	await (await named(app.page, 'button', 'undo')).click();
	await until('and there again', async () => (await sourceText(app, 'routes/1-public.eave')).includes('wrapper both'));
	assert.deepEqual(app.faults, []);
}); // prettier-ignore

test('several pieces are chosen on the page and in the cross-section, and changed as one', async () => {
	await app.open('/plan?route=/&width=1100');
	const hand = new Hand(app);
	await hand.block('/, main');
	await hand.press('button', 'welcome');
	await hand.press('button', 'Choose all 3');
	await until('they are chosen', async () => (await app.page.$$('.also.on-page')).length === 3);
	await hand.press('button', 'side by side, as wide as each other');
	const widths = async (): Promise<number[]> => {
		const { welcome, ask, ...others } = await pieces();
		return [welcome, ask, others['new-in']].map((one) => (one ? Math.round(one.right - one.x) : 0));
	};
	await until('they are as wide as each other', async () => new Set(await widths()).size === 1);
	await hand.setting('3 chosen', 'border');
	await hand.type('border at narrow', '3px');
	const text = async (): Promise<string> => sourceText(app, 'routes/1-public.eave');
	assert.equal((await until('all have it', async () => { const now = await text(); return now.includes('border 3px') && now; })).match(/border 3px/g)?.length, 3);
	await app.open('/plan?route=/&width=1100');
	await (await named(app.page, 'button', 'undo')).click();
	await until('one step takes all of it back', async () => !(await text()).includes('border 3px'));
}); // prettier-ignore

test('with Shift a press chooses beside what is chosen, and a frame chooses all that lies in it', async () => {
	await app.open('/plan?route=/visit&width=1100');
	const hand = new Hand(app);
	const press = async (piece: string): Promise<void> => {
		const at = await until(`${piece} is there`, async () => (await (await app.page.$(`.box[data-name="${piece}"]`))?.boundingBox()) ?? undefined);
		await app.page.keyboard.down('Shift');
		await app.page.mouse.click(at.x + at.width / 2, at.y + at.height / 2);
		await app.page.keyboard.up('Shift');
		await hand.rest();
	};
	await hand.block('commons, head');
	const boxes = await app.page.$$eval('.box[data-name="how"], .box[data-name="bus"]', (all) =>
		all.map((one) => one.getBoundingClientRect()).map(({ left, top, right, bottom }) => ({ left, top, right, bottom })));
	const [left, top] = [Math.min(...boxes.map((one) => one.left)) - 6, Math.min(...boxes.map((one) => one.top)) - 6];
	const [right, bottom] = [Math.max(...boxes.map((one) => one.right)) + 6, Math.max(...boxes.map((one) => one.bottom)) + 6];
	const { mouse, keyboard } = app.page;
	await keyboard.down('Shift');
	await mouse.move(left, top);
	await mouse.down();
	await mouse.move(right, bottom, { steps: 6 });
	await mouse.up();
	await keyboard.up('Shift');
	await until('all that lie in it are chosen', async () => {
		const said = await app.page.$$eval('aside[aria-label="Inspector"] .panel', (all) => all.map((one) => one.textContent ?? '').join());
		return /chosen/.test(said) && said.includes('how') && said.includes('bus');
	});
	await hand.block('commons, head');
	await until('nothing else is chosen', async () => (await app.page.$$('.also.on-page')).length === 0);
	await press('how');
	await press('bus');
	await until('two are chosen', async () => (await app.page.$$('.also.on-page')).length === 2);
	assert.deepEqual(app.faults, []);
}); // prettier-ignore

test('settings are copied from one piece to another, or taken over from any box, in all bands', async () => {
	await app.open('/plan?route=/&width=1100');
	const hand = new Hand(app);
	const choose = async (piece: string): Promise<void> => {
		await (await app.page.waitForSelector(`b[data-piece="${piece}"]`))?.click();
		await app.page.waitForSelector(`[aria-label="Sizes of ${piece} by band"]`);
	};
	await hand.block('/, main');
	await choose('ask');
	await hand.press('button', 'Copy its settings');
	await choose('new-in');
	await hand.press('button', 'Paste those of ask');
	const line = async (piece: string): Promise<string> =>
		new RegExp(`piece ${piece} (\\{[^}]*\\})`).exec(
			await sourceText(app, 'routes/1-public.eave')
		)?.[1] ?? '';
	await until('both say the same', async () =>
		(await line('new-in')).includes('place-self end stretch @medium')
	);
	assert.deepEqual((await line('new-in')).split(/[{};]\s*/).map((one) => one.trim()).sort(), (await line('ask')).split(/[{};]\s*/).map((one) => one.trim()).sort()); // prettier-ignore
	await app.open('/plan?route=/&width=1100');
	await (await named(app.page, 'button', 'undo')).click();
	await hand.block('/, main');
	await choose('new-in');
	await hand.press('button', 'The same as …');
	const others = await named(app.page, 'combobox', 'The same as');
	const values = await others.$$eval('option', (all) => all.map((one) => one.value));
	await others.select(values.find((one) => one.startsWith('welcome,')) ?? '');
	await hand.press('button', 'Take them over');
	await until('it is as another', async () =>
		(await line('new-in')).includes('span 4 by 2 @medium')
	);
	assert.deepEqual(app.faults, []);
});
