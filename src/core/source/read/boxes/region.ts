import { error } from '../../../messages/problem.ts';
import type { Region, Style } from '../../../model/site.ts';
import { ArrangementsReader } from './arrange.ts';
import { readBlock, type ReadContext } from '../block.ts';
import type { Cursor } from '../cursor.ts';
import { takeElement } from './element.ts';
import { PiecesReader } from '../layers/piece.ts';
import { SettingsReader } from './setting.ts';
import { readStyle } from '../layers/style.ts';

/** `region NAME as ELEMENT { slot; locked; required; pieces }`. */
export function readRegion(cursor: Cursor, context: ReadContext): Region | undefined {
	const name = cursor.takeName('A region');
	if (!name) return undefined;
	const styles: Style[] = [];
	const said = new Set<string>();
	const flag = (inner: Cursor): void => {
		if (said.has(inner.head)) {
			context.problems.push(error('said-twice', inner.headSpan, `"${inner.head}"`));
		}
		said.add(inner.head);
		if (inner.head !== 'slot' && said.has('open') && said.has('locked')) {
			context.problems.push(error('open-and-locked', inner.headSpan, name.text));
		}
		inner.finish();
	};
	const hasElement = cursor.needWord('as', `The region ${name.text}`);
	const element = hasElement ? takeElement(cursor, `The region ${name.text}`) : undefined;
	const settings = new SettingsReader('region', context);
	const arrangements = new ArrangementsReader(context);
	const pieces = new PiecesReader(`the region ${name.text}`, context);
	cursor.finish({ block: true });
	readBlock(
		cursor.statement.block,
		{
			name: `the region ${name.text}`,
			statements: {
				...settings.statements,
				arrange: arrangements.read,
				slot: flag,
				open: flag,
				locked: flag,
				required: flag,
				...pieces.statements,
				style(inner) {
					const style = readStyle(inner, context);
					if (style) styles.push(style);
				}
			}
		},
		context
	);
	return {
		kind: 'region',
		name,
		element: element ?? { text: 'div', span: name.span },
		slot: said.has('slot'),
		locked: said.has('locked'),
		required: said.has('required'),
		settings: settings.settings,
		arrangements: arrangements.arrangements,
		pieces: pieces.pieces,
		styles,
		span: cursor.statement.span
	};
}
