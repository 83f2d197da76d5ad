import { pieceHtmlOf } from '../emit/html/page.ts';
import { estimateOnce, estimateSize } from '../geometry/pieces/estimate.ts';
import type { PieceSize } from '../geometry/pieces/piece-size.ts';
import type { TextType } from '../geometry/pieces/text-lines.ts';
import type { PieceKey } from '../model/piece-key.ts';
import { noTrial, remOf } from '../model/trial.ts';
import type { AuthorRule } from '../reach/author-rules.ts';
import type { PageTree } from '../reach/page-tree.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { PageDependences } from './dependence.ts';
import { TypeAround } from './type-around.ts';

/** What each content of a page is as HTML, without marks and addresses of this page. */
export function contentHtml(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number
): (key: PieceKey) => string {
	return pieceHtmlOf(instance, resolved, {
		link: (url) => url,
		headLines: [],
		marks: 'none',
		year
	});
}

/** How many times as large as it is written the text of a page is tried. */
export function textScale({ site }: ResolvedSite): number {
	return remOf(site.settings.trial) / remOf(noTrial);
}

/** Guesses of the sizes of a page's content, each in the type that the styles around it set. */
export class Guesses {
	private readonly type: TypeAround;

	constructor(
		private readonly htmlOf: (key: PieceKey) => string,
		rules: readonly AuthorRule[],
		tree: PageTree,
		private readonly dependences: PageDependences,
		scale: number
	) {
		this.type = new TypeAround(rules, tree, scale);
	}

	/** For any screen. */
	of(key: PieceKey): PieceSize {
		return estimateSize(this.htmlOf(key), this.typeOf(key));
	}

	/** For one screen. */
	once(key: PieceKey): PieceSize {
		return estimateOnce(this.htmlOf(key), this.typeOf(key));
	}

	/** The text that it is set in. */
	typeOf(key: PieceKey): TextType {
		const [first] = this.dependences.elementsOf(key.region, key.pieces);
		return this.type.at(first?.parent?.type === 'tag' ? first.parent : first);
	}
}
