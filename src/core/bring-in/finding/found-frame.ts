import { freeName, nameFrom } from '../../model/name.ts';
import { Unfit, type Choice } from '../choosing/choice.ts';
import { withChosen } from '../choosing/choose-element.ts';
import { withGroups, type Groups } from '../choosing/choose-groups.ts';
import { sizeOf, type BroughtNode } from '../reading/brought-node.ts';
import { elementAt } from '../reading/element-place.ts';
import type { BroughtPage } from '../reading/read-page.ts';
import { commonFolder, foldersIn, isAloneIn, isIn } from './folders.ts';
import { frameOfOne } from './frame-of-one.ts';
import { costOf, placesIn, placeOf, type FrameNode, type FramePlace } from './frame-node.ts';
import { groupsOf } from './page-groups.ts';
import { ownBytes, regionsOf, slotIn, type FoundRegion } from './regions.ts';
import { sharedFrame } from './shared-frame.ts';
import { ownTitle, titlePattern } from './shared-head.ts';

/** A frame that pages share, with what is each page's own in its places. */
export interface FoundFrame {
	readonly name: string;
	/** The route at which it stands. */
	readonly at: string;
	/** It covers its branch; else pages ask for it. */
	readonly covers: boolean;
	readonly nodes: readonly FrameNode[];
	readonly regions: readonly FoundRegion[];
	/** Its pages, in the order of the lists of its places. */
	readonly pages: readonly BroughtPage[];
	readonly inner: readonly FoundFrame[];
}

/** Bytes that a frame in a frame has to save. */
const leastSaved = 240;
/** Pages of a branch that may have a frame of their own. */
const leastPages = 3;

/** The frames of some pages, as they were found and as they were chosen. */
export interface FoundFrames {
	/** Pages that share nothing with others are in none. */
	readonly frames: readonly FoundFrame[];
	/** Choices that the pages do not allow, and why, as sentences. */
	readonly unfit: ReadonlyMap<Choice, string>;
}

/** `taken`: names that layouts of another site have, into which these come; there they cover no branch of themselves. */
export function findFrames(
	pages: readonly BroughtPage[],
	choices: readonly Choice[] = [],
	taken?: ReadonlySet<string>
): FoundFrames {
	const finder = new FrameFinder(pages, choices, taken);
	return { frames: finder.find(), unfit: finder.unfit };
}

interface Placed extends Pick<FoundFrame, 'name' | 'at' | 'covers'> {
	readonly lists: readonly (readonly BroughtNode[])[];
	readonly folder: string;
	readonly titles: Titles;
}

/** What each page is called. */
type Titles = (page: BroughtPage) => string;

class FrameFinder {
	readonly unfit = new Map<Choice, string>();
	private readonly names: Set<string>;
	/** They come into another site. */
	private readonly isGuest: boolean;
	/** Choices of elements that have been made. */
	private readonly made = new Set<Choice>();

	constructor(
		private readonly pages: readonly BroughtPage[],
		private readonly choices: readonly Choice[],
		taken?: ReadonlySet<string>
	) {
		this.names = new Set(taken);
		this.isGuest = taken !== undefined;
	}

	find(): FoundFrame[] {
		const { pages, names } = this;
		const all = this.groups();
		const groups = all.filter((group) => group.length > 1);
		const main = mainGroup(groups, pages);
		const frames = all.flatMap((group): FoundFrame[] => {
			const [only] = group;
			if (only && group.length === 1) return this.alone(only);
			const isMain = group === main;
			const folder = isMain ? '' : commonFolder(group);
			const covers =
				!this.isGuest && (isMain || (folder !== '' && isAloneIn(folder, group, pages)));
			const last = nameFrom(folder.split('/').at(-1) ?? '') || 'page';
			const name = freeName(isMain && !this.isGuest ? 'site' : last, names);
			const at = covers ? `/${folder}` : '/';
			const lists = group.map(({ content }) => content);
			const titles = titlesOf(group);
			return [this.frame(group, { name, at, covers, folder, lists, titles })];
		});
		for (const choice of this.choices) {
			if (choice.kind !== 'element' || this.made.has(choice) || this.unfit.has(choice)) continue;
			this.unfit.set(choice, 'This element is not there in any of the frames.');
		}
		return frames;
	}

