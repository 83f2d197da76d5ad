import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { membersIn } from '../resolve/boxes/members.ts';
import { bandAt, bandPlace } from '../resolve/bands.ts';
import { substitute, tokensAt } from '../size/tokens.ts';
import type { AuthorRule, Condition } from './author-rules.ts';
import { allRules } from './sheet-rules.ts';
import { attributeOf, outward, pageTree, type Element } from './page-tree.ts';
import { reached } from './reached.ts';

/** Colours of a box, as CSS has them. */
export interface Paint {
	/** undefined: what is behind it shows. */
	readonly ground: string | undefined;
	/** Of its text. */
	readonly ink: string;
}

/** Colours of some text, as CSS has them, and the declaration that gives it its own. */
export interface WrittenPaint {
	readonly ink: string;
	/** undefined: a picture, with no colour beneath it. */
	readonly ground: string | undefined;
	readonly rule: AuthorRule;
	/** Offset in the style's CSS. */
	readonly at: number;
	/** What lets the ground through the text, the strongest of all between the two; undefined where nothing does. */
	readonly veil: Veil | undefined;
}

/** CSS Color 4, section 3.2: `opacity`. */
interface Veil {
	/** Of all that is between text and ground together, 0 to 1. */
	readonly share: number;
	/** Where the strongest is written. */
	readonly rule: AuthorRule;
	/** Offset in the style's CSS. */
	readonly at: number;
}

/** When colours are asked for: width of the screen, px, and whether its visitor prefers dark ones. */
interface When {
	readonly width: number;
	readonly night: boolean;
}

/** A declaration of a colour, or of how much of it is there, that reaches an element. */
interface Said {
	/** undefined where a setting of the box says it. */
	readonly rule: AuthorRule | undefined;
	readonly conditions: readonly Condition[];
	readonly property: 'ground' | 'ink' | 'veil';
	readonly value: string;
	/** Offset in the style's CSS. */
	readonly at: number;
	/** Of two, the greater wins (CSS Cascade 6, section 6.1): the layer, how specific the selector is, the order. */
	readonly weight: readonly number[];
}

const properties: ReadonlyMap<string, Said['property']> = new Map(
	Object.entries<Said['property']>({
		color: 'ink',
		opacity: 'veil',
		'background-color': 'ground',
		background: 'ground'
	})
);

/** The colours that authors' styles give to boxes of the frame of a page, as far as they are plain colours. */
export class PagePaint {
	private readonly said = new Map<Element, Said[]>();
	private readonly elements = new Map<string, Element>();
	/** Colours in values, by value, band and time: many texts have the same few. */
	private readonly colours = new Map<string, string | undefined>();

	constructor(
		instance: PageInstance,
		private readonly resolved: ResolvedSite,
		year: number,
		/** The page, where it is there already. */
		tree = pageTree(instance, resolved, year)
	) {
		const rules = allRules(instance, resolved);
		const owners = [...new Set(rules.map(({ owner }) => owner))];
		for (const [order, rule] of rules.entries()) {
			const declared = rule.declarations.filter(({ property }) => properties.has(property));
			if (declared.length === 0) continue;
			const layer = rule.isSheet ? owners.length : owners.indexOf(rule.owner);
			const weight = [layer, specificity(rule.selectors), order];
			for (const { element, pseudo, passing } of reached(rule, tree)) {
				if (pseudo !== undefined || passing) continue;
				const list = this.said.get(element) ?? [];
				this.said.set(element, list);
				for (const { property, value, at } of declared) {
					const said = { rule, conditions: rule.conditions, value, at, weight };
					list.push({ ...said, property: properties.get(property) ?? 'ink' });
				}
			}
		}
		for (const element of inTree(tree.document.children)) {
			const key = keyOf(element);
			if (key !== undefined && !this.elements.has(key)) this.elements.set(key, element);
		}
		this.takeSettings(instance);
		for (const list of this.said.values()) list.sort((a, b) => compare(a.weight, b.weight));
	}

