import type { SiteCommand } from '../../model/command.ts';
import type { CommandKinds } from '../command-kind.ts';
import { takeTokens } from './take-tokens.ts';
import { addBand, removeBand, renameBand } from './bands.ts';
import { addMade, putFile, removeFile, renameFile } from './files.ts';
import { addRole, removeRole, renameRole, setSite } from './settings.ts';
import { tidyText } from './tidy-text.ts';
import { removeToken, renameToken, setToken } from './tokens.ts';

export const siteCommands: CommandKinds<SiteCommand> = {
	'set-site': {
		label: ({ part, value }) => `The site: ${part} ${value ?? 'as at first'}`,
		carryOut: (resolved, surgery, { part, value }) => setSite(resolved, surgery, part, value)
	},
	'add-band': {
		label: ({ name, from }) => `Add the band ${name} from ${from} px`,
		carryOut: (resolved, surgery, { name, from }) => addBand(resolved, surgery, name, from)
	},
	'rename-band': {
		label: ({ band, to }) => `Rename the band ${band} to ${to}`,
		carryOut: (resolved, surgery, { band, to }) => renameBand(resolved, surgery, band, to)
	},
	'remove-band': {
		label: ({ band }) => `Remove the band ${band}`,
		carryOut: (resolved, surgery, { band }) => removeBand(resolved, surgery, band)
	},
	'add-role': {
		label: ({ name }) => `Add the role ${name}`,
		carryOut: (resolved, surgery, { name }) => addRole(resolved, surgery, name)
	},
	'rename-role': {
		label: ({ name, to }) => `Rename the role ${name} to ${to}`,
		carryOut: (resolved, surgery, { name, to }) => renameRole(resolved, surgery, name, to)
	},
	'remove-role': {
		label: ({ name }) => `Remove the role ${name}`,
		carryOut: (resolved, surgery, { name }) => removeRole(resolved, surgery, name)
	},
	'set-token': {
		label: ({ name, value, band }) =>
			value === undefined
				? `${name}: no value of its own at ${band}`
				: `${name}: ${value} at ${band}`,
		carryOut: (resolved, surgery, { name, value, band }) =>
			setToken(resolved, surgery, name, value, band)
	},
	'take-tokens': {
		label: () => 'Tokens of a file',
		carryOut: (resolved, surgery, { text }) => takeTokens(resolved, surgery, text)
	},
	'rename-token': {
		label: ({ name, to }) => `Rename ${name} to ${to}`,
		carryOut: (resolved, surgery, { name, to }) => renameToken(resolved, surgery, name, to)
	},
	'remove-token': {
		label: ({ name }) => `Remove ${name}`,
		carryOut: (resolved, surgery, { name }) => removeToken(resolved, surgery, name)
	},
	'put-file': {
		label: ({ file }) => `Add ${file}`,
		carryOut: (resolved, surgery, { file, bytes }) => putFile(resolved, surgery, file, bytes)
	},
	'add-made': {
		label: ({ what }) => `Add ${what}`,
		carryOut: (resolved, surgery, { texts, files }) => addMade(resolved, surgery, texts, files)
	},
	'rename-file': {
		label: ({ file, to }) => `Rename ${file} to ${to}`,
		carryOut: (resolved, surgery, { file, to }) => renameFile(resolved, surgery, file, to)
	},
	'remove-file': {
		label: ({ file }) => `Remove ${file}`,
		carryOut: (resolved, surgery, { file }) => removeFile(resolved, surgery, file)
	},
	'tidy-text': {
		label: ({ file }) => `Tidy ${file ?? 'all texts'}`,
		carryOut: (resolved, surgery, { file }) => tidyText(resolved, surgery, file)
	}
};
