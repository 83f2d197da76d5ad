/** Ways in which several members share columns. */
export const shareWays = ['one-each', 'evenly', 'two-a-row', 'first-wide'] as const;
export type ShareWay = (typeof shareWays)[number];

/** What each way does, for a button. */
export const shareWords: Readonly<Record<ShareWay, string>> = {
	'one-each': 'one column each',
	evenly: 'side by side, as wide as each other',
	'two-a-row': 'two in a row',
	'first-wide': 'first one wide, the others side by side'
};

/** How many columns each of `count` members spans, of all there are; none wider than all, none less than one. */
export function sharedSpans(way: ShareWay, count: number, columns: number): string[] {
	const of = (beside: number): string => String(Math.max(1, Math.floor(columns / beside)));
	const all = (span: string): string[] => Array.from({ length: count }, () => span);
	switch (way) {
		case 'one-each':
			return all('1');
		case 'evenly':
			return all(of(count));
		case 'two-a-row':
			return all(of(2));
		case 'first-wide':
			return ['all', ...all(of(Math.max(1, count - 1))).slice(1)];
	}
}
