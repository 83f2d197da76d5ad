/** How many characters two texts share at their beginnings, and how many of the rest at their ends. */
export function commonEnds(one: string, other: string): { start: number; end: number } {
	const most = Math.min(one.length, other.length);
	let start = 0;
	while (start < most && one[start] === other[start]) start++;
	let end = 0;
	while (end < most - start && one.at(-1 - end) === other.at(-1 - end)) end++;
	return { start, end };
}
