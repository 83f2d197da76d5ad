import type { CheckedSite } from '../check/checked-site.ts';
import type { ArrangedRef, Command } from '../model/command.ts';
import { isPieceRef } from '../model/command.ts';
import type { Surgery } from './surgery.ts';

/** A kind of command: what its edit is called, and how it is made. */
export interface CommandKind<W extends Command> {
	/** In a few words, for the list of things that can be undone. */
	readonly label: (command: W) => string;
	/** Makes the edit; gives as sentences what else it takes along. Throws a CommandRefused. */
	readonly carryOut: (
		resolved: CheckedSite,
		surgery: Surgery,
		command: W
	) => readonly string[] | void;
}

export type CommandOf<K extends Command['kind']> = Extract<Command, { readonly kind: K }>;

/** Commands of some kinds, by kind. */
export type CommandKinds<W extends Command> = {
	readonly [K in W['kind']]: CommandKind<CommandOf<K>>;
};

/** What something with settings, or that arranges something, is called. */
export function sizedName(ref: ArrangedRef): string {
	if (isPieceRef(ref)) {
		const { layer, region } = ref.holder;
		return ref.piece ?? (region ? `${layer.name} in ${region.region}` : layer.name);
	}
	const name = ref.box ?? ref.layout;
	return ref.only ? `${name} in ${ref.only.name}` : name;
}
