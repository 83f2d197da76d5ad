import type { Layout } from '../../../model/site.ts';
import { ArrangementsReader } from '../boxes/arrange.ts';
import { Once, readBlock, type ReadContext } from '../block.ts';
import type { Cursor } from '../cursor.ts';
import { AdmitReader } from './admit.ts';
import { laterOfLayers, LayerBody, UnderReader } from './layer.ts';
import { MembersReader, regionsOf } from '../boxes/member.ts';
import { SettingsReader } from '../boxes/setting.ts';

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
	const measure = new Once<Layout['measure']>('What the bands look at');
	const settings = new SettingsReader('layout', context);
	const arrangements = new ArrangementsReader(context);
	const members = new MembersReader(name.text, context);
	readBlock(
		cursor.needBlock(`The layout ${name.text}`),
		{
			name: `the layout ${name.text}`,
			statements: {
				...body.statements,
				under: under.read,
				admit: admit.read,
				...settings.statements,
				...members.statements,
				arrange: arrangements.read,
				measure(inner) {
					inner.needWord('by', 'What the bands look at');
					const by = inner.takeChoice('measure of bands', ['screen', 'space'])?.text;
					measure.set(by, inner);
					inner.finish();
				}
			},
			later: laterOfLayers
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
		measure: measure.value ?? 'screen',
		settings: settings.settings,
		arrangements: arrangements.arrangements,
		members: members.members,
		regions: regionsOf(members.members),
		fills: body.fills,
		adjusts: body.adjusts,
		title: body.title,
		description: body.description,
		styles: body.styles,
		allows: body.allows,
		span: cursor.statement.span
	};
}
