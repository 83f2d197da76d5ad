/** The groups in which the field that finds everything lists what it found, in their order. */
export const foundGroups = ['pages', 'what can be done', 'everything else with a name'] as const;
export type FoundGroup = (typeof foundGroups)[number];

/** Something with a name that can be looked for. */
export interface Named {
	readonly group: FoundGroup;
	readonly name: string;
	/** A few words on what it is. */
	readonly says: string;
}

/** So many are listed at most, and so many of a group while others have some, too. */
const most = 40;
const mostOfGroup = 14;

/**
 * What has all the words in its name or in what is said of it: what is called just so first, then
 * by groups, and in each what begins with the first word before what only has it.
 */
export function inFoundOrder<T extends Named>(all: readonly T[], words: string): T[] {
	const asked = words.trim().toLowerCase().split(/\s+/).filter(Boolean);
	const first = asked[0] ?? '';
	const matching = all.filter(({ name, says }) =>
		asked.every((word) => `${name} ${says}`.toLowerCase().includes(word))
	);
	const whole = asked.join(' ');
	const isExact = ({ name }: T): boolean =>
		whole !== '' && [whole, `/${whole}`].includes(name.toLowerCase());
	const exact = matching.filter(isExact);
	const grouped = foundGroups.map((group) =>
		matching
			.filter((one) => one.group === group && !isExact(one))
			.sort((a, b) => rank(a, first) - rank(b, first))
	);
	const used = grouped.filter((some) => some.length > 0).length;
	const share = used > 1 ? mostOfGroup : most;
	return [...exact, ...grouped.flatMap((some) => some.slice(0, share))].slice(0, most);
}

function rank({ name }: Named, word: string): number {
	const lower = name.toLowerCase();
	if (word === '') return 0;
	return lower.startsWith(word) ? 1 : lower.includes(word) ? 2 : 3;
}
