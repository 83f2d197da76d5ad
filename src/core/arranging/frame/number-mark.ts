/** The attribute by which what shows a page finds the elements of a frame. */
export const numberMark = 'data-frame-element';
