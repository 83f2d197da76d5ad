/** Content that a piece can have in place of its own, to see a page with less or more of it. */
export const standInKinds = ['short', 'long'] as const;
export type StandIn = (typeof standInKinds)[number];

/** How much content a page is tried with; `typical` is what is written. */
export const contentLengths = ['short', 'typical', 'long'] as const;
export type ContentLength = (typeof contentLengths)[number];

/** What a page is tried with, to see what it does before it happens. None of it is written in the site. */
export interface Trial {
	readonly content: ContentLength;
	/** Lines run the other way. */
	readonly mirrored: boolean;
	/** The visitor has set text to twice its size (WCAG 2.2, success criterion 1.4.4). */
	readonly largeText: boolean;
	/** On paper. */
	readonly printed: boolean;
	/** The visitor has asked for less motion (Media Queries 5, section 12.1). */
	readonly lessMotion: boolean;
	/** All drawers are open, on the screens on which they are drawers. */
	readonly drawersOpen: boolean;
}

/** A page as its author wrote it, on a screen. */
export const noTrial: Trial = {
	content: 'typical',
	mirrored: false,
	largeText: false,
	printed: false,
	lessMotion: false,
	drawersOpen: false
};

/** Which of them differ from what is written, as words: for keys, addresses and sentences. */
export function trialWords(trial: Trial): string[] {
	const { content, mirrored, largeText, printed, lessMotion, drawersOpen } = trial;
	return [
		...(content === 'typical' ? [] : [content]),
		...(mirrored ? ['mirrored'] : []),
		...(largeText ? ['large'] : []),
		...(printed ? ['printed'] : []),
		...(lessMotion ? ['still'] : []),
		...(drawersOpen ? ['open'] : [])
	];
}

/** All words for what can be tried. */
export const allTrialWords: readonly string[] = [
	...standInKinds,
	...trialWords({
		content: 'typical',
		mirrored: true,
		largeText: true,
		printed: true,
		lessMotion: true,
		drawersOpen: true
	})
];

/** The trial that words name; words that name nothing are passed over. */
export function trialOf(words: readonly string[]): Trial {
	return {
		content: standInKinds.find((kind) => words.includes(kind)) ?? 'typical',
		mirrored: words.includes('mirrored'),
		largeText: words.includes('large'),
		printed: words.includes('printed'),
		lessMotion: words.includes('still'),
		drawersOpen: words.includes('open')
	};
}

/** px in a rem: what browsers start from, and what they do where a visitor has set twice that. */
export function remOf({ largeText }: Trial): number {
	return largeText ? 32 : 16;
}
