import { templateText } from '../../model/template.ts';
import {
	layerName,
	type Layer,
	type Layout,
	type Member,
	type Piece,
	type Region
} from '../../model/site.ts';
import { frameOf } from '../../declare/frame.ts';
import { type PieceKey } from '../../model/piece-key.ts';
import type { Opener } from '../../resolve/drawers.ts';
import { compileMarkup } from '../../resolve/markup.ts';
import { navLinks, type NavLink } from '../../resolve/nav.ts';
import type { Landed, ResolvedPage, ResolvedRegion } from '../../resolve/page.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import { slotOf } from '../../resolve/structure.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { evaluateText, type Scope } from '../../resolve/values.ts';
import { escapeHtml } from './escape.ts';
import { renderMarkup } from './markup.ts';
import { hasScope } from '../css/styles.ts';
import { marksText, ownerMark, type MarkMode, type Marks } from './marks.ts';
import {
	broughtClass,
	classNames,
	elementId,
	layerClass,
	listClass,
	pageClass,
	skipClass,
	type ClassNames
} from '../names.ts';

/** What a page is written for. */
export interface PageTarget {
	/** A URL as written in markup, as it works from the page. */
	link(url: string): string;
	/** The last lines in the head, which bring in the style sheets among others. */
	readonly headLines: readonly string[];
	/** Whether elements say what made them. */
	readonly marks: MarkMode;
	readonly year: number;
}

/** The HTML of one page: outer layers wrap inner ones, each element says which layer it comes from. */
export function pageHtml(
	instance: PageInstance,
	resolved: ResolvedSite,
	target: PageTarget
): string {
	const writer = new PageWriter(instance, resolved, target);
	return writer.document();
}

/** The HTML of one piece or opener by itself, as it stands on the page. */
export function pieceHtmlOf(
	instance: PageInstance,
	resolved: ResolvedSite,
	target: PageTarget
): (key: PieceKey) => string {
	const parts = new PageWriter(instance, resolved, target).parts();
	return (key) => parts.get(partName(key)) ?? '';
}

function partName({ layout, region, piece, owner, opener }: PieceKey): string {
	return [layout ?? '', region ?? '', owner, opener ? 'opener' : '', piece].join('/');
}

/** The title and description of a page, after the patterns of the layouts it sits under. */
export function pageHead(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number
): { title: string; description: string } {
	const scope = pageScope(instance, resolved, year);
	const chain = resolved.structure.chainOf(instance.page);
	const pattern = chain.findLast((layout) => layout.title)?.title;
	return {
		title: pattern ? evaluateText(pattern, scope) : scope.title,
		description: scope.description
	};
}

/** What expressions on the page can refer to, its own title and description included. */
export function pageScope(instance: PageInstance, resolved: ResolvedSite, year: number): Scope {
	const { page } = instance;
	const bare: Scope = { site: resolved.site, instance, title: '', description: '', year };
	const title = page.title ? evaluateText(page.title, bare) : layerName(page);
	const chain = resolved.structure.chainOf(page);
	const template = page.description ?? chain.findLast((one) => one.description)?.description;
	const description = template ? evaluateText(template, { ...bare, title }) : '';
	return { ...bare, title, description };
}

/** The title of a route for lists of links: its own, without the patterns of layouts. */
export function linkText(instance: PageInstance, scope: Scope): string {
	const { title } = instance.page;
	if (!title) return layerName(instance.page);
	return evaluateText(title, { ...scope, instance, title: templateText(title) });
}

class PageWriter {
	private readonly lines: string[] = [];
	private readonly page: ResolvedPage;
	private readonly scope: Scope;
	private readonly names: ClassNames;
	/** Whether a main part has been written. */
	private hasMain = false;

	constructor(
		private readonly instance: PageInstance,
		private readonly resolved: ResolvedSite,
		private readonly target: PageTarget
	) {
		this.page = resolved.page(instance.page);
		this.scope = pageScope(instance, resolved, target.year);
		this.names = classNames(resolved.site);
	}

	document(): string {
		const { lang, dir } = this.resolved.site.settings;
		const head = pageHead(this.instance, this.resolved, this.target.year);
		this.write(0, '<!DOCTYPE html>');
		this.write(0, `<html lang="${escapeHtml(lang)}"${dir === 'rtl' ? ' dir="rtl"' : ''}>`);
		this.write(1, '<head>');
		this.write(2, '<meta charset="utf-8">');
		this.write(2, '<meta name="viewport" content="width=device-width, initial-scale=1">');
		this.write(2, `<title>${escapeHtml(head.title)}</title>`);
		if (head.description) {
			this.write(2, `<meta name="description" content="${escapeHtml(head.description)}">`);
		}
		for (const line of this.target.headLines) this.write(2, line);
		this.write(1, '</head>');
		this.body();
		this.write(0, '</html>');
		return this.lines.join('\n') + '\n';
	}

