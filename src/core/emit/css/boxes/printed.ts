import type {
	CssValues,
	Declarations,
	Flex,
	GridLines,
	Sides,
	Tracks
} from '../../../settings/declarations.ts';

/** CSS declarations as they are written: property and value. */
export type Printed = ReadonlyMap<string, string>;

type Property = keyof CssValues;

/** How a property's value is written, and the value that a box has without it. */
interface Printer<P extends Property> {
	readonly print: (value: CssValues[P]) => string;
	readonly initial: string;
}

const asIs = (initial: string): { print: (value: string) => string; initial: string } => ({
	print: (value) => value,
	initial
});

/** Every property, in the order a reader looks for them. */
const printers: { readonly [P in Property]: Printer<P> } = {
	'--top-outside': asIs('initial'),
	'--bottom-outside': asIs('initial'),
	'--top-inside': asIs('initial'),
	'--bottom-inside': asIs('initial'),
	display: asIs('flow-root'),
	'flex-direction': asIs('row'),
	'flex-wrap': asIs('nowrap'),
	'grid-template-columns': { print: printTracks, initial: 'none' },
	'grid-template-rows': { print: printTracks, initial: 'none' },
	'grid-auto-rows': { print: printTracks, initial: 'auto' },
	'grid-template-areas': {
		print: (rows) => rows.map((cells) => `'${cells.join(' ')}'`).join('\n'),
		initial: 'none'
	},
	'justify-content': asIs('normal'),
	'align-items': asIs('normal'),
	gap: { print: (sizes) => sizes.join(' '), initial: 'normal' },
	'grid-area': asIs('auto'),
	'grid-column': { print: printLines, initial: 'auto' },
	'grid-row': { print: printLines, initial: 'auto' },
	flex: { print: printFlex, initial: '0 1 auto' },
	order: { print: String, initial: '0' },
	'align-self': asIs('auto'),
	'justify-self': asIs('auto'),
	position: asIs('static'),
	'inset-block': { print: printSides, initial: 'auto' },
	'inset-block-start': asIs('auto'),
	'inset-block-end': asIs('auto'),
	'inset-inline': { print: printSides, initial: 'auto' },
	'z-index': asIs('auto'),
	isolation: asIs('auto'),
	width: asIs('auto'),
	'min-width': asIs('auto'),
	'max-width': asIs('none'),
	height: asIs('auto'),
	'min-height': asIs('auto'),
	'max-height': asIs('none'),
	'aspect-ratio': { print: ({ width, height }) => `${width} / ${height}`, initial: 'auto' },
	'border-style': asIs('none'),
	'border-block-width': { print: printSides, initial: 'medium' },
	'border-inline-width': { print: printSides, initial: 'medium' },
	'padding-block': { print: printSides, initial: '0' },
	'padding-inline': { print: printSides, initial: '0' },
	'margin-block-start': asIs('0'),
	'margin-block-end': asIs('0'),
	'margin-inline-start': asIs('0'),
	'margin-inline-end': asIs('0'),
	overflow: asIs('visible'),
	'background-color': asIs('transparent'),
	'box-shadow': asIs('none')
};

/** What moves as one scrolls or goes to another page says, and what nothing is computed from; it is written after everything else. */
const initialOfMoving: ReadonlyMap<string, string> = new Map(
	Object.entries<string>({
		animation: 'none',
		'animation-timeline': 'auto',
		'animation-range': 'normal',
		'view-transition-name': 'none',
		clear: 'none',
		'scroll-padding-block-start': 'auto',
		'scroll-padding-block-end': 'auto'
	})
);

const properties = Object.keys(printers).filter((name): name is Property => name in printers);
const initialValues = new Map<string, string>([
	...properties.map((name): [string, string] => [name, printers[name].initial]),
	...initialOfMoving
]);
const places = new Map([...initialValues.keys()].map((name, index) => [name, index]));

/** Declarations as text. */
export function printed(declarations: Declarations): Printed {
	const lines = new Map<string, string>();
	for (const property of properties) {
		const value = printOne(property, declarations);
		if (value !== undefined) lines.set(property, value);
	}
	return lines;
}

function printOne<P extends Property>(property: P, declarations: Declarations): string | undefined {
	const value: CssValues[P] | undefined = declarations[property];
	return value === undefined ? undefined : printers[property].print(value);
}

/** The value a box has where a property is not said, as text. */
export function initialValue(property: string): string {
	return initialValues.get(property) ?? 'initial';
}

/** Lines in the order in which they are written. */
export function inOrder(lines: Printed): [string, string][] {
	return [...lines].sort(([a], [b]) => (places.get(a) ?? 0) - (places.get(b) ?? 0));
}

function printSides({ start, end }: Sides): string {
	return start === end ? start : `${start} ${end}`;
}

function printTracks(tracks: Tracks): string {
	if (tracks.kind === 'written') return tracks.text;
	const track = tracks.least === 'nothing' ? 'minmax(0, 1fr)' : '1fr';
	return tracks.count === 1 ? track : `repeat(${tracks.count}, ${track})`;
}

function printLines({ from, span }: GridLines): string {
	if (span === 'all') return '1 / -1';
	return from === undefined ? `span ${span}` : span === 1 ? String(from) : `${from} / span ${span}`;
}

function printFlex(flex: Flex | 'none'): string {
	return flex === 'none' ? 'none' : `${flex.grow} ${flex.shrink} ${flex.basis}`;
}
