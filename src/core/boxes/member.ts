import type { SettingsAt } from '../model/setting.ts';
import type { Box } from './frame.ts';
import { splitSizes } from '../size/split.ts';
import { gapOf, type Inside } from './inside.ts';

/** Where a box stands: how its parent arranges in the band, and what holds for the parent. */
export interface Around {
	readonly inside: Inside;
	readonly settings: SettingsAt;
}

/** What every member has by its parent alone, whoever brings it. */
export function declareAnyMember(inside: Inside): [string, string][] {
	switch (inside.kind) {
		case 'columns':
			return [['grid-column', '1 / -1']];
		case 'strip':
			return [['flex', 'none']];
		case 'areas':
			return [['display', 'none']];
		default:
			return [];
	}
}

/** A layout that lands in a row takes what the pieces beside it leave. */
export function declareLanded(inside: Inside): [string, string][] {
	return inside.kind === 'row' ? [['flex', '1 1 0px']] : declareAnyMember(inside);
}

/** What a box says about its own place among the members of its parent. */
export function declareMember(box: Box, settings: SettingsAt, around: Around): [string, string][] {
	const said: [string, string][] = [];
	const { inside } = around;
	if (inside.kind === 'flow') return said;
	if (settings.order) said.push(['order', String(settings.order)]);
	if (settings['place-self']) {
		const { align, justify } = settings['place-self'];
		if (align !== 'auto') said.push(['align-self', align]);
		const inGrid = inside.kind === 'areas' || inside.kind === 'columns';
		if (inGrid && justify !== 'auto') said.push(['justify-self', justify]);
	}
	switch (inside.kind) {
		case 'areas':
			if (inside.rows.some((row) => row.cells.includes(box.name))) {
				return [...said, ['grid-area', box.name]];
			}
			return [['display', 'none']];
		case 'columns':
			return [...said, ...declareSpan(settings, around, inside.columns)];
		case 'strip':
			return [...said, ['flex', 'none']];
		case 'row':
		case 'stack':
			return [...said, ...declareSize(settings, inside.kind)];
	}
}

/**
 * Columns left free before a box are part of what it spans, and become its margin: so many of the
 * shares of its area, where a share is a column and the gap behind it.
 */
function declareSpan(
	settings: SettingsAt,
	{ inside, settings: outer }: Around,
	columns: number
): [string, string][] {
	const { columns: span, rows } = settings.span ?? { columns: 'all', rows: 1 };
	const offset = Math.min(settings.offset ?? 0, columns - 1);
	const wide = span === 'all' ? columns : Math.min(columns, span + offset);
	const said: [string, string][] = [];
	const start = settings['new-row'] ? '1 / ' : '';
	said.push(['grid-column', wide === columns ? '1 / -1' : `${start}span ${wide}`]);
	if (rows > 1) said.push(['grid-row', `span ${rows}`]);
	if (offset > 0) {
		const gap = columnGap(gapOf(inside, outer));
		const whole = gap === undefined ? '100%' : `(100% + ${gap})`;
		said.push(['margin-inline-start', `calc(${whole} * ${offset} / ${wide})`]);
	}
	return said;
}

/** The gap between columns as it stands in a CSS gap; undefined where there is none. */
function columnGap(gap: string | undefined): string | undefined {
	const last = gap === undefined ? undefined : splitSizes(gap).at(-1);
	return last === undefined || Number(last) === 0 ? undefined : last;
}

function declareSize({ size }: SettingsAt, kind: 'row' | 'stack'): [string, string][] {
	if (!size || size.kind === 'hug') return [];
	if (size.kind === 'fill') return [['flex', `${size.share} 1 0px`]];
	// Nothing says what a share of a stack's height would be a share of.
	if (kind === 'stack' && size.size.includes('%')) return [];
	return [['flex', `0 0 ${size.size}`]];
}
