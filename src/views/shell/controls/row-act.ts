/** Something that can be done with a row of a list. */
export interface RowAct {
	readonly name: string;
	readonly title?: string;
	readonly run: () => void;
}
