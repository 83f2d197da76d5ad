import { layoutsGrowIn } from '../../box-styles/declare.ts';
import { frameOf } from '../../box-styles/frame.ts';
import { pieceKeyWord, wholeKey, type PieceKey } from '../../model/piece-key.ts';
import type { DocumentSays, Layout, Member, OwnFrame, Region } from '../../model/site.ts';
import { slotName, type PlaceTag, type Template } from '../../model/template.ts';
import type { Bands } from '../../resolve/bands.ts';
import type { Opener } from '../../resolve/boxes/drawers.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import {
	isFramed,
	type Landed,
	type ResolvedPage,
	type ResolvedRegion
} from '../../resolve/page.ts';
import { namesIn, standingThroughout } from '../../resolve/boxes/runs.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { slotOf } from '../../resolve/structure.ts';
import { compileMarkup } from '../../resolve/markup/compile.ts';
import { hasScope, isBody, openSlot } from '../style-scope.ts';
import {
	broughtClass,
	closerClass,
	drawerClass,
	classNames,
	elementId,
	layerClass,
	pageClass,
	skipClass,
	type ClassNames
} from '../names.ts';
import { escapeHtml } from './escape.ts';
import { HtmlLines } from './lines.ts';
import { amongMark, marksText, ownerMark, type Marks } from './marks.ts';
import { renderMarkup } from './markup.ts';
import { PieceWriter, placeIn, type PieceContext } from './piece.ts';
import { attributesText, boxAttributes, saidAttributes } from './said-attributes.ts';
import { documentsOf, saidHead, says, type HeadContext } from './said-head.ts';
import { longerText } from './stretch.ts';
import type { PageTarget } from './target.ts';
import { asWords, pageHead, pageScope } from './words.ts';

/** The HTML of one page: outer layers wrap inner ones, each element says which layer it comes from. */
export function pageHtml(
	instance: PageInstance,
	resolved: ResolvedSite,
	target: PageTarget
): string {
	const writer = new PageWriter(instance, resolved, target);
	return writer.document();
}

/** The HTML of a piece, a run or an opener by itself, as it stands on the page. */
export function pieceHtmlOf(
	instance: PageInstance,
	resolved: ResolvedSite,
	target: PageTarget
): (key: PieceKey) => string {
	const parts = new PageWriter(instance, resolved, target).parts();
	return (key) => parts.get(pieceKeyWord(key)) ?? '';
}

class PageWriter {
	private readonly lines = new HtmlLines();
	private readonly pieces: PieceWriter;
	private readonly page: ResolvedPage;
	private readonly names: ClassNames;
	private readonly context: PieceContext & HeadContext;
	private readonly documents: readonly DocumentSays[];
	/** Whether a main part has been written. */
	private hasMain = false;

	constructor(
		private readonly instance: PageInstance,
		private readonly resolved: ResolvedSite,
		private readonly target: PageTarget
	) {
		this.page = resolved.page(instance.page);
		this.names = classNames(resolved.site);
		const scope = pageScope(instance, resolved, target.year);
		const link = (url: string): string => target.link(url);
		this.context = { instance, resolved, target, scope, names: this.names, link };
		this.documents = documentsOf(instance.page, resolved);
		this.pieces = new PieceWriter(this.context, this.lines);
	}

	document(): string {
		this.write(0, '<!DOCTYPE html>');
		this.write(0, `<html${this.saidOf('html', this.htmlAttributes())}>`);
		this.write(1, '<head>');
		for (const line of this.head()) this.write(2, line);
		this.write(1, '</head>');
		this.body();
		this.write(0, '</html>');
		return this.lines.take() + '\n';
	}

	/** The outermost layout has a frame of own markup: nothing is added to the page that no layer says. */
	private get isOwn(): boolean {
		return this.page.chain[0]?.frame !== undefined;
	}

	private htmlAttributes(): Map<string, string> {
		const { lang, langSpan, dir } = this.resolved.site.settings;
		const own = new Map<string, string>();
		if (langSpan || !this.isOwn) own.set('lang', lang);
		if (dir === 'rtl') own.set('dir', dir);
		return own;
	}

