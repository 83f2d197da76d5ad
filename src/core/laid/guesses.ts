import { pieceHtmlOf } from '../emit/html/page.ts';
import { estimateOnce, estimateSize } from '../geometry/pieces/estimate.ts';
import type { PieceSize } from '../geometry/pieces/piece-size.ts';
import type { TextType } from '../geometry/pieces/said-size.ts';
import type { Saying } from '../geometry/pieces/text-lines.ts';
import type { PieceKey } from '../model/piece-key.ts';
import { noTrial, remOf } from '../model/trial.ts';
import { allRules } from '../author-styles/sheet-rules.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { frameType, type FrameType } from './frame-type.ts';
import { picturesIn } from './picture-sizes.ts';
import { ContentRules, sayingIn, type SayingRules } from './said-in-content.ts';

/** The HTML of some content, and the text that it is set in. */
export interface ContentText {
	readonly html: string;
	readonly type: TextType;
}

/**
 * Guesses of the sizes of a page's content: from its text and pictures, in the type that the frame's styles set, and
 * with what styles say of its elements. All that is not measured is guessed here.
 */
export class Guesses {
	private readonly html: (key: PieceKey) => string;
	private readonly type: FrameType;
	private readonly rules: ContentRules;
	private readonly scale: number;
	private readonly pictures: Saying['picture'];
	private readonly assets: object;

	constructor(instance: PageInstance, resolved: ResolvedSite, year: number) {
		// Without marks and addresses of this page, so that the same content is the same text on each.
		const target = { link: (url: string) => url, headLines: [], marks: 'none' as const, year };
		this.html = pieceHtmlOf(instance, resolved, target);
		this.type = frameType(instance, resolved, year);
		this.rules = new ContentRules(allRules(instance, resolved));
		this.scale = remOf(resolved.site.settings.trial) / remOf(noTrial);
		this.assets = resolved.reading.files.assets;
		this.pictures = picturesIn(resolved.reading.files.assets);
	}

	/** For any screen. */
	of(key: PieceKey): PieceSize {
		return this.guess(key, atAnyWidth);
	}

	/** For one screen: cheap to make, but no sweep may be worked out from it. */
	once(key: PieceKey): PieceSize {
		return this.guess(key, atOnce);
	}

	/** The HTML of some content, and the text that it is set in. */
	textOf(key: PieceKey): ContentText {
		const { size, line } = this.type(key.layout, key.region);
		return { html: this.html(key), type: { size: size * this.scale, line: line * this.scale } };
	}

	private guess(key: PieceKey, guessing: Guessing): PieceSize {
		const rules = this.rules.of(key.pieces.map(({ owner }) => owner));
		return guessing.of(this.textOf(key), rules, this.pictures, this.assets);
	}
}

const mostGuesses = 5000;

/** Guesses of one kind that were made; much of the content stands on many pages. */
class Guessing {
	private readonly known = new Map<string, PieceSize>();
	private readonly numbers = new WeakMap<object, number>();
	private count = 0;

	constructor(private readonly make: typeof estimateSize) {}

	of(
		{ html, type }: ContentText,
		rules: SayingRules,
		pictures: Saying['picture'],
		assets: object
	): PieceSize {
		const files = html.includes('<img') ? this.numberOf(assets) : 0;
		const key = `${type.size} ${type.line} ${files} ${rules.word} ${html}`;
		let made = this.known.get(key);
		if (!made) {
			if (this.known.size >= mostGuesses) this.known.clear();
			made = this.make(html, type, (nodes) => sayingIn(nodes, rules, pictures));
			this.known.set(key, made);
		}
		return made;
	}

	private numberOf(assets: object): number {
		let number = this.numbers.get(assets);
		if (number === undefined) this.numbers.set(assets, (number = ++this.count));
		return number;
	}
}

const atOnce = new Guessing(estimateOnce);
const atAnyWidth = new Guessing(estimateSize);
