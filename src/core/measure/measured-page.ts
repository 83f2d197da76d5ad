import { pieceHtmlOf } from '../emit/html/page.ts';
import type { OpenDrawers } from '../geometry/page.ts';
import type { PlacedBox } from '../geometry/page-layout.ts';
import type { SpaceBand } from '../geometry/pieces/piece-size.ts';
import type { Sweep } from '../geometry/widths/sweep.ts';
import { fingerprint } from '../model/fingerprint.ts';
import { pieceKeyWord, type PieceKey } from '../model/piece-key.ts';
import { authorRules } from '../reach/author-rules.ts';
import { outward, pageTree, type Element } from '../reach/page-tree.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { ContentSize } from './content-size.ts';
import { PageDependences } from './dependence.ts';
import { AskingPage } from './page-sizes.ts';
import { settleAt, settleBetween, type Settling } from './settle.ts';
import type { SizeStore } from './size-store.ts';

/** A content of a page with what is known of its size, in the bands of the spaces that it stands in. */
export interface MeasuredContent {
	readonly key: PieceKey;
	readonly spaces: readonly SpaceBand[];
	readonly size: ContentSize;
}

/** A page whose content is measured as it is asked for, on screens of one height. */
export class MeasuredPage {
	/** All content that was asked for so far. */
	readonly contents = new Map<string, MeasuredContent>();
	private readonly dependences: PageDependences;
	private readonly htmlOf: (key: PieceKey) => string;
	/** All that the style of the page says. */
	private readonly style: string;

	constructor(
		private readonly instance: PageInstance,
		private readonly resolved: ResolvedSite,
		year: number,
		/** Height of the screen, and what a classic scrollbar takes of it, px. */
		private readonly screen: { readonly height: number; readonly scrollbar?: number },
		private readonly store: SizeStore,
		private readonly open: OpenDrawers = new Set()
	) {
		const tree = pageTree(instance, resolved, year);
		const rules = authorRules(instance, resolved);
		this.dependences = new PageDependences(tree, rules, resolved);
		const target = { link: (url: string) => url, headLines: [], marks: 'all' as const, year };
		this.htmlOf = pieceHtmlOf(instance, resolved, target);
		const { lang, dir, tokens, bands } = resolved.site.settings;
		const styles = new Set(rules.map(({ style }) => style));
		const said = [...styles].map(({ css, band, global }) => [css, band?.text, global]);
		const values = tokens.map(({ name, value, band }) => [name.text, value.text, band?.text]);
		const starts = bands.map(({ name, from }) => [name.text, from]);
		this.style = JSON.stringify([lang, dir, said, values, starts, this.isWhole(said) && tree.html]);
	}

	/** The boxes on a screen of some width, px. */
	*at(width: number): Settling<readonly PlacedBox[]> {
		const [boxes = []] = yield* this.atAll([width]);
		return boxes;
	}

	/** The boxes on screens of some widths, px. */
	atAll(widths: readonly number[]): Settling<readonly (readonly PlacedBox[])[]> {
		return settleAt(() => this.page(), widths, this.screen.height);
	}

	/** The boxes on all screens between two whole widths, px, both inclusive. */
	between(from: number, to: number): Settling<Sweep> {
		return settleBetween(() => this.page(), from, to, this.screen.height);
	}

	private page(): AskingPage {
		const { resolved, instance, open } = this;
		const { scrollbar = 0 } = this.screen;
		const content = { page: resolved.page(instance.page), site: resolved.site, open, scrollbar };
		return new AskingPage(content, (key, spaces) => this.sizeOf(key, spaces));
	}

	private sizeOf(key: PieceKey, spaces: readonly SpaceBand[]): ContentSize {
		const word = `${pieceKeyWord(key)} ${spaces.map(({ layout, band }) => `${layout}@${band}`).join(' ')}`;
		let known = this.contents.get(word);
		if (!known) {
			const dependence = this.dependences.of(key.region, key.pieces);
			const html = this.htmlOf(key);
			const follows = [
				html,
				this.around(key),
				this.style,
				this.filesIn(html),
				spaces,
				dependence.byHeight && this.screen.height,
				this.screen.scrollbar ?? 0
			];
			const size = this.store.get(JSON.stringify(follows), dependence);
			this.contents.set(word, (known = { key, spaces, size }));
		}
		return known.size;
	}

	/** What selectors can say of where a content stands: the elements around it, and those beside each. */
	private around(key: PieceKey): string {
		const [first] = this.dependences.elementsOf(key.region, key.pieces);
		if (!first) return '';
		return [...outward(first)]
			.map((element) => {
				const beside = element.parent?.children.flatMap((child) =>
					child.type === 'tag' ? [opening(child, element === first)] : []
				);
				return `${opening(element, element === first)} in ${beside?.join('') ?? ''}`;
			})
			.join(' ');
	}

	/** Pictures and the like that a content shows, as they are now. */
	private filesIn(html: string): string[] {
		const { assets } = this.resolved.reading.files;
		return [...assets].flatMap(([path, bytes]) =>
			html.includes(path) ? [fingerprint(bytes)] : []
		);
	}

	/** Whether the style asks for what stands far away from an element. */
	private isWhole(said: unknown): boolean {
		return JSON.stringify(said).includes(':has(');
	}
}

/** An element as selectors know it; of content itself, only what it is. */
function opening({ name, attribs }: Element, isContent: boolean): string {
	const { class: words = '', id = '' } = attribs;
	return isContent ? `<${name}>` : `<${name} ${words} ${id}>`;
}
