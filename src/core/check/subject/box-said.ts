import type { BoxName } from '../../geometry/layout-box.ts';
import {
	layerName,
	layerSpan,
	type Layer,
	type Layout,
	type Member,
	type Piece
} from '../../model/site.ts';
import type { Setting, SettingKind } from '../../model/setting.ts';
import type { Span } from '../../model/span.ts';
import { memberNamed } from '../../resolve/boxes/members.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { ResolvedPage } from '../../resolve/page.ts';

/** What the text says of a box of a page; undefined where it is not there. */
export function boxSaid(name: BoxName, page: ResolvedPage): Layout | Member | Piece | undefined {
	const layout = page.chain.find((one) => one.name.text === name.layout);
	const [piece] = name.pieces;
	if (piece && name.kind !== 'opener') return pieceSaid(piece.piece, piece.owner, page);
	if (!layout || name.kind === 'space') return undefined;
	const member = name.wrapper ?? name.region;
	if (member === undefined) return layout;
	return memberNamed(layout, member);
}

function pieceSaid(piece: string, owner: string, page: ResolvedPage): Piece | undefined {
	const layers: Layer[] = [...page.chain, page.page];
	const layer = layers.find((one) => layerName(one) === owner);
	return layer && piecesIn(layer).find(({ name }) => name.text === piece);
}

/** Where a box is written: its name, or one of its settings. */
export function boxSpan(name: BoxName, page: ResolvedPage, setting?: SettingKind): Span {
	const said = boxSaid(name, page);
	const own = setting && said?.settings.findLast((one: Setting) => one.kind === setting);
	return own ? own.span : (said?.name.span ?? layerSpan(page.page));
}
