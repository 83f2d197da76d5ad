import { counted, listWords } from '../../messages/wording.ts';
import type { Choice, ElementPart } from './choice.ts';
import type { PartOnPage } from './parts-on-page.ts';

/** What each part is called, as one chooses it. */
export const partWords: Readonly<Record<ElementPart, string>> = {
	frame: 'of the frame',
	region: 'a region',
	slot: 'the slot',
	own: 'the page’s own'
};

/** What an element is now, as a sentence without its name. */
export function isWords({ part, frame, region, isMixed }: PartOnPage): string {
	if (frame === undefined) return 'is the page’s own: no frame is around it.';
	switch (part) {
		case 'frame':
			return isMixed
				? `is of the frame ${frame}, with places in it.`
				: `is of the frame ${frame}: it is said once.`;
		case 'region':
			return `is in the region ${region} of ${frame}.`;
		case 'slot':
			return `is the slot of ${frame}: what pages bring by themselves stands in it.`;
		case 'own':
			return 'is the page’s own.';
	}
}

/** A choice in words, as an entry of a list; `name`: of the element that it is about. */
export function choiceWords(choice: Choice, name: string): string {
	switch (choice.kind) {
		case 'element':
			return `${name} on ${choice.page} is ${partWords[choice.as]}`;
		case 'join':
			return `the frames around ${choice.page} and ${choice.with} are one`;
		case 'part': {
			const [first = ''] = choice.pages;
			return choice.pages.length === 1
				? `${first} stands alone`
				: `${listWords(choice.pages.slice(0, 2))}${choice.pages.length > 2 ? ` and ${counted(choice.pages.length - 2, 'more page')}` : ''} have a frame by themselves`;
		}
		case 'blocks':
			return 'blocks that pages repeat are parts';
		case 'drop':
			return choice.folder === undefined
				? `no frame is around ${choice.page}`
				: `${choice.folder} has no frame of its own`;
	}
}
