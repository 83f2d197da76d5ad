import type { Choice, ElementPart } from '$core/bring-in/choosing/choice.ts';
import { choiceWords } from '$core/bring-in/choosing/choice-words.ts';
import type { PartOnPage } from '$core/bring-in/choosing/parts-on-page.ts';
import type { BroughtView } from '$core/bring-in/brought-view.ts';
import { store } from '../site.svelte.ts';

/** A choice as it was made, with what it says in a list. */
interface MadeChoice {
	readonly choice: Choice;
	readonly words: string;
}

/** What was found in pages is put right: one page is looked at, something in it chosen, and said what it is. */
export class Choosing {
	/** All that was chosen, the latest last. */
	made = $state.raw<readonly MadeChoice[]>([]);
	/** Path of the page that is looked at. */
	page = $state<string | undefined>();
	/** The page as it would be shown. */
	shown = $state.raw<{ readonly html: string; readonly address: string } | undefined>();
	/** The page as it came in. */
	before = $state.raw<{ readonly html: string; readonly address: string } | undefined>();
	/** Whose its elements are. */
	parts = $state.raw<readonly PartOnPage[]>([]);
	/** The element that is looked at, with those around it; it is the last of them. */
	around = $state.raw<readonly PartOnPage[]>([]);
	/** Why the latest choice was not made, as a sentence. */
	refused = $state('');

	/** `onFound`: the frames are others now. */
	constructor(private readonly onFound: (found: BroughtView) => void) {}

	get element(): PartOnPage | undefined {
		return this.around.at(-1);
	}

	async look(page: string): Promise<void> {
		const { bringIn } = store.core;
		if (page !== this.page) this.around = [];
		this.page = page;
		const [shown, before, parts] = await Promise.all([
			bringIn.preview(page),
			bringIn.cameIn(page),
			bringIn.parts(page)
		]);
		if (this.page !== page) return;
		this.shown = shown;
		this.before = before;
		this.parts = parts;
	}

	async point(at: readonly number[]): Promise<void> {
		this.refused = '';
		if (this.page !== undefined) this.around = await store.core.bringIn.around(this.page, at);
	}

	/** Says what the element is that is looked at. */
	async say(as: ElementPart): Promise<void> {
		const { element, page } = this;
		if (!element || page === undefined) return;
		await this.choose({ kind: 'element', page, at: element.at, as }, element.name);
	}

	async choose(choice: Choice, name = ''): Promise<void> {
		const next = { choice, words: choiceWords(choice, name) };
		await this.settle([...this.made, next]);
	}

	/** The latest choice is taken back. */
	async takeBack(): Promise<void> {
		await this.settle(this.made.slice(0, -1));
	}

	forget(): void {
		this.made = this.parts = this.around = [];
		this.page = this.shown = this.before = undefined;
		this.refused = '';
	}

	private async settle(made: readonly MadeChoice[]): Promise<void> {
		const { bringIn } = store.core;
		const answer = await bringIn.choose(made.map(({ choice }) => choice));
		this.refused = answer && 'refused' in answer ? answer.refused : '';
		if (!answer || 'refused' in answer) return;
		this.made = made;
		const at = this.element?.at;
		this.onFound(answer);
		if (this.page !== undefined) await this.look(this.page);
		if (at) await this.point(at);
	}
}
