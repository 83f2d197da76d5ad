/** What commands speak of: layers, boxes and pieces, by their names. */

/** A layer by name: a layout's name, a route's pattern, or a state and its place. */
export interface LayerRef {
	readonly kind: 'layout' | 'route' | 'state';
	readonly name: string;
}

export interface RegionRef {
	readonly layout: string;
	readonly region: string;
}

/** Where pieces stand: in a page itself, in a layout's region, or in a layer's fill of a region. */
export interface HolderRef {
	readonly layer: LayerRef;
	/** Without it: the page's own content. */
	readonly region: RegionRef | undefined;
	/** The group of pieces there that is meant, by its name. */
	readonly group?: string | undefined;
}

/** A box with settings of its own: a region or wrapper by name, or without it the layout itself. */
export interface BoxRef {
	readonly layout: string;
	readonly box: string | undefined;
	/** The layer for whose pages alone something is said of it; undefined: for all pages of the layout. */
	readonly only?: LayerRef | undefined;
}

/** A piece, or a group of pieces, by the place it stands in and its name there, however deep. */
export interface PieceRef {
	readonly holder: HolderRef;
	readonly piece: string;
}

/** All that a page or fill brings, as one box, whether it says already how that lies or not. */
export interface WholeRef {
	readonly holder: HolderRef;
	readonly piece?: undefined;
}

/** Whatever has settings: a box of a layout, or a piece. */
export type SizedRef = BoxRef | PieceRef;

/** Whatever arranges something. */
export type ArrangedRef = SizedRef | WholeRef;

/** Whether something has settings: all that a page or fill brings has none. */
export function isSizedRef(ref: ArrangedRef): ref is SizedRef {
	return !('holder' in ref) || ref.piece !== undefined;
}

export function isPieceRef(ref: SizedRef): ref is PieceRef;
export function isPieceRef(ref: ArrangedRef): ref is PieceRef | WholeRef;
export function isPieceRef(ref: ArrangedRef): boolean {
	return 'holder' in ref;
}

/** Where something is put: in front of or behind another of its kind. */
export interface Beside {
	readonly name: string;
	readonly where: 'before' | 'after';
}

/** Areas of a box in one band, as they are once something new lies in some of them. */
export interface PaintedArea {
	readonly box: ArrangedRef;
	readonly cells: readonly (readonly string[])[];
	readonly band: string;
}
