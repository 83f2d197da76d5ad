import type { RegionCommand, SizeCommand } from '../../model/command.ts';
import { setBreakpoint } from '../site/bands.ts';
import { sizedName, type CommandKinds } from '../command-kind.ts';
import { findLayout } from '../find.ts';
import { sayMarkup } from '../markup-statement.ts';
import { findMember } from './find-box.ts';
import { setArranged, setArrangement } from './arrangements.ts';
import { columnsLabel, setColumns } from './columns.ts';
import { placeMember, setElement, unwrap, wrap } from './members.ts';
import { moveArea } from './move-area.ts';
import { addRegion, removeRegion, renameRegion, reorderRegion, setFlag } from './regions.ts';
import { moveSetting, setSetting } from './settings.ts';
import { addTrack, removeTrack, setAreas, setTrack } from './tracks.ts';

const sideWords = {
	left: 'to the left of',
	right: 'to the right of',
	above: 'above',
	below: 'below'
} as const;
const trackWord = { columns: 'column', rows: 'row' } as const;

export const sizeCommands: CommandKinds<SizeCommand> = {
	'set-setting': {
		label: ({ box, setting, value, band }) =>
			value === undefined
				? `${sizedName(box)}: no ${setting} of its own at ${band}`
				: `${sizedName(box)}: ${setting} ${value} at ${band}`,
		carryOut(resolved, surgery, { box, setting, value, band, without }) {
			setSetting(resolved, surgery, box, setting, value, band);
			if (without) surgery.replace(without, '');
		}
	},
	'move-setting': {
		label: ({ box, setting, to }) => `${sizedName(box)}: ${setting} from ${to} on`,
		carryOut: (resolved, surgery, { box, setting, from, to }) =>
			moveSetting(resolved, surgery, box, setting, from, to)
	},
	'set-arrangement': {
		label: ({ box, band }) => `Arrange ${sizedName(box)} at ${band}`,
		carryOut: (resolved, surgery, { box, arrangement, band }) =>
			setArrangement(resolved, surgery, box, arrangement, band)
	},
	'set-columns': {
		label: ({ box, said, band }) => `${sizedName(box)}: ${columnsLabel(said)} at ${band}`,
		carryOut: (resolved, surgery, { box, said, band }) =>
			setColumns(resolved, surgery, box, said, band)
	},
	'set-arranged': {
		label: ({ box, word, value }) => `${sizedName(box)}: ${word} ${value ?? 'as at first'}`,
		carryOut: (resolved, surgery, { box, word, value, band }) =>
			setArranged(resolved, surgery, box, word, value, band)
	},
	'set-track': {
		label: ({ box, axis, index, size }) =>
			`${sizedName(box)}: ${trackWord[axis]} ${index + 1}: ${size}`,
		carryOut: (resolved, surgery, { box, axis, index, size, band }) =>
			setTrack(resolved, surgery, box, axis, index, size, band)
	},
	'add-track': {
		label: ({ box, axis }) => `Add a ${trackWord[axis]} to ${sizedName(box)}`,
		carryOut: (resolved, surgery, { box, axis, index, band, count }) =>
			addTrack(resolved, surgery, box, axis, index, band, count)
	},
	'remove-track': {
		label: ({ box, axis, index }) => `Remove ${trackWord[axis]} ${index + 1} of ${sizedName(box)}`,
		carryOut: (resolved, surgery, { box, axis, index, band, count }) =>
			removeTrack(resolved, surgery, box, axis, index, band, count)
	},
	'set-areas': {
		label: ({ box, band }) => `Areas of ${sizedName(box)} at ${band}`,
		carryOut: (resolved, surgery, { box, cells, band }) =>
			setAreas(resolved, surgery, box, cells, band)
	},
	'move-area': {
		label: ({ member, target, side }) =>
			side === 'swap'
				? `Swap ${member} and ${target}`
				: `Put ${member} ${sideWords[side]} ${target}`,
		carryOut: (resolved, surgery, { box, member, target, side, band }) =>
			moveArea(resolved, surgery, box, member, target, side, band)
	},
	'set-breakpoint': {
		label: ({ band, from }) => `${band} from ${from} px`,
		carryOut: (resolved, surgery, { band, from }) => setBreakpoint(resolved, surgery, band, from)
	}
};

export const regionCommands: CommandKinds<RegionCommand> = {
	'add-region': {
		label: ({ name }) => `Add the region ${name}`,
		carryOut: addRegion
	},
	'rename-region': {
		label: ({ region, to }) => `Rename the region ${region.region} to ${to}`,
		carryOut: (resolved, surgery, { region, to }) => renameRegion(resolved, surgery, region, to)
	},
	'set-element': {
		label: ({ region, element }) => `${region.region} as ${element}`,
		carryOut: (resolved, surgery, { region, element }) =>
			setElement(resolved, surgery, region, element)
	},
	'set-box-attributes': {
		label: ({ box }) => `Attributes of ${box}`,
		carryOut(resolved, surgery, { layout, box, text }) {
			const { span, attributes } = findMember(findLayout(resolved, layout), box);
			sayMarkup(surgery, span, attributes?.span, 'attributes', text);
		}
	},
	'reorder-region': {
		label: ({ region }) => `Move the region ${region.region}`,
		carryOut: (resolved, surgery, { region, by }) => reorderRegion(resolved, surgery, region, by)
	},
	'place-member': {
		label: ({ name, beside }) => `Put ${name} ${beside.where} ${beside.name}`,
		carryOut: (resolved, surgery, { layout, name, beside }) =>
			placeMember(resolved, surgery, layout, name, beside)
	},
	'remove-region': {
		label: ({ region }) => `Remove the region ${region.region}`,
		carryOut: (resolved, surgery, { region }) => removeRegion(resolved, surgery, region)
	},
	wrap: {
		label: ({ name }) => `Put the wrapper ${name} around them`,
		carryOut: (resolved, surgery, { layout, members, name }) =>
			wrap(resolved, surgery, layout, members, name)
	},
	unwrap: {
		label: ({ name }) => `Take the wrapper ${name} away`,
		carryOut: (resolved, surgery, { layout, name }) => unwrap(resolved, surgery, layout, name)
	},
	'set-flag': {
		label: ({ region, flag, on }) => `${region.region}: ${on ? '' : 'not '}${flag}`,
		carryOut: (resolved, surgery, { region, flag, on }) =>
			setFlag(resolved, surgery, region, flag, on)
	}
};
