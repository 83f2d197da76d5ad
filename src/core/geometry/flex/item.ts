import type { LayoutBox } from '../layout-box.ts';

/** An item of a flex container (CSS Flexible Box Layout 1, section 9) while its size along the main axis is found. */
export interface Item {
	readonly box: LayoutBox;
	/** Flex base size and its bounds along the main axis, border-box px. */
	readonly base: number;
	readonly least: number;
	readonly most: number;
	readonly hypothetical: number;
	/** Margins and padding along the main axis. */
	readonly margin: number;
	readonly pad: number;
	main: number;
	frozen: boolean;
}
