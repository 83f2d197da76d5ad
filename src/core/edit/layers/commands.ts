import { arrangeFrame } from './arrange-frame.ts';
import type { LayerCommand } from '../../model/command.ts';
import { changeAccess } from './access.ts';
import { removeFill, setFill } from '../boxes/regions.ts';
import { setFillSeenBy } from '../seen-by.ts';
import type { CommandKinds } from '../command-kind.ts';
import { addLayout, moveLayout, removeLayout, renameLayout, setUnder } from './layouts.ts';
import { removeDocumentFile, setDocumentFile, setDocumentText } from './document.ts';
import { addRoutes } from './add-routes.ts';
import { setMoved } from './moved.ts';
import { addRoute, moveRoute, removeRoute } from './routes.ts';
import { addState, removeState } from './states.ts';
import { setAdmit, setMeasure, setSheets, setOnRequest, setPages, setWords } from './words.ts';

export const layerCommands: CommandKinds<LayerCommand> = {
	'add-route': {
		label: ({ pattern }) => `Add ${pattern}`,
		carryOut: (resolved, surgery, { pattern, title }) => addRoute(resolved, surgery, pattern, title)
	},
	'add-routes': {
		label: () => 'Routes of a list',
		carryOut: (resolved, surgery, { text }) => addRoutes(resolved, surgery, text)
	},
	'move-route': {
		label: ({ pattern, to }) => `Move ${pattern} to ${to}`,
		carryOut: (resolved, surgery, { pattern, to, leaveBehind = false }) =>
			moveRoute(resolved, surgery, pattern, to, leaveBehind)
	},
	'set-moved': {
		label: ({ pattern, addresses }) =>
			addresses.length === 0
				? `No redirect to ${pattern}`
				: `${pattern} was at ${addresses.join(', ')} once`,
		carryOut: (resolved, surgery, { pattern, addresses }) =>
			setMoved(resolved, surgery, pattern, addresses)
	},
	'remove-route': {
		label: ({ pattern }) => `Remove ${pattern}`,
		carryOut: (resolved, surgery, { pattern }) => removeRoute(resolved, surgery, pattern)
	},
	'add-state': {
		label: ({ state, at }) => `Add ${state} at ${at}`,
		carryOut: (resolved, surgery, { state, at }) => addState(resolved, surgery, state, at)
	},
	'remove-state': {
		label: ({ name }) => `Remove ${name}`,
		carryOut: (resolved, surgery, { name }) => removeState(resolved, surgery, name)
	},
	'set-pages': {
		label: ({ pattern }) => `The pages of ${pattern}`,
		carryOut: (resolved, surgery, { pattern, pages }) => setPages(resolved, surgery, pattern, pages)
	},
	'add-layout': {
		label: ({ name }) => `Add the layout ${name}`,
		carryOut: (resolved, surgery, { name, at, onRequest }) =>
			addLayout(resolved, surgery, name, at, onRequest ?? false)
	},
	'rename-layout': {
		label: ({ name, to }) => `Rename ${name} to ${to}`,
		carryOut: (resolved, surgery, { name, to }) => renameLayout(resolved, surgery, name, to)
	},
	'move-layout': {
		label: ({ name, at }) => `Let ${name} cover ${at}`,
		carryOut: (resolved, surgery, { name, at }) => moveLayout(resolved, surgery, name, at)
	},
	'remove-layout': {
		label: ({ name }) => `Remove the layout ${name}`,
		carryOut: (resolved, surgery, { name }) => removeLayout(resolved, surgery, name)
	},
	'set-document-file': {
		label: ({ file }) => `${file.kind} ${file.from}`,
		carryOut: (resolved, surgery, { layer, file }) =>
			setDocumentFile(resolved, surgery, layer, file)
	},
	'remove-document-file': {
		label: ({ file }) => `Remove the ${file.kind} ${file.from}`,
		carryOut: (resolved, surgery, { layer, file }) =>
			removeDocumentFile(resolved, surgery, layer, file)
	},
	'set-document-text': {
		label: ({ part }) => (part === 'head' ? 'What stands in the head' : `Attributes of ${part}`),
		carryOut: (resolved, surgery, { layer, part, text }) =>
			setDocumentText(resolved, surgery, layer, part, text)
	},
	'set-on-request': {
		label: ({ name, on }) => (on ? `${name} on request` : `${name} covers its branch`),
		carryOut: (resolved, surgery, { name, on }) => setOnRequest(resolved, surgery, name, on)
	},
	'arrange-frame': {
		label: ({ layout }) => `Arrange ${layout} here`,
		carryOut: arrangeFrame
	},
	'set-sheets': {
		label: ({ name, do: what }) =>
			what === 'paint'
				? `${name}: own sheets paint its boxes and do not move them`
				: `${name}: own sheets may move its boxes`,
		carryOut: (resolved, surgery, { name, do: what }) => setSheets(resolved, surgery, name, what)
	},
	'set-measure': {
		label: ({ name, by }) => `${name}: its bands look at the ${by}`,
		carryOut: (resolved, surgery, { name, by }) => setMeasure(resolved, surgery, name, by)
	},
	'set-under': {
		label: ({ layer, under }) =>
			under === undefined
				? `Put ${layer.name} under the layouts that cover it`
				: under === 'none'
					? `Take ${layer.name} out of all layouts`
					: `Put ${layer.name} under ${under}`,
		carryOut: (resolved, surgery, { layer, under }) => setUnder(resolved, surgery, layer, under)
	},
	'set-words': {
		label: ({ layer, part }) => `The ${part} of ${layer.name}`,
		carryOut: (resolved, surgery, { layer, part, value }) =>
			setWords(resolved, surgery, layer, part, value)
	},
	'set-fill-seen-by': {
		label: ({ layer, region, roles }) =>
			`${layer.name}, ${region.region}: for ${roles.length === 0 ? 'everyone' : roles.join(', ')}`,
		carryOut: (resolved, surgery, { layer, region, roles }) =>
			setFillSeenBy(resolved, surgery, layer, region, roles)
	},
	'change-access': {
		label: ({ route, role, opens }) =>
			`${opens ? 'Open' : 'Close'} ${route} ${opens ? 'to' : 'for'} ${role}`,
		carryOut: (resolved, surgery, { route, role, opens }) =>
			changeAccess(resolved, surgery, route, role, opens)
	},
	'set-admit': {
		label: ({ layer, roles }) =>
			`${layer.name} admits ${roles.length === 0 ? 'everyone' : roles.join(', ')}`,
		carryOut: (resolved, surgery, { layer, roles }) => setAdmit(resolved, surgery, layer, roles)
	},
	'set-fill': {
		label: ({ layer, region, fill }) => `${layer.name} fills ${region.region}: ${fill}`,
		carryOut: (resolved, surgery, { layer, region, fill }) =>
			setFill(resolved, surgery, layer, region, fill)
	},
	'remove-fill': {
		label: ({ layer, region }) => `${layer.name} lets ${region.region} pass`,
		carryOut: (resolved, surgery, { layer, region }) => removeFill(resolved, surgery, layer, region)
	}
};
