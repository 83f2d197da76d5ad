import type { Layout, Region } from '../model/site.ts';
import type { Landed, ResolvedPage, ResolvedRegion } from './page.ts';
import { slotOf } from './structure.ts';

/** What becomes of a region when a visitor goes from one page to another. */
export type RegionFate = 'kept' | 'refilled' | 'new' | 'gone';

export interface Between {
	/** Layouts that stay where they are: the outer layers that both pages share. */
	readonly stays: readonly Layout[];
	readonly goes: readonly Layout[];
	readonly comes: readonly Layout[];
	readonly regions: readonly {
		readonly layout: string;
		readonly region: string;
		readonly fate: RegionFate;
	}[];
}

/**
 * What stays and what is thrown away between two pages. A layer stays where both chains are the same
 * from the outside in; a region of it is kept where the same layouts put the same pieces into it.
 */
export function between(from: ResolvedPage, to: ResolvedPage): Between {
	let shared = 0;
	while (shared < from.written.length && from.written[shared] === to.written[shared]) shared++;
	const stays = from.written.slice(0, shared);
	const stands = ({ layout }: ResolvedRegion): boolean =>
		stays.some(({ name }) => name.text === layout.name.text);
	const fates = to.regions.map((region) => ({
		layout: region.layout.name.text,
		region: region.region.name.text,
		fate: stands(region) ? fateOf(region, from) : ('new' as const)
	}));
	const gone = from.regions
		.filter((region) => !stands(region))
		.map(({ layout, region }) => ({
			layout: layout.name.text,
			region: region.name.text,
			fate: 'gone' as const
		}));
	return {
		stays,
		goes: from.written.slice(shared),
		comes: to.written.slice(shared),
		regions: [...fates, ...gone]
	};
}

function fateOf(region: ResolvedRegion, from: ResolvedPage): RegionFate {
	const before = from.regions.find(
		(one) => sameName(one.layout, region.layout) && sameName(one.region, region.region)
	);
	if (!before) return 'new';
	const signature = keptAs(region);
	return signature !== undefined && signature === keptAs(before) ? 'kept' : 'refilled';
}

/**
 * A name for what a region shows, equal on all pages that show the same in it; undefined where a page
 * has a part in it, so that it is another on each. It is a CSS custom identifier (CSS Values 4, 4.2).
 */
function keptAs({ layout, region, landed }: ResolvedRegion): string | undefined {
	if (slotOf(layout) === region) return undefined;
	const parts: string[] = [];
	for (const one of landed) {
		const owner = ownerOf(one);
		if (!owner) return undefined;
		if (!sameName(owner, layout)) parts.push(`${owner.name.text}.${pieceName(one)}`);
	}
	const own = landed
		.filter((one) => {
			const owner = ownerOf(one);
			return owner !== undefined && sameName(owner, layout);
		})
		.map(pieceName);
	const isDefault = parts.length === 0 && own.length === region.pieces.length;
	const words = [layout.name.text, region.name.text];
	if (!isDefault) words.push(...[...own, ...parts].map((part) => part.replaceAll('.', '_')));
	if (landed.length === 0) words.push('nothing');
	return words.join('--');
}

/** Whether two are the same as written, whatever pages say of them. */
function sameName(one: Layout | Region, other: Layout | Region): boolean {
	return one.name.text === other.name.text;
}

function ownerOf(landed: Landed): Layout | undefined {
	if (landed.kind === 'layout') return landed.layout;
	return landed.owner.kind === 'layout' ? landed.owner : undefined;
}

function pieceName(landed: Landed): string {
	return landed.kind === 'piece' ? landed.piece.name.text : landed.layout.name.text;
}
