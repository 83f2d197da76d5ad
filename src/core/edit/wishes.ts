import type { CheckedSite } from '../check/site.ts';
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
import { addRoute, moveRoute, removeRoute } from './routes.ts';
import type { Surgery } from './surgery.ts';
import type { BoxRef, Wish } from '../model/wish.ts';

/** A kind of wish: what its edit is called, and how it is made. */
interface WishKind<W extends Wish> {
	/** In a few words, for the list of things that can be undone. */
	readonly label: (wish: W) => string;
	/** Makes the edit; gives as sentences what else it takes along. Throws a WishRefused. */
	readonly carryOut: (resolved: CheckedSite, surgery: Surgery, wish: W) => readonly string[];
}

type Kind = Wish['kind'];
type WishOf<K extends Kind> = { [W in Wish as W['kind']]: W }[K];

const nothingElse: readonly string[] = [];

function boxName({ layout, box }: BoxRef): string {
	return box ?? layout;
}

/** Every kind of wish. */
const kinds: { readonly [K in Kind]: WishKind<WishOf<K>> } = {
	'set-setting': {
		label: ({ box, setting, value, band }) =>
			value === undefined
				? `${boxName(box)}: no ${setting} of its own at ${band}`
				: `${boxName(box)}: ${setting} ${value} at ${band}`,
		carryOut: (resolved, surgery, wish) => {
			setSetting(resolved, surgery, wish.box, wish.setting, wish.value, wish.band);
			return nothingElse;
		}
	},
	'move-setting': {
		label: (wish) => `${boxName(wish.box)}: ${wish.setting} from ${wish.to} on`,
		carryOut: (resolved, surgery, wish) => {
			moveSetting(resolved, surgery, wish.box, wish.setting, wish.from, wish.to);
			return nothingElse;
		}
	},
	'set-arrangement': {
		label: (wish) => `Arrange ${boxName(wish.box)} at ${wish.band}`,
		carryOut: (resolved, surgery, wish) => {
			setArrangement(resolved, surgery, wish.box, wish.arrangement, wish.band);
			return nothingElse;
		}
	},
	'set-track': {
		label: (wish) =>
			`${boxName(wish.box)}: ${wish.axis === 'rows' ? 'row' : 'column'} ${wish.index + 1}: ${wish.size}`,
		carryOut: (resolved, surgery, wish) => {
			setTrack(resolved, surgery, wish.box, wish.axis, wish.index, wish.size, wish.band);
			return nothingElse;
		}
	},
	'set-areas': {
		label: (wish) => `Areas of ${boxName(wish.box)} at ${wish.band}`,
		carryOut: (resolved, surgery, wish) => {
			setAreas(resolved, surgery, wish.box, wish.cells, wish.band);
			return nothingElse;
		}
	},
	'set-breakpoint': {
		label: (wish) => `${wish.band} from ${wish.from} px`,
		carryOut: (resolved, surgery, wish) => {
			setBreakpoint(resolved, surgery, wish.band, wish.from);
			return nothingElse;
		}
	},
	'add-route': {
		label: (wish) => `Add ${wish.pattern}`,
		carryOut: (resolved, surgery, wish) => {
			addRoute(resolved, surgery, wish.pattern, wish.title);
			return nothingElse;
		}
	},
	'move-route': {
		label: (wish) => `Move ${wish.pattern} to ${wish.to}`,
		carryOut: (resolved, surgery, wish) => moveRoute(resolved, surgery, wish.pattern, wish.to)
	},
	'remove-route': {
		label: (wish) => `Remove ${wish.pattern}`,
		carryOut: (resolved, surgery, wish) => removeRoute(resolved, surgery, wish.pattern)
	},
	'add-layout': {
		label: (wish) => `Add the layout ${wish.name}`,
		carryOut: (resolved, surgery, wish) => {
			addLayout(resolved, surgery, wish.name, wish.at);
			return nothingElse;
		}
	},
	'rename-layout': {
		label: (wish) => `Rename ${wish.name} to ${wish.to}`,
		carryOut: (resolved, surgery, wish) => {
			renameLayout(resolved, surgery, wish.name, wish.to);
			return nothingElse;
		}
	},
	'move-layout': {
		label: (wish) => `Let ${wish.name} cover ${wish.at}`,
		carryOut: (resolved, surgery, wish) => {
			moveLayout(resolved, surgery, wish.name, wish.at);
			return nothingElse;
		}
	},
	'remove-layout': {
		label: (wish) => `Remove the layout ${wish.name}`,
		carryOut: (resolved, surgery, wish) => removeLayout(resolved, surgery, wish.name)
	},
	'set-under': {
		label: (wish) =>
			wish.under === undefined
				? `Let ${wish.layer.name} sit under what covers it`
				: `Let ${wish.layer.name} sit under ${wish.under === 'none' ? 'nothing' : wish.under}`,
		carryOut: (resolved, surgery, wish) => {
			setUnder(resolved, surgery, wish.layer, wish.under);
			return nothingElse;
		}
	},
	'set-fill': {
		label: (wish) => `${wish.layer.name} fills ${wish.region.region}: ${wish.fill}`,
		carryOut: (resolved, surgery, wish) =>
			setFill(resolved, surgery, wish.layer, wish.region, wish.fill)
	},
	'remove-fill': {
		label: (wish) => `${wish.layer.name} lets ${wish.region.region} pass`,
		carryOut: (resolved, surgery, wish) => {
			removeFill(resolved, surgery, wish.layer, wish.region);
			return nothingElse;
		}
	},
	'add-region': {
		label: (wish) => `Add the region ${wish.name}`,
		carryOut: (resolved, surgery, wish) => {
			addRegion(resolved, surgery, wish.layout, wish.name, wish.element);
			return nothingElse;
		}
	},
	'rename-region': {
		label: (wish) => `Rename the region ${wish.region.region} to ${wish.to}`,
		carryOut: (resolved, surgery, wish) => {
			renameRegion(resolved, surgery, wish.region, wish.to);
			return nothingElse;
		}
	},
	'reorder-region': {
		label: (wish) => `Move the region ${wish.region.region}`,
		carryOut: (resolved, surgery, wish) => {
			reorderRegion(resolved, surgery, wish.region, wish.by);
			return nothingElse;
		}
	},
	'remove-region': {
		label: (wish) => `Remove the region ${wish.region.region}`,
		carryOut: (resolved, surgery, wish) => removeRegion(resolved, surgery, wish.region)
	},
	'set-flag': {
		label: (wish) => `${wish.region.region}: ${wish.on ? '' : 'not '}${wish.flag}`,
		carryOut: (resolved, surgery, wish) => {
			setFlag(resolved, surgery, wish.region, wish.flag, wish.on);
			return nothingElse;
		}
	},
	'add-piece': {
		label: (wish) => `Add the piece ${wish.name}`,
		carryOut: (resolved, surgery, wish) => {
			addPiece(resolved, surgery, wish.holder, wish.name);
			return nothingElse;
		}
	},
	'rename-piece': {
		label: (wish) => `Rename the piece ${wish.name} to ${wish.to}`,
		carryOut: (resolved, surgery, wish) => {
			renamePiece(resolved, surgery, wish.holder, wish.name, wish.to);
			return nothingElse;
		}
	},
	'reorder-piece': {
		label: (wish) => `Move the piece ${wish.name}`,
		carryOut: (resolved, surgery, wish) => {
			const { pieces } = findPieces(resolved, wish.holder);
			const from = pieces.findIndex((piece) => piece.name.text === wish.name);
			swap(pieces, from, wish.by, surgery);
			return nothingElse;
		}
	},
	'remove-piece': {
		label: (wish) => `Remove the piece ${wish.name}`,
		carryOut: (resolved, surgery, wish) => {
			removePiece(resolved, surgery, wish.holder, wish.name);
			return nothingElse;
		}
	},
	'set-markup': {
		label: (wish) => `Edit the piece ${wish.name}`,
		carryOut: (resolved, surgery, wish) => {
			setMarkup(resolved, surgery, wish.holder, wish.name, wish.markup);
			return nothingElse;
		}
	}
};

export function labelOf(wish: Wish): string {
	return labelOfKind(wish.kind, wish);
}

function labelOfKind<K extends Kind>(kind: K, wish: WishOf<K>): string {
	return kinds[kind].label(wish);
}

/** Makes the edit that a wish asks for; gives as sentences what else it takes along. Throws a WishRefused. */
export function carryOut(resolved: CheckedSite, surgery: Surgery, wish: Wish): readonly string[] {
	return carryOutKind(wish.kind, resolved, surgery, wish);
}

function carryOutKind<K extends Kind>(
	kind: K,
	resolved: CheckedSite,
	surgery: Surgery,
	wish: WishOf<K>
): readonly string[] {
	return kinds[kind].carryOut(resolved, surgery, wish);
}
