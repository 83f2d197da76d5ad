import { layersOf, type Site, type Style } from '../../model/site.ts';

/** All styles of a site: those of its parts, its layers, and the regions of its layouts. */
export function stylesOf(site: Site): readonly Style[] {
	return [
		...site.parts.flatMap((part) => part.styles),
		...layersOf(site).flatMap((layer) => [
			...layer.styles,
			...(layer.kind === 'layout' ? layer.regions.flatMap((region) => region.styles) : [])
		])
	];
}

/** CSS with blanks in the place of its comments, each offset where it was (CSS Syntax 3, section 4.3.2). */
export function withoutComments(css: string): string {
	return css.replaceAll(/\/\*[\s\S]*?(?:\*\/|$)/g, (comment) => comment.replaceAll(/[^\n]/g, ' '));
}
