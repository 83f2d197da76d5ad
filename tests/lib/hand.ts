import type { ElementHandle } from 'puppeteer-core';
import { frames, named, until, type App } from './app.ts';

/** A person at work in Plan: what they press, type and drag, each of it one step. */
export class Hand {
	steps = 0;

	constructor(private readonly app: App) {}

	/** Presses something by its role and its name. */
	async press(role: string, name: string): Promise<void> {
		this.steps++;
		await (await named(this.app.page, role, name)).click();
		await this.rest();
	}

	/** Chooses a block of the cross-section by how its name begins: its layer and its region. */
	async block(name: string): Promise<void> {
		this.steps++;
		const cell = await this.app.page.waitForSelector(`[role=gridcell][aria-label^="${name}"]`);
		// Beside its words: a press on a word chooses the piece.
		await cell?.click({ offset: { x: 2, y: 2 } });
		await this.rest();
	}

	/** Types into a field in place of what is there, and takes it with Enter. */
	async type(label: string, text: string): Promise<void> {
		this.steps++;
		const field = await this.field(label);
		await field.click({ count: 3 });
		await this.app.page.keyboard.type(text);
		await this.app.page.keyboard.press('Enter');
		await this.rest();
	}

	/** The same, without taking it yet. */
	async fill(label: string, text: string): Promise<void> {
		this.steps++;
		const field = await this.field(label);
		await field.click({ count: 3 });
		await this.app.page.keyboard.type(text);
	}

	/** Chooses one of a list. */
	async pick(label: string, value: string): Promise<void> {
		this.steps++;
		const select = await this.app.page.waitForSelector(`select[aria-label="${label}"]`);
		await select?.select(value);
		await this.rest();
	}

	async key(key: 'Enter' | 'Escape' | 'a' | 'l' | 'r' | 'i' | 'm'): Promise<void> {
		this.steps++;
		await this.app.page.keyboard.press(key);
		await this.rest();
	}

	/** Lets a box arrange in a way, by the panel that is about it. */
	async arrange(box: string, way: string): Promise<void> {
		this.steps++;
		const panel = `section[aria-label^="How ${box} arranges"]`;
		const button = await this.app.page.waitForSelector(`${panel} button[aria-label^="${way}: "]`);
		await button?.click();
		await this.rest();
	}

	/** Adds a setting, so that its control is there. */
	async setting(box: string, setting: string): Promise<void> {
		const more = await this.app.page.$('.back');
		await more?.click();
		await this.pick(`Add a setting to ${box}`, setting);
	}

	/** Chooses the value of a setting at a band. */
	async value(name: string): Promise<void> {
		this.steps++;
		const cell = await this.app.page.waitForSelector(`button[data-value][aria-label^="${name}"]`);
		await cell?.click();
		await this.app.page.waitForSelector('.value-editor .editor');
	}

	/** Drags one thing onto a place of another, in shares of its width and height. */
	async drag(from: string, to: string, x: number, y: number): Promise<void> {
		this.steps++;
		const { mouse } = this.app.page;
		const [one, other] = [await this.box(from), await this.box(to)];
		await mouse.move(one.x + Math.min(one.width / 2, 12), one.y + one.height / 2);
		await mouse.down();
		await mouse.move(one.x + 30, one.y + 8, { steps: 3 });
		await mouse.move(other.x + other.width * x, other.y + other.height * y, { steps: 6 });
		await this.rest();
		await mouse.up();
		await this.rest();
	}

	/** Until what was asked for is drawn. */
	rest(): Promise<void> {
		return frames(this.app.page, 22);
	}

	private async field(label: string): Promise<ElementHandle> {
		const found = await this.app.page.waitForSelector(
			`::-p-xpath(//input[@aria-label="${label}"] | //input[@id=//label[normalize-space(.)="${label}"]/@for] | //label[normalize-space(text())="${label}"]/input | //label[span[normalize-space(.)="${label}"]]/input | //label[span[normalize-space(.)="${label}"]]/select)`
		);
		if (!found) throw new Error(`There is no field ${label}.`);
		return found;
	}

	private box(selector: string): Promise<{ x: number; y: number; width: number; height: number }> {
		return until(`${selector} is there`, async () => {
			const handle = await this.app.page.$(selector);
			return (await handle?.boundingBox()) ?? undefined;
		});
	}
}

/** Where regions of the page on the stage are, px: left, top, width, height. */
export async function regionsOnStage(app: App): Promise<Record<string, readonly number[]>> {
	const stage = await app.stage();
	return stage.$$eval('[data-region]', (all) =>
		Object.fromEntries(
			all.map((one) => {
				const { x, y, width, height } = one.getBoundingClientRect();
				return [one.getAttribute('data-region') ?? '', [x, y, width, height].map(Math.round)];
			})
		)
	);
}
