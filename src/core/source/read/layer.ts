import { isName } from '../../model/name.ts';
import { error } from '../../messages/problem.ts';
import type { Allowance, Fill, FillKind, Piece, Style, Under } from '../../model/site.ts';
import type { Template } from '../../model/template.ts';
import { readRoles } from './admit.ts';
import { AllowReader } from './allow.ts';
import { Once, type ReadContext, type Vocabulary } from './block.ts';
import type { Cursor } from './cursor.ts';
import { readPieces } from './piece.ts';
import { readStyle } from './style.ts';

/** What a layer will be able to say, with what to call it. */
export const laterOfLayers: Vocabulary['later'] = {
	sheet: 'A sheet of the site’s own',
	script: 'A script of the site’s own',
	head: 'Markup in the head',
	attributes: 'Attributes of a layer'
};

/** What layouts, routes and states can all say: title, description, fills, styles, and what is set aside. */
export class LayerBody {
	readonly fills: Fill[] = [];
	readonly styles: Style[] = [];
	private readonly titleOnce = new Once<Template>('The title');
	private readonly descriptionOnce = new Once<Template>('The description');
	private readonly allowReader = new AllowReader();

	constructor(private readonly context: ReadContext) {}

	get title(): Template | undefined {
		return this.titleOnce.value;
	}

	get description(): Template | undefined {
		return this.descriptionOnce.value;
	}

	get allows(): readonly Allowance[] {
		return this.allowReader.allows;
	}

	readonly statements: Vocabulary['statements'] = {
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
	const target = cursor.take('word');
	if (!target || !isTarget(target.text)) {
		const span = target?.span ?? cursor.headSpan;
		context.problems.push(error('name-missing', span, 'The word "fill"'));
		return undefined;
	}
	const next = cursor.peek();
	const saysKind = next !== undefined && next.text !== 'for';
	const written = saysKind ? cursor.takeChoice('kind of fill', fillKinds) : undefined;
	const fillKind = written?.text ?? 'instead';
	const seenBy = readRoles(cursor, 'for');
	cursor.finish({ block: true });
	const what = `The fill of ${target.text}`;
	const block = fillKind === 'empty' ? cursor.statement.block : cursor.needBlock(what);
	const pieces: Piece[] = readPieces(block, `the fill of ${target.text}`, context);
	if (fillKind === 'empty' && pieces.length > 0) {
		context.problems.push(error('fill-empty-pieces', cursor.statement.span, target.text));
	} else if (fillKind !== 'empty' && block && pieces.length === 0) {
		context.problems.push(error('fill-nothing', cursor.statement.span, target.text));
	}
	const [first = '', second] = target.text.split('.');
	return {
		layout: second === undefined ? undefined : first,
		region: second ?? first,
		targetSpan: target.span,
		fillKind,
		seenBy,
		pieces: fillKind === 'empty' ? [] : pieces,
		span: cursor.statement.span
	};
}

/** `region`, or `layout.region`. */
function isTarget(word: string): boolean {
	const names = word.split('.');
	return names.length <= 2 && names.every(isName);
}