	/** What settings paint, under all that styles do. */
	private takeSettings({ page }: PageInstance): void {
		for (const layout of this.resolved.page(page).chain) {
			for (const box of [layout, ...membersIn(layout.members)]) {
				const own = box === layout ? '' : box.name.text;
				const element = this.elements.get(`${layout.name.text}/${own}`);
				if (!element) continue;
				const list = this.said.get(element) ?? [];
				this.said.set(element, list);
				for (const [order, { kind, value, band }] of box.settings.entries()) {
					if (kind !== 'background') continue;
					const conditions: Condition[] = band ? [{ of: 'band', band, space: undefined }] : [];
					const weight = [-1, band ? 1 : 0, order];
					list.push({ rule: undefined, conditions, property: 'ground', value, at: 0, weight });
				}
			}
		}
	}

	/**
	 * The colour of an element's text and that of what is behind it, with where the first is written; undefined
	 * where one of them is not known: nobody says it, a gradient is behind, or both are seen through together.
	 */
	written(element: Element, when: When): WrittenPaint | undefined {
		const around = [...outward(element)];
		const inked = around
			.map((one) => this.saidOf(one, 'ink', when))
			.find((said) => said !== undefined && said.value !== 'inherit');
		const ink = inked && this.colourIn(inked.value, when);
		const grounds = around.map((one) => this.saidOf(one, 'ground', when));
		const place = grounds.findIndex((one) => one !== undefined && !isClear(one.value));
		const said = grounds[place];
		if (!ink || !inked.rule || !said || /gradient/.test(said.value)) return undefined;
		if (around.slice(place).some((one) => this.shareOf(one, when) < 1)) return undefined;
		const ground = this.colourIn(said.value.replace(/url\([^)]*\)/g, ''), when);
		if (ground === undefined && !said.value.includes('url(')) return undefined;
		const veil = this.veilOf(around.slice(0, place), when);
		return { ink, ground, rule: inked.rule, at: inked.at, veil };
	}

	private veilOf(inside: readonly Element[], when: When): Veil | undefined {
		const veils = inside.flatMap((one) => {
			const said = this.saidOf(one, 'veil', when);
			const share = this.shareOf(one, when);
			return said?.rule && share < 1 ? [{ share, rule: said.rule, at: said.at }] : [];
		});
		const [strongest] = veils.sort((a, b) => a.share - b.share);
		return strongest && { ...strongest, share: veils.reduce((all, { share }) => all * share, 1) };
	}

	/** How much of an element is there, 0 to 1; 1 where that is not known. */
	private shareOf(element: Element, when: When): number {
		const value = this.saidOf(element, 'veil', when)?.value.trim() ?? '';
		const [, number, percent] = /^([\d.]+)(%?)$/.exec(value) ?? [];
		return number === undefined ? 1 : Math.min(1, Number(number) / (percent ? 100 : 1));
	}

	/** Of a region or wrapper of a layout, or without one of the layout itself; without both, of the page. */
	of(layout: string | undefined, member: string | undefined, when: When): Paint {
		const element = this.elements.get(layout === undefined ? '' : `${layout}/${member ?? ''}`);
		const around = element ? [...outward(element)] : [];
		const own = around[0] && this.valueOf(around[0], 'ground', when);
		const ink = around
			.map((one) => this.valueOf(one, 'ink', when))
			.find((value) => value !== undefined && value !== 'inherit');
		const page = layout === undefined ? (own ?? this.canvas(when).ground) : own;
		return { ground: page, ink: ink ?? this.canvas(when).ink };
	}

	/** CSS Color Adjustment 1, section 2.2: what browsers paint where nobody says. */
	private canvas({ night }: When): { readonly ground: string; readonly ink: string } {
		const dark = night && this.resolved.site.settings.night.length > 0;
		return dark ? { ground: '#121212', ink: '#ffffff' } : { ground: '#ffffff', ink: '#000000' };
	}

	private saidOf(element: Element, property: Said['property'], when: When): Said | undefined {
		return this.said
			.get(element)
			?.findLast(
				(one) => one.property === property && one.conditions.every((of) => this.holds(of, when))
			);
	}

	private valueOf(element: Element, property: Said['property'], when: When): string | undefined {
		const value = this.saidOf(element, property, when)?.value;
		return value === undefined ? undefined : this.colourIn(value, when);
	}

	private holds(condition: Condition, { width, night }: When): boolean {
		const { bands } = this.resolved.site.settings;
		if (condition.of === 'band')
			return (bands[bandPlace(bands, condition.band)]?.from ?? 0) <= width;
		if (condition.of === 'container') return false;
		const { query } = condition;
		if (/\bprint\b/i.test(query)) return false;
		if (/prefers-color-scheme\s*:\s*dark/i.test(query) && !night) return false;
		if (/prefers-color-scheme\s*:\s*light/i.test(query) && night) return false;
		const bounds = [...query.matchAll(/\(\s*(min|max)-width\s*:\s*([\d.]+)px\s*\)/gi)];
		return bounds.every(([, kind, px]) =>
			kind?.toLowerCase() === 'min' ? width >= Number(px) : width <= Number(px)
		);
	}

	/** The colour in a value; undefined where there is none, or it is seen through. */
	private colourIn(value: string, { width, night }: When): string | undefined {
		const band = bandAt(this.resolved.site.settings.bands, width);
		const key = `${band} ${night} ${value}`;
		if (!this.colours.has(key)) this.colours.set(key, this.findColour(value, band, night));
		return this.colours.get(key);
	}

	private findColour(value: string, band: number, night: boolean): string | undefined {
		const { settings } = this.resolved.site;
		const tokens = tokensAt(settings.tokens, settings.bands, band);
		const dark = new Map(night ? settings.night.map((one) => [one.name.text, one.value.text]) : []);
		const put = substitute(value, (name) => dark.get(name) ?? tokens.get(name))?.trim();
		const plain = put && /#[0-9a-f]{3,8}\b|\b(?:rgb|hsl|hwb|lab|lch|oklab|oklch|color|color-mix)a?\([^()]*(?:\([^()]*\)[^()]*)*\)|^[a-z]+$/i.exec(put)?.[0]; // prettier-ignore
		return plain && !/^(none|transparent|initial|unset|revert)$/i.test(plain) ? plain : undefined;
	}
}

