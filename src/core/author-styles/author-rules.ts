import { layerScope, partScope, regionScope, type StyleScope } from '../emit/style-scope.ts';
import { classNames } from '../emit/names.ts';
import { Memory } from '../lib/memory.ts';
import type { Layer, Layout, Part, Style } from '../model/site.ts';
import type { Named, Span } from '../model/span.ts';
import { placeOfStyle } from '../model/style-place.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { parseDeclaration } from '../size/css-declaration.ts';
import { CssText, isGroup, type CssItem, type CssRange } from '../size/css-items.ts';

/** What an author wrote in a style: a rule, with all that it stands in. */
export interface AuthorRule {
	readonly style: Style;
	/** The layer or part whose style it is. */
	readonly owner: Layer | Part;
	/** Its selectors, those of the rules around it put in. */
	readonly selectors: string;
	/** What it may reach: what its layer or part wrote; undefined: everything. */
	readonly within: StyleScope | undefined;
	/** Scopes that the author wrote around it, the outermost first. */
	readonly scopes: readonly Scope[];
	/** What has to be so for it to hold: queries of the screen and of containers. */
	readonly conditions: readonly Condition[];
	readonly declarations: readonly AuthorDeclaration[];
	/** It stands in a sheet of the site's own, which is in no cascade layer. */
	readonly isSheet?: true;
}

export interface AuthorDeclaration {
	readonly property: string;
	readonly value: string;
	readonly isImportant: boolean;
	/** Offset in the style's CSS. */
	readonly at: number;
}

/** CSS Cascade 6, section 2.5: from elements that a selector names to those that limits name. */
export interface Scope {
	readonly starts: string;
	readonly limits: string | undefined;
}

export type Condition =
	| { readonly of: 'screen' | 'container'; readonly query: string }
	/** A band: of the screen, or of a layout that measures its own space. */
	| { readonly of: 'band'; readonly band: Named; readonly space: Layout | undefined };

/** Where a rule is written: its first declaration. */
export function ruleSpan({ style, declarations }: AuthorRule): Span {
	const [first] = declarations;
	return first ? placeOfStyle(style, first.at, first.property.length) : style.span;
}

/** The rule without what the page says of where its style holds. */
type OwnRule = Pick<AuthorRule, 'selectors' | 'declarations'> & {
	readonly scopes: readonly Scope[];
	readonly conditions: readonly Condition[];
};

/** All rules in styles of layers and parts which may hold on a page. */
export function authorRules({ page }: PageInstance, resolved: ResolvedSite): AuthorRule[] {
	const { site, structure } = resolved;
	const names = classNames(site);
	const rules: AuthorRule[] = [];
	const add = (style: Style, owner: Layer | Part, scope: StyleScope): void => {
		const space = owner.kind === 'layout' && owner.measure === 'space' ? owner : undefined;
		const band: Condition[] = style.band ? [{ of: 'band', band: style.band, space }] : [];
		for (const rule of rulesIn(style)) {
			rules.push({
				...rule,
				style,
				owner,
				within: style.global ? undefined : scope,
				conditions: [...band, ...rule.conditions]
			});
		}
	};
	for (const part of site.parts) {
		const scope = partScope(part, site, names);
		for (const style of part.styles) add(style, part, scope);
	}
	for (const layer of [...structure.chainOf(page), page]) {
		const scope = layerScope(layer, structure, names);
		for (const style of layer.styles) add(style, layer, scope);
		if (layer.kind !== 'layout') continue;
		for (const region of layer.regions) {
			const own = regionScope(region, layer, structure, names);
			for (const style of region.styles) add(style, layer, own);
		}
	}
	return rules;
}

const known = new Memory<Style, readonly OwnRule[]>();

/** The rules of a style, without what is around it. */
export function rulesIn(style: Style): readonly OwnRule[] {
	return known.get(style, [], () => {
		const rules: OwnRule[] = [];
		const text = new CssText(style.css);
		collect(text, text.whole, { selectors: undefined, scopes: [], conditions: [] }, rules);
		return rules;
	});
}

interface Around {
	/** The selectors of the rule around; undefined at the outside. */
	readonly selectors: string | undefined;
	readonly scopes: readonly Scope[];
	readonly conditions: readonly Condition[];
}

function collect(text: CssText, range: CssRange, around: Around, rules: OwnRule[]): void {
	const items = text.items(range);
	const own = items.filter(({ kind }) => kind === 'declaration');
	if (own.length > 0 && around.selectors !== undefined) {
		const { selectors, scopes, conditions } = around;
		const declarations = own.flatMap((item) => declarationOf(text, item));
		rules.push({ selectors, scopes, conditions, declarations });
	}
	for (const item of items) {
		if (!item.inner) continue;
		if (item.kind === 'rule') {
			const written = plainText(text.text(item.prelude));
			const selectors = nested(written, around.selectors);
			collect(text, item.inner, { ...around, selectors }, rules);
		} else if (isGroup(item)) {
			const query = plainText(text.text(item.prelude));
			collect(text, item.inner, within(item.name, query, around), rules);
		}
	}
}

/** Without comments, and with single blanks. */
function plainText(css: string): string {
	return css
		.replaceAll(/\/\*[^]*?\*\//g, ' ')
		.replaceAll(/\s+/g, ' ')
		.trim();
}

function declarationOf(text: CssText, { start, to }: CssItem): AuthorDeclaration[] {
	const declared = parseDeclaration(text.css.slice(start, to));
	return declared ? [{ ...declared, at: start }] : [];
}

/** CSS Nesting 1, section 3: `&` is what the rule around means; without it, what is in that. */
function nested(selectors: string, around: string | undefined): string {
	if (around === undefined) return selectors.replaceAll('&', ':scope');
	return selectors
		.split(/,(?![^(]*\))/)
		.map((one) => {
			const text = one.trim();
			if (text.includes('&')) return text.replaceAll('&', `:is(${around})`);
			return `:is(${around}) ${text}`;
		})
		.join(', ');
}

function within(name: string, query: string, around: Around): Around {
	switch (name) {
		case 'media':
			return { ...around, conditions: [...around.conditions, { of: 'screen', query }] };
		case 'container':
			return { ...around, conditions: [...around.conditions, { of: 'container', query }] };
		case 'scope': {
			const [, starts, , limits] = /^\((.*?)\)(\s*to\s*\((.*)\))?$/s.exec(query) ?? [];
			return starts === undefined
				? around
				: { ...around, scopes: [...around.scopes, { starts, limits }] };
		}
		default:
			return around;
	}
}
