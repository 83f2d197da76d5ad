import { frameOf } from '../box-styles/frame.ts';
import { isHeld } from '../emit/css/boxes/held.ts';
import { classNames, type ClassNames } from '../emit/names.ts';
import type { Layout, Site } from '../model/site.ts';
import { membersIn } from '../resolve/boxes/members.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { settingsLike } from '../settings/list.ts';
import { placeOfStyle } from '../model/style-place.ts';
import type { Span } from '../model/span.ts';
import type { AuthorDeclaration, AuthorRule } from './author-rules.ts';
import { allRules } from './sheet-rules.ts';
import { madeBox, movingIn, rootTextSize, type Moving } from './moving.ts';
import { attributeOf, outward, pageTree, type Element, type PageTree } from './page-tree.ts';
import { reached } from './reached.ts';

/** A declaration of an author that changes a box which is computed without it. */
export interface FrameMove {
	readonly rule: AuthorRule;
	readonly property: string;
	readonly value: string;
	/** Where it is written. */
	readonly span: Span;
	/** What to do in place of it, as the end of a sentence. */
	readonly advice: string;
	/** The boxes that it changes, or would change. */
	readonly boxes: readonly FrameBox[];
	/** It does nothing: sheets of the site's own only paint these boxes. */
	readonly isHeld: boolean;
}

/** A box of a page that settings give its size: by the names of the text. */
export interface FrameBox {
	/** undefined: the page itself. */
	readonly layout: string | undefined;
	readonly region: string | undefined;
	/** A region, wrapper or piece; undefined for a layout's root. */
	readonly name: string | undefined;
	readonly kind: 'page' | 'layout' | 'region' | 'wrapper' | 'piece' | 'opener';
}

/** Elements that boxes of the frame can be. */
const frameElements =
	/^(header|nav|main|aside|footer|section|article|div|search|form|body|html|\*)$/;

/** All that authors' styles do to the boxes of a page; with `of`, only what these rules do. */
export function frameMoves(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number,
	of: (rule: AuthorRule) => boolean = () => true
): FrameMove[] {
	return saidOfBoxes(instance, resolved, year, of).filter(({ isHeld }) => !isHeld);
}

/** The same with what does nothing, since sheets only paint the boxes that it names. */
export function saidOfBoxes(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number,
	of: (rule: AuthorRule) => boolean
): FrameMove[] {
	const names = classNames(resolved.site);
	const chain = resolved.structure.chainOf(instance.page);
	const hasOwn = chain.some((layout) => membersIn(layout.members).some((one) => one.attributes));
	const rules = allRules(instance, resolved).filter(
		(rule) => of(rule) && isSeen(rule) && (hasOwn || mayMean(rule, names))
	);
	const moving = rules.filter(
		(rule) => movingIn(rule).length > 0 || madeBox(rule) || rootTextSize(rule)
	);
	if (moving.length === 0) return [];
	const tree = pageTree(instance, resolved, year);
	return moving.flatMap((rule) => movesOf(rule, tree, resolved.site));
}

/** Print and the like change no page that is looked at. */
function isSeen({ conditions }: AuthorRule): boolean {
	return !conditions.some(
		({ of, ...rest }) => of === 'screen' && 'query' in rest && /^print$/i.test(rest.query.trim())
	);
}

/** Whether the subject of a selector can be a box of the frame, where those have no classes but their own. */
function mayMean({ selectors }: AuthorRule, names: ClassNames): boolean {
	return selectors.split(/,(?![^(]*\))/).some((selector) => {
		const subject =
			selector
				.trim()
				.split(/[\s>+~]+(?![^(]*\))/)
				.at(-1) ?? '';
		const plain = subject.replaceAll(/::?[\w-]+(\([^)]*\))?|\[[^\]]*\]/g, '');
		const [element = '*'] = /^[a-z*][\w-]*/i.exec(plain) ?? [];
		const classes = [...plain.matchAll(/\.([\w-]+)/g)].map(([, name = '']) => name);
		return (
			frameElements.test(element.toLowerCase()) && classes.every((name) => names.isFrame(name))
		);
	});
}

