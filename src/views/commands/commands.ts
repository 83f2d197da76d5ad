import { glossary } from '$core/view-models/words/glossary.ts';
import { help } from '$store/ways/help.svelte.ts';
import { goto } from '$app/navigation';
import { fillActions, regionActions } from '$core/view-models/chosen/place-actions.ts';
import { sizeActions } from '$core/view-models/chosen/size-actions.ts';
import type { Command, LayerRef } from '$core/model/command.ts';
import { askMovePages, removePages } from './asking-pages.ts';
import { placeQuery, readPlace } from '$store/address.ts';
import { look } from '$store/ways/look.svelte.ts';
import { paneNames, panes, type PaneName } from '$store/ways/panes.svelte.ts';
import { tour } from '$store/ways/tour.svelte.ts';
import { bringing } from '$store/ways/bringing.svelte.ts';
import { store } from '$store/site.svelte.ts';
import { commands } from '$store/commands.svelte.ts';
import {
	askCopyPiece,
	askMovePiece,
	askMoveRoute,
	askNewBand,
	askNewLayout,
	askNewPiece,
	askNewRegion,
	askNewRole,
	askNewRoute,
	askNewState,
	askRenameLayout,
	askRenamePiece,
	askRenameRegion,
	askWrap
} from './asking.ts';
import { cellFacts, choice, holderOf, traceOf } from '../plan/choice.svelte.ts';
import { chosenBox } from '../plan/chosen-box.svelte.ts';
import { measures } from '../plan/stage/measures.svelte.ts';
import { views } from '$views/shell/bar/views.ts';

/** Something that can be done, by its name: from a menu, or by finding it. */
export interface Act {
	readonly name: string;
	readonly key?: string;
	/** What it would do, to be looked at before. */
	readonly command?: Command;
	readonly run: () => void;
}

function commandAct(name: string, command: Command, key?: string): Act {
	return {
		name,
		command,
		...(key !== undefined && { key }),
		run: () => void commands.make(command)
	};
}

/** Everything that can be done with what is chosen. */
export function chosenActs(): Act[] {
	const { subject } = choice;
	switch (subject.kind) {
		case 'piece':
			return pieceActs(subject.piece);
		case 'layer':
			return layerActs(subject.layer);
		case 'pages':
			return pagesActs(subject.pages);
		case 'box':
			return [];
		case 'site':
			return [];
		case 'place':
			return placeActs();
	}
}

function pagesActs(pages: readonly LayerRef[]): Act[] {
	return [
		{ name: `Move ${pages.length} pages below …`, run: () => askMovePages(pages) },
		commandAct(`Remove ${pages.length} pages`, removePages(pages))
	];
}

function placeActs(): Act[] {
	const { page } = store;
	const facts = page && cellFacts(page.section, choice.place);
	if (!facts) return [];
	const { layer, region, isOwn, entry } = facts;
	const { view } = chosenBox;
	const actions = !region
		? []
		: isOwn
			? [...regionActions(region), ...(view ? sizeActions(view) : [])]
			: fillActions(layer, region, entry);
	const holder = holderOf(facts);
	const its = region ? `${region.name} of ${region.layout}` : `what ${layer.name} brings`;
	// What is so already would do nothing; a lock is taken back by the same key that sets it.
	const acts = actions
		.filter(({ on, command }) => !on || command.kind === 'set-flag')
		.map(({ does, key, command }) => commandAct(does, command, key));
	if (facts.holder) {
		acts.push({
			name: `Edit the pieces in ${its}`,
			key: 'Enter',
			run: () => choice.editPieces()
		});
	}
	if (holder) acts.push({ name: `Add a piece to ${its} …`, run: () => askNewPiece(holder) });
	acts.push({ name: `Show ${its} in the text`, run: showText });
	acts.push({
		name: `Measure from ${its}`,
		key: 'M',
		run: () => measures.pick(traceOf(facts))
	});
	if (!isOwn || !region) return acts;
	const { layout, name } = region;
	const members = [name, ...choice.alsoIn(layout)];
	return [
		...acts,
		{ name: `Rename ${its} …`, run: () => askRenameRegion(layout, name) },
		{ name: `Wrap ${members.join(', ')} …`, run: () => askWrap(layout, members) },
		{ name: `Add a region to ${layout} …`, run: () => askNewRegion(layout) },
		commandAct(`Remove ${its}`, { kind: 'remove-region', region: { layout, region: name } })
	];
}