	/** What a head says by itself is not said again. */
	private head(): string[] {
		const { instance, resolved, target, context, documents } = this;
		// Who puts sheets into the page has to know which they are.
		const said = saidHead(documents, target.head ? { ...context, link: asWritten } : context);
		const { title, description } = pageHead(instance, resolved, target.year);
		const own: string[] = [];
		if (!says('charset', said)) own.push('<meta charset="utf-8">');
		if (!this.isOwn && !says('viewport', said)) {
			own.push('<meta name="viewport" content="width=device-width, initial-scale=1">');
		}
		if (!says('title', said) && this.hasTitle) own.push(`<title>${escapeHtml(title)}</title>`);
		if (description && !says('description', said)) {
			own.push(`<meta name="description" content="${escapeHtml(description)}">`);
		}
		return [...own, ...target.headLines, ...(target.head?.(said) ?? said)];
	}

	/** A page in a frame of own markup has a title only where some layer says one. */
	private get hasTitle(): boolean {
		const { page, chain } = this.page;
		return !this.isOwn || page.title !== undefined || chain.some(({ title }) => title);
	}

	private saidOf(element: 'html' | 'body', own: ReadonlyMap<string, string>): string {
		return attributesText(saidAttributes(element, this.documents, own, this.context));
	}

	/**
	 * The outermost layout is the body itself, unless it needs a box around it: for its width, or because
	 * browsers take what a body says of scrolling for the whole screen (CSS Overflow 3, section 3.3).
	 */
	private body(): void {
		const [outermost] = this.page.chain;
		const framed = outermost && isFramed(this.page) ? { framed: outermost.name.text } : {};
		if (outermost?.frame) {
			const marks = this.marks({ ...ownerMark(outermost), ...framed });
			this.write(1, `<body${this.saidOf('body', new Map())}${marks}>`);
			this.lines.write(0, this.framed(outermost, outermost.frame, ''));
		} else if (outermost && isBody(outermost)) {
			const { classes, content } = this.root(outermost, []);
			const own = new Map([['class', classes]]);
			const marks = this.marks({ ...ownerMark(outermost), ...framed });
			this.write(1, `<body${this.saidOf('body', own)}${marks}>`);
			content(2);
		} else {
			this.write(1, `<body${this.saidOf('body', new Map())}${this.marks(framed)}>`);
			if (outermost) this.layer(outermost, undefined, 2);
			else this.barePage();
		}
		this.write(1, '</body>');
	}

	/** The markup of a frame, with what lands in its places. */
	private framed(layout: Layout, { markup }: OwnFrame, marks: string): string {
		const regionOf = (tag: PlaceTag): ResolvedRegion | undefined =>
			this.page.regions.find(
				(one) => one.layout === layout && one.region.name.text === (tag.name?.text ?? slotName)
			);
		const places = {
			content: (tag: PlaceTag, line: string): string => {
				const resolved = regionOf(tag);
				return resolved ? this.inPlace(resolved, line) : '';
			},
			marks: (tag: PlaceTag): string => {
				const region = regionOf(tag)?.region;
				if (!region) return '';
				const slot = region.slot && { slot: '' };
				return this.marks({ ...ownerMark(layout), region: region.name.text, ...slot });
			}
		};
		if (hasMainPart(markup)) this.hasMain = true;
		const { origins } = this.target;
		const { parts } = compileMarkup(markup, this.resolved.site.parts, origins);
		const { scope, names, link } = this.context;
		return renderMarkup(parts, scope, { link, names, places, ...(origins && { origins }) }, marks);
	}

	/** What lands in a place of a frame, in the lines around it. */
	private inPlace(resolved: ResolvedRegion, line: string): string {
		const written = this.lines.apart(() => this.allLanded(resolved, 0));
		const isDeep = /^[ \t]*$/.test(line) && !/<(?:pre|textarea|script|style)\b/i.test(written);
		return isDeep ? written.replaceAll('\n', `\n${line}`) : written;
	}

	/** The HTML of every piece, run and opener, by its key. */
	parts(): Map<string, string> {
		const parts = new Map<string, string>();
		const [outermost] = this.page.chain;
		if (outermost && isFramed(this.page)) {
			parts.set(
				pieceKeyWord(wholeKey(outermost.name.text)),
				this.lines.apart(() => this.body())
			);
		}
		const add = (key: PieceKey, write: () => void): void => {
			write();
			parts.set(pieceKeyWord(key), this.lines.take());
		};
		const addPieces = (
			host: ResolvedRegion | undefined,
			landed: readonly Landed[],
			where: Pick<PieceKey, 'layout' | 'region'>
		): void => {
			for (const { one, holder, beside } of standingThroughout({ region: host?.region, landed })) {
				if (one.kind === 'layout') continue;
				const pieces = one.kind === 'run' ? one.pieces : [one];
				const key = { ...where, pieces: namesIn(one), opener: false };
				const place = { host, holder, beside };
				add(key, () => pieces.forEach((piece) => this.pieces.piece(piece, place, 0)));
			}
		};
		for (const host of this.page.regions) {
			const { layout, region, landed } = host;
			const where = { layout: layout.name.text, region: region.name.text };
			addPieces(host, landed, where);
			const { openers } = frameOf(layout, this.resolved.site.settings.bands);
			for (const opener of openers.filter((one) => one.host === region)) {
				const pieces = [{ piece: opener.region.name.text, owner: where.layout }];
				const key = { ...where, pieces, opener: true };
				add(key, () => this.openers([opener], opener.end, layout, 0));
			}
		}
		addPieces(undefined, this.page.bare, { layout: undefined, region: undefined });
		return parts;
	}

