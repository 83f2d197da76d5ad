import { listWords, sameness, sentenceOf, type Problem } from '../messages/problem.ts';
import { layerName, layersOf } from '../model/site.ts';
import { applyChanges, type Change } from '../source/change.ts';
import { readSiteFiles } from '../source/read.ts';
import { checkSite, type CheckedSite } from '../check/site.ts';
import {
	moveSetting,
	setAreas,
	setArrangement,
	setBreakpoint,
	setSetting,
	setTrack
} from './boxes.ts';
import { findPieces } from './find.ts';
import { addLayout, moveLayout, removeLayout, renameLayout, setUnder } from './layouts.ts';
import { addPiece, removePiece, renamePiece, setMarkup } from './pieces.ts';
import {
	addRegion,
	removeFill,
	removeRegion,
	renameRegion,
	reorderRegion,
	setFill,
	setFlag,
	swap
} from './regions.ts';
import { touchedBands } from './touched-bands.ts';
import { addRoute, moveRoute, removeRoute } from './routes.ts';
import { Surgery } from './surgery.ts';
import { isSizeWish, WishRefused, type BoxRef, type Proposal, type Wish } from './wish.ts';

/** A proposal together with the site as it would be, so that making it works nothing out again. */
export interface Prepared {
	readonly proposal: Proposal;
	readonly after: CheckedSite | undefined;
}

/**
 * Turns a wish into the smallest change of the text that says it. A wish that would bring an error
 * into a site is refused with that error's sentence; what else it changes is said in `consequences`.
 */
export function propose(resolved: CheckedSite, wish: Wish): Proposal {
	return prepare(resolved, wish).proposal;
}

/** The same, with the site as it would be. */
export function prepare(resolved: CheckedSite, wish: Wish): Prepared {
	const surgery = new Surgery(resolved.reading);
	try {
		const consequences = carryOut(resolved, surgery, wish);
		const first = resolveAfter(resolved, surgery.changes());
		const mended = wish.kind === 'set-fill' ? undefined : dropLostFills(resolved, first);
		const after = mended?.after ?? first;
		const broken = newError(resolved, after);
		if (broken !== undefined) return refuse(broken);
		const proposal: Proposal = {
			kind: 'edit',
			label: labelOf(wish),
			changes: [...surgery.changes(), ...(mended?.changes ?? [])],
			consequences: [
				...consequences,
				...(mended?.consequences ?? []),
				...vanishing(resolved, after)
			],
			bands: isSizeWish(wish) ? touchedBands(resolved, after) : []
		};
		return { proposal, after };
	} catch (failure) {
		if (failure instanceof WishRefused) return refuse(failure.message);
		throw failure;
	}
}

function refuse(sentence: string): Prepared {
	return { proposal: { kind: 'refused', sentence }, after: undefined };
}

function carryOut(resolved: CheckedSite, surgery: Surgery, wish: Wish): string[] {
	switch (wish.kind) {
		case 'set-setting':
			setSetting(resolved, surgery, wish.box, wish.setting, wish.value, wish.band);
			return [];
		case 'move-setting':
			moveSetting(resolved, surgery, wish.box, wish.setting, wish.from, wish.to);
			return [];
		case 'set-arrangement':
			setArrangement(resolved, surgery, wish.box, wish.arrangement, wish.band);
			return [];
		case 'set-track':
			setTrack(resolved, surgery, wish.box, wish.axis, wish.index, wish.size, wish.band);
			return [];
		case 'set-areas':
			setAreas(resolved, surgery, wish.box, wish.cells, wish.band);
			return [];
		case 'set-breakpoint':
			setBreakpoint(resolved, surgery, wish.band, wish.from);
			return [];
		case 'add-route':
			addRoute(resolved, surgery, wish.pattern, wish.title);
			return [];
		case 'move-route':
			return moveRoute(resolved, surgery, wish.pattern, wish.to);
		case 'remove-route':
			return removeRoute(resolved, surgery, wish.pattern);
		case 'add-layout':
			addLayout(resolved, surgery, wish.name, wish.at);
			return [];
		case 'rename-layout':
			renameLayout(resolved, surgery, wish.name, wish.to);
			return [];
		case 'move-layout':
			moveLayout(resolved, surgery, wish.name, wish.at);
			return [];
		case 'remove-layout':
			return removeLayout(resolved, surgery, wish.name);
		case 'set-under':
			setUnder(resolved, surgery, wish.layer, wish.under);
			return [];
		case 'set-fill':
			return setFill(resolved, surgery, wish.layer, wish.region, wish.fill);
		case 'remove-fill':
			removeFill(resolved, surgery, wish.layer, wish.region);
			return [];
		case 'add-region':
			addRegion(resolved, surgery, wish.layout, wish.name, wish.element);
			return [];
		case 'rename-region':
			renameRegion(resolved, surgery, wish.region, wish.to);
			return [];
		case 'reorder-region':
			reorderRegion(resolved, surgery, wish.region, wish.by);
			return [];
		case 'remove-region':
			return removeRegion(resolved, surgery, wish.region);
		case 'set-flag':
			setFlag(resolved, surgery, wish.region, wish.flag, wish.on);
			return [];
		case 'add-piece':
			addPiece(resolved, surgery, wish.holder, wish.name);
			return [];
		case 'rename-piece':
			renamePiece(resolved, surgery, wish.holder, wish.name, wish.to);
			return [];
		case 'reorder-piece': {
			const { pieces } = findPieces(resolved, wish.holder);
			swap(
				pieces,
				pieces.findIndex((piece) => piece.name.text === wish.name),
				wish.by,
				surgery
			);
			return [];
		}
		case 'remove-piece':
			removePiece(resolved, surgery, wish.holder, wish.name);
			return [];
		case 'set-markup':
			setMarkup(resolved, surgery, wish.holder, wish.name, wish.markup);
			return [];
	}
}

