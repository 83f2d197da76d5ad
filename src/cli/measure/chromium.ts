import { existsSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { delimiter, join } from 'node:path';
import type { Browser } from 'puppeteer-core';

/** Names under which systems keep a Chromium, and places outside of their paths. */
const names = [
	'chromium',
	'chromium-browser',
	'google-chrome',
	'google-chrome-stable',
	'chrome',
	'chromium-headless-shell'
];
const places = [
	'/Applications/Chromium.app/Contents/MacOS/Chromium',
	'/Applications/Google Chrome.app/Contents/MacOS/Google Chrome',
	'C:\\Program Files\\Google\\Chrome\\Application\\chrome.exe',
	'C:\\Program Files (x86)\\Google\\Chrome\\Application\\chrome.exe'
];

const switches = [
	'--disable-gpu',
	'--disable-quic',
	'--no-first-run',
	'--disable-background-networking',
	'--disable-component-update',
	'--disable-sync',
	'--force-color-profile=srgb'
];

/** What is said where there is none. */
export const noChromium =
	'There is no Chromium to measure with: install one, or name it in the variable CHROMIUM.';

/** Where there is a Chromium: what `CHROMIUM` says, else the first that is found; undefined where there is none. */
export function findChromium(): string | undefined {
	const said = process.env['CHROMIUM'];
	if (said !== undefined && said !== '') return existsSync(said) ? said : undefined;
	const folders = (process.env['PATH'] ?? '').split(delimiter).filter(Boolean);
	const all = [...folders.flatMap((folder) => names.map((name) => join(folder, name))), ...places];
	return all.find((path) => existsSync(path));
}

/** A Chromium without a window, with a profile of its own, which is removed with `close`. */
export interface OpenChromium {
	readonly browser: Browser;
	close(): Promise<void>;
}

/** With `scrollbars`, they are there and take room. */
export async function openChromium(path: string, scrollbars: boolean): Promise<OpenChromium> {
	// Only who has something measured needs it.
	const { launch } = await import('puppeteer-core');
	const profile = await mkdtemp(join(tmpdir(), 'eave-browser-'));
	const forRoot = process.getuid?.() === 0 ? ['--no-sandbox'] : [];
	const browser = await launch({
		executablePath: path,
		headless: true,
		userDataDir: profile,
		ignoreDefaultArgs: scrollbars ? ['--hide-scrollbars'] : [],
		args: [...switches, ...forRoot]
	});
	const close = async (): Promise<void> => {
		await browser.close();
		await rm(profile, { recursive: true, force: true, maxRetries: 5 });
	};
	return { browser, close };
}
