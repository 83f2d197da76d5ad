import { error } from '../../../messages/problem.ts';
import { stateKinds, type PageSource, type Route, type State } from '../../../model/site.ts';
import type { Named } from '../../../model/span.ts';
import { plainText } from '../../text/template.ts';
import { Once, readBlock, type ReadContext } from '../block.ts';
import type { Cursor } from '../cursor.ts';
import { AdmitReader } from './admit.ts';
import { LayerBody, UnderReader } from './layer.ts';
import { MovedReader } from './moved.ts';
import { BringsReader } from './piece.ts';

/** `route PATTERN { title, under, each or samples, pieces, fills }`. */
export function readRoute(cursor: Cursor, context: ReadContext): Route | undefined {
	const at = cursor.takePattern('A route');
	if (!at) return undefined;
	cursor.finish({ block: true });
	const body = new LayerBody(context);
	const under = new UnderReader();
	const admit = new AdmitReader();
	const moved = new MovedReader(at.pattern);
	const pages = new Once<PageSource>('Which pages there are');
	const brings = new BringsReader(`the route ${at.pattern.text}`, context);
	readBlock(
		cursor.statement.block,
		{
			name: `the route ${at.pattern.text}`,
			statements: {
				...body.statements,
				under: under.read,
				admit: admit.read,
				moved: moved.read,
				...brings.statements,
				each: (inner) => pages.set(readEach(inner), inner),
				samples: (inner) => pages.set(readSamples(inner, context), inner)
			}
		},
		context
	);
	return {
		kind: 'route',
		pattern: at.pattern,
		patternSpan: at.span,
		moved: moved.addresses,
		under: under.value,
		admit: admit.roles,
		pages: pages.value ?? { kind: 'one' },
		title: body.title,
		description: body.description,
		pieces: brings.pieces,
		arrangements: brings.arrangements,
		fills: body.fills,
		adjusts: body.adjusts,
		styles: body.styles,
		document: body.document,
		allows: body.allows,
		span: cursor.statement.span
	};
}

/** `state KIND at ROUTE { title, under, pieces, fills }`. */
export function readState(cursor: Cursor, context: ReadContext): State | undefined {
	const state = cursor.takeChoice('state', stateKinds);
	if (!state || !cursor.needWord('at', `The state ${state.text}`)) return undefined;
	const at = cursor.takePattern(`The state ${state.text}`);
	if (!at) return undefined;
	cursor.finish({ block: true });
	const body = new LayerBody(context);
	const under = new UnderReader();
	const name = `the state ${state.text}`;
	const brings = new BringsReader(name, context);
	readBlock(
		cursor.needBlock(`The state ${state.text}`),
		{
			name,
			statements: {
				...body.statements,
				under: under.read,
				...brings.statements
			}
		},
		context
	);
	return {
		kind: 'state',
		state,
		at: at.pattern,
		atSpan: at.span,
		under: under.value,
		title: body.title,
		description: body.description,
		pieces: brings.pieces,
		arrangements: brings.arrangements,
		fills: body.fills,
		adjusts: body.adjusts,
		styles: body.styles,
		document: body.document,
		allows: body.allows,
		span: cursor.statement.span
	};
}

/** `each data.NAME by FIELD`. */
function readEach(cursor: Cursor): PageSource | undefined {
	const data = cursor.take('word');
	const what = 'One page for each';
	if (!data || !/^data(\.[a-z][a-z0-9_-]*)+$/i.test(data.text)) {
		const span = data?.span ?? cursor.headSpan;
		cursor.problems.push(error('value-missing', span, `${what} member of a list, as data.NAME,`));
		return undefined;
	}
	if (!cursor.needWord('by', what)) return undefined;
	const field = cursor.take('word');
	if (!field) {
		cursor.problems.push(error('name-missing', cursor.headSpan, 'The word "by"'));
		return undefined;
	}
	cursor.finish();
	return {
		kind: 'each',
		data: { text: data.text, span: data.span },
		field: { text: field.text, span: field.span },
		span: cursor.statement.span
	};
}

/** `samples "kale", "runner-bean"`. */
function readSamples(cursor: Cursor, context: ReadContext): PageSource | undefined {
	const values: Named[] = [];
	for (;;) {
		const atom = cursor.takeText('The list of samples');
		if (!atom) return undefined;
		const text = plainText(atom);
		const again = values.some((other) => other.text === text);
		if (text === '') context.problems.push(error('text-missing', atom.span, 'A sample'));
		else if (again)
			context.problems.push(error('listed-twice', atom.span, 'The sample', `"${text}"`));
		else values.push({ text, span: atom.span });
		const comma = cursor.peek();
		if (comma?.kind !== 'symbol' || comma.text !== ',') break;
		cursor.take('symbol');
	}
	cursor.finish();
	return { kind: 'samples', values, span: cursor.statement.span };
}
