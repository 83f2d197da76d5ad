import type { PieceCommand } from '../../model/command.ts';
import { swap } from '../boxes/regions.ts';
import { findPieces, groupAround } from '../find.ts';
import { setPieceSeenBy } from '../seen-by.ts';
import type { CommandKinds } from '../command-kind.ts';
import { namesListed } from './names-listed.ts';
import {
	addPiece,
	copyPieces,
	movePiece,
	movePieces,
	pastePieces,
	removePiece,
	removePieces,
	renamePiece,
	setMarkup,
	setNav
} from './pieces.ts';
import { repeatElement, setElementTexts, showElementIf } from '../content/fill-from-data.ts';
import { openBlock, writeMarkup } from '../content/written-markup.ts';
import { groupPieces, ungroup } from './groups.ts';
import { setStandIn } from './stand-ins.ts';
import { putPicture } from './pictures.ts';
import { editWords } from './text.ts';

/** What a new piece holds where nothing is said. */
const firstWords = { kind: 'markup', markup: '<p>New</p>' } as const;

export const pieceCommands: CommandKinds<PieceCommand> = {
	'add-piece': {
		label: ({ name }) =>
			namesListed(name).length > 1 ? `Add the pieces ${name}` : `Add the piece ${name}`,
		carryOut: (resolved, surgery, { holder, name, start, area }) =>
			addPiece(resolved, surgery, holder, name, start ?? firstWords, area)
	},
	'paste-pieces': {
		label: () => 'Add a piece for each row',
		carryOut: (resolved, surgery, { holder, text }) => pastePieces(resolved, surgery, holder, text)
	},
	'rename-piece': {
		label: ({ name, to }) => `Rename the piece ${name} to ${to}`,
		carryOut: (resolved, surgery, { holder, name, to }) =>
			renamePiece(resolved, surgery, holder, name, to)
	},
	'reorder-piece': {
		label: ({ name }) => `Move the piece ${name}`,
		carryOut: (resolved, surgery, { holder, name, by }) => {
			const around = groupAround(resolved, holder, name);
			const { pieces } = around ?? findPieces(resolved, holder);
			const from = pieces.findIndex((piece) => piece.name.text === name);
			swap(pieces, from, by, surgery);
		}
	},
	'move-piece': {
		label: ({ name, to }) => `Move the piece ${name} to ${to.region?.region ?? to.layer.name}`,
		carryOut: movePiece
	},
	'set-seen-by': {
		label: ({ name, roles }) =>
			`${name}: for ${roles.length === 0 ? 'everyone' : roles.join(', ')}`,
		carryOut: (resolved, surgery, { holder, name, roles }) =>
			setPieceSeenBy(resolved, surgery, holder, name, roles)
	},
	'remove-piece': {
		label: ({ name }) => `Remove the piece ${name}`,
		carryOut: (resolved, surgery, { holder, name }) => removePiece(resolved, surgery, holder, name)
	},
	'remove-pieces': {
		label: ({ pieces }) => `Remove ${pieces.join(', ')}`,
		carryOut: (resolved, surgery, { holder, pieces }) =>
			removePieces(resolved, surgery, holder, pieces)
	},
	'move-pieces': {
		label: ({ pieces, to }) => `Move ${pieces.join(', ')} to ${to.region?.region ?? to.layer.name}`,
		carryOut: movePieces
	},
	'copy-pieces': {
		label: ({ pieces }) => `Copy ${pieces.join(', ')}`,
		carryOut: copyPieces
	},
	'group-pieces': {
		label: ({ name }) => `Put the wrapper ${name} around them`,
		carryOut: (resolved, surgery, { holder, pieces, name }) =>
			groupPieces(resolved, surgery, holder, pieces, name)
	},
	ungroup: {
		label: ({ name }) => `Take the wrapper ${name} away`,
		carryOut: (resolved, surgery, { holder, name }) => ungroup(resolved, surgery, holder, name)
	},
	'set-markup': {
		label: ({ name }) => `Edit the piece ${name}`,
		carryOut: (resolved, surgery, { holder, name, markup }) =>
			setMarkup(resolved, surgery, holder, name, markup)
	},
	'set-stand-in': {
		label: ({ name, of, markup }) =>
			markup === undefined ? `Make the ${of} ${name} again` : `Write the ${of} ${name}`,
		carryOut: setStandIn
	},
	'set-nav': {
		label: ({ name }) => `The links of ${name}`,
		carryOut: setNav
	},
	'edit-words': {
		label: ({ name }) => `Edit the words of ${name}`,
		carryOut: editWords
	},
	'repeat-element': {
		label: ({ list }) => `Repeat it over ${list}`,
		carryOut: repeatElement
	},
	'show-element-if': {
		label: ({ test }) => `Show it only if ${test}`,
		carryOut: showElementIf
	},
	'set-element-texts': {
		label: ({ element }) => `Values in ${element.piece.piece}`,
		carryOut: setElementTexts
	},
	'write-markup': {
		label: ({ of }) => `Edit the markup of ${of}`,
		carryOut: writeMarkup
	},
	'open-block': {
		label: ({ before }) => `Take ${/^[^\n]*?\}/.exec(before)?.[0] ?? 'it'} away, not what is in it`,
		carryOut: openBlock
	},
	'put-picture': {
		label: ({ name }) => `Put a picture into ${name}`,
		carryOut: putPicture
	}
};
