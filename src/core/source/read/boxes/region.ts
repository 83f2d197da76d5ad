import { error } from '../../../messages/problem.ts';
import type { Region, Style } from '../../../model/site.ts';
import { OwnAttributesReader } from '../attributes.ts';
import { ArrangementsReader } from './arrange.ts';
import { readBlock, type ReadContext, type Vocabulary } from '../block.ts';
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
	const flags = new FlagsReader(name.text, context);
	const hasElement = cursor.needWord('as', `The region ${name.text}`);
	const element = hasElement ? takeElement(cursor, `The region ${name.text}`) : undefined;
	const settings = new SettingsReader('region', context);
	const arrangements = new ArrangementsReader(context);
	const attributes = new OwnAttributesReader(`the region ${name.text}`, context);
	const pieces = new PiecesReader(`the region ${name.text}`, context);
	cursor.finish({ block: true });
	readBlock(
		cursor.statement.block,
		{
			name: `the region ${name.text}`,
			statements: {
				...settings.statements,
				arrange: arrangements.read,
				slot: flags.read,
				...flags.statements,
				...attributes.statements,
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
		slot: flags.said.has('slot'),
		locked: flags.said.has('locked'),
		required: flags.said.has('required'),
		settings: settings.settings,
		arrangements: arrangements.arrangements,
		attributes: attributes.value,
		pieces: pieces.pieces,
		styles,
		inFrame: undefined,
		saidIn: cursor.statement.span,
		span: cursor.statement.span
	};
}

/** `region NAME { locked; required; open }` beside a frame of own markup: what its place cannot say by itself. */
export function readPlacedRegion(cursor: Cursor, context: ReadContext): Region | undefined {
	const name = cursor.takeName('A region');
	if (!name) return undefined;
	const flags = new FlagsReader(name.text, context);
	cursor.finish({ block: true });
	const what = `the region ${name.text} of a frame`;
	readBlock(
		cursor.needBlock(`The region ${name.text}`),
		{ name: what, statements: flags.statements },
		context
	);
	return {
		kind: 'region',
		name,
		element: { text: 'div', span: name.span },
		slot: false,
		locked: flags.said.has('locked'),
		required: flags.said.has('required'),
		settings: [],
		arrangements: [],
		attributes: undefined,
		pieces: [],
		styles: [],
		inFrame: 'among',
		saidIn: cursor.statement.span,
		span: cursor.statement.span
	};
}

/** Who may fill a region, and who has to: a word each, said once. */
class FlagsReader {
	readonly said = new Set<string>();
	readonly statements: Vocabulary['statements'];

	constructor(
		private readonly region: string,
		private readonly context: ReadContext
	) {
		this.statements = { open: this.read, locked: this.read, required: this.read };
	}

	readonly read = (inner: Cursor): void => {
		const { said, context } = this;
		if (said.has(inner.head)) {
			context.problems.push(error('said-twice', inner.headSpan, `"${inner.head}"`));
		}
		said.add(inner.head);
		if (inner.head !== 'slot' && said.has('open') && said.has('locked')) {
			context.problems.push(error('open-and-locked', inner.headSpan, this.region));
		}
		inner.finish();
	};
}
