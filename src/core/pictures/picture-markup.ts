import { escapeHtml } from '../emit/html/escape.ts';
import { largestOf, type Picture } from './picture.ts';
import { sizesText, type SizeRule } from './sizes.ts';

/**
 * A picture as markup: its size so that room is kept for it, no wider than `most` (px), and with several files which a
 * browser chooses from. An empty `alt` says that it shows nothing that matters (HTML, section 4.8.4.4).
 */
export function pictureMarkup(
	picture: Picture,
	alt: string,
	rules: readonly SizeRule[],
	most: number
): string {
	const largest = largestOf(picture);
	const scale = largest.width === undefined ? 1 : Math.min(1, most / largest.width);
	const [width, height] = [largest.width, largest.height].map((px) => px && px * scale);
	const srcset = picture.files.map((file) => `${file.path} ${file.width ?? 0}w`).join(', ');
	const attributes: readonly (readonly [string, string | undefined])[] = [
		['src', largest.path],
		['srcset', picture.files.length > 1 ? srcset : undefined],
		['sizes', picture.files.length > 1 ? sizesText(rules) : undefined],
		['alt', alt],
		['width', width === undefined ? undefined : String(Math.round(width))],
		['height', height === undefined ? undefined : String(Math.round(height))]
	];
	const said = attributes.flatMap(([name, value]) =>
		value === undefined ? [] : [`${name}="${inMarkup(value)}"`]
	);
	return `<img ${said.join(' ')}>`;
}

/** What would begin an expression or end the block stands for itself. */
function inMarkup(text: string): string {
	return escapeHtml(text).replaceAll('{', '\\{');
}
