import type { Layer, Layout, Member, Piece, PieceGroup, Region } from '../../model/site.ts';
import { groupsIn } from '../content/pieces.ts';

/** Whatever arranges something by its own text. */
export type Holder = Layout | Member | PieceGroup;

/** All wrappers and regions among members, and in their wrappers. */
export function membersIn(members: readonly Member[]): Member[] {
	return members.flatMap((member) =>
		member.kind === 'region' ? [member] : [member, ...membersIn(member.members)]
	);
}

/** The wrapper or region of a layout by its name, however deep; undefined where there is none. */
export function memberNamed({ members }: Layout, name: string): Member | undefined {
	return membersIn(members).find((one) => one.name.text === name);
}

/** Everything of a layer that arranges something by its own text: a layout, its wrappers and regions, groups of pieces. */
export function boxesOf(layer: Layer): Holder[] {
	const own = layer.kind === 'layout' ? [layer, ...membersIn(layer.members)] : [];
	return [...own, ...groupsIn(layer)];
}

/** What a box arranges by its own text. */
export function contentsOf(box: Holder): readonly (Member | Piece)[] {
	return box.kind === 'region' || box.kind === 'group' ? box.pieces : box.members;
}

/** Whether a region is the slot, or a wrapper has it inside. */
export function holdsSlot(member: Member | Piece, slot: Region | undefined): boolean {
	if (member.kind === 'region') return member === slot;
	return member.kind === 'wrapper' && member.members.some((inner) => holdsSlot(inner, slot));
}