	/** A layout's root, in a box of its own where its bands look at the space it gets. */
	private layer(layout: Layout, host: ResolvedRegion | undefined, depth: number): void {
		const landed = host ? landedClasses(host, this.resolved.site.settings.bands) : [];
		const among = host ? amongMark(host) : {};
		if (layout.frame) {
			const marks = this.marks({ ...ownerMark(layout), part: '', ...among });
			this.lines.write(0, this.framed(layout, layout.frame, marks));
			return;
		}
		const space = layout.measure === 'space';
		const inner = space ? depth + 1 : depth;
		if (space) {
			const marks = this.marks({ space: layout.name.text, ...among });
			const words = [this.names.space(layout), ...landed].join(' ');
			this.write(depth, `<div class="${words}"${marks}>`);
		}
		const { classes, content } = this.root(layout, space ? [] : landed);
		const marks = this.marks({ ...ownerMark(layout), ...(space ? {} : among) });
		this.write(inner, `<div class="${classes}"${marks}>`);
		content(inner + 1);
		this.write(inner, '</div>');
		if (space) this.write(depth, '</div>');
	}

	/** The classes of a layout's root, and what is in it. */
	private root(
		layout: Layout,
		classes: readonly string[]
	): { classes: string; content: (depth: number) => void } {
		return {
			classes: [this.names.layout(layout), ...classes].join(' '),
			content: (depth) => {
				this.skipLink(layout, depth);
				for (const member of layout.members) this.member(member, layout, depth);
			}
		};
	}

	private skipLink(layout: Layout, depth: number): void {
		const skip = skipOf(layout);
		const slot = slotOf(layout);
		if (skip === undefined || !slot) return;
		const target = elementId(layout, slot.name.text);
		this.write(depth, `<a class="${skipClass}" href="#${target}">${escapeHtml(skip)}</a>`);
	}

	private member(member: Member, layout: Layout, depth: number): void {
		if (member.kind === 'region') {
			const resolved = this.page.regions.find((one) => one.region === member);
			if (resolved) this.region(resolved, depth);
			return;
		}
		const element = member.element.text;
		const marks = this.marks({ ...ownerMark(layout), wrapper: member.name.text });
		const own = new Map([['class', this.names.member(layout, member.name.text)]]);
		const said = attributesText(boxAttributes(member.attributes, own, this.context));
		this.write(depth, `<${element}${said}${marks}>`);
		for (const inner of member.members) this.member(inner, layout, depth + 1);
		this.write(depth, `</${element}>`);
	}

	private region(resolved: ResolvedRegion, depth: number): void {
		const { layout, region, landed } = resolved;
		const { openers } = frameOf(layout, this.resolved.site.settings.bands);
		const here = openers.filter((opener) => opener.host === region);
		const drawer = openers.find((opener) => opener.region === region);
		const element = this.elementOf(region);
		const open = `<${element}${this.regionAttributes(resolved, drawer)}>`;
		const slot = this.target.slots?.of(resolved);
		if (landed.length === 0 && here.length === 0 && !drawer && slot === undefined) {
			this.write(depth, `${open}</${element}>`);
		} else {
			this.write(depth, open);
			if (drawer) this.closer(drawer, layout, depth + 1);
			this.openers(here, 'first', layout, depth + 1);
			this.allLanded(resolved, depth + 1);
			this.openers(here, 'last', layout, depth + 1);
			this.write(depth, `</${element}>`);
		}
	}

	/** HTML, section 4.4.14: a document has one main part; a further one is a plain box. */
	private elementOf(region: Region): string {
		if (region.element.text !== 'main') return region.element.text;
		if (this.hasMain) return 'div';
		this.hasMain = true;
		return 'main';
	}