	/**
	 * The outermost layout is the body itself, unless it needs a box around it: for its width, or because
	 * browsers take what a body says of scrolling for the whole screen (CSS Overflow 3, section 3.3).
	 */
	private body(): void {
		const [outermost] = this.page.chain;
		if (outermost && isBody(outermost)) {
			const { attributes, content } = this.root(outermost, []);
			this.write(1, `<body${attributes}>`);
			content(2);
		} else {
			this.write(1, '<body>');
			if (outermost) this.layer(outermost, 2);
			else this.barePage();
		}
		this.write(1, '</body>');
	}

	/** The HTML inside of every piece and opener, by its place and name. */
	parts(): Map<string, string> {
		const parts = new Map<string, string>();
		const add = (key: PieceKey, write: () => void): void => {
			this.lines.length = 0;
			write();
			parts.set(partName(key), this.lines.join('\n'));
		};
		for (const resolvedRegion of this.page.regions) {
			const { layout, region, landed } = resolvedRegion;
			const where = { layout: layout.name.text, region: region.name.text };
			for (const one of landed) {
				if (one.kind !== 'piece') continue;
				const key = {
					...where,
					piece: one.piece.name.text,
					owner: layerName(one.owner),
					opener: false
				};
				add(key, () => this.piece(one.piece, one.owner, resolvedRegion, 0));
			}
			const { openers } = frameOf(layout, this.resolved.site.settings.bands);
			for (const opener of openers.filter(({ host }) => host === region)) {
				const key = { ...where, piece: opener.region.name.text, owner: where.layout, opener: true };
				add(key, () => this.openers([opener], opener.end, layout, 0));
			}
		}
		for (const { piece, owner } of this.page.bare) {
			const key = {
				layout: undefined,
				region: undefined,
				piece: piece.name.text,
				owner: layerName(owner),
				opener: false
			};
			add(key, () => this.piece(piece, owner, undefined, 0));
		}
		return parts;
	}

	/** A layout's root, in a box of its own where its bands look at the space it gets. */
	private layer(layout: Layout, depth: number): void {
		const space = layout.measure === 'space';
		const inner = space ? depth + 1 : depth;
		if (space) {
			const marks = this.marks({ space: layout.name.text });
			this.write(depth, `<div class="${this.names.space(layout)} ${layerClass}"${marks}>`);
		}
		const { attributes, content } = this.root(layout, space ? [] : [layerClass]);
		this.write(inner, `<div${attributes}>`);
		content(inner + 1);
		this.write(inner, '</div>');
		if (space) this.write(depth, '</div>');
	}

