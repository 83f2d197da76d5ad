import { paletteOf } from '$core/sheet/palette.ts';
import type { Palette } from '$core/sheet/svg-style.ts';

/** Colours that follow the theme. */
export const themePalette = paletteOf((token) => `var(${token})`);

/** Colours as they are now, for what leaves the application. */
export function filePalette(): Palette {
	const style = getComputedStyle(document.documentElement);
	return paletteOf((token) => style.getPropertyValue(token).trim());
}