	private groups(): Groups {
		let groups: Groups = groupsOf(this.pages);
		for (const choice of this.choices) {
			try {
				groups = withGroups(groups, choice);
			} catch (failure) {
				this.noteUnfit(choice, failure);
			}
		}
		return [...groups].sort((a, b) => b.length - a.length);
	}

	/**
	 * The frame of a page that shares nothing with others: of a site of one page where its main part can be told, else
	 * where something in it was chosen.
	 */
	private alone(page: BroughtPage): FoundFrame[] {
		const isOnly = this.pages.length === 1;
		const isChosen = this.choices.some((one) => one.kind === 'element' && one.page === page.path);
		const found = isOnly ? frameOfOne(page.content) : undefined;
		if (!found && !isChosen) return [];
		const whole = page.content.map((node): FrameNode => ({ kind: 'same', node, of: [node] }));
		const titles = titlesOf([page]);
		const nodes = this.withChosen(found ?? whole, [page], titles, () => true);
		if (placesIn(nodes).length === 0) return [];
		const name = freeName(
			isOnly && !this.isGuest ? 'site' : nameFrom(lastName(page.path)) || 'frame',
			this.names
		);
		this.names.add(name);
		const own = { name, at: '/', covers: isOnly && !this.isGuest };
		return [{ ...own, nodes, regions: regionsOf(nodes), pages: [page], inner: [] }];
	}

	private frame(pages: readonly BroughtPage[], placed: Placed): FoundFrame {
		const { lists, titles, name, at, covers } = placed;
		this.names.add(name);
		const found = sharedFrame(lists, pages.map(titles));
		const inInner = this.inInner(pages, withSlot(found, lists.length), placed);
		const chosen = this.withChosen(found, pages, titles, (page) => !inInner.has(page));
		const nodes = withSlot(chosen, lists.length);
		const own = { name, at, covers, pages, nodes, regions: regionsOf(nodes) };
		return { ...own, inner: this.inner(pages, nodes, placed) };
	}

	/** Pages that have a frame further in, where it matters: what is chosen in the slot of one is that frame's. */
	private inInner(
		pages: readonly BroughtPage[],
		nodes: readonly FrameNode[],
		placed: Placed
	): ReadonlySet<BroughtPage> {
		const isChosen = this.choices.some(
			(one) => one.kind === 'element' && pages.some(({ path }) => path === one.page)
		);
		if (!isChosen) return new Set();
		const others = new FrameFinder(
			pages,
			this.choices.filter(({ kind }) => kind === 'drop')
		);
		return new Set(others.inner(pages, nodes, placed).flatMap((frame) => frame.pages));
	}

	/** A frame for each folder whose pages share more than all pages do. */
	private inner(
		pages: readonly BroughtPage[],
		nodes: readonly FrameNode[],
		placed: Placed
	): FoundFrame[] {
		return this.inSlot(pages, slotIn(nodes)?.lists ?? [], placed);
	}

	private inSlot(
		pages: readonly BroughtPage[],
		slot: FramePlace['lists'],
		placed: Placed
	): FoundFrame[] {
		const { folder, titles } = placed;
		return foldersIn(pages, folder).flatMap((inside): FoundFrame[] => {
			const places = pages.flatMap((page, index) => (isIn(page, inside) ? [index] : []));
			if (places.length < leastPages) return [];
			const group = places.flatMap((index) => pages[index] ?? []);
			const lists = places.map((index) => slot[index] ?? []);
			const whole = lists.reduce((sum, list) => sum + sizeOf(list), 0);
			const isLittle = whole - costOf(sharedFrame(lists, group.map(titles))) < leastSaved;
			if (isLittle || this.isDropped(inside, group)) {
				return this.inSlot(group, lists, { ...placed, folder: inside });
			}
			const name = freeName(nameFrom(lastName(inside)) || 'branch', this.names);
			const at = this.isGuest ? '/' : `/${inside}`;
			const own = { name, at, covers: !this.isGuest };
			return [this.frame(group, { ...own, lists, folder: inside, titles })];
		});
	}

