import { error } from '../../messages/problem.ts';
import type { Arrangement } from '../../model/arrange.ts';
import type { Layout, Region } from '../../model/site.ts';
import { Once, readBlock, type ReadContext } from './block.ts';
import { readArrange } from './arrange.ts';
import type { Cursor } from './cursor.ts';
import { AdmitReader, LayerBody, UnderReader } from './layer.ts';
import { laterSettingWords, readRegion } from './region.ts';

/** `layout NAME at ROUTE [on-request] { … }`. */
export function readLayout(cursor: Cursor, context: ReadContext): Layout | undefined {
	const name = cursor.takeName('A layout');
	if (!name || !cursor.needWord('at', `The layout ${name.text}`)) return undefined;
	const at = cursor.takePattern(`The layout ${name.text}`);
	if (!at) return undefined;
	const onRequest = cursor.takeWord('on-request') !== undefined;
	cursor.finish({ block: true });
	const body = new LayerBody(context);
	const under = new UnderReader();
	const admit = new AdmitReader();
	const arrange = new Once<Arrangement>('The arrangement');
	const fillsScreen = new Once<boolean>('The height');
	const regions: Region[] = [];
	readBlock(
		cursor.needBlock(`The layout ${name.text}`),
		{
			name: `the layout ${name.text}`,
			statements: {
				...body.statements,
				under: under.read,
				admit: admit.read,
				height(inner) {
					if (inner.takeWord('screen')) {
						fillsScreen.set(true, inner);
						inner.finish();
					} else if (inner.peek()) {
						inner.notYet('A height other than "screen"');
					} else {
						context.problems.push(error('value-missing', inner.headSpan, 'The height'));
					}
				},
				arrange(inner) {
					arrange.set(readArrange(inner, context), inner);
				},
				region(inner) {
					const region = readRegion(inner, context);
					if (!region) return;
					if (regions.some((other) => other.name.text === region.name.text)) {
						const { text, span } = region.name;
						context.problems.push(error('region-twice', span, text, name.text));
					} else {
						regions.push(region);
					}
				}
			},
			later: {
				...laterSettingWords,
				wrapper: 'A wrapper',
				measure: 'Measuring bands by space'
			}
		},
		context
	);
	return {
		kind: 'layout',
		name,
		at: at.pattern,
		atSpan: at.span,
		onRequest,
		under: under.value,
		admit: admit.roles,
		fillsScreen: fillsScreen.value ?? false,
		arrange: arrange.value,
		regions,
		fills: body.fills,
		title: body.title,
		description: body.description,
		styles: body.styles,
		span: cursor.statement.span
	};
}
