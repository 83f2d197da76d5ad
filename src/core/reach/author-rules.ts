import { generate, parse, type Atrule, type Block, type CssNode, type Declaration } from 'css-tree';
import { layoutScopeStarts, pageScopeStarts, scopeLimits } from '../emit/brought.ts';
import { classNames } from '../emit/names.ts';
import { Memory } from '../model/memory.ts';
import type { Layer, Layout, Part, Style } from '../model/site.ts';
import type { Named, Span } from '../model/span.ts';
import { placeOfStyle } from '../model/style-place.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';

/** What an author wrote in a style: a rule, with all that it stands in. */
export interface AuthorRule {
	readonly style: Style;
	/** The layer or part whose style it is. */
	readonly owner: Layer | Part;
	/** Its selectors, those of the rules around it put in. */
	readonly selectors: string;
	/** Scopes that it stands in, the outermost first. */
	readonly scopes: readonly Scope[];
	/** What has to be so for it to hold: queries of the screen and of containers. */
	readonly conditions: readonly Condition[];
	readonly declarations: readonly AuthorDeclaration[];
}

export interface AuthorDeclaration {
	readonly property: string;
	readonly value: string;
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

/** All rules that authors wrote which may hold on a page. */
export function authorRules({ page }: PageInstance, resolved: ResolvedSite): AuthorRule[] {
	const { site, structure } = resolved;
	const names = classNames(site);
	const rules: AuthorRule[] = [];
	const add = (style: Style, owner: Layer | Part, scopes: readonly Scope[]): void => {
		const space = owner.kind === 'layout' && owner.measure === 'space' ? owner : undefined;
		const band: Condition[] = style.band ? [{ of: 'band', band: style.band, space }] : [];
		for (const rule of rulesIn(style)) {
			rules.push({
				...rule,
				style,
				owner,
				scopes: [...(style.global ? [] : scopes), ...rule.scopes],
				conditions: [...band, ...rule.conditions]
			});
		}
	};
	for (const part of site.parts) {
		const scope = { starts: `.${names.part(part)}`, limits: `.${names.partContent(part)}` };
		for (const style of part.styles) add(style, part, [scope]);
	}
	for (const layer of [...structure.chainOf(page), page]) {
		const starts =
			layer.kind === 'layout'
				? layoutScopeStarts(layer, names)
				: pageScopeStarts(layer, structure, names);
		const limits = scopeLimits(layer, structure, names);
		const scope = { starts: starts.join(', '), limits: limits.join(', ') || undefined };
		for (const style of layer.styles) add(style, layer, [scope]);
		if (layer.kind !== 'layout') continue;
		for (const region of layer.regions) {
			const own = { starts: `.${names.member(layer, region.name.text)}`, limits: undefined };
			for (const style of region.styles) add(style, layer, [scope, own]);
		}
	}
	return rules;
}

const known = new Memory<Style, readonly OwnRule[]>();

/** Styles were parsed when they were read, so they can be parsed again. */
function rulesIn(style: Style): readonly OwnRule[] {
	return known.get(style, [], () => {
		const rules: OwnRule[] = [];
		const sheet = parse(style.css, { positions: true });
		if (sheet.type === 'StyleSheet') {
			collect(
				sheet.children.toArray(),
				{ selectors: undefined, scopes: [], conditions: [] },
				rules
			);
		}
		return rules;
	});
}

interface Around {
	/** The selectors of the rule around; undefined at the outside. */
	readonly selectors: string | undefined;
	readonly scopes: readonly Scope[];
	readonly conditions: readonly Condition[];
}

function collect(nodes: readonly CssNode[], around: Around, rules: OwnRule[]): void {
	const own = nodes.filter((node): node is Declaration => node.type === 'Declaration');
	if (own.length > 0 && around.selectors !== undefined) {
		const { selectors, scopes, conditions } = around;
		rules.push({ selectors, scopes, conditions, declarations: own.map(declarationOf) });
	}
	for (const node of nodes) {
		if (node.type === 'Rule') {
			const selectors = nested(generate(node.prelude), around.selectors);
			collect(childrenOf(node.block), { ...around, selectors }, rules);
		} else if (node.type === 'Atrule' && node.block) {
			collect(childrenOf(node.block), within(node, around), rules);
		}
	}
}

function childrenOf(block: Block): CssNode[] {
	return block.children.toArray();
}

function declarationOf({ property, value, loc }: Declaration): AuthorDeclaration {
	return { property, value: generate(value), at: loc?.start.offset ?? 0 };
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

function within({ name, prelude }: Atrule, around: Around): Around {
	const query = prelude ? generate(prelude) : '';
	switch (name.toLowerCase()) {
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
