import { Memory } from '../../lib/memory.ts';
import { withInner, type Brings, type Piece, type PieceGroup } from '../../model/site.ts';

/** What a page, a state or a fill brings, as it stands on pages. */

const wholes = new Memory<Brings, readonly Piece[]>();

/** The pieces that something brings; in one box around them all where it says how they lie. */
export function broughtBy(brings: Brings): readonly Piece[] {
	const { pieces, arrangements } = brings;
	if (arrangements.length === 0 || pieces.length === 0) return pieces;
	return wholes.get(brings, [], () => [wholeOf(brings)]);
}

/** The box around all that something brings; undefined where it has none. */
export function wholeIn(brings: Brings): PieceGroup | undefined {
	const [first] = broughtBy(brings);
	return first?.kind === 'group' && first.isWhole ? first : undefined;
}

/** The same, whether it says how they lie or not. */
export function wholeOf({ pieces, arrangements, span }: Brings): PieceGroup {
	return {
		kind: 'group',
		name: { text: freeName(pieces), span: arrangements[0]?.span ?? span },
		seenBy: [],
		element: { text: 'div', span },
		settings: [],
		arrangements,
		pieces,
		isWhole: true,
		span
	};
}

/** Nobody writes its name: it is one that no piece in it has. */
function freeName(pieces: readonly Piece[]): string {
	const taken = new Set(withInner(pieces).map(({ name }) => name.text));
	let name = 'content';
	while (taken.has(name)) name += '-box';
	return name;
}

const shown = new Memory<Piece, PieceGroup>();

/** Those of some pieces that a role sees, in groups too; the same objects where it sees all of them. */
export function seenOf(
	pieces: readonly Piece[],
	role: string | undefined,
	isSeen: (piece: Piece) => boolean
): readonly Piece[] {
	const seen = pieces.flatMap((piece): Piece[] => {
		if (!isSeen(piece)) return [];
		if (piece.kind !== 'group') return [piece];
		const inner = seenOf(piece.pieces, role, isSeen);
		if (inner === piece.pieces) return [piece];
		// A box around nothing is not there.
		return inner.length === 0
			? []
			: [shown.get(piece, [role], () => ({ ...piece, pieces: inner }))];
	});
	return seen.length === pieces.length && seen.every((piece, at) => piece === pieces[at])
		? pieces
		: seen;
}
