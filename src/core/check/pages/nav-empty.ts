import { Memory } from '../../model/memory.ts';
import { warning } from '../../messages/problem.ts';
import type { Layer, NavPiece } from '../../model/site.ts';
import { navLinks } from '../../resolve/nav.ts';
import { piecesIn } from '../../resolve/pieces.ts';
import { nothing, type LayerCheck } from '../check.ts';

const known = new Memory<Layer, readonly NavPiece[]>();

export const navEmpty: LayerCheck = {
	of: 'layer',
	codes: ['nav-empty'],
	what: 'Every list of links has a link in it.',
	why: 'An empty list takes room and leads nowhere.',
	find(layer, { site }) {
		const navs = known.get(layer, [], () => piecesIn(layer).filter((one) => one.kind === 'nav'));
		if (navs.length === 0) return nothing;
		return navs
			.filter((nav) => navLinks(nav, site).length === 0)
			.map((nav) => warning('nav-empty', nav.fromSpan, nav.from.text));
	}
};