function isClear(value: string): boolean {
	return /^(none|transparent|initial|unset|revert|inherit)$/i.test(value.trim());
}

function* inTree(nodes: readonly unknown[]): Generator<Element> {
	for (const node of nodes) {
		if (!isElement(node)) continue;
		yield node;
		yield* inTree(node.children);
	}
}

function isElement(node: unknown): node is Element {
	return typeof node === 'object' && node !== null && 'attribs' in node && 'children' in node;
}

/** What a box of the frame is found by; undefined for content. */
function keyOf(element: Element): string | undefined {
	if (element.name === 'body' && attributeOf(element, 'data-layout') === undefined) return '';
	const layout = attributeOf(element, 'data-layout');
	const isContent = ['data-piece', 'data-group'].some(
		(name) => attributeOf(element, name) !== undefined
	);
	if (layout === undefined || isContent) return undefined;
	const member = attributeOf(element, 'data-region') ?? attributeOf(element, 'data-wrapper') ?? '';
	return attributeOf(element, 'data-opener') === undefined ? `${layout}/${member}` : undefined;
}

/** Selectors 4, section 17, for the most specific selector of a list: names, classes and elements in one number. */
function specificity(selectors: string): number {
	return Math.max(
		...selectors.split(',').map((selector) => {
			const ids = selector.match(/#[\w-]+/g)?.length ?? 0;
			const classes = selector.match(/\.[\w-]+|\[[^\]]*\]|(?<!:):(?!:)[\w-]+/g)?.length ?? 0;
			const names = selector.match(/(?:^|[\s>+~])[a-z][\w-]*/gi)?.length ?? 0;
			return ids * 10_000 + classes * 100 + names;
		})
	);
}

function compare(a: readonly number[], b: readonly number[]): number {
	const at = a.findIndex((value, index) => value !== b[index]);
	return at === -1 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
}
