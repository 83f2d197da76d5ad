import { Memory } from '../../../lib/memory.ts';
import {
	documentTexts,
	markupsOf,
	type Layer,
	type Page,
	type Part,
	type Site
} from '../../../model/site.ts';
import { partsUsed } from '../../../resolve/content/parts.ts';
import { piecesIn } from '../../../resolve/content/pieces.ts';
import type { Structure } from '../../../resolve/structure.ts';
import { classNames } from '../../names.ts';
import { partScope } from '../../style-scope.ts';
import { group } from '../css-text.ts';
import { authorCss } from './styles.ts';

/** Where the styles of all parts are. */
export const partSheetPath = 'styles/parts.css';
/** The cascade layer of parts: it comes last, since nothing is nearer to an element than its part. */
export const partLayer = 'parts';

/** Whether a part has a style of its own. */
export function hasStyle({ styles }: Part): boolean {
	return styles.length > 0;
}

/**
 * The sheet of all parts: each style begins at the outermost elements of its part and ends at what the
 * part wraps. Undefined where no part has one.
 */
export function partSheet(site: Site): { path: string; css: string } | undefined {
	const names = classNames(site);
	const rules = site.parts.flatMap((part) => {
		const scope = partScope(part, site, names);
		return part.styles.map((style) => authorCss(style, scope, site));
	});
	if (rules.length === 0) return undefined;
	const css = [
		'/* What is written once and used in many places. */',
		group(`@layer ${partLayer}`, rules)
	];
	return { path: partSheetPath, css: css.join('\n') + '\n' };
}

/** Whether a page shows, or may show, a part that has a style. */
export function needsPartSheet(page: Page, { site, chainOf }: Structure): boolean {
	if (!site.parts.some(hasStyle)) return false;
	const layers: Layer[] = [...chainOf(page), page];
	return layers.some((layer) => usesStyled(layer, site.parts));
}

const styled = new Memory<Layer, boolean>();

function usesStyled(layer: Layer, parts: readonly Part[]): boolean {
	return styled.get(layer, [parts], () =>
		[...documentTexts(layer), ...piecesIn(layer).flatMap(markupsOf)].some((markup) =>
			partsUsed(markup, parts).some(hasStyle)
		)
	);
}
