import { ask } from '$store/ask.svelte.ts';
import { wishes } from '$store/wishes.svelte.ts';

/** The questions that stand before edits of routes and layouts. */

const done = async (made: Promise<boolean>): Promise<boolean> =>
	(await made) || wishes.asking !== undefined;

export function askNewRoute(below: string): void {
	ask.question = {
		title: 'Add a route',
		says: 'A page of its own. Write :name for a segment that stands for many, such as /guides/:slug.',
		fields: [
			{ label: 'Route', value: below === '/' ? '/' : `${below}/`, mono: true },
			{ label: 'Title', value: '', mono: false }
		],
		act: 'Add it',
		answer: ([pattern = '', title = '']) =>
			done(wishes.make({ kind: 'add-route', pattern, title: title || pattern }))
	};
}

export function askMoveRoute(pattern: string): void {
	ask.question = {
		title: `Rename or move ${pattern}`,
		says: 'What lies below it moves along, and links to it are changed.',
		fields: [{ label: 'New route', value: pattern, mono: true }],
		act: 'Move it',
		answer: ([to = '']) => done(wishes.make({ kind: 'move-route', pattern, to }))
	};
}

export function askNewLayout(at: string): void {
	ask.question = {
		title: 'Add a layout',
		says: 'A frame for its route and all below. It starts with one region, the slot.',
		fields: [
			{ label: 'Name', value: '', mono: true },
			{ label: 'Covers', value: at, mono: true }
		],
		act: 'Add it',
		answer: ([name = '', where = '']) => done(wishes.make({ kind: 'add-layout', name, at: where }))
	};
}

export function askRenameLayout(name: string): void {
	ask.question = {
		title: `Rename the layout ${name}`,
		says: 'Every place that names it is changed with it.',
		fields: [{ label: 'New name', value: name, mono: true }],
		act: 'Rename it',
		answer: ([to = '']) => done(wishes.make({ kind: 'rename-layout', name, to }))
	};
}

export function askMoveLayout(name: string, at: string): void {
	ask.question = {
		title: `Let ${name} cover another branch`,
		says: 'It covers this route and all below.',
		fields: [{ label: 'Covers', value: at, mono: true }],
		act: 'Move it',
		answer: ([where = '']) => done(wishes.make({ kind: 'move-layout', name, at: where }))
	};
}

export function askNewRegion(layout: string): void {
	ask.question = {
		title: `Add a region to ${layout}`,
		says: 'Where the layout arranges in areas, it gets a row of its own; move it from there.',
		fields: [
			{ label: 'Name', value: '', mono: true },
			{ label: 'Element', value: 'div', mono: true }
		],
		act: 'Add it',
		answer: ([name = '', element = '']) =>
			done(wishes.make({ kind: 'add-region', layout, name, element }))
	};
}

export function askRenameRegion(layout: string, region: string): void {
	ask.question = {
		title: `Rename the region ${region} of ${layout}`,
		says: 'Areas and fills that name it are changed with it.',
		fields: [{ label: 'New name', value: region, mono: true }],
		act: 'Rename it',
		answer: ([to = '']) =>
			done(wishes.make({ kind: 'rename-region', region: { layout, region }, to }))
	};
}