function resolveAfter(resolved: CheckedSite, changes: readonly Change[]): CheckedSite {
	const { files } = resolved.reading;
	const { texts } = applyChanges(files.texts, changes);
	return checkSite(readSiteFiles({ texts, assets: files.assets }, resolved.reading));
}

function newProblems(before: CheckedSite, after: CheckedSite): Problem[] {
	const known = new Set(before.problems.map(sameness));
	return after.problems.filter((problem) => !known.has(sameness(problem)));
}

function newErrors(before: CheckedSite, after: CheckedSite): Problem[] {
	return newProblems(before, after).filter((problem) => problem.severity === 'error');
}

const notShown: ReadonlySet<string> = new Set(['region-not-arranged', 'piece-not-arranged']);

/** What an edit would take out of sight without saying so. */
function vanishing(before: CheckedSite, after: CheckedSite): string[] {
	return newProblems(before, after)
		.filter((problem) => notShown.has(problem.code))
		.map(sentenceOf);
}

/** The sentence of an error that an edit would bring in; undefined where it brings none. */
function newError(before: CheckedSite, after: CheckedSite): string | undefined {
	const [first] = newErrors(before, after);
	return first && sentenceOf(first);
}

const lostFill: ReadonlySet<string> = new Set([
	'fill-no-region',
	'fill-no-layout',
	'fill-locked',
	'fill-slot'
]);

/**
 * Takes along the fills that an edit leaves without a region to land in: a page that is made bare
 * cannot put anything at the side any more.
 */
function dropLostFills(
	before: CheckedSite,
	after: CheckedSite
): { after: CheckedSite; changes: Change[]; consequences: string[] } | undefined {
	const lost = newErrors(before, after).filter((problem) => lostFill.has(problem.code));
	if (lost.length === 0) return undefined;
	const surgery = new Surgery(after.reading);
	const consequences: string[] = [];
	for (const layer of layersOf(after.site)) {
		const fills = layer.fills.filter((fill) =>
			lost.some(
				({ span }) => span.file === fill.targetSpan.file && span.from === fill.targetSpan.from
			)
		);
		for (const fill of fills) surgery.remove(fill.span);
		if (fills.length === 0) continue;
		const names = listWords([...new Set(fills.map((fill) => fill.region))]);
		consequences.push(`What ${layerName(layer)} puts into ${names} would go with it.`);
	}
	const changes = surgery.changes();
	return { after: resolveAfter(after, changes), changes, consequences };
}

function boxName({ layout, box }: BoxRef): string {
	return box ?? layout;
}

function labelOf(wish: Wish): string {
	switch (wish.kind) {
		case 'set-setting':
			return `${boxName(wish.box)}: ${wish.setting} ${wish.value ?? 'as narrower'} at ${wish.band}`;
		case 'move-setting':
			return `${boxName(wish.box)}: ${wish.setting} from ${wish.to} on`;
		case 'set-arrangement':
			return `Arrange ${boxName(wish.box)} at ${wish.band}`;
		case 'set-track':
			return `${boxName(wish.box)}: ${wish.axis === 'rows' ? 'row' : 'column'} ${wish.index + 1}: ${wish.size}`;
		case 'set-areas':
			return `Areas of ${boxName(wish.box)} at ${wish.band}`;
		case 'set-breakpoint':
			return `${wish.band} from ${wish.from} px`;
		case 'add-route':
			return `Add ${wish.pattern}`;
		case 'move-route':
			return `Move ${wish.pattern} to ${wish.to}`;
		case 'remove-route':
			return `Remove ${wish.pattern}`;
		case 'add-layout':
			return `Add the layout ${wish.name}`;
		case 'rename-layout':
			return `Rename ${wish.name} to ${wish.to}`;
		case 'move-layout':
			return `Let ${wish.name} cover ${wish.at}`;
		case 'remove-layout':
			return `Remove the layout ${wish.name}`;
		case 'set-under':
			return wish.under === undefined
				? `Let ${wish.layer.name} sit under what covers it`
				: `Let ${wish.layer.name} sit under ${wish.under === 'none' ? 'nothing' : wish.under}`;
		case 'set-fill':
			return `${wish.layer.name} fills ${wish.region.region}: ${wish.fill}`;
		case 'remove-fill':
			return `${wish.layer.name} lets ${wish.region.region} pass`;
		case 'add-region':
			return `Add the region ${wish.name}`;
		case 'rename-region':
			return `Rename the region ${wish.region.region} to ${wish.to}`;
		case 'reorder-region':
			return `Move the region ${wish.region.region}`;
		case 'remove-region':
			return `Remove the region ${wish.region.region}`;
		case 'set-flag':
			return `${wish.region.region}: ${wish.on ? '' : 'not '}${wish.flag}`;
		case 'add-piece':
			return `Add the piece ${wish.name}`;
		case 'rename-piece':
			return `Rename the piece ${wish.name} to ${wish.to}`;
		case 'reorder-piece':
			return `Move the piece ${wish.name}`;
		case 'remove-piece':
			return `Remove the piece ${wish.name}`;
		case 'set-markup':
			return `Edit the piece ${wish.name}`;
	}
}
