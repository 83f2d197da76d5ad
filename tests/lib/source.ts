import type { Page } from 'puppeteer-core';
import { until } from './app.ts';

/** Opens a text as a site of its own, as a file that the user chose. */
export async function openText(page: Page, text: string, name = 'typed.eave'): Promise<void> {
	await openFile(page, name, [...new TextEncoder().encode(text)]);
}

/** Gives bytes to the application as a file that the user chose. */
export async function openFile(page: Page, name: string, bytes: readonly number[]): Promise<void> {
	await page.evaluate(
		(fileName, content) => {
			const input = document.querySelector<HTMLInputElement>('input[type=file]');
			const transfer = new DataTransfer();
			transfer.items.add(new File([Uint8Array.from(content)], fileName));
			if (!input) throw new Error('There is no way to open a file.');
			input.files = transfer.files;
			input.dispatchEvent(new Event('change', { bubbles: true }));
		},
		name,
		[...bytes]
	);
}

/** The whole text in the editor of Source. */
export async function editorText(page: Page): Promise<string> {
	await page.waitForSelector('[data-ready] [aria-label="Source"] .cm-content');
	return until('the text is there', () =>
		page.$$eval('[aria-label="Source"] .cm-content .cm-line', (lines) =>
			lines.map((line) => line.textContent).join('\n')
		)
	);
}

/** Puts the cursor at the end of the text in the editor of Source. */
export async function toEnd(page: Page): Promise<void> {
	const editor = await page.waitForSelector('[aria-label="Source"] .cm-content');
	await editor?.focus();
	await page.keyboard.down('Control');
	await page.keyboard.press('End');
	await page.keyboard.up('Control');
}