	private regionAttributes({ layout, region }: ResolvedRegion, drawer: Opener | undefined): string {
		const slot = slotOf(layout) === region;
		const isTarget = slot && skipOf(layout) !== undefined;
		const classes = [this.names.member(layout, region.name.text), ...(drawer ? [drawerClass] : [])];
		const own = new Map([['class', classes.join(' ')]]);
		if (drawer || isTarget) own.set('id', elementId(layout, region.name.text));
		// Of those that close by themselves only one is open at a time.
		if (drawer) own.set('popover', this.resolved.site.settings.trial.drawersOpen ? 'manual' : '');
		if (isTarget) own.set('tabindex', '-1');
		const label = labelOf(region);
		if (label !== undefined) own.set('aria-label', label);
		const marks = { ...ownerMark(layout), region: region.name.text, ...(slot && { slot: '' }) };
		const said = attributesText(boxAttributes(region.attributes, own, this.context));
		return `${said}${this.marks(marks)}`;
	}

	/** Buttons that open drawers by themselves: HTML, section 6.12. */
	private openers(
		openers: readonly Opener[],
		end: Opener['end'],
		layout: Layout,
		depth: number
	): void {
		const { content } = this.resolved.site.settings.trial;
		for (const { region, label: said } of openers.filter((opener) => opener.end === end)) {
			const label = content === 'long' ? longerText(said) : said;
			const name = region.name.text;
			const id = elementId(layout, name);
			const button = `<button type="button" popovertarget="${id}">${escapeHtml(label)}</button>`;
			const marks = this.marks({ ...ownerMark(layout), opener: name });
			this.write(depth, `<div class="${this.names.opener(layout, name)}"${marks}>${button}</div>`);
		}
	}

	private closer({ region, close }: Opener, layout: Layout, depth: number): void {
		const name = region.name.text;
		const attributes = [
			`class="${closerClass}"`,
			'type="button"',
			`popovertarget="${elementId(layout, name)}"`,
			'popovertargetaction="hide"'
		];
		this.write(depth, `<button ${attributes.join(' ')}>${escapeHtml(close)}</button>`);
	}

	/** What a region shows, as it is, or as what shows in a place that nobody has filled yet. */
	private allLanded(resolved: ResolvedRegion, depth: number): void {
		this.inSlot(this.target.slots?.of(resolved), depth, resolved.landed.length > 0, (inner) => {
			for (const one of resolved.landed) this.landed(one, resolved, inner);
		});
	}

	private inSlot(
		name: string | undefined,
		depth: number,
		hasDefault: boolean,
		content: (depth: number) => void
	): void {
		if (name === undefined) {
			content(depth);
			return;
		}
		const open = `<slot name="${escapeHtml(name)}">`;
		if (!hasDefault) {
			this.write(depth, `${open}</slot>`);
			return;
		}
		this.write(depth, open);
		content(depth + 1);
		this.write(depth, '</slot>');
	}

	private landed(landed: Landed, host: ResolvedRegion, depth: number): void {
		if (landed.kind === 'layout') this.layer(landed.layout, host, depth);
		else this.pieces.piece(landed, placeIn(host, host.landed), depth);
	}

	private barePage(): void {
		const { page } = this.page;
		this.write(2, `<main class="${pageClass}"${this.marks(ownerMark(page))}>`);
		const { bare } = this.page;
		this.inSlot(this.target.slots?.bare, 3, false, (depth) => {
			for (const one of bare) this.pieces.piece(one, placeIn(undefined, bare), depth);
		});
		this.write(2, '</main>');
	}

	private marks(marks: Marks): string {
		return marksText(this.target.marks, marks);
	}

	private write(depth: number, text: string): void {
		this.lines.write(depth, text);
	}
}

/** The name that a region has for assistive technology: its label, and for lists of links its own name. */
function labelOf({ settings, element, name }: Region): string | undefined {
	const label = settings.find((setting) => setting.kind === 'label');
	if (label) return label.value;
	return element.text === 'nav' ? asWords(name.text) : undefined;
}

function asWritten(url: string): string {
	return url;
}

function hasMainPart({ parts }: Template): boolean {
	return parts.some((part) => typeof part === 'string' && /<main[\s>]/i.test(part));
}

function skipOf({ settings }: Layout): string | undefined {
	return settings.find((setting) => setting.kind === 'skip')?.value;
}

/** What a layout that landed says of itself: where its host has to know it from pieces. */
function landedClasses({ layout, region }: ResolvedRegion, bands: Bands): string[] {
	const box = frameOf(layout, bands).boxes.get(region.name.text);
	return [
		...(box && layoutsGrowIn(box, bands) ? [layerClass] : []),
		...(hasScope(layout) && openSlot(layout) !== region ? [broughtClass] : [])
	];
}