function pieceActs(piece: Parameters<typeof askRenamePiece>[0]): Act[] {
	const { holder, piece: name } = piece;
	return [
		{ name: `Edit the markup of ${name}`, key: 'Enter', run: () => choice.editPieces() },
		{ name: `Show ${name} in the text`, run: showText },
		{ name: `Rename ${name} …`, run: () => askRenamePiece(piece) },
		{ name: `Copy ${name} …`, run: () => askCopyPiece(piece) },
		{ name: `Move ${name} to another place …`, run: () => askMovePiece(piece) },
		commandAct(`Move ${name} up`, { kind: 'reorder-piece', holder, name, by: -1 }),
		commandAct(`Move ${name} down`, { kind: 'reorder-piece', holder, name, by: 1 }),
		commandAct(`Remove ${name}`, { kind: 'remove-piece', holder, name })
	];
}

function layerActs({ kind, name }: { kind: string; name: string }): Act[] {
	if (kind === 'layout') {
		return [
			{ name: `Rename ${name} …`, run: () => askRenameLayout(name) },
			{ name: `Add a region to ${name} …`, run: () => askNewRegion(name) },
			commandAct(`Remove ${name}`, { kind: 'remove-layout', name })
		];
	}
	if (kind === 'state') return [commandAct(`Remove ${name}`, { kind: 'remove-state', name })];
	if (kind !== 'route') return [];
	return [
		{ name: `Rename or move ${name} …`, run: () => askMoveRoute(name) },
		{ name: `Add a route below ${name} …`, run: () => askNewRoute(name) },
		{ name: `Add a layout at ${name} …`, run: () => askNewLayout(name) },
		{ name: `Add a state at ${name} …`, run: () => askNewState(name) },
		commandAct(`Remove ${name}`, { kind: 'remove-route', pattern: name })
	];
}

function showText(): void {
	choice.textPane = 'source';
	panes.fold('text', false);
	panes.fold('side', false);
}

/** Opens a view of the application at the page, width and height that are shown. */
export function openView(path: string): Promise<void> {
	return goto(`${path}?${placeQuery(readPlace(new URL(location.href)))}`);
}

const paneWords: Readonly<Record<PaneName, string>> = {
	roofline: 'the roofline',
	side: 'the inspector',
	section: 'the cross-section',
	text: 'the text'
};

/** Everything that can be done with the site and the views, wherever one is. */
export function siteActs(): Act[] {
	const route = store.page?.page.startsWith('/') ? store.page.page : '/';
	return [
		{ name: 'Add a route …', run: () => askNewRoute(route) },
		{ name: 'Add a layout …', run: () => askNewLayout(route) },
		{ name: 'Add a state …', run: () => askNewState('/') },
		{ name: 'Add a band …', run: () => askNewBand() },
		{ name: 'Add a role …', run: () => askNewRole() },
		{
			name: 'The site: name, language, bands, roles, titles',
			run: () => {
				choice.pickSite();
				panes.fold('side', false);
				void openView('/plan');
			}
		},
		{ name: 'Take the tour: six questions', run: () => tour.take() },
		{ name: 'Bring in pages of HTML …', run: () => bringing.ask() },
		{ name: 'Undo the last edit', key: 'Ctrl+Z', run: () => void store.undo() },
		{ name: 'Redo what was undone', key: 'Ctrl+Shift+Z', run: () => void store.redo() },
		commandAct('Tidy all texts', { kind: 'tidy-text', file: undefined }),
		...views.map(({ name, path, about }): Act => ({
			name: `Open ${name}: ${about}`,
			run: () => void openView(path)
		})),
		{
			name: look.overlay ? 'Hide the boxes' : 'Show which layer each box comes from',
			run: () => (look.overlay = !look.overlay)
		},
		{
			name: look.tracks ? 'Hide columns and rows' : 'Show columns and rows',
			run: () => (look.tracks = !look.tracks)
		},
		{
			name: look.mode === 'night' ? 'By day' : 'By night',
			run: () => (look.mode = look.mode === 'night' ? 'day' : 'night')
		},
		...glossary.map(({ word }): Act => ({
			name: `What “${word}” means`,
			run: () => (help.shown = true)
		})),
		...paneNames.map((name): Act => {
			const folded = panes.isFolded(name);
			return {
				name: `${folded ? 'Show' : 'Fold'} ${paneWords[name]}`,
				run: () => panes.fold(name, !folded)
			};
		})
	];
}
