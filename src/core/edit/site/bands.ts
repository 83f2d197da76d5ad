import { counted, listWords } from '../../messages/wording.ts';
import {
	layersOf,
	type Band,
	type Layer,
	type Member,
	type Piece,
	type Region
} from '../../model/site.ts';
import type { Named, Span } from '../../model/span.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkName } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';

/** Edits of the bands: ranges of width for which sizes are said. */

/** Moves the width at which a band starts. */
export function setBreakpoint(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	from: number
): void {
	const band = findBand(resolved, name);
	if (resolved.site.settings.bands[0] === band) {
		throw new CommandRefused('The narrowest band starts at 0 px.', band.span);
	}
	const [, number] = surgery.statementAt(band.span).atoms;
	if (number) surgery.replace(number.span, String(Math.round(from)));
}

/** Adds a band among the others by the width at which it starts. */
export function addBand(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	from: number
): void {
	const { bands, span } = resolved.site.settings;
	checkName(name);
	if (!Number.isFinite(from))
		throw new CommandRefused('A band starts at a width in px, such as 1440.');
	const line = `${name} ${Math.round(from)}`;
	const same = bands.find((band) => band.from === Math.round(from));
	if (same) {
		throw new CommandRefused(`${same.name.text} starts at ${same.from} px already.`, same.span);
	}
	const above = bands.find((band) => band.from > from);
	const last = bands.at(-1);
	if (above) surgery.replace({ ...above.span, to: above.span.from }, `${line}; `);
	else if (last) surgery.insertBehind(last.span, line);
	else surgery.setInnerFirst(span, 'bands', `bands { narrow 0; ${line} }`);
}

/** Renames a band and whatever is said for it. */
export function renameBand(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	to: string
): void {
	surgery.replace(findBand(resolved, name).name.span, checkName(to));
	for (const { band } of saidFor(resolved, name)) surgery.replace(band.span, `@${to}`);
}

/** Removes a band with what is said for it; the values of the narrower band hold there then. */
export function removeBand(resolved: ResolvedSite, surgery: Surgery, name: string): string[] {
	const { bands, span } = resolved.site.settings;
	const band = findBand(resolved, name);
	const below = bands[bands.indexOf(band) - 1];
	if (bands.length === 1) surgery.setInner(span, 'bands', undefined);
	else if (!below) {
		throw new CommandRefused(
			`${name} is the narrowest band and starts at 0 px: rename it, or remove the one above it.`,
			band.span
		);
	} else surgery.remove(band.span);
	const said = saidFor(resolved, name);
	for (const one of said) surgery.remove(one.span);
	if (said.length === 0) return [];
	const owners = [...new Set(said.map(({ owner }) => owner))];
	return [
		`${counted(said.length, 'value')} that start${said.length === 1 ? 's' : ''} at ${name} would go with it, in ${listWords(owners)}; what holds at ${below?.name.text ?? 'every width'} would hold there.`
	];
}

function findBand(resolved: ResolvedSite, name: string): Band {
	const band = resolved.site.settings.bands.find((one) => one.name.text === name);
	if (!band) throw new CommandRefused(`There is no band ${name} any more.`);
	return band;
}

/** Something that names a band, and what it belongs to. */
interface SaidFor {
	readonly owner: string;
	readonly band: Named;
	readonly span: Span;
}

interface MaybeBanded {
	readonly band: Named | undefined;
	readonly span: Span;
}

/** Everything that is said for a band: tokens, settings, arrangements and styles. */
export function saidFor({ site }: ResolvedSite, name: string): SaidFor[] {
	const found: SaidFor[] = [];
	const note = (owner: string, list: readonly MaybeBanded[]): void => {
		for (const { band, span } of list) if (band?.text === name) found.push({ owner, band, span });
	};
	note('the tokens', site.settings.tokens);
	for (const layer of layersOf(site)) {
		for (const box of boxesOf(layer)) {
			note(box.name, box.settings);
			note(box.name, box.arrangements);
		}
		for (const [owner, styles] of stylesOf(layer)) note(owner, styles);
	}
	return found;
}

interface Said {
	readonly name: string;
	readonly settings: readonly MaybeBanded[];
	readonly arrangements: readonly MaybeBanded[];
}

function boxesOf(layer: Layer): Said[] {
	const pieces = piecesIn(layer).map((piece: Piece): Said => {
		const arrangements = piece.kind === 'group' ? piece.arrangements : [];
		return { name: piece.name.text, settings: piece.settings, arrangements };
	});
	const adjusted = layer.adjusts.map(({ box: name, settings, arrangements }): Said => {
		return { name, settings, arrangements };
	});
	if (layer.kind !== 'layout') return [...pieces, ...adjusted];
	const members = membersIn(layer.members).map((one: Member): Said => {
		return { name: one.name.text, settings: one.settings, arrangements: one.arrangements };
	});
	const { settings, arrangements } = layer;
	return [{ name: layer.name.text, settings, arrangements }, ...members, ...pieces, ...adjusted];
}

function stylesOf(layer: Layer): (readonly [string, readonly MaybeBanded[]])[] {
	const regions = layer.kind === 'layout' ? layer.regions : [];
	return [
		['the style', layer.styles],
		...regions.map((region: Region) => [region.name.text, region.styles] as const)
	];
}