function movesOf(rule: AuthorRule, tree: PageTree, site: Site): FrameMove[] {
	const own: FrameBox[] = [];
	const made: FrameBox[] = [];
	let isRoot = false;
	for (const { element, pseudo, passing } of reached(rule, tree)) {
		if (passing) continue;
		isRoot ||= element.name === 'html' && pseudo === undefined;
		const box = frameBox(element);
		if (!box) continue;
		if (pseudo === undefined) own.push(box);
		else if (/^(before|after)$/.test(pseudo)) made.push(box);
	}
	const moves = movingIn(rule).flatMap((moving): FrameMove[] => {
		const [moved, held] = [false, true].map((isHeld) =>
			own.filter(
				(box) => isHeldFrom(moving, rule, box, site) === isHeld && wins(moving, rule, box, site)
			)
		);
		return [
			...(moved?.length ? [moveOf(rule, moving, moving.advice, moved)] : []),
			...(held?.length ? [{ ...moveOf(rule, moving, moving.advice, held), isHeld: true }] : [])
		];
	});
	const content = made.length > 0 ? madeBox(rule) : undefined;
	if (content) moves.push(moveOf(rule, content, 'put it into a piece', made));
	const text = isRoot ? rootTextSize(rule) : undefined;
	if (text) {
		const advice = 'leave it at 100%, and give the size to what is inside';
		moves.push(moveOf(rule, text, advice, [pageBox]));
	}
	return moves;
}

function moveOf(
	rule: AuthorRule,
	{ property, value, at }: AuthorDeclaration,
	advice: string,
	boxes: readonly FrameBox[]
): FrameMove {
	return {
		rule,
		property,
		value,
		span: placeOfStyle(rule.style, at, property.length),
		advice,
		boxes,
		isHeld: false
	};
}

const pageBox: FrameBox = { kind: 'page', layout: undefined, region: undefined, name: undefined };

/** The box of the frame that an element is; undefined for content. */
function frameBox(element: Element): FrameBox | undefined {
	const data = (name: string): string | undefined => attributeOf(element, `data-${name}`);
	if (data('part') !== undefined) return undefined;
	const [region, wrapper, piece] = [
		data('region'),
		data('wrapper'),
		data('piece') ?? data('opener') ?? data('group')
	];
	if (piece !== undefined) {
		const host = regionAround(element);
		const inside = host && attributeOf(host, 'data-region');
		const layout = host && attributeOf(host, 'data-layout');
		const kind = data('opener') === undefined ? 'piece' : 'opener';
		// The box around all that a page brings has no name: it is called as the page is.
		const name =
			data('whole') !== undefined ? (data('route') ?? data('state') ?? data('layout')) : piece;
		return { kind, layout, region: inside, name };
	}
	const layout = data('layout') ?? data('space');
	if (region !== undefined) return { kind: 'region', layout, region, name: region };
	if (wrapper !== undefined) return { kind: 'wrapper', layout, region: undefined, name: wrapper };
	if (layout !== undefined) return { kind: 'layout', layout, region: undefined, name: undefined };
	return element.name === 'html' || element.name === 'body' ? pageBox : undefined;
}

/** The region that a piece stands in, in groups or not. */
function regionAround(element: Element): Element | undefined {
	return [...outward(element)].find((one) => attributeOf(one, 'data-region') !== undefined);
}

/** Whether sheets only paint a box; what is important there may still win, by what its selector weighs. */
function isHeldFrom(
	{ property, isImportant }: Moving,
	rule: AuthorRule,
	{ kind, layout: name }: FrameBox,
	site: Site
): boolean {
	const layout = site.layouts.find((one) => one.name.text === name);
	return (
		layout?.sheets === 'paint' &&
		/^(layout|region|wrapper)$/.test(kind) &&
		rule.isSheet === true &&
		isHeld(property) &&
		!isImportant
	);
}

/**
 * Whether a declaration wins over what settings say (CSS Cascade 5, section 6.1): in the sheet of a layout they
 * stand in the same cascade layer, and are selected by a class.
 */
function wins(
	{ property, takesAway }: Moving,
	rule: AuthorRule,
	box: FrameBox,
	site: Site
): boolean {
	const layout = site.layouts.find((one) => one.name.text === box.layout);
	const isSaid = layout !== undefined && saysLike(property, box, layout, site);
	if (takesAway && !isSaid) return false;
	const isWeak = rule.owner === layout && !/[.#[]|:scope|:is|:where/.test(rule.selectors);
	return !(isSaid && isWeak);
}

function saysLike(property: string, { kind, name }: FrameBox, layout: Layout, site: Site): boolean {
	const { root, boxes } = frameOf(layout, site.settings.bands);
	const box = kind === 'layout' ? root : kind === 'piece' ? undefined : boxes.get(name ?? '');
	const likes = settingsLike(property);
	const contained =
		property.startsWith('padding') && box?.settings.some((one) => one.kind === 'contain');
	return contained === true || box?.settings.some((one) => likes.includes(one.kind)) === true;
}

/** How a box is called in a sentence. */
export function frameBoxWords({ kind, layout, name }: FrameBox): string {
	switch (kind) {
		case 'page':
			return 'the page';
		case 'layout':
			return `the layout ${layout ?? ''}`;
		case 'opener':
			return `the opener of ${name ?? ''}`;
		default:
			return `${name ?? ''}${layout === undefined ? '' : `, in ${layout}`}`;
	}
}
