import type { Layer, MarkupPiece, NavPiece, Piece, PieceGroup } from '../../model/site.ts';
import { isPlain, type Template } from '../../model/template.ts';
import type { Trial } from '../../model/trial.ts';
import { compileMarkup } from '../../resolve/markup/compile.ts';
import { navLinks, type NavLink } from '../../resolve/content/nav.ts';
import type { Landed, LandedPiece, ResolvedRegion } from '../../resolve/page.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import {
	arrangesPieces,
	hasOwnBox,
	landedIn,
	standsApart,
	type PiecesHolder
} from '../../resolve/boxes/runs.ts';
import type { Scope } from '../../resolve/content/values.ts';
import { broughtClasses } from '../style-scope.ts';
import { apartClass, hasPieceClass, listClass, type ClassNames } from '../names.ts';
import { escapeHtml } from './escape.ts';
import { HtmlLines } from './lines.ts';
import { amongMark, marksText, ownerMark, type Marks } from './marks.ts';
import { renderMarkup } from './markup.ts';
import { stretched } from './stretch.ts';
import type { PageTarget } from './target.ts';
import { asWords, linkText } from './words.ts';

/** What the pieces of a page are written from. */
export interface PieceContext {
	readonly instance: PageInstance;
	readonly resolved: ResolvedSite;
	readonly target: PageTarget;
	readonly scope: Scope;
	readonly names: ClassNames;
}

/** Where a piece is written. */
export interface PiecePlace {
	/** The region of the page; none on one without layouts. */
	readonly host: ResolvedRegion | undefined;
	/** What it stands in directly: that region, or a group in it. */
	readonly holder: PiecesHolder | undefined;
	/** All that stands in there. */
	readonly beside: readonly Landed[];
}

/** The place of what stands directly in a region, or on a page without layouts. */
export function placeIn(host: ResolvedRegion | undefined, beside: readonly Landed[]): PiecePlace {
	return { host, holder: host?.region, beside };
}

/** What stands directly in a region says so where that has no element. */
function amongIn(host: ResolvedRegion | undefined, holder: PiecesHolder | undefined): Marks {
	return host && holder === host.region ? amongMark(host) : {};
}

/** The element that a piece has around its content. */
interface Wrapping {
	readonly element: 'nav' | 'div';
	readonly attributes: string;
}

/**
 * Writes pieces. One has an element of its own where its region arranges it or it has settings, where a
 * style has to know whose it is, and where its text would run into what stands beside it; else its
 * markup stands directly in the region.
 */
export class PieceWriter {
	constructor(
		private readonly context: PieceContext,
		private readonly lines: HtmlLines
	) {}

	piece(landed: LandedPiece, place: PiecePlace, depth: number): void {
		const { piece, owner } = landed;
		if (piece.kind === 'nav' && this.isClosed(piece)) return;
		if (piece.kind === 'group') {
			this.group(piece, landed, place, depth);
			return;
		}
		const wrapping = this.wrapping(piece, owner, place);
		const marks = this.marks(piece, owner, place);
		const inner = wrapping ? depth + 1 : depth;
		if (piece.kind === 'markup') {
			this.markup(piece, wrapping, marks, depth);
			return;
		}
		if (wrapping) this.lines.write(depth, `<${wrapping.element}${wrapping.attributes}${marks}>`);
		this.list(piece, inner, wrapping ? '' : marks);
		if (wrapping) this.lines.write(depth, `</${wrapping.element}>`);
	}

	/** A group is an element of its own, with what stands in it. */
	private group(group: PieceGroup, landed: LandedPiece, place: PiecePlace, depth: number): void {
		const { owner } = landed;
		const element = group.element.text;
		const classes = this.classes(group, owner, place).join(' ');
		// No one has named the box around all that a layer brings: it stands for the layer.
		const marks = {
			...ownerMark(owner),
			group: group.name.text,
			...(group.isWhole && { whole: '' }),
			...amongIn(place.host, place.holder)
		};
		const attributes = ` class="${classes}"${marksText(this.context.target.marks, marks)}`;
		const inner = landedIn(landed);
		this.lines.write(depth, `<${element}${attributes}>`);
		for (const one of inner) {
			this.piece(one, { host: place.host, holder: group, beside: inner }, depth + 1);
		}
		this.lines.write(depth, `</${element}>`);
	}

