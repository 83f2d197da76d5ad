/** CSS declarations of one box in one band: property and value. */
export type Declarations = ReadonlyMap<string, string>;

/**
 * Every property that the boxes of a site use, in the order a reader looks for them, with the value
 * a box has without it. A band that no longer says a property goes back to that value.
 */
const initialValues: Readonly<Record<string, string>> = {
	'--top-outside': 'initial',
	'--bottom-outside': 'initial',
	'--top-inside': 'initial',
	'--bottom-inside': 'initial',
	display: 'flow-root',
	'flex-direction': 'row',
	'flex-wrap': 'nowrap',
	'grid-template-columns': 'none',
	'grid-template-rows': 'none',
	'grid-template-areas': 'none',
	'justify-content': 'normal',
	'align-items': 'normal',
	gap: 'normal',
	'grid-area': 'auto',
	'grid-column': 'auto',
	'grid-row': 'auto',
	flex: '0 1 auto',
	order: '0',
	'align-self': 'auto',
	'justify-self': 'auto',
	position: 'static',
	'inset-block': 'auto',
	'inset-block-start': 'auto',
	'inset-block-end': 'auto',
	'inset-inline': 'auto',
	'z-index': 'auto',
	isolation: 'auto',
	width: 'auto',
	'min-width': 'auto',
	'max-width': 'none',
	height: 'auto',
	'min-height': 'auto',
	'max-height': 'none',
	'padding-block': '0',
	'padding-inline': '0',
	'margin-inline-start': '0',
	'margin-block-end': '0',
	overflow: 'visible',
	background: 'none',
	'box-shadow': 'none',
	animation: 'none',
	'animation-timeline': 'auto',
	'animation-range': 'normal'
};

const order = new Map(Object.keys(initialValues).map((name, index) => [name, index]));

/** The value a box has where a property is not said. */
export function initialValue(property: string): string {
	return initialValues[property] ?? 'initial';
}

/** Declarations in the order in which they are written. */
export function inOrder(declarations: Declarations): [string, string][] {
	return [...declarations].sort(([a], [b]) => (order.get(a) ?? 0) - (order.get(b) ?? 0));
}
