import type { MendCommand } from '../../model/command.ts';
import { findLayer } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { CommandKinds } from '../command-kind.ts';
import { setAside, tellAgain } from './set-aside.ts';

export const mendCommands: CommandKinds<MendCommand> = {
	'mend-text': {
		label: ({ label }) => label,
		carryOut: (_, surgery, { span, was, insert }) => {
			if (surgery.textOf(span) !== was) {
				throw new CommandRefused('The text there has been changed meanwhile: look again.');
			}
			surgery.replace(span, insert);
		}
	},
	'add-rule': {
		label: ({ label }) => label,
		carryOut: (resolved, surgery, { in: layer, css }) =>
			surgery.insertInto(findLayer(resolved, layer).span, [`style """${css}"""`])
	},
	'set-aside': {
		label: ({ code }) => `Ignore ${code}`,
		carryOut: (resolved, surgery, { code, in: where, reason }) =>
			setAside(resolved, surgery, code, where, reason)
	},
	'tell-again': {
		label: ({ code }) => `Tell ${code} again`,
		carryOut: (resolved, surgery, { code, in: where }) => tellAgain(resolved, surgery, code, where)
	}
};
