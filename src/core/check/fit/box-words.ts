import type { BoxName } from '../../geometry/layout-box.ts';

/** A box in words, as people speak of it. */
export function boxWords({ kind, layout, region, wrapper, pieces }: BoxName): string {
	const names = pieces.map(({ piece }) => piece).join(' + ');
	if (kind === 'opener') return `the button of ${names}`;
	if (names !== '') return region === undefined ? names : `${names} in ${region}`;
	return region ?? wrapper ?? layout ?? 'the page';
}

/** One word for a region, or without it for the layout's own box. */
export function regionKey(layout: string | undefined, region: string | undefined): string {
	return `${layout ?? ''}.${region ?? ''}`;
}
