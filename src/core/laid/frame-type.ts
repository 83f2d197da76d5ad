import { plainType } from '../geometry/pieces/text-lines.ts';
import type { TextType } from '../geometry/pieces/said-size.ts';
import { Memory } from '../lib/memory.ts';
import type { Layout } from '../model/site.ts';
import { allRules } from '../author-styles/sheet-rules.ts';
import {
	attributeOf,
	elementsFrom,
	named,
	pageTree,
	type PageTree
} from '../author-styles/page-tree.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { TypeAround } from './type-around.ts';

/** The text that each region of a frame is set in, by the styles of its layouts. */
export type FrameType = (layout: string | undefined, region: string | undefined) => TextType;

const known = new Memory<Layout, ReadonlyMap<string, TextType>>();

/** The same for all pages under the same layouts: it is worked out on the first of them. */
export function frameType(instance: PageInstance, resolved: ResolvedSite, year: number): FrameType {
	const chain = resolved.structure.chainOf(instance.page);
	const inner = chain.at(-1);
	if (!inner) return () => plainType;
	const { settings, parts } = resolved.site;
	const types = known.get(inner, [...chain, settings, parts], () => read(instance, resolved, year));
	return (layout, region) => types.get(wordOf(layout, region)) ?? types.get('') ?? plainType;
}

function wordOf(layout: string | undefined, region: string | undefined): string {
	return region === undefined ? '' : `${layout ?? ''} ${region}`;
}

function read(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number
): ReadonlyMap<string, TextType> {
	const rules = allRules(instance, resolved).filter(
		({ owner, conditions }) => owner.kind === 'layout' && conditions.length === 0
	);
	let made: PageTree | undefined;
	const tree = (): PageTree => (made ??= pageTree(instance, resolved, year));
	const type = new TypeAround(rules, tree);
	const types = new Map<string, TextType>();
	if (type.isPlain) return types;
	const { document } = tree();
	const [root] = named(':root', document);
	const [body] = named('body', document);
	types.set('', type.at(body));
	for (const element of root ? elementsFrom(root) : []) {
		const region = attributeOf(element, 'data-region');
		const layout = attributeOf(element, 'data-layout');
		if (region === undefined || attributeOf(element, 'data-piece') !== undefined) continue;
		const word = wordOf(layout, region);
		if (!types.has(word)) types.set(word, type.at(element));
	}
	return types;
}
