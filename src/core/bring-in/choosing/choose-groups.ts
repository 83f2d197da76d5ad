import type { BroughtPage } from '../reading/read-page.ts';
import { Unfit, type Choice } from './choice.ts';

/** Groups of pages that have one frame each, and those that are in none, as they were chosen. */
export type Groups = readonly (readonly BroughtPage[])[];

/**
 * What a choice makes of groups.
 *
 * @throws Unfit where it makes nothing of them.
 */
export function withGroups(groups: Groups, choice: Choice): Groups {
	switch (choice.kind) {
		case 'element':
		case 'blocks':
			return groups;
		case 'join':
			return joined(groups, choice.page, choice.with);
		case 'part':
			return parted(groups, choice.pages);
		case 'drop':
			return choice.folder === undefined ? dropped(groups, choice.page) : groups;
	}
}

function joined(groups: Groups, page: string, other: string): Groups {
	const [one, two] = [groupOf(groups, page), groupOf(groups, other)];
	if (one === two) throw new Unfit('These pages have one frame already.');
	const all = new Set([...one, ...two]);
	const inOrder = groups.flat().filter((each) => all.has(each));
	return groups.flatMap((group) => (group === one ? [inOrder] : group === two ? [] : [group]));
}

function parted(groups: Groups, paths: readonly string[]): Groups {
	const [first = ''] = paths;
	const from = groupOf(groups, first);
	const own = from.filter(({ path }) => paths.includes(path));
	const rest = from.filter((page) => !own.includes(page));
	if (rest.length === 0)
		throw new Unfit('All of its pages are among these, so nothing is left to part from.');
	return groups.flatMap((group) => (group === from ? [rest, own] : [group]));
}

function dropped(groups: Groups, page: string): Groups {
	const gone = groupOf(groups, page);
	if (gone.length < 2) throw new Unfit('This page is in no frame.');
	return groups.flatMap((group) => (group === gone ? gone.map((one) => [one]) : [group]));
}

function groupOf(groups: Groups, path: string): readonly BroughtPage[] {
	const group = groups.find((one) => one.some((page) => page.path === path));
	if (!group) throw new Unfit(`There is no page ${path}.`);
	return group;
}
