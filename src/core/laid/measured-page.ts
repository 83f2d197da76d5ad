import { pieceHtmlOf } from '../emit/html/page.ts';
import { isSheetFile } from '../model/files.ts';
import type { OpenDrawers, PageContent, Scrolled } from '../geometry/page.ts';
import { PageLayout, type PlacedBox } from '../geometry/page-layout.ts';
import type { SpaceBand } from '../geometry/pieces/piece-size.ts';
import type { Stretch, Sweep } from '../geometry/widths/sweep.ts';
import { fingerprint } from '../lib/fingerprint.ts';
import { isWhole, pieceKeyWord, type PieceKey } from '../model/piece-key.ts';
import { trialWords } from '../model/trial.ts';
import { allRules } from '../author-styles/sheet-rules.ts';
import { outward, pageTree, type Element } from '../author-styles/page-tree.ts';
import type { MarkedBox } from '../geometry/pieces/marked-boxes.ts';
import { isFramed } from '../resolve/page.ts';
import { markedBoxes } from './marked-boxes.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { ContentSize } from '../measure/content-size.ts';
import { PageDependences, type Dependence } from '../measure/dependence.ts';
import type { Basis } from './basis.ts';
import { drawersIn, drawerScreens, withDrawers } from './open-drawers.ts';
import { Guesses, type ContentText } from './guesses.ts';
import { knownOrGuessed } from './known-or-guessed.ts';
import { AskingPage, type MeasuredContent } from '../measure/page-sizes.ts';
import { settleAt, settleBetween, type Settling } from '../measure/settle.ts';
import type { SizeStore } from '../measure/size-store.ts';

/** A page whose content is measured as it is asked for, on screens of one height. */
export class MeasuredPage {
	/** All content that was asked for so far. */
	readonly contents = new Map<string, MeasuredContent>();
	private readonly dependences: PageDependences;
	private readonly htmlOf: (key: PieceKey) => string;
	private readonly guesses: Guesses;
	/** All of the page with its head, where it is measured as a whole. */
	private readonly whole: string;
	/** Its boxes, likewise. */
	private readonly marked: readonly MarkedBox[];
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
		const rules = allRules(instance, resolved);
		this.dependences = new PageDependences(tree, rules, resolved);
		const target = { link: (url: string) => url, headLines: [], marks: 'all' as const, year };
		this.htmlOf = pieceHtmlOf(instance, resolved, target);
		this.guesses = new Guesses(instance, resolved, year);
		const page = resolved.page(instance.page);
		this.whole = isFramed(page) ? tree.html : '';
		this.marked = isFramed(page) ? markedBoxes(tree, page) : [];
		const { lang, dir, tokens, bands, trial } = resolved.site.settings;
		// What is measured as a whole follows from its sheets as files.
		const inStyles = rules.filter(({ isSheet }) => !isSheet || this.marked.length === 0);
		const styles = new Set(inStyles.map(({ style }) => style));
		const said = [...styles].map(({ css, band, global }) => [css, band?.text, global]);
		const values = tokens.map(({ name, value, band }) => [name.text, value.text, band?.text]);
		const starts = bands.map(({ name, from }) => [name.text, from]);
		const ways = trialWords({ ...trial, content: 'typical', drawersOpen: false });
		const far = [...styles].some(({ css }) => css.includes(':has(')) && tree.html;
		this.style = JSON.stringify([lang, dir, ways, said, values, starts, far]);
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

	/** Its drawers when they are open, on the screens on which it has some. */
	*drawers(): Settling<readonly Stretch[]> {
		const { resolved, instance, screen } = this;
		const page = resolved.page(instance.page);
		const all: Stretch[] = [];
		for (const { from, to } of drawerScreens(page, resolved.site.settings.bands)) {
			const opened = (): AskingPage => this.page(withDrawers(page));
			const { stretches } = yield* settleBetween(opened, from, to, screen.height);
			all.push(...drawersIn(stretches));
		}
		return all;
	}

	/**
	 * The boxes on a screen, px, at once: by what is measured of its content, and by guesses for what is not;
	 * `guessed` where there were any.
	 */
	roughlyAt(width: number): { readonly boxes: readonly PlacedBox[]; readonly by: Basis } {
		let by: Basis = 'measured';
		const layout = this.rough(() => (by = 'guessed'));
		return { boxes: layout.boxesAt({ width, height: this.screen.height }), by };
	}

	/** The boxes where something has been scrolled, likewise. */
	scrolledAt(width: number, scrolled: Scrolled, height = this.screen.height): PlacedBox[] {
		return this.rough(() => undefined, scrolled).boxesAt({ width, height });
	}

	/** The least width that each region needs on a screen, px; likewise. */
	leastWidthsAt(width: number): ReturnType<PageLayout['leastWidths']> {
		return this.rough(() => undefined).leastWidths({ width, height: this.screen.height });
	}

	private rough(onGuess: () => void, scrolled?: Scrolled): PageLayout {
		const { resolved, instance, open } = this;
		const { scrollbar = 0 } = this.screen;
		return new PageLayout({
			page: resolved.page(instance.page),
			site: resolved.site,
			open,
			scrollbar,
			marked: this.marked,
			...(scrolled && { scrolled }),
			sizes: (key, spaces) =>
				knownOrGuessed(this.sizeOf(key, spaces), () => this.guesses.once(key), onGuess)
		});
	}

	/** The margin at the end of a content, px, which shows nothing; as it is guessed where nothing was measured. */
	endMarginOf(key: PieceKey): number {
		const word = pieceKeyWord(key);
		const known = [...this.contents.values()].flatMap(({ key: own, size }) =>
			pieceKeyWord(own) === word && size.endMargin !== undefined ? [size.endMargin] : []
		);
		return known.length > 0 ? Math.min(...known) : (this.guesses.of(key).endMargin ?? 0);
	}

	/** The HTML of some content, and the text that it is set in. */
	textOf(key: PieceKey): ContentText {
		return this.guesses.textOf(key);
	}

	private page(opened: Pick<PageContent, 'open' | 'only'> = { open: this.open }): AskingPage {
		const { resolved, instance } = this;
		const { scrollbar = 0 } = this.screen;
		const content = {
			page: resolved.page(instance.page),
			site: resolved.site,
			scrollbar,
			marked: this.marked,
			...opened
		};
		return new AskingPage(content, (key, spaces) => this.sizeOf(key, spaces));
	}

	private sizeOf(key: PieceKey, spaces: readonly SpaceBand[]): ContentSize {
		const word = `${pieceKeyWord(key)} ${spaces.map(({ layout, band }) => `${layout}@${band}`).join(' ')}`;
		let known = this.contents.get(word);
		if (!known) {
			const dependence = isWhole(key) ? onEachScreen : this.dependences.of(key.region, key.pieces);
			const html = this.htmlOf(key);
			const follows = [
				html,
				this.around(key),
				this.style,
				this.filesIn(html),
				isWhole(key) && [this.whole, this.sheets()],
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

	/** The sheets of the site's own, as they are now. */
	private sheets(): string[] {
		const { assets } = this.resolved.reading.files;
		const css = [...assets].filter(([path]) => isSheetFile(path));
		return css.flatMap(([path, bytes]) => [path, fingerprint(bytes)]);
	}
}

/** What is measured as a whole may be another on each screen. */
const onEachScreen: Dependence = { breakpoints: [], fluid: true, byHeight: true };

/** An element as selectors know it; of content itself, only what it is. */
function opening({ name, attribs }: Element, isContent: boolean): string {
	const { class: words = '', id = '' } = attribs;
	return isContent ? `<${name}>` : `<${name} ${words} ${id}>`;
}
