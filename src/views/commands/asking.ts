import { namesListed } from '$core/edit/pieces/names-listed.ts';
import { regionElements, stateKinds } from '$core/model/site.ts';
import type {
	HolderRef,
	PaintedArea,
	PieceRef,
	PieceStart,
	RegionCommand,
	SizedRef,
	Command
} from '$core/model/command.ts';
import { ask } from '$store/ways/ask.svelte.ts';
import { store } from '$store/site.svelte.ts';
import { commands } from '$store/commands.svelte.ts';
import { choice } from '../plan/choice.svelte.ts';

/** The questions that stand before edits which need a name or a place. What is added is chosen then. */

async function made(command: Command, after: () => void): Promise<string | undefined> {
	const sentence = await commands.attempt(command);
	if (sentence === undefined) after();
	return sentence;
}

const nothing = (): void => undefined;

export function askNewRoute(below: string): void {
	ask.question = {
		title: 'Add a route',
		says: 'A page of its own. Write :name for a segment that stands for many, such as /guides/:slug.',
		fields: [
			{ label: 'Route', value: below === '/' ? '/' : `${below}/`, mono: true },
			{ label: 'Title', value: '' },
			{ label: 'Or many: a sitemap.xml pasted, or an address a line', value: '', lines: true }
		],
		act: 'Add it',
		answer: ([pattern = '', title = '', list = '']) =>
			list === ''
				? made({ kind: 'add-route', pattern, title: title || pattern }, () => {
						void store.goTo({ page: pattern, address: undefined });
					})
				: commands.attempt({ kind: 'add-routes', text: list })
	};
}

/** States are where a page cannot be drawn: `at` is the route for which, and for all below it. */
export function askNewState(at: string): void {
	ask.question = {
		title: 'Add a state',
		says: 'What a visitor gets in place of a page: of one that is not there, is not open to them, could not be made, or is still on its way.',
		fields: [
			{ label: 'State', value: 'not-found', mono: true, options: stateKinds },
			{ label: 'For all from', value: at, mono: true }
		],
		act: 'Add it',
		answer: ([wanted = '', where = '']) => {
			const state = stateKinds.find((one) => one === wanted) ?? 'not-found';
			return made({ kind: 'add-state', state, at: where }, () => {
				void store.goTo({ page: `${state} at ${where}`, address: undefined });
			});
		}
	};
}

export const redirect = 'a redirect, for visitors of the old address';

/** What is left where pages were, as a field of a question; the choice of the last time is not kept. */
export const leftBehind = {
	label: 'At the old address',
	value: 'nothing',
	options: ['nothing', redirect]
};

export function askMoveRoute(pattern: string): void {
	ask.question = {
		title: `Rename or move ${pattern}`,
		says: 'What lies below it moves along, and links to it are changed.',
		fields: [{ label: 'New route', value: pattern, mono: true }, leftBehind],
		act: 'Move it',
		answer: ([to = '', left = '']) =>
			made({ kind: 'move-route', pattern, to, leaveBehind: left === redirect }, () => {
				void store.goTo({ page: to, address: undefined });
			})
	};
}

export function askNewLayout(at: string): void {
	ask.question = {
		title: 'Add a layout',
		says: 'A frame for its route and all below. It starts with one region, the slot. One on request covers nothing: pages ask for it by name.',
		fields: [
			{ label: 'Name', value: '', mono: true },
			{ label: 'Stands at', value: at, mono: true },
			{ label: 'Covers', value: 'its branch', options: ['its branch', 'on request'] }
		],
		act: 'Add it',
		answer: ([name = '', where = '', covers = '']) =>
			made({ kind: 'add-layout', name, at: where, onRequest: covers === 'on request' }, () =>
				choice.pickLayer({ kind: 'layout', name })
			)
	};
}

export function askRenameLayout(name: string): void {
	ask.question = {
		title: `Rename the layout ${name}`,
		says: 'Every place that names it is changed with it.',
		fields: [{ label: 'New name', value: name, mono: true }],
		act: 'Rename it',
		answer: ([to = '']) =>
			made({ kind: 'rename-layout', name, to }, () =>
				choice.pickLayer({ kind: 'layout', name: to })
			)
	};
}

/** `area` is an empty area in which the region is to lie. */
export function askNewRegion(
	layout: string,
	areaOf?: (name: string) => Extract<RegionCommand, { kind: 'add-region' }>['area']
): void {
	ask.question = {
		title: `Add a region to ${layout}`,
		says: areaOf
			? 'It takes the empty cells that you drew over; where the layout arranges in other areas, it gets a row of its own.'
			: 'Where the layout arranges in areas, it gets a row of its own; drag it from there.',
		fields: [
			{ label: 'Name', value: '', mono: true },
			{ label: 'Element', value: 'section', mono: true, options: regionElements }
		],
		act: 'Add it',
		answer: ([name = '', element = '']) => {
			const area = areaOf?.(name);
			const command: Command = { kind: 'add-region', layout, name, element, ...(area && { area }) };
			return made(command, () => wanted(layout, name));
		}
	};
}

