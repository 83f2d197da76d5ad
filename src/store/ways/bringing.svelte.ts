import { proxy } from 'comlink';
import type { BringingIn } from '$core/bring-in/bring-in.ts';
import type { BroughtView } from '$core/bring-in/brought-view.ts';
import { encodeUtf8 } from '$core/lib/utf8.ts';
import type { ProofView } from '$workers/desk/bringing-in.ts';
import { counted } from '$core/messages/wording.ts';
import { commands } from '../commands.svelte.ts';
import { store } from '../site.svelte.ts';
import { Choosing } from './choosing.svelte.ts';
import { ProvingBoxes } from './proving-boxes.svelte.ts';

/** Pages that are brought in: what is found in them is shown before it becomes the open site. */
class Bringing {
	/** Its dialog is open. */
	isOpen = $state(false);
	/** How far reading is; undefined where nothing is read. */
	progress = $state.raw<BringingIn | undefined>();
	found = $state.raw<BroughtView | undefined>();
	/** What is known so far of which pages come out the same. */
	proof = $state.raw<ProofView | undefined>();
	isProving = $state(false);
	/** What of it is put right before it is taken. */
	readonly choosing = new Choosing((found) => void this.prove(found));
	/** The boxes of the pages that are the same, in this browser. */
	readonly boxes = new ProvingBoxes();
	/** Why it was not added to the open site, as a sentence. */
	notAdded = $state('');
	/** Why nothing was found, as a sentence. */
	refused = $state<string | undefined>();

	ask(): void {
		this.forget();
		this.isOpen = true;
	}

	/** Finds what pages share, and holds them against what they would become. */
	async begin(name: string, files: ReadonlyMap<string, Uint8Array>): Promise<void> {
		this.forget();
		this.isOpen = true;
		this.progress = { read: 0, of: 0 };
		try {
			const { bringIn } = store.core;
			const answer = await bringIn.find(
				name,
				files,
				proxy((progress: BringingIn) => void (this.progress = progress))
			);
			this.progress = undefined;
			if (answer === 'stopped') return;
			if ('refused' in answer) this.refused = answer.refused;
			else {
				const [page] = answer.frames[0]?.pages ?? answer.alone;
				if (page !== undefined) void this.choosing.look(page);
				await this.prove(answer);
			}
		} catch (failure) {
			store.sayFailure('These pages could not be brought in', failure);
			this.close();
		}
	}

	/** The markup of one page, as it was pasted. */
	beginText(html: string): Promise<void> {
		return this.begin('page.html', new Map([['index.html', encodeUtf8(html)]]));
	}

	private async prove(found: BroughtView): Promise<void> {
		this.found = found;
		this.proof = undefined;
		this.boxes.forget();
		this.isProving = true;
		const proof = await store.core.bringIn.prove(
			proxy((known: ProofView) => {
				if (this.found === found) this.proof = known;
			})
		);
		// Another choice has been made meanwhile, which is being looked at.
		if (this.found !== found) return;
		this.proof = proof ?? this.proof;
		this.isProving = false;
	}

	async stop(): Promise<void> {
		await store.core.bringIn.stop();
		this.forget();
	}

	/** Opens what was found as a site; the one that is open now stays in this browser. */
	async take(): Promise<void> {
		await store.core.bringIn.stop();
		const files = await store.core.bringIn.take();
		this.close();
		if (files) await store.adopt(files);
	}

	/** Adds what was found to the open site, as one edit; in a folder of it, as frames alone or with the pages. */
	async addToSite(folder: string, withPages: boolean): Promise<void> {
		const { bringIn } = store.core;
		await bringIn.stop();
		const choices = this.choosing.made.map(({ choice }) => choice);
		const command = await bringIn.intoSite(choices, folder, withPages);
		if (!command) return;
		this.notAdded =
			command.texts.length === 0
				? 'No frame was found in these pages: choose one, or add them as pages.'
				: ((await commands.attempt(command)) ?? '');
		if (this.notAdded !== '') return;
		this.close();
		store.notice = { kind: 'fine', sentence: addedWords(command.texts.length, withPages) };
	}

	close(): void {
		this.isOpen = false;
		this.forget();
		void store.core.bringIn.stop();
	}

	private forget(): void {
		this.progress = this.found = this.proof = this.refused = undefined;
		this.isProving = false;
		this.notAdded = '';
		this.choosing.forget();
		this.boxes.forget();
	}
}

function addedWords(texts: number, withPages: boolean): string {
	return withPages
		? `${counted(texts, 'file')} of text were added: frames and pages. Undo takes all of it back.`
		: 'The frame is in the site. No page sits under it yet: choose it where a page says what it sits under.';
}

export const bringing = new Bringing();
