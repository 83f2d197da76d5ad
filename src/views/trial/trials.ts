import type { Trial } from '$core/model/trial.ts';

type Switch = {
	[K in keyof Trial]: Trial[K] extends boolean ? K : never;
}[keyof Trial];

/** What is either tried or not, with the word for it where there is little room. */
export const switches: readonly {
	readonly key: Switch;
	readonly word: string;
	readonly name: string;
	readonly says: string;
}[] = [
	{
		key: 'mirrored',
		word: 'mirrored',
		name: 'Mirrored',
		says: 'lines run the other way, as in Arabic or Hebrew'
	},
	{
		key: 'largeText',
		word: 'text 200 %',
		name: 'Text at 200 %',
		says: 'as visitors set it: sizes in rem grow with it, sizes in px of boxes do not'
	},
	{
		key: 'printed',
		word: 'on paper',
		name: 'On paper',
		says: 'with the rules for print; A4 is 718 px wide within its margins'
	},
	{
		key: 'lessMotion',
		word: 'less motion',
		name: 'Less motion',
		says: 'nothing shrinks or fades as one scrolls or changes pages'
	},
	{
		key: 'drawersOpen',
		word: 'drawers open',
		name: 'Drawers open',
		says: 'all of them, at the widths at which they are drawers: what they cover, and what is too wide in them'
	}
];

/** What is tried, in a few words; empty for pages as they are written. */
export function tryWord(trial: Trial, night: boolean, scrollbars: boolean): string {
	return [
		...(trial.content === 'typical' ? [] : [trial.content]),
		...switches.filter(({ key }) => trial[key]).map(({ word }) => word),
		...(night ? ['night'] : []),
		...(scrollbars ? ['scrollbars'] : [])
	].join(', ');
}