export function askRenameRegion(layout: string, region: string): void {
	ask.question = {
		title: `Rename the region ${region} of ${layout}`,
		says: 'Areas and fills that name it are changed with it.',
		fields: [{ label: 'New name', value: region, mono: true }],
		act: 'Rename it',
		answer: ([to = '']) =>
			made({ kind: 'rename-region', region: { layout, region }, to }, () => wanted(layout, to))
	};
}

function wanted(layout: string, region: string): void {
	choice.wanted = { kind: 'layout', layer: layout, region, piece: undefined };
}

/** Puts a wrapper around pieces of one place. */
export function askGroup(holder: HolderRef, pieces: readonly string[]): void {
	ask.question = {
		title: `Put a wrapper around ${pieces.join(', ')}`,
		says: 'A wrapper says how the pieces in it lie, and is one box where it stands.',
		fields: [{ label: 'Name', value: '', mono: true }],
		act: pieces.length === 1 ? 'Wrap it' : 'Wrap them',
		answer: ([name = '']) =>
			made({ kind: 'group-pieces', holder, pieces, name }, () =>
				choice.pickPiece({ holder, piece: name })
			)
	};
}

export function askWrap(layout: string, members: readonly string[]): void {
	ask.question = {
		title: `Put a wrapper around ${members.join(', ')}`,
		says: 'A wrapper arranges what is in it and holds nothing itself. What is in it stays where it lies.',
		fields: [{ label: 'Name', value: '', mono: true }],
		act: 'Wrap them',
		answer: ([name = '']) =>
			made({ kind: 'wrap', layout, members, name }, () => {
				choice.pickBox({ layout, box: name });
			})
	};
}

const pastedLabel =
	'Or a piece for each row, pasted: a table with names in its first row, or a text a line';

/** Chooses the pieces that came to stand behind those that were there. */
async function pickNew(holder: HolderRef, before: number): Promise<void> {
	const all = await store.core.answers.piecesIn(holder);
	choice.pickPieces(all.slice(before).map(({ name: piece }) => ({ holder, piece })));
}

const starts = ['markup', 'a list of links', 'a copy of another piece'] as const;

export function askNewPiece(holder: HolderRef, areaOf?: (name: string) => PaintedArea): void {
	ask.question = {
		title: 'Add a piece',
		says: 'The name identifies the piece and has to be unique in its region. Several names, with commas between, add as many pieces. A list of links grows with the routes.',
		fields: [
			{ label: 'Name', value: '', mono: true },
			{ label: 'It is', value: starts[0], options: starts },
			// Where a place for one is given, there is one.
			...(areaOf ? [] : [{ label: pastedLabel, value: '', lines: true }])
		],
		act: 'Add it',
		answer: async ([name = '', start = '', pasted = '']) => {
			if (pasted !== '' && name === '') {
				const before = await store.core.answers.piecesIn(holder);
				return made({ kind: 'paste-pieces', holder, text: pasted }, () => {
					void pickNew(holder, before.length);
				});
			}
			if (pasted !== '') return 'Names come from what is pasted: leave the name empty.';
			if (start === starts[2]) {
				askWhichCopy(holder, name);
				// Another question stands in its place now.
				return '';
			}
			const nav: PieceStart = { kind: 'nav', from: '/', depth: 1 };
			const command: Command = {
				kind: 'add-piece',
				holder,
				name,
				...(start === starts[1] && { start: nav }),
				...(areaOf && { area: areaOf(name) })
			};
			const [piece = name] = namesListed(name);
			return made(command, () => choice.pickPiece({ holder, piece }));
		}
	};
}

/** Which box others are to be like. */
export function askSameAs(name: string, boxes: readonly SizedRef[]): void {
	void store.core.answers.findable().then((all) => {
		const others = all.flatMap((one): { readonly words: string; readonly ref: SizedRef }[] => {
			const words = `${one.name}, ${one.says}`;
			if (one.kind === 'piece') return [{ words, ref: one.piece }];
			if (one.kind !== 'region') return [];
			return [{ words, ref: { layout: one.region.layout, box: one.region.region } }];
		});
		const words = others.map((one) => one.words);
		ask.question = {
			title: `${name} is the same as …`,
			says: 'Each of its settings, in the same bands. What it does not say stays as it is.',
			fields: [{ label: 'The same as', value: words[0] ?? '', options: words }],
			act: 'Take them over',
			answer: ([chosen = '']) => {
				const of = others[words.indexOf(chosen)]?.ref;
				if (!of) return Promise.resolve('There is no such box.');
				return commands.attempt({ kind: 'copy-settings', of, boxes });
			}
		};
	});
}

