import type { Layout } from '../../../model/site.ts';
import { membersIn } from '../../../resolve/boxes/members.ts';
import { rule } from '../css-text.ts';
import type { Selectors } from '../selectors.ts';

/** Whatever says how a box lies, in shorthands where there are some. */
const lies = [
	'display', 'float', 'clear', 'position', 'inset', 'z-index', 'box-sizing', 'width', 'height', 'min-width',
	'min-height', 'max-width', 'max-height', 'aspect-ratio', 'margin', 'padding', 'border-width', 'border-style',
	'overflow', 'flex', 'flex-flow', 'grid', 'grid-area', 'gap', 'place-content', 'place-items', 'place-self', 'order',
	'columns', 'transform', 'translate', 'rotate', 'scale', 'zoom', 'container', 'contain', 'writing-mode'
] as const; // prettier-ignore

/**
 * Where sheets of the site's own only paint the boxes of a layout: they are in no cascade layer, so what they say of how
 * a box lies would win over settings. A rule beside them that is important gives each such property back to the layers
 * (CSS Cascade 5, section 7.3.5: `revert-layer` takes all of its own layer away, and what is in no layer is one).
 */
export function heldRule(layout: Layout, selectors: Selectors): string {
	if (layout.sheets !== 'paint') return '';
	return rule(
		boxesOf(layout, selectors).join(',\n'),
		lies.map((property) => `${property}: revert-layer !important;`)
	);
}

/**
 * What boxes are before anything is said of them, where sheets of the site's own only paint: nothing is reset in the
 * content, which such sheets were written for.
 */
export function ownReset(layout: Layout, selectors: Selectors): string[] {
	if (layout.sheets !== 'paint') return [];
	return [
		rule(`:where(${boxesOf(layout, selectors).join(', ')})`, ['box-sizing: border-box;']),
		rule(`:where(${selectors.root(layout)})`, ['margin: 0;'])
	];
}

function boxesOf(layout: Layout, selectors: Selectors): string[] {
	return [
		...(layout.measure === 'space' ? [selectors.space(layout)] : []),
		selectors.root(layout),
		...membersIn(layout.members).map(({ name }) => selectors.member(layout, name.text))
	];
}

/** What else says the same as those: longhands that do not begin as they do, and logical names. */
const alsoLies =
	/^(top|right|bottom|left|((min|max)-)?(inline|block)-size|(row|column)-gap|(align|justify)-(content|items|self)|column-(count|width))$/;
const borders = /^border(-(top|right|bottom|left|inline|block)(-(start|end))?)?$/;

/** Whether a property says how a box lies, so that sheets that only paint say it in vain. */
export function isHeld(property: string): boolean {
	const isLonghand = /^border-.*(width|style)$/.test(property);
	return (
		isLonghand ||
		alsoLies.test(property) ||
		paintsToo(property) ||
		lies.some((one) => property === one || property.startsWith(`${one}-`))
	);
}

/** Whether what is held of a property is only some of it: the colour of a border is taken from where it is said. */
export function paintsToo(property: string): boolean {
	return borders.test(property);
}
