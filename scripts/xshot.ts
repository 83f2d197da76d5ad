// throwaway
import { openBrowser, openPage } from './lib/browser.ts';
const [out, path, w = '1280', h = '800', ...steps] = process.argv.slice(2);
const { browser, close } = await openBrowser();
const page = await openPage(browser);
await page.setViewport({ width: Number(w), height: Number(h) });
page.on('pageerror', (e) => console.log('pageerror', String(e)));
page.on('console', (m) => { if (['error', 'warn'].includes(m.type())) console.log(m.type(), m.text()); });
try {
	await page.goto(`http://127.0.0.1:4180${path}`);
	await page.waitForSelector('main[data-ready]', { timeout: 20000 });
	await new Promise((r) => setTimeout(r, 1500));
	for (const step of steps) {
		const [kind, ...rest] = step.split('=');
		const arg = rest.join('=');
		if (kind === 'cell') await (await page.waitForSelector(`[role=gridcell][aria-label^="${arg}"]`, { timeout: 5000 }))?.click();
		else if (kind === 'click') await (await page.waitForSelector(arg, { timeout: 5000 }))?.click();
		else if (kind === 'text') await (await page.waitForSelector(`::-p-text(${arg})`, { timeout: 5000 }))?.click();
		else if (kind === 'right') await (await page.waitForSelector(arg, { timeout: 5000 }))?.click({ button: 'right' });
		else if (kind === 'key') await page.keyboard.press(arg as never);
		else if (kind === 'type') await page.keyboard.type(arg);
		else if (kind === 'hover') await (await page.waitForSelector(arg, { timeout: 5000 }))?.hover();
		else if (kind === 'select') { const [sel, v] = arg.split('|'); await page.select(sel ?? '', v ?? ''); }
		else if (kind === 'wait') await new Promise((r) => setTimeout(r, Number(arg)));
		else if (kind === 'eval') console.log(JSON.stringify(await page.evaluate(arg)));
		await new Promise((r) => setTimeout(r, 350));
	}
	await new Promise((r) => setTimeout(r, 500));
} catch (e) { console.log('FAILED', String(e)); }
await page.screenshot({ path: out as `${string}.png` });
await close();
