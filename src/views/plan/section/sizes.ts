/** Sizes of the cross-section, px: rows, names and blocks. */
export const rowHeight = 34;
export const nameWidth = 92;
export const headHeight = 24;
export const blockTop = 7;
export const blockHeight = 21;
export const landHeight = 22;
/** Columns take what room there is between these. */
export const leastColumn = 84;
export const mostColumn = 118;
