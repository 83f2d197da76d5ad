import type { Command } from '../model/command.ts';

/** Something that might make what does not fit fit. It is worked out whether it does before it is offered. */
export interface MendIdea {
	readonly label: string;
	readonly command: Command;
}