	private isDropped(folder: string, group: readonly BroughtPage[]): boolean {
		return this.choices.some(
			(one) =>
				one.kind === 'drop' && one.folder === folder && group.some(({ path }) => path === one.page)
		);
	}

	/** A frame with what was chosen of its elements; what is in its slot only where that is the page's own. */
	private withChosen(
		found: readonly FrameNode[],
		pages: readonly BroughtPage[],
		titles: Titles,
		isOwn: (page: BroughtPage) => boolean
	): readonly FrameNode[] {
		let nodes = found;
		for (const choice of this.choices) {
			if (choice.kind !== 'element') continue;
			// What is each page's own is so in a frame further in, too.
			if (this.made.has(choice) && choice.as !== 'own') continue;
			const page = pages.findIndex(({ path }) => path === choice.page);
			const brought = pages[page];
			const element = brought && elementAt(brought.content, choice.at);
			if (!brought || !element) continue;
			const as = this.isOutdone(choice, pages) ? 'region' : choice.as;
			const before = as === 'slot' ? withoutSlot(nodes) : nodes;
			const slot = slotIn(before);
			const chosen = { element, page, as };
			try {
				const made = withChosen(before, chosen, pages.map(titles), (place) => place === slot, isOwn(brought)); // prettier-ignore
				if (!made) continue;
				nodes = made;
				this.made.add(choice);
			} catch (failure) {
				this.noteUnfit(choice, failure);
			}
		}
		return nodes;
	}

	/** A frame has one slot: the one that was chosen last. */
	private isOutdone(
		choice: Choice & { readonly kind: 'element' },
		pages: readonly BroughtPage[]
	): boolean {
		const later = this.choices.slice(this.choices.indexOf(choice) + 1);
		return (
			choice.as === 'slot' &&
			later.some(
				(one) =>
					one.kind === 'element' && one.as === 'slot' && pages.some(({ path }) => path === one.page)
			)
		);
	}

	private noteUnfit(choice: Choice, failure: unknown): void {
		if (!(failure instanceof Unfit)) throw failure;
		this.unfit.set(choice, failure.message);
	}
}

/** A frame in which nobody has said which place is the slot. */
function withoutSlot(nodes: readonly FrameNode[]): FrameNode[] {
	return nodes.map((node): FrameNode => {
		if (node.kind === 'element') return { ...node, children: withoutSlot(node.children) };
		if (node.kind !== 'place' || node.chosen !== 'slot') return node;
		const { kind, lists, usual, blankBefore, blankBehind } = node;
		return { kind, lists, usual, blankBefore, blankBehind };
	});
}

/** The group whose frame covers all of the site: the largest that has no folder to itself. */
function mainGroup(
	groups: Groups,
	pages: readonly BroughtPage[]
): readonly BroughtPage[] | undefined {
	const open = groups.find((group) => {
		const folder = commonFolder(group);
		return folder === '' || !isAloneIn(folder, group, pages);
	});
	return open ?? groups[0];
}

/** What pages of a frame are called, as far as that is their own. */
function titlesOf(pages: readonly BroughtPage[]): Titles {
	const pattern = titlePattern(pages);
	return (page) => (pattern ? ownTitle(page, pattern) : '');
}

/** The last name of a path that says something; empty where none does. */
function lastName(path: string): string {
	const names = path.replace(/\.html?$/i, '').split('/');
	return names.findLast((name) => name !== 'index' && name !== '') ?? '';
}

/** Pages that differ in nothing still need a place for what one of them will have. */
function withSlot(nodes: readonly FrameNode[], pages: number): readonly FrameNode[] {
	const slot = slotIn(nodes);
	if (slot && (slot.chosen || ownBytes(slot) > 0)) return nodes;
	return [...nodes, placeOf(Array.from({ length: pages }, () => []))];
}
