import { parse, type CssNode } from 'css-tree';
import { warning, type Problem } from '../../messages/problem.ts';
import { Memory } from '../../model/memory.ts';
import type { Layer, Style } from '../../model/site.ts';
import { classNames, type ClassNames } from '../../emit/names.ts';
import { boxStyles } from '../../source/box-styles.ts';
import { nothing, type LayerCheck } from '../check.ts';

/** What a style says of `:scope` is said where it is read; what it says of a class needs the names of all layouts. */
export const styleOfBox: LayerCheck = {
	of: 'layer',
	reaches: 'site',
	codes: ['style-of-box'],
	what: 'No style resizes a box of the frame by its class.',
	why: 'Computed boxes know settings, not styles.',
	find(layer, { site }) {
		const styles = stylesIn(layer);
		if (styles.length === 0) return nothing;
		const names = classNames(site);
		return styles.flatMap((style) => resized(style, names));
	}
};

function stylesIn(layer: Layer): Style[] {
	const own = layer.kind === 'layout' ? layer.regions.flatMap((region) => region.styles) : [];
	return [...layer.styles, ...own];
}

const sheets = new Memory<Style, CssNode>();

/** Styles were parsed when they were read, so they can be parsed again. */
function resized(style: Style, names: ClassNames): Problem[] {
	const { css, span } = style;
	const found = boxStyles(
		sheets.get(style, [], () => parse(css)),
		(part) => part.type === 'ClassSelector' && names.isFrame(part.name)
	);
	return found.map(({ property, advice }) => warning('style-of-box', span, property, advice));
}
