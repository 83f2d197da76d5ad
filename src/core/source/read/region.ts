import { error } from '../../messages/problem.ts';
import type { Piece, Region, Style } from '../../model/site.ts';
import { readBlock, type ReadContext, type Vocabulary } from './block.ts';
import type { Cursor } from './cursor.ts';
import { pieceReader } from './piece.ts';
import { readStyle } from './style.ts';

/** Elements of the HTML standard (sections 4.3 and 4.4) that can hold what a region holds. */
const elements = [
	'header', 'nav', 'main', 'aside', 'footer', 'section', 'article', 'div', 'search', 'form'
]; // prettier-ignore

const laterSettings = [
	'show', 'width', 'height', 'min', 'max', 'pad', 'gap', 'contain', 'stick', 'shadow', 'shrink',
	'overlap', 'scroll', 'size', 'span', 'offset', 'new-row', 'place-self', 'order'
]; // prettier-ignore

/** Settings that come with screen sizes. */
export const laterSettingWords: NonNullable<Vocabulary['later']> = Object.fromEntries(
	laterSettings.map((word) => [word, `The setting "${word}"`])
);

/** `region NAME as ELEMENT { slot; locked; required; pieces }`. */
export function readRegion(cursor: Cursor, context: ReadContext): Region | undefined {
	const name = cursor.takeName('A region');
	if (!name) return undefined;
	const pieces: Piece[] = [];
	const styles: Style[] = [];
	const said = new Set<string>();
	const flag = (inner: Cursor): void => {
		if (said.has(inner.head)) {
			context.problems.push(error('said-twice', inner.headSpan, `"${inner.head}"`));
		}
		said.add(inner.head);
		inner.finish();
	};
	const hasElement = cursor.needWord('as', `The region ${name.text}`);
	const element = hasElement ? cursor.takeName(`The region ${name.text}`) : undefined;
	if (element && !elements.includes(element.text)) {
		context.problems.push(error('element-invalid', element.span, element.text));
	}
	cursor.finish({ block: true });
	readBlock(
		cursor.statement.block,
		{
			name: `the region ${name.text}`,
			statements: {
				slot: flag,
				open: flag,
				locked: flag,
				required: flag,
				piece: pieceReader(pieces, `the region ${name.text}`, context),
				style(inner) {
					const style = readStyle(inner, context);
					if (style) styles.push(style);
				}
			},
			later: { ...laterSettingWords, arrange: 'The arrangement of a region' }
		},
		context
	);
	return {
		name,
		element: element ?? { text: 'div', span: name.span },
		slot: said.has('slot'),
		locked: said.has('locked'),
		required: said.has('required'),
		pieces,
		styles,
		span: cursor.statement.span
	};
}
