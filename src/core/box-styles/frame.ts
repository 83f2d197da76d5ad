import { Memory } from '../lib/memory.ts';
import type { Arrangement } from '../model/arrange.ts';
import type { Setting } from '../model/setting.ts';
import type { Band, Layout, Member, Piece, Region } from '../model/site.ts';
import { contentsOf, holdsSlot } from '../resolve/boxes/members.ts';
import { slotOf } from '../resolve/structure.ts';
import { openersOf, type Opener } from '../resolve/boxes/drawers.ts';

/**
 * A box that is laid out: a layout's root, a wrapper, a region, a piece, the opener of a drawer, or
 * the plain box around a page without layouts.
 */
export interface Box {
	readonly kind: 'layout' | 'wrapper' | 'region' | 'piece' | 'opener' | 'bare';
	readonly name: string;
	readonly settings: readonly Setting[];
	readonly arrangements: readonly Arrangement[];
	/** What it is a member of; undefined for a root. */
	readonly parent: Box | undefined;
	/** Members that stand whatever the page is: regions and wrappers. */
	readonly members: readonly Box[];
	/** What it arranges by its own text: its members, or the pieces of a region or group. */
	readonly contents: readonly { readonly settings: readonly Setting[] }[];
	readonly holdsSlot: boolean;
}

/** The boxes of a layout that are there on every page. */
export interface Frame {
	readonly layout: Layout;
	readonly root: Box;
	/** Regions and wrappers by name. */
	readonly boxes: ReadonlyMap<string, Box>;
	readonly openers: readonly Opener[];
}

const frames = new Memory<Layout, Frame>();

/** The frame of a layout; worked out once. */
export function frameOf(layout: Layout, bands: readonly Band[]): Frame {
	return frames.get(layout, [bands], () => makeFrame(layout, bands));
}

function makeFrame(layout: Layout, bands: readonly Band[]): Frame {
	const boxes = new Map<string, Box>();
	const slot = slotOf(layout);
	const members: Box[] = [];
	const root: Box = {
		kind: 'layout',
		name: layout.name.text,
		settings: layout.settings,
		arrangements: layout.arrangements,
		parent: undefined,
		members,
		contents: layout.members,
		holdsSlot: true
	};
	members.push(...layout.members.map((member) => memberBox(member, root, slot, boxes)));
	return { layout, root, boxes, openers: openersOf(layout, bands) };
}

function memberBox(
	member: Member,
	parent: Box,
	slot: Region | undefined,
	boxes: Map<string, Box>
): Box {
	const members: Box[] = [];
	const { settings, arrangements, kind, name } = member;
	const holdsIt = holdsSlot(member, slot);
	const contents = contentsOf(member);
	const box: Box = {
		kind,
		name: name.text,
		settings,
		arrangements,
		parent,
		members,
		contents,
		holdsSlot: holdsIt
	};
	boxes.set(box.name, box);
	if (member.kind === 'wrapper') {
		members.push(...member.members.map((inner) => memberBox(inner, box, slot, boxes)));
	}
	return box;
}

/** The box of a piece or of a group in a region, in a group, or in a page without layouts. */
export function pieceBox(piece: Piece, parent: Box): Box {
	return {
		kind: 'piece',
		name: piece.name.text,
		settings: piece.settings,
		arrangements: piece.kind === 'group' ? piece.arrangements : [],
		parent,
		members: [],
		contents: piece.kind === 'group' ? piece.pieces : [],
		holdsSlot: false
	};
}

/** The box of a drawer's opener in its host. */
export function openerBox(opener: Opener, parent: Box): Box {
	return {
		kind: 'opener',
		name: opener.region.name.text,
		settings: [],
		arrangements: [],
		parent,
		members: [],
		contents: [],
		holdsSlot: false
	};
}

/** The root of a page that sits under nothing. */
export const bareBox: Box = {
	kind: 'bare',
	name: '',
	settings: [],
	arrangements: [],
	parent: undefined,
	members: [],
	contents: [],
	holdsSlot: false
};
