import { layerName } from '../../model/site.ts';
import type { PieceName } from '../../model/piece-key.ts';
import { isPlain } from '../../model/template.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import { compileMarkup, isBlank } from '../../resolve/markup/compile.ts';
import { leavesOf } from '../../resolve/boxes/runs.ts';
import type { LandedPiece } from '../../resolve/page.ts';
import { navLinks } from '../../resolve/content/nav.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { classNames } from '../names.ts';
import { renderMarkup } from './markup.ts';
import { pageScope } from './words.ts';

/**
 * The pieces that are on a page and come out empty there: a list without members, a condition that does not
 * hold, a value that is nothing.
 */
export function emptyPieces(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number
): PieceName[] {
	const { regions, bare } = resolved.page(instance.page);
	const landed = leavesOf([...regions.flatMap((region) => region.landed), ...bare]);
	const scope = pageScope(instance, resolved, year);
	const target = { link: (url: string) => url, names: classNames(resolved.site) };
	const isEmpty = ({ piece }: LandedPiece): boolean => {
		if (piece.kind === 'group') return false;
		if (piece.kind === 'nav') return navLinks(piece, resolved).length === 0;
		if (isBlank(piece.markup)) return true;
		const { parts } = resolved.site;
		const blocks = !isPlain(piece.markup) || piece.markup.parts.length === 1;
		if (!blocks) return false;
		const html = renderMarkup(compileMarkup(piece.markup, parts).parts, scope, target);
		return html.replace(/<!--[\s\S]*?-->/g, '').trim() === '';
	};
	return landed.flatMap((one) =>
		one.kind === 'piece' && isEmpty(one)
			? [{ piece: one.piece.name.text, owner: layerName(one.owner) }]
			: []
	);
}
