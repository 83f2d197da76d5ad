/** Which piece is meant: where it stands, and whose it is. */
export interface PieceKey {
	readonly layout: string | undefined;
	readonly region: string | undefined;
	readonly piece: string;
	/** The layer that brought it, as it is called. */
	readonly owner: string;
	/** It is the button that opens a drawer. */
	readonly opener: boolean;
}
