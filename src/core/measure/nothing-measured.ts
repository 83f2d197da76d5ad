import type { Values } from '../geometry/pieces/curve.ts';

/** Content that a page does not have at the moment takes no room. */
export const nothingMeasured: Values = [0, 0, 0];