	/** What the element of a layout's root has, and what is in it. */
	private root(
		layout: Layout,
		classes: readonly string[]
	): { attributes: string; content: (depth: number) => void } {
		const words = [this.names.layout(layout), ...classes].join(' ');
		return {
			attributes: ` class="${words}"${this.marks(ownerMark(layout))}`,
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
		const name = this.names.member(layout, member.name.text);
		this.write(depth, `<${element} class="${name}"${marks}>`);
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
		if (landed.length === 0 && here.length === 0 && !drawer) {
			this.write(depth, `${open}</${element}>`);
		} else {
			this.write(depth, open);
			if (drawer) this.closer(drawer, layout, depth + 1);
			this.openers(here, 'first', layout, depth + 1);
			for (const one of landed) this.landed(one, resolved, depth + 1);
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
		const words = [`class="${this.names.member(layout, region.name.text)}"`];
		if (drawer || isTarget) words.push(`id="${elementId(layout, region.name.text)}"`);
		if (drawer) words.push('popover');
		if (isTarget) words.push('tabindex="-1"');
		const label = labelOf(region);
		if (label !== undefined) words.push(`aria-label="${escapeHtml(label)}"`);
		const marks = { ...ownerMark(layout), region: region.name.text, ...(slot && { slot: '' }) };
		return ` ${words.join(' ')}${this.marks(marks)}`;
	}

	/** Buttons that open drawers by themselves: HTML, section 6.12. */
	private openers(
		openers: readonly Opener[],
		end: Opener['end'],
		layout: Layout,
		depth: number
	): void {
		for (const { region, label } of openers.filter((opener) => opener.end === end)) {
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
			`class="${this.names.closer(layout, name)}"`,
			'type="button"',
			`popovertarget="${elementId(layout, name)}"`,
			'popovertargetaction="hide"'
		];
		this.write(depth, `<button ${attributes.join(' ')}>${escapeHtml(close)}</button>`);
	}

	private landed(landed: Landed, host: ResolvedRegion, depth: number): void {
		if (landed.kind === 'layout') this.layer(landed.layout, depth);
		else this.piece(landed.piece, landed.owner, host, depth);
	}

	private barePage(): void {
		const { page } = this.page;
		this.write(2, `<main class="${pageClass}"${this.marks(ownerMark(page))}>`);
		for (const { piece, owner } of this.page.bare) this.piece(piece, owner, undefined, 3);
		this.write(2, '</main>');
	}

	private piece(piece: Piece, owner: Layer, host: ResolvedRegion | undefined, depth: number): void {
		const element = piece.kind === 'nav' && host?.region.element.text !== 'nav' ? 'nav' : 'div';
		const label = element === 'nav' ? ` aria-label="${escapeHtml(asWords(piece.name.text))}"` : '';
		const classes = this.pieceClasses(piece, owner, host);
		const marks = this.marks({ ...ownerMark(owner), piece: piece.name.text });
		const opening = `<${element}${classes}${label}${marks}>`;
		if (piece.kind === 'nav') {
			this.write(depth, opening);
			this.links(navLinks(piece, this.resolved.site), depth + 1, true);
			this.write(depth, `</${element}>`);
			return;
		}
		const markup = compileMarkup(piece.markup);
		const html = renderMarkup(markup, this.scope, (url) => this.target.link(url));
		if (!markup.indentable) {
			this.write(depth, `${opening}${html}</${element}>`);
			return;
		}
		this.write(depth, opening);
		this.write(depth + 1, html.replaceAll('\n', '\n' + '  '.repeat(depth + 1)));
		this.write(depth, `</${element}>`);
	}

	/** A piece has a class of its own where a sheet names it; what another layer brought says so. */
	private pieceClasses(piece: Piece, owner: Layer, host: ResolvedRegion | undefined): string {
		const inAreas = host?.region.arrangements.some((one) => one.kind === 'areas') ?? false;
		const named = piece.settings.length > 0 || inAreas;
		const words = [
			...(named ? [this.names.piece(owner, host?.region.name.text, piece.name.text)] : []),
			...(host && owner !== host.layout && hasScope(owner) ? [this.names.brought(owner)] : []),
			...(host && owner !== host.layout && hasScope(host.layout) ? [broughtClass] : [])
		];
		return words.length === 0 ? '' : ` class="${words.join(' ')}"`;
	}

	private marks(marks: Marks): string {
		return marksText(this.target.marks, marks);
	}

	private links(links: readonly NavLink[], depth: number, outermost: boolean): void {
		this.write(depth, outermost ? `<ul class="${listClass}">` : '<ul>');
		for (const { route, links: inner } of links) {
			const [instance] = this.resolved.instances(route);
			if (!instance) continue;
			const current = instance.address === this.instance.address ? ' aria-current="page"' : '';
			const href = escapeHtml(this.target.link(instance.address));
			const text = escapeHtml(linkText(instance, this.scope));
			const link = `<a href="${href}"${current}>${text}</a>`;
			if (inner.length === 0) {
				this.write(depth + 1, `<li>${link}</li>`);
			} else {
				this.write(depth + 1, `<li>${link}`);
				this.links(inner, depth + 2, false);
				this.write(depth + 1, '</li>');
			}
		}
		this.write(depth, '</ul>');
	}

	private write(depth: number, text: string): void {
		this.lines.push('  '.repeat(depth) + text);
	}
}

/** The name that a region has for assistive technology: its label, and for lists of links its own name. */
function labelOf({ settings, element, name }: Region): string | undefined {
	const label = settings.find((setting) => setting.kind === 'label');
	if (label) return label.value;
	return element.text === 'nav' ? asWords(name.text) : undefined;
}

function skipOf({ settings }: Layout): string | undefined {
	return settings.find((setting) => setting.kind === 'skip')?.value;
}

function isBody({ measure, settings }: Layout): boolean {
	return measure === 'screen' && !settings.some(({ kind }) => kind === 'scroll');
}

/** A name of the text as words: "side-menu" is "Side menu". */
function asWords(name: string): string {
	const words = name.replaceAll('-', ' ');
	return words.charAt(0).toUpperCase() + words.slice(1);
}
