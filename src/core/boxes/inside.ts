import type { AreasArrangement, Arrangement } from '../model/arrange.ts';
import type { SettingsAt } from '../model/setting.ts';

/** How the members of a box lie in one band; a strip is a line of its own kind. */
export type Inside = Arrangement | { readonly kind: 'strip' } | { readonly kind: 'flow' };

export function insideOf(settings: SettingsAt, arrangement: Arrangement | undefined): Inside {
	if (settings.show?.kind === 'strip') return { kind: 'strip' };
	return arrangement ?? { kind: 'flow' };
}

const spaced: Readonly<Record<string, string>> = {
	between: 'space-between',
	around: 'space-around',
	evenly: 'space-evenly'
};

/** What a box says about how its members lie. */
export function declareInside(inside: Inside, settings: SettingsAt): [string, string][] {
	const gap = gapOf(inside, settings);
	const gaps: [string, string][] = gap === undefined ? [] : [['gap', gap]];
	switch (inside.kind) {
		case 'flow':
			return [];
		case 'strip':
			return [['display', 'flex'], ['overflow', 'auto hidden'], ...gaps];
		case 'areas':
			return [...declareAreas(inside), ...gaps];
		case 'columns': {
			const rows: [string, string][] = inside.rows
				? [['grid-template-rows', `repeat(${inside.rows}, 1fr)`]]
				: [];
			const columns = `repeat(${inside.columns}, minmax(0, 1fr))`;
			return [['display', 'grid'], ['grid-template-columns', columns], ...rows, ...gaps];
		}
		case 'row':
		case 'stack': {
			const said: [string, string][] = [['display', 'flex']];
			if (inside.kind === 'stack') said.push(['flex-direction', 'column']);
			if (inside.wrap) said.push(['flex-wrap', 'wrap']);
			if (inside.justify !== 'start') {
				said.push(['justify-content', spaced[inside.justify] ?? inside.justify]);
			}
			if (inside.align !== 'stretch') said.push(['align-items', inside.align]);
			return [...said, ...gaps];
		}
	}
}

/** The gap between members; a setting of the box wins over its arrangement's own. */
export function gapOf(inside: Inside, settings: SettingsAt): string | undefined {
	if (inside.kind === 'flow') return undefined;
	const own = inside.kind === 'strip' ? undefined : inside.gap?.text;
	return settings.gap?.join(' ') ?? own;
}

function declareAreas({ rows, columns }: AreasArrangement): [string, string][] {
	const said: [string, string][] = [['display', 'grid']];
	if (columns) said.push(['grid-template-columns', columns.text]);
	if (rows.some((row) => row.size !== 'auto')) {
		said.push(['grid-template-rows', rows.map((row) => row.size).join(' ')]);
	}
	said.push(['grid-template-areas', rows.map((row) => `'${row.cells.join(' ')}'`).join('\n')]);
	return said;
}
