import { isName } from '../../../model/name.ts';
import { error } from '../../../messages/problem.ts';
import type {
	Adjust,
	Allowance,
	DocumentSays,
	Fill,
	FillKind,
	Style,
	Under
} from '../../../model/site.ts';
import type { Span } from '../../../model/span.ts';
import type { Template } from '../../../model/template.ts';
import { readRoles } from './admit.ts';
import { AllowReader } from './allow.ts';
import { ArrangementsReader } from '../boxes/arrange.ts';
import { Once, readBlock, type ReadContext, type Vocabulary } from '../block.ts';
import type { Cursor } from '../cursor.ts';
import { DocumentReader } from './document.ts';
import { BringsReader } from './piece.ts';
import { SettingsReader } from '../boxes/setting.ts';
import { readStyle } from './style.ts';

/** What layouts, routes and states can all say: title, description, fills, styles, and what is set aside. */
export class LayerBody {
	readonly fills: Fill[] = [];
	readonly adjusts: Adjust[] = [];
	readonly styles: Style[] = [];
	private readonly titleOnce = new Once<Template>('The title');
	private readonly descriptionOnce = new Once<Template>('The description');
	private readonly allowReader = new AllowReader();
	private readonly documentReader: DocumentReader;
	readonly statements: Vocabulary['statements'];

	constructor(private readonly context: ReadContext) {
		this.documentReader = new DocumentReader(context);
		this.statements = { ...this.own, ...this.documentReader.statements };
	}

	get document(): DocumentSays {
		return this.documentReader.document;
	}

	get title(): Template | undefined {
		return this.titleOnce.value;
	}

	get description(): Template | undefined {
		return this.descriptionOnce.value;
	}

	get allows(): readonly Allowance[] {
		return this.allowReader.allows;
	}

	private readonly own: Vocabulary['statements'] = {
		title: (cursor) => {
			this.titleOnce.set(cursor.takeTemplate('The title'), cursor);
			cursor.finish();
		},
		description: (cursor) => {
			this.descriptionOnce.set(cursor.takeTemplate('The description'), cursor);
			cursor.finish();
		},
		fill: (cursor) => {
			const fill = readFill(cursor, this.context);
			if (fill) this.fills.push(fill);
		},
		adjust: (cursor) => {
			const adjust = readAdjust(cursor, this.context);
			if (adjust) this.adjusts.push(adjust);
		},
		style: (cursor) => {
			const style = readStyle(cursor, this.context);
			if (style) this.styles.push(style);
		},
		allow: (cursor) => this.allowReader.read(cursor)
	};
}

/** `under NAME` or `under none`. */
export class UnderReader {
	private readonly once = new Once<Under>('What it sits under');

	get value(): Under {
		return this.once.value ?? { kind: 'nearest' };
	}

	readonly read = (cursor: Cursor): void => {
		const span = cursor.statement.span;
		if (cursor.takeWord('none')) {
			this.once.set({ kind: 'none', span }, cursor);
		} else {
			const name = cursor.takeName('The word "under"');
			this.once.set(name && { kind: 'named', name, span }, cursor);
		}
		cursor.finish();
	};
}

const fillKinds: readonly FillKind[] = ['instead', 'before', 'after', 'empty'];

/** `fill REGION [instead | before | after | empty] [for ROLE] { pieces }`, the region maybe as `layout.region`. */
function readFill(cursor: Cursor, context: ReadContext): Fill | undefined {
	const target = takeTarget(cursor, 'fill');
	if (!target) return undefined;
	const next = cursor.peek();
	const saysKind = next !== undefined && next.text !== 'for';
	const written = saysKind ? cursor.takeChoice('kind of fill', fillKinds) : undefined;
	const fillKind = written?.text ?? 'instead';
	const seenBy = readRoles(cursor, 'for');
	cursor.finish({ block: true });
	const what = `The fill of ${target.name}`;
	const block = fillKind === 'empty' ? cursor.statement.block : cursor.needBlock(what);
	const name = `the fill of ${target.name}`;
	const brings = new BringsReader(name, context);
	readBlock(block, { name, statements: brings.statements }, context);
	const { pieces } = brings;
	if (fillKind === 'empty' && pieces.length > 0) {
		context.problems.push(error('fill-empty-pieces', cursor.statement.span, target.name));
	} else if (fillKind !== 'empty' && block && pieces.length === 0) {
		context.problems.push(error('fill-nothing', cursor.statement.span, target.name));
	}
	return {
		layout: target.layout,
		region: target.name,
		targetSpan: target.span,
		fillKind,
		seenBy,
		pieces: fillKind === 'empty' ? [] : pieces,
		arrangements: brings.arrangements,
		span: cursor.statement.span
	};
}

/** `adjust BOX { settings }`, the box maybe as `layout.box`. */
function readAdjust(cursor: Cursor, context: ReadContext): Adjust | undefined {
	const target = takeTarget(cursor, 'adjust');
	if (!target) return undefined;
	cursor.finish({ block: true });
	const what = `The word "adjust" of ${target.name}`;
	const settings = new SettingsReader('region', context);
	const arrangements = new ArrangementsReader(context);
	readBlock(
		cursor.needBlock(what),
		{
			name: `what is adjusted of ${target.name}`,
			statements: { ...settings.statements, arrange: arrangements.read }
		},
		context
	);
	return {
		kind: 'adjust',
		layout: target.layout,
		box: target.name,
		targetSpan: target.span,
		settings: settings.settings,
		arrangements: arrangements.arrangements,
		span: cursor.statement.span
	};
}

/** What a layer says something of that stands further out. */
interface Target {
	readonly layout: string | undefined;
	readonly name: string;
	readonly span: Span;
}

function takeTarget(cursor: Cursor, word: string): Target | undefined {
	const target = cursor.take('word');
	if (!target || !isTarget(target.text)) {
		cursor.problems.push(
			error('name-missing', target?.span ?? cursor.headSpan, `The word "${word}"`)
		);
		return undefined;
	}
	const [first = '', second] = target.text.split('.');
	const layout = second === undefined ? undefined : first;
	return { layout, name: second ?? first, span: target.span };
}

/** `region`, or `layout.region`. */
function isTarget(word: string): boolean {
	const names = word.split('.');
	return names.length <= 2 && names.every(isName);
}
