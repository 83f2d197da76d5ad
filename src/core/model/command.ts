import type { LayerCommand } from './commands/layers.ts';
import type { MendCommand } from './commands/mending.ts';
import type { PieceCommand } from './commands/pieces.ts';
import type { SizedRef } from './commands/refs.ts';
import type { RegionCommand } from './commands/regions.ts';
import type { SharedCommand } from './commands/shared.ts';
import type { SiteCommand } from './commands/site.ts';
import type { SizeCommand } from './commands/sizes.ts';

export type * from './commands/layers.ts';
export type * from './commands/mending.ts';
export type * from './commands/pieces.ts';
export * from './commands/refs.ts';
export type * from './commands/regions.ts';
export type * from './commands/shared.ts';
export * from './commands/site.ts';
export type * from './commands/sizes.ts';

/** Lets boxes say the same as another, in the same bands. */
export interface CopySettingsCommand {
	readonly kind: 'copy-settings';
	readonly of: SizedRef;
	readonly boxes: readonly SizedRef[];
}

/** Several edits as one, which undo takes back in one step: all of them are made, or none. */
export interface SeveralCommand {
	readonly kind: 'several';
	readonly label: string;
	readonly commands: readonly Command[];
}

/** Everything the drawings can ask for. Each becomes the smallest change of the text that says it. */
export type Command =
	| SizeCommand
	| SiteCommand
	| LayerCommand
	| RegionCommand
	| PieceCommand
	| SharedCommand
	| MendCommand
	| CopySettingsCommand
	| SeveralCommand;

/** One edit for each of some things; where there is only one, that edit. `label`: what is done to each, for the list of edits. */
export function forEach<T>(
	things: readonly T[],
	label: string,
	command: (thing: T) => Command
): Command {
	const commands = things.map(command);
	const [only] = commands;
	if (only && commands.length === 1) return only;
	return { kind: 'several', label: `${commands.length} chosen: ${label}`, commands };
}

const sizeKinds: ReadonlySet<string> = new Set<SizeCommand['kind']>([
	'set-setting',
	'move-setting',
	'set-arrangement',
	'set-columns',
	'set-arranged',
	'set-track',
	'add-track',
	'remove-track',
	'set-areas',
	'move-area',
	'set-breakpoint'
]);

/** Whether a command is about sizes, and so about bands. */
export function isAboutSizes(command: Command): boolean {
	if (command.kind === 'several') return command.commands.some(isAboutSizes);
	return sizeKinds.has(command.kind);
}