/** Which piece a new one is a copy of. */
function askWhichCopy(holder: HolderRef, name: string): void {
	void store.core.answers.findable().then((all) => {
		const pieces = all.flatMap((one) => (one.kind === 'piece' ? [one] : []));
		const words = pieces.map((one) => `${one.name}, ${one.says}`);
		ask.question = {
			title: `A copy named ${name}`,
			says: 'Markup and settings are those of the other piece at first.',
			fields: [{ label: 'Copy of', value: words[0] ?? '', options: words }],
			act: 'Copy it',
			answer: async ([chosen = '']) => {
				const of = pieces[words.indexOf(chosen)]?.piece;
				if (!of) return 'There is no such piece.';
				const start: PieceStart = { kind: 'copy', of };
				return made({ kind: 'add-piece', holder, name, start }, () =>
					choice.pickPiece({ holder, piece: name })
				);
			}
		};
	});
}

export function askRenamePiece({ holder, piece: name }: PieceRef): void {
	ask.question = {
		title: `Rename ${name}`,
		says: 'The name identifies the piece and has to be unique in its region.',
		fields: [{ label: 'Name', value: name, mono: true }],
		act: 'Rename it',
		answer: ([to = '']) =>
			made({ kind: 'rename-piece', holder, name, to }, () =>
				choice.pickPiece({ holder, piece: to })
			)
	};
}

export function askCopyPiece(of: PieceRef): void {
	const { holder } = of;
	ask.question = {
		title: `Copy ${of.piece}`,
		says: 'The copy stands behind the other pieces, with the same markup and settings at first.',
		fields: [{ label: 'Name of the copy', value: `${of.piece}-2`, mono: true }],
		act: 'Copy it',
		answer: ([name = '']) =>
			made({ kind: 'add-piece', holder, name, start: { kind: 'copy', of } }, () =>
				choice.pickPiece({ holder, piece: name })
			)
	};
}

/** Where on the page that is shown a piece could go: every block in which its layer, or another, can bring something. */
export function askMovePiece({ holder, piece: name }: PieceRef): void {
	askWhere(holder, name, (to) =>
		made({ kind: 'move-piece', holder, name, to }, () =>
			choice.pickPiece({ holder: to, piece: name })
		)
	);
}

/** Where several pieces of one place go. */
export function askMovePieces(holder: HolderRef, pieces: readonly string[]): void {
	askWhere(holder, pieces.join(', '), (to) =>
		made({ kind: 'move-pieces', holder, pieces, to }, () =>
			choice.pickPieces(pieces.map((piece) => ({ holder: to, piece })))
		)
	);
}

/** Asks for a place on this page to which something in `holder` goes. */
function askWhere(
	holder: HolderRef,
	what: string,
	go: (to: HolderRef) => Promise<string | undefined>
): void {
	const { page } = store;
	if (!page) return;
	const { layers, columns } = page.section;
	const targets: { words: string; to: HolderRef }[] = [];
	for (const layer of layers) {
		const ref = { kind: layer.layerKind, name: layer.name };
		if (layer.kind === 'page') {
			targets.push({
				words: `the content of ${layer.name}`,
				to: { layer: ref, region: undefined }
			});
		}
		for (const region of columns.flatMap((column) => column.regions)) {
			const own = region.layout === layer.name;
			const isFurtherIn =
				layers.findIndex((one) => one.name === region.layout) < layers.indexOf(layer);
			if (!own && (region.locked || region.slot || !isFurtherIn)) continue;
			targets.push({
				words: `${region.name} of ${region.layout}${own ? '' : `, by ${layer.name}`}`,
				to: { layer: ref, region: { layout: region.layout, region: region.name } }
			});
		}
	}
	const others = targets.filter(({ to }) => JSON.stringify(to) !== JSON.stringify(holder));
	ask.question = {
		title: `Move ${what}`,
		says: 'Markup and settings go along.',
		fields: [
			{ label: 'To', value: others[0]?.words ?? '', options: others.map(({ words }) => words) }
		],
		act: 'Move it there',
		answer: async ([chosen = '']) => {
			const to = others.find(({ words }) => words === chosen)?.to;
			return to ? go(to) : 'There is no such place on this page.';
		}
	};
}

export function askNewBand(): void {
	const last = store.site?.bands.at(-1)?.from ?? 0;
	ask.question = {
		title: 'Add a band',
		says: 'A band reaches from its width to the next one. Nothing changes until something is set for it.',
		fields: [
			{ label: 'Name', value: '', mono: true },
			{ label: 'Starts at, px', value: String(last < 1024 ? 1024 : last + 416), mono: true }
		],
		act: 'Add it',
		answer: ([name = '', from = '']) =>
			made({ kind: 'add-band', name, from: Number(from) }, nothing)
	};
}

export function askNewRole(): void {
	ask.question = {
		title: 'Add a role',
		says: 'Who a visitor can be. Layouts and routes say whom they let in.',
		fields: [{ label: 'Name', value: '', mono: true }],
		act: 'Add it',
		answer: ([name = '']) => made({ kind: 'add-role', name }, nothing)
	};
}
