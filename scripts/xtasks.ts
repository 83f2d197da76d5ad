// throwaway: the other five tasks, counted
import { startApp, named, until } from '../tests/lib/app.ts';
import { Hand, regionsOnStage } from '../tests/lib/hand.ts';
import { sourceText, showTracks } from '../tests/lib/stage.ts';
const app = await startApp();
app.page.on('pageerror', (e) => console.log('PAGEERROR', e instanceof Error ? e.stack : e));
const only = process.argv[2];
async function newSite(hand: Hand, words: string): Promise<void> {
	await app.open('/plan?width=1200');
	await (await app.page.waitForSelector('.site-name'))?.click();
	await (await named(app.page, 'menuitem', 'New site …')).click();
	await hand.fill('Regions, with commas between', words);
	await hand.press('button', 'Make the site');
	await app.page.waitForSelector('[role=gridcell][aria-label^="frame, "]');
	await new Promise((r) => setTimeout(r, 700));
}
const addRoute = async (hand: Hand, path: string, title: string): Promise<void> => {
	await hand.press('button', 'Add route');
	await hand.fill('Route', path);
	await hand.fill('Title', title);
	await hand.press('button', 'Add it');
	await app.page.waitForSelector('[role=dialog]', { hidden: true });
};
const tasks: Record<string, (hand: Hand) => Promise<void>> = {
	async nested(hand) {
		await newSite(hand, 'head, menu, content, side, foot');
		await addRoute(hand, '/seeds', 'Seeds');
		await addRoute(hand, '/seeds/kale', 'Kale');
		await app.page.click('[id="row /seeds"]'); hand.steps++; await hand.rest();
		await hand.press('button', 'Add layout');
		await hand.fill('Name', 'suggestions');
		await hand.press('button', 'Add it');
		await app.page.waitForSelector('[role=dialog]', { hidden: true });
		await hand.block('suggestions, side');
		await hand.key('i');
		await app.page.click('[id="row /"]'); hand.steps++; await hand.rest();
		await hand.press('button', 'Add layout');
		await hand.fill('Name', 'print');
		await (await app.page.waitForSelector('[role=dialog] select'))?.select('on request'); hand.steps++;
		await hand.press('button', 'Add it');
		await app.page.waitForSelector('[role=dialog]', { hidden: true });
		for (const route of ['/', '/about']) {
			await app.page.click(`[id="row ${route}"]`); hand.steps++; await hand.rest();
			await (await app.page.waitForSelector('::-p-text(change)'))?.click(); hand.steps++; await hand.rest();
			await hand.press('menuitem', 'print');
		}
		await app.page.click('[id="row /seeds/kale"]'); hand.steps++; await hand.rest();
		await (await app.page.waitForSelector('::-p-text(change)'))?.click(); hand.steps++; await hand.rest();
		await hand.press('menuitem', 'nothing: let it be bare');
		await hand.rest();
		console.log((await app.page.$eval('[id="row /seeds/kale"]', (r) => r.textContent)).trim());
		await hand.press('button', 'undo');
	},
	async behaviour(hand) {
		await newSite(hand, 'head, menu, content, foot');
		await hand.block('frame, menu');
		await hand.setting('menu', 'show');
		await hand.press('button', 'drawer');
		await hand.pick('show: word 2', 'left');
		await hand.fill('show: width', '240px'); await app.page.keyboard.press('Enter'); await hand.rest();
		await hand.fill('show: label', 'Menu'); await app.page.keyboard.press('Enter'); await hand.rest();
		await hand.value('show of menu at medium');
		await hand.press('button', 'strip');
		await hand.value('show of menu at wide');
		await hand.press('button', 'in-place');
		await hand.block('frame, head');
		await hand.setting('head', 'shadow');
		await hand.press('button', 'scrolled');
		await hand.setting('head', 'shrink');
		await hand.type('shrink at narrow', '128px to 56px');
		console.log((await sourceText(app, 'site.eave')).split('\n').filter((l) => /show|shadow|shrink|stick/.test(l)).join('\n'));
	},
	async centred(hand) {
		await newSite(hand, 'head, content, foot');
		await hand.block('frame, content');
		await hand.setting('content', 'contain');
		await hand.type('contain at narrow', '1100px');
		console.log((await sourceText(app, 'site.eave')).split('\n').filter((l) => /contain|height/.test(l)).join('\n'));
	},
	async cards(hand) {
		await newSite(hand, 'head, content, foot');
		await hand.block('/, content');
		for (const name of ['two', 'three', 'four', 'five']) {
			await hand.press('button', 'Add piece …');
			await hand.fill('Name', name);
			await hand.press('button', 'Add it');
			await app.page.waitForSelector('[role=dialog]', { hidden: true });
			await hand.block('/, content');
		}
		await hand.block('frame, content');
		await hand.type('Width of the page in px', '800');
		await hand.press('button', 'columns: so many equal columns that members span');
		await hand.type('columns', '2');
		await hand.type('Width of the page in px', '1200');
		await hand.press('button', 'columns: so many equal columns that members span');
		await hand.type('columns', '4');
		await hand.type('rows', '3');
		for (const [name, span] of [['body', '2 by 2'], ['two', '1'], ['three', '1'], ['four', '2'], ['five', '4']] as const) {
			await hand.block('/, content');
			await hand.press('button', name);
			await hand.setting(name, 'span');
			await hand.type('span at narrow', 'all');
			await hand.value(`span of ${name} at medium`);
			await hand.type('span at medium', '1');
			await hand.value(`span of ${name} at wide`);
			await hand.type('span at wide', span);
		}
		console.log((await sourceText(app, 'site.eave')).split('\n').filter((l) => /piece|columns/.test(l)).join('\n'));
	},
	async five(hand) {
		const start = Date.now();
		await newSite(hand, 'head, menu, content, side, foot');
		for (const [path, title] of [['/seeds', 'Seeds'], ['/seeds/kale', 'Kale'], ['/visit', 'Visit']] as const) await addRoute(hand, path, title);
		await app.page.click('[id="row /seeds"]'); hand.steps++; await hand.rest();
		await hand.press('button', 'Add layout');
		await hand.fill('Name', 'seeds');
		await hand.press('button', 'Add it');
		await app.page.waitForSelector('[role=dialog]', { hidden: true });
		await hand.block('seeds, side'); await hand.key('i');
		await (await app.page.waitForSelector('nav a[href^="/deliver"]'))?.click(); hand.steps++;
		await app.page.waitForSelector('caption');
		console.log((Date.now() - start) / 1000, 's', (await app.page.$eval('caption', (c) => c.textContent)).trim());
	}
};
for (const [name, task] of Object.entries(tasks)) {
	if (only && name !== only) continue;
	const hand = new Hand(app);
	try { await task(hand); console.log('DONE', name, hand.steps, 'steps'); } catch (e) { console.log('FAILED', name, hand.steps, String(e).slice(0, 300)); await app.page.screenshot({ path: `/tmp/task-${name}.png` as `${string}.png` }); }
}
console.log('faults', app.faults);
await app.close();
void until; void regionsOnStage; void showTracks;
