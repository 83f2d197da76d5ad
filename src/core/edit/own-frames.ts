import type { Command } from '../model/command.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { CommandRefused } from './proposal.ts';

/** Commands that speak of a region only to say what a layer further in brings there, or may bring, and the one that ends such a frame. */
const aboutFills: ReadonlySet<Command['kind']> = new Set([
	'set-flag',
	'set-fill',
	'remove-fill',
	'set-fill-seen-by',
	'arrange-frame'
]);

/**
 * Refuses what would change a frame of own markup by its boxes: they lie as its sheets say, and its regions are places in
 * its text. What layers further in bring to them can be changed as anywhere. Throws a CommandRefused.
 */
export function refuseInOwnFrame(resolved: ResolvedSite, command: Command): void {
	if (aboutFills.has(command.kind) || command.kind === 'several') return;
	const framed = resolved.site.layouts.find(
		({ frame, name }) => frame && speaksOf(command, name.text)
	);
	if (!framed) return;
	const { text, span } = framed.name;
	throw new CommandRefused(
		`The layout ${text} has a frame of its own markup: its boxes lie as its sheets say, and its regions are places in its text. Change the frame in the text.`,
		framed.frame?.span ?? span
	);
}

/** Whether something in a command is a box of a layout, and not what another layer brings to it. */
function speaksOf(value: unknown, layout: string): boolean {
	if (Array.isArray(value)) return value.some((one) => speaksOf(one, layout));
	if (typeof value !== 'object' || value === null) return false;
	if ('layer' in value && 'region' in value) {
		// A place of pieces: only the layout's own is a place in its frame.
		const { layer, region } = value;
		return isLayout(layer, layout) && speaksOf(region, layout);
	}
	if ('layout' in value && value.layout === layout) return true;
	return Object.values(value).some((one) => speaksOf(one, layout));
}

function isLayout(layer: unknown, name: string): boolean {
	return (
		typeof layer === 'object' &&
		layer !== null &&
		'kind' in layer &&
		layer.kind === 'layout' &&
		'name' in layer &&
		layer.name === name
	);
}