	private markup(
		piece: MarkupPiece,
		wrapping: Wrapping | undefined,
		marks: string,
		depth: number
	): void {
		const { scope, target, names } = this.context;
		const template = this.shownOf(piece);
		const { origins } = target;
		const markup = compileMarkup(template, scope.site.parts, origins);
		const rootMarks = wrapping ? '' : marks;
		const written = { link: (url: string) => target.link(url), names, ...(origins && { origins }) };
		const html = this.tried(renderMarkup(markup.parts, scope, written, rootMarks), piece);
		const opening = wrapping ? `<${wrapping.element}${wrapping.attributes}${marks}>` : '';
		const closing = wrapping ? `</${wrapping.element}>` : '';
		if (!markup.indentable) {
			this.lines.write(depth, `${opening}${html}${closing}`);
			return;
		}
		const inner = wrapping ? depth + 1 : depth;
		if (wrapping) this.lines.write(depth, opening);
		// Where a list or condition came out as nothing, its line is not there.
		const shown = isPlain(template) ? html : html.replace(/^[ \t]*(?:\n|$)/gm, '').trimEnd();
		if (shown !== '') this.lines.write(inner, shown.replaceAll('\n', '\n' + '  '.repeat(inner)));
		if (wrapping) this.lines.write(depth, closing);
	}

	/** What is shown of a piece: its markup, or what stands in for it where the page is tried with that. */
	private shownOf(piece: MarkupPiece): Template {
		const { content } = this.trial;
		return (content === 'typical' ? undefined : piece.standIns[content]) ?? piece.markup;
	}

	/** HTML of a piece with less or more content, where nothing that is written stands in for it. */
	private tried(html: string, piece: Piece): string {
		const { content } = this.trial;
		if (content === 'typical') return html;
		return piece.kind === 'markup' && piece.standIns[content] ? html : stretched(html, content);
	}

	private get trial(): Trial {
		return this.context.resolved.site.settings.trial;
	}

	private wrapping(piece: Piece, owner: Layer, place: PiecePlace): Wrapping | undefined {
		const isOwn = hasOwnBox(piece, place.holder, place.beside);
		// A frame of own markup has just what is written.
		if (!isOwn && place.holder?.kind === 'region' && place.holder.inFrame) return undefined;
		const classes = this.classes(piece, owner, place);
		const isNav = piece.kind === 'nav' && place.holder?.element.text !== 'nav';
		const isText =
			piece.kind === 'markup' &&
			!compileMarkup(this.shownOf(piece), this.context.scope.site.parts).inBlocks;
		if (!isOwn && classes.length === 0 && !isNav && !isText) return undefined;
		const label = isNav ? ` aria-label="${escapeHtml(asWords(piece.name.text))}"` : '';
		const words = classes.length === 0 ? '' : ` class="${classes.join(' ')}"`;
		return { element: isNav ? 'nav' : 'div', attributes: words + label };
	}

	/** A piece has a class of its own where a sheet names it; what another layer brought may say so. */
	private classes(piece: Piece, owner: Layer, { host, holder, beside }: PiecePlace): string[] {
		const { names } = this.context;
		const own = hasPieceClass(piece, holder)
			? [names.piece(owner, host?.region.name.text, piece.name.text)]
			: [];
		const isArranged = holder !== undefined && arrangesPieces(holder);
		const isApart = own.length === 0 && standsApart(beside) && !isArranged;
		// What stands in a group is whose the group is.
		const brought = holder === host?.region ? broughtClasses(owner, host, names) : [];
		return [...own, ...(isApart ? [apartClass] : []), ...brought];
	}

	/** Marks of the element that is the piece's box, or of each that is a part of a run. */
	private marks(piece: Piece, owner: Layer, { host, holder, beside }: PiecePlace): string {
		const own = { ...ownerMark(owner), piece: piece.name.text, ...amongIn(host, holder) };
		const isBox = hasOwnBox(piece, holder, beside);
		return marksText(this.context.target.marks, isBox ? own : { ...own, part: '' });
	}

	/** A list of which the visitor may follow no link is not there. */
	private isClosed(piece: NavPiece): boolean {
		const { resolved } = this.context;
		return resolved.role !== undefined && navLinks(piece, resolved).length === 0;
	}

	private list(piece: NavPiece, depth: number, marks: string): void {
		const links = navLinks(piece, this.context.resolved);
		const attributes = ` class="${listClass}"${marks}`;
		if (this.trial.content === 'typical') {
			this.links(links, depth, attributes);
			return;
		}
		const lines = new HtmlLines();
		new PieceWriter(this.context, lines).links(links, 0, attributes);
		this.lines.write(depth, this.tried(lines.take(), piece));
	}

	private links(links: readonly NavLink[], depth: number, attributes: string): void {
		const { resolved, target, scope } = this.context;
		this.lines.write(depth, `<ul${attributes}>`);
		for (const { route, links: inner } of links) {
			const [instance] = resolved.instances(route);
			if (!instance) continue;
			const isHere = instance.address === this.context.instance.address;
			const current = isHere ? ' aria-current="page"' : '';
			const href = escapeHtml(target.link(instance.address));
			const link = `<a href="${href}"${current}>${escapeHtml(linkText(instance, scope))}</a>`;
			if (inner.length === 0) {
				this.lines.write(depth + 1, `<li>${link}</li>`);
			} else {
				this.lines.write(depth + 1, `<li>${link}`);
				this.links(inner, depth + 2, '');
				this.lines.write(depth + 1, '</li>');
			}
		}
		this.lines.write(depth, '</ul>');
	}
}
