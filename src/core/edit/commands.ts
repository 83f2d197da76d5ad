import type { CheckedSite } from '../check/checked-site.ts';
import type { Command } from '../model/command.ts';
import { regionCommands, sizeCommands } from './boxes/commands.ts';
import { layerCommands } from './layers/commands.ts';
import { mendCommands } from './mending/commands.ts';
import { pieceCommands } from './pieces/commands.ts';
import { sharedCommands } from './content/commands.ts';
import { siteCommands } from './site/commands.ts';
import { refuseInOwnFrame } from './own-frames.ts';
import type { Surgery } from './surgery.ts';
import { sizedName, type CommandKinds, type CommandOf } from './command-kind.ts';
import { copySettings } from './boxes/copied.ts';

/** Every kind of command. */
const kinds: CommandKinds<Command> = {
	...sizeCommands,
	...siteCommands,
	...layerCommands,
	...regionCommands,
	...pieceCommands,
	...sharedCommands,
	...mendCommands,
	'copy-settings': {
		label: ({ of }) => `The same as ${sizedName(of)}`,
		carryOut: (resolved, surgery, { of, boxes }) => copySettings(resolved, surgery, of, boxes)
	},
	several: {
		label: ({ label }) => label,
		carryOut: (resolved, surgery, { commands }) =>
			commands.flatMap((command) => carryOut(resolved, surgery, command))
	}
};

export function labelOf(command: Command): string {
	return labelOfKind(command.kind, command);
}

function labelOfKind<K extends Command['kind']>(kind: K, command: CommandOf<K>): string {
	return kinds[kind].label(command);
}

/** Makes the edit that a command asks for; gives as sentences what else it takes along. Throws a CommandRefused. */
export function carryOut(
	resolved: CheckedSite,
	surgery: Surgery,
	command: Command
): readonly string[] {
	refuseInOwnFrame(resolved, command);
	return carryOutKind(command.kind, resolved, surgery, command) ?? [];
}

function carryOutKind<K extends Command['kind']>(
	kind: K,
	resolved: CheckedSite,
	surgery: Surgery,
	command: CommandOf<K>
): readonly string[] | void {
	return kinds[kind].carryOut(resolved, surgery, command);
}
