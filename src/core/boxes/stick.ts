import { areasOf } from '../model/arrange.ts';
import type { SettingsAt } from '../model/setting.ts';
import { arrangementAt, settingsAt, type Bands } from '../resolve/bands.ts';
import type { Box } from './frame.ts';
import { insideOf, type Inside } from './inside.ts';

export type Edge = 'top' | 'bottom';

/** The edge a box keeps to; what shrinks as one scrolls keeps to the top. */
export function edgeOf(settings: SettingsAt): Edge | undefined {
	if (settings.show?.kind === 'drawer' || settings.show?.kind === 'hidden') return undefined;
	if (settings.stick === 'top' || settings.stick === 'bottom') return settings.stick;
	return shrinkOf(settings) ? 'top' : undefined;
}

export function shrinkOf({ shrink }: SettingsAt): { from: string; to: string } | undefined {
	return shrink === undefined || shrink === 'none' ? undefined : shrink;
}

/**
 * Boxes of the same layout that keep to the same edge before a box gets there: those above it for
 * the top, those below it for the bottom, nearest to the edge first.
 */
export function keptBefore(box: Box, edge: Edge, bands: Bands, band: number): Box[] {
	const { parent } = box;
	if (!parent) return [];
	const settings = settingsAt(parent.settings, bands, band);
	const inside = insideOf(settings, arrangementAt(parent.arrangements, bands, band));
	const beside = parent.members.filter((one) => {
		if (one === box || edgeOf(settingsAt(one.settings, bands, band)) !== edge) return false;
		return edge === 'top'
			? isAbove(one, box, parent, inside, bands, band)
			: isAbove(box, one, parent, inside, bands, band);
	});
	// What scrolls by itself has edges of its own.
	return scrolls(settings) ? beside : [...keptBefore(parent, edge, bands, band), ...beside];
}

/** Whether what is in a box moves within it, not with the page. */
export function scrolls({ scroll, show }: SettingsAt): boolean {
	return scroll === 'own' || show?.kind === 'strip';
}

/** Whether a box or one that it is in scrolls by itself, so that nothing outside is in its way. */
export function isCutOff(box: Box, bands: Bands, band: number): boolean {
	const { parent } = box;
	if (!parent) return false;
	return scrolls(settingsAt(parent.settings, bands, band)) || isCutOff(parent, bands, band);
}

/** Whether one member lies over another, so that the two would meet when the page scrolls. */
function isAbove(
	one: Box,
	other: Box,
	parent: Box,
	inside: Inside,
	bands: Bands,
	band: number
): boolean {
	const isFirst = parent.members.indexOf(one) < parent.members.indexOf(other);
	switch (inside.kind) {
		case 'flow':
		case 'stack':
			return isFirst;
		case 'row':
		case 'strip':
			return false;
		case 'columns': {
			const span = settingsAt(one.settings, bands, band).span?.columns ?? 'all';
			return isFirst && (span === 'all' || span === inside.columns);
		}
		case 'areas': {
			const areas = areasOf(inside.rows);
			const [above, below] = [areas.get(one.name), areas.get(other.name)];
			if (!above || !below || above.y.to > below.y.from) return false;
			return above.x.from < below.x.to && below.x.from < above.x.to;
		}
	}
}

/** The height a box keeps while it is stuck, as a CSS length; undefined where nothing sets one. */
export function keptHeight(settings: SettingsAt): string | undefined {
	const { height } = settings;
	const shrunk = shrinkOf(settings)?.to;
	if (shrunk !== undefined) return shrunk;
	return height === undefined || height === 'auto' || height === 'screen' ? undefined : height;
}

/** The sum of CSS lengths as a careful author would write it; "0" for none. */
export function sumOf(lengths: readonly string[]): string {
	const [only] = lengths;
	if (only === undefined) return '0';
	return lengths.length === 1 ? withUnit(only) : `calc(${lengths.map(withUnit).join(' + ')})`;
}

/** A length as calculations need it: nothing is 0px there. */
export function withUnit(length: string): string {
	return length === '0' ? '0px' : length;
}
