/** A piece, and the layer that brought it, as it is called: a layout's name, or a route. */
export interface PieceName {
	readonly piece: string;
	readonly owner: string;
}

/** Which content is meant that has one size: where it stands, and what it is. */
export interface PieceKey {
	readonly layout: string | undefined;
	readonly region: string | undefined;
	/** One piece that has a box of its own, or pieces that follow each other as one run. */
	readonly pieces: readonly PieceName[];
	/** It is the button that opens a drawer, which has the name of its region. */
	readonly opener: boolean;
}

/** All that a page shows, where a layout around it has a frame of own markup: its boxes are measured together. */
export function wholeKey(outermost: string): PieceKey {
	return { layout: outermost, region: undefined, pieces: [], opener: false };
}

/** Whether it is that; `layout` is not looked at, so boxes can be asked too. */
export function isWhole({ region, pieces }: Pick<PieceKey, 'region' | 'pieces'>): boolean {
	return region === undefined && pieces.length === 0;
}

/** One word for a key. */
export function pieceKeyWord({ layout, region, pieces, opener }: PieceKey): string {
	const names = pieces.map(({ piece, owner }) => `${owner}:${piece}`);
	return [layout ?? '', region ?? '', opener ? 'opener' : '', ...names].join(' ');
}
