import type { PieceKey } from '../model/piece-key.ts';
import { pieceKeyWord } from '../model/piece-key.ts';
import type { PageContent } from '../geometry/page.ts';
import { PageLayout, type PlacedBox } from '../geometry/page-layout.ts';
import type { SpaceBand } from '../geometry/pieces/piece-size.ts';
import type { Viewport } from '../size/length.ts';
import type { Turns } from '../size/turns.ts';
import type { ContentSize } from './content-size.ts';

/** A content of a page with what is known of its size, in the bands of the spaces that it stands in. */
export interface MeasuredContent {
	readonly key: PieceKey;
	readonly spaces: readonly SpaceBand[];
	readonly size: ContentSize;
}

/** A question that laying out a page asked. */
export interface Question {
	readonly size: ContentSize;
	/** The word for the key of the content. */
	readonly content: string;
	readonly what: 'widths' | 'height';
	/** px; of its room, where its height is asked for. */
	readonly width: number;
}

/** A page laid out, with all that was asked on the way. */
export interface AskedLayout {
	readonly boxes: readonly PlacedBox[];
	readonly questions: readonly Question[];
	/** Widths that layouts got which measure their own space, px. */
	readonly spaces: ReadonlyMap<string, number>;
}

/** Gives what is known of the size of some content. */
export type KnownSizes = (key: PieceKey, spaces: readonly SpaceBand[]) => ContentSize;

/** Lays out a page with what is known of its content, and notes what it asked for. */
export class AskingPage {
	private readonly layout: PageLayout;
	private questions: Question[] = [];
	private spaces = new Map<string, number>();
	private readonly noted = new WeakMap<readonly PlacedBox[], AskedLayout>();

	constructor(content: Omit<PageContent, 'sizes' | 'onSpace'>, sizes: KnownSizes) {
		this.layout = new PageLayout({
			...content,
			sizes: (key, spaces) => {
				const word = pieceKeyWord(key);
				return sizes(key, spaces).heard((size, what, width) => {
					this.questions.push({ size, content: word, what, width });
				});
			},
			onSpace: (name, width) => this.spaces.set(name, width)
		});
	}

	layAt(view: Viewport): AskedLayout {
		return this.note(() => this.layout.boxesAt(view));
	}

	/** The same with its turns, for a sweep. */
	notedAt(view: Viewport): { readonly boxes: readonly PlacedBox[]; readonly turns: Turns } {
		let turns: Turns | undefined;
		const { boxes } = this.note(() => {
			const laid = this.layout.notedAt(view);
			turns = laid.turns;
			return laid.boxes;
		});
		if (!turns) throw new Error('A layout was noted without its turns.');
		return { boxes, turns };
	}

	/** What was asked for boxes that `notedAt` gave. */
	askedFor(boxes: readonly PlacedBox[]): AskedLayout | undefined {
		return this.noted.get(boxes);
	}

	private note(lay: () => readonly PlacedBox[]): AskedLayout {
		this.questions = [];
		this.spaces = new Map();
		const boxes = lay();
		const asked = { boxes, questions: this.questions, spaces: this.spaces };
		this.noted.set(boxes, asked);
		return asked;
	}
}
