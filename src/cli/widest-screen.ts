/** px that a screen may have on the command line; larger ones would take for ever to go through. */
export const widestScreen = 10_000;
