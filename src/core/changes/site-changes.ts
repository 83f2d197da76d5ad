import { touchedBetween } from '../edit/touches.ts';
import { layerName, pagesOf } from '../model/site.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { Column } from '../sheet/columns.ts';
import { isEstimate } from '../laid/basis.ts';
import type { LaidPage } from '../laid/laid-page.ts';
import { movedBoxes, movedWords, type MovedBox } from './moved-boxes.ts';

/** What became of a page between two states of a site. */
export interface PageChange {
	readonly page: string;
	readonly kind: 'added' | 'removed' | 'changed';
	/** Names of the layouts it sits under, outermost first. */
	readonly chain: readonly string[];
	/** The screens on which boxes moved; none where only its text or its style is another. */
	readonly screens: readonly ScreenChange[];
	/** It rests on sizes that were guessed. */
	readonly estimated: boolean;
}

export interface ScreenChange {
	readonly column: Column;
	readonly moved: readonly MovedBox[];
}

/** Lays out a page of one of the two sites. */
export type Lay = (instance: PageInstance, site: ResolvedSite) => LaidPage;

/** Page by page, what is another: undefined for one that stays as it is, so that whoever asks may stop in between. */
export function* siteChanges(
	before: ResolvedSite,
	after: ResolvedSite,
	columns: readonly Column[],
	lay: Lay
): Generator<PageChange | undefined> {
	for (const name of touchedBetween(before, after)) {
		yield name === undefined ? undefined : pageChange(name, before, after, columns, lay);
	}
}

/** What became of one page. */
export function pageChange(
	name: string,
	before: ResolvedSite,
	after: ResolvedSite,
	columns: readonly Column[],
	lay: Lay
): PageChange {
	const [old, now] = [instanceOf(name, before), instanceOf(name, after)];
	const there = now ?? old;
	const chain = there ? (now ? after : before).page(there.page).chain : [];
	const of = { page: name, chain: chain.map((layout) => layout.name.text) };
	if (!old || !now) {
		const kind = old ? 'removed' : 'added';
		return { ...of, kind, screens: [], estimated: false };
	}
	const [was, is] = [lay(old, before), lay(now, after)];
	const screens = columns.flatMap((column, index) => {
		const moved = movedBoxes(was.boxes[index] ?? [], is.boxes[index] ?? []);
		return moved.length > 0 ? [{ column, moved }] : [];
	});
	return { ...of, kind: 'changed', screens, estimated: isEstimate(was.by) || isEstimate(is.by) };
}

function instanceOf(name: string, site: ResolvedSite): PageInstance | undefined {
	const page = pagesOf(site.site).find((one) => layerName(one) === name);
	return page && site.instances(page)[0];
}

/** Boxes that are said; what follows from them is not. */
const mostSaid = 4;

/** What became of a page, a sentence a line. */
export function changeWords({ kind, screens }: PageChange): string[] {
	if (kind === 'added') return ['It is new.'];
	if (kind === 'removed') return ['It is gone.'];
	if (screens.length === 0) return ['Its text or its style is another; no box moved.'];
	return screens.map(({ column: { name, width }, moved }) => {
		// What a layout arranges says more than what stands in it.
		const frames = moved.filter((one) => one.kind === 'region' || one.kind === 'wrapper');
		const said = (frames.length > 0 ? frames : moved).slice(0, mostSaid).map(movedWords);
		const more = moved.length - said.length;
		const rest = more > 0 ? ` and ${more} more` : '';
		return `${name === '' ? '' : `${name} `}${width} px: ${said.join('; ')}${rest}`;
	});
}
