import type { SharedCommand } from '../../model/command.ts';
import type { CommandKinds } from '../command-kind.ts';
import { addColumn, removeColumn, renameColumn } from './columns.ts';
import {
	addData,
	addMember,
	keepShape,
	removeData,
	renameData,
	setData,
	setJson,
	setValue
} from './data.ts';
import { makePart } from './make-part.ts';
import {
	addParameter,
	addVariant,
	renameParameter,
	renameVariant,
	setParameters
} from './parameters.ts';
import { setPartStyle } from './part-style.ts';
import { addPart, removePart, renamePart, setPartMarkup } from './parts.ts';

export const sharedCommands: CommandKinds<SharedCommand> = {
	'add-data': {
		label: ({ name }) => `Add the data ${name}`,
		carryOut: (resolved, surgery, { name, from, pasted, columns }) =>
			addData(resolved, surgery, name, from, pasted, columns)
	},
	'rename-data': {
		label: ({ name, to }) => `Rename data.${name} to data.${to}`,
		carryOut: (resolved, surgery, { name, to }) => renameData(resolved, surgery, name, to)
	},
	'remove-data': {
		label: ({ name }) => `Remove the data ${name}`,
		carryOut: (resolved, surgery, { name }) => removeData(resolved, surgery, name)
	},
	'set-data': {
		label: ({ name, part, value }) => `${name}: ${part} ${value ?? 'as at first'}`,
		carryOut: (resolved, surgery, { name, part, value }) =>
			setData(resolved, surgery, name, part, value)
	},
	'keep-shape': {
		label: ({ name }) => `Keep the shape of ${name}`,
		carryOut: (resolved, surgery, { name }) => keepShape(resolved, surgery, name)
	},
	'set-json': {
		label: ({ name }) => `Write the JSON of ${name}`,
		carryOut: (resolved, surgery, { name, text }) => setJson(resolved, surgery, name, text)
	},
	'set-value': {
		label: ({ name, path }) => `Change data.${[name, ...path].join('.')}`,
		carryOut: (resolved, surgery, { name, path, value }) =>
			setValue(resolved, surgery, name, path, value)
	},
	'add-member': {
		label: ({ name, path }) => `Add a member to data.${[name, ...path].join('.')}`,
		carryOut: (resolved, surgery, { name, path }) => addMember(resolved, surgery, name, path)
	},
	'add-column': {
		label: ({ name, column }) => `Add the column ${column} to data.${name}`,
		carryOut: addColumn
	},
	'remove-column': {
		label: ({ name, column }) => `Remove the column ${column} of data.${name}`,
		carryOut: removeColumn
	},
	'rename-column': {
		label: ({ column, to }) => `Rename the column ${column} to ${to}`,
		carryOut: (resolved, surgery, { to, ...at }) => renameColumn(resolved, surgery, at, to)
	},
	'add-part': {
		label: ({ name }) => `Add the part ${name}`,
		carryOut: (resolved, surgery, { name }) => addPart(resolved, surgery, name)
	},
	'make-part': {
		label: ({ name, piece }) => `Make the part ${name} of ${piece.piece}`,
		carryOut: (resolved, surgery, { piece, start, name, others }) =>
			makePart(resolved, surgery, piece, start, name, others)
	},
	'rename-part': {
		label: ({ name, to }) => `Rename the part ${name} to ${to}`,
		carryOut: (resolved, surgery, { name, to }) => renamePart(resolved, surgery, name, to)
	},
	'rename-parameter': {
		label: ({ part, name, to }) => `Rename ${name} of ${part} to ${to}`,
		carryOut: (resolved, surgery, { part, name, to }) =>
			renameParameter(resolved, surgery, part, name, to)
	},
	'rename-variant': {
		label: ({ part, value, to }) => `Rename ${value} of ${part} to ${to}`,
		carryOut: (resolved, surgery, { to, ...where }) => renameVariant(resolved, surgery, where, to)
	},
	'set-parameters': {
		label: ({ name }) => `What ${name} is given`,
		carryOut: (resolved, surgery, { name, text }) => setParameters(resolved, surgery, name, text)
	},
	'add-parameter': {
		label: ({ part, name }) => `${part} is given ${name}`,
		carryOut: (resolved, surgery, { part, name, values }) =>
			addParameter(resolved, surgery, part, name, values)
	},
	'add-variant': {
		label: ({ parameter, value }) => `Add ${value} to ${parameter}`,
		carryOut: (resolved, surgery, { value, ...where }) =>
			addVariant(resolved, surgery, where, value)
	},
	'set-part-style': {
		label: ({ name }) => `Write the style of ${name}`,
		carryOut: (resolved, surgery, { name, css }) => setPartStyle(resolved, surgery, name, css)
	},
	'set-part-markup': {
		label: ({ name }) => `Write the part ${name}`,
		carryOut: (resolved, surgery, { name, markup }) =>
			setPartMarkup(resolved, surgery, name, markup)
	},
	'remove-part': {
		label: ({ name }) => `Remove the part ${name}`,
		carryOut: (resolved, surgery, { name }) => removePart(resolved, surgery, name)
	}
};
