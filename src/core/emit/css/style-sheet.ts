/** A style sheet of a delivery. */
export interface StyleSheet {
	/** Path of the file, from the root of the delivery. */
	readonly path: string;
	readonly css: string;
}
