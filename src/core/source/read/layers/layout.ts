import { error } from '../../../messages/problem.ts';
import { sheetsDo, type Layout, type OwnFrame, type Region } from '../../../model/site.ts';
import { settingsOn } from '../../../settings/list.ts';
import { readMarkupTemplate } from '../../text/template.ts';
import { ArrangementsReader } from '../boxes/arrange.ts';
import { MembersReader, regionsOf } from '../boxes/member.ts';
import { readPlacedRegion } from '../boxes/region.ts';
import { SettingsReader } from '../boxes/setting.ts';
import { Once, readBlock, type ReadContext, type Vocabulary } from '../block.ts';
import type { Cursor } from '../cursor.ts';
import { AdmitReader } from './admit.ts';
import { LayerBody, UnderReader } from './layer.ts';

/** `layout NAME at ROUTE [on-request] { fills, settings, and regions in an arrangement or in a frame }`. */
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
	const block = cursor.needBlock(`The layout ${name.text}`);
	const hasFrame = block?.statements.some(({ atoms }) => atoms[0]?.text === 'frame') ?? false;
	const made = hasFrame
		? new FramedReader(name.text, context)
		: new BoxesReader(name.text, context);
	readBlock(
		block,
		{
			name: `the layout ${name.text}`,
			statements: {
				...body.statements,
				under: under.read,
				admit: admit.read,
				...made.statements
			}
		},
		context
	);
	// What lands in a frame of own markup has no element that could end the reach of a style.
	const [own] = hasFrame ? body.styles.filter(({ global }) => !global) : [];
	if (own) context.problems.push(error('frame-style', own.span, name.text));
	return {
		kind: 'layout',
		name,
		at: at.pattern,
		atSpan: at.span,
		onRequest,
		under: under.value,
		admit: admit.roles,
		...made.value,
		fills: body.fills,
		adjusts: body.adjusts,
		title: body.title,
		description: body.description,
		styles: hasFrame ? body.styles.filter(({ global }) => global) : body.styles,
		document: body.document,
		allows: body.allows,
		span: cursor.statement.span
	};
}

/** What a layout is made of. */
type Made = Pick<
	Layout,
	'measure' | 'sheets' | 'settings' | 'arrangements' | 'frame' | 'members' | 'regions'
>;

/** A layout of boxes that it arranges. */
class BoxesReader {
	readonly statements: Vocabulary['statements'];
	private readonly measure = new Once<Layout['measure']>('What the bands look at');
	private readonly sheets = new Once<Layout['sheets']>('What sheets of the site’s own do');
	private readonly settings: SettingsReader;
	private readonly arrangements: ArrangementsReader;
	private readonly members: MembersReader;

	constructor(layout: string, context: ReadContext) {
		this.settings = new SettingsReader('layout', context);
		this.arrangements = new ArrangementsReader(context);
		this.members = new MembersReader(layout, context);
		this.statements = {
			...this.settings.statements,
			...this.members.statements,
			arrange: this.arrangements.read,
			measure: (inner) => {
				inner.needWord('by', 'What the bands look at');
				const by = inner.takeChoice('measure of bands', ['screen', 'space'])?.text;
				this.measure.set(by, inner);
				inner.finish();
			},
			sheets: (inner) => {
				this.sheets.set(inner.takeChoice('thing that sheets do', sheetsDo)?.text, inner);
				inner.finish();
			}
		};
	}

	get value(): Made {
		const { members } = this.members;
		return {
			measure: this.measure.value ?? 'screen',
			sheets: this.sheets.value ?? 'move',
			settings: this.settings.settings,
			arrangements: this.arrangements.arrangements,
			frame: undefined,
			members,
			regions: regionsOf(members)
		};
	}
}

/** A layout whose frame is markup of its own: its boxes lie as its sheets say, and its regions are places in it. */
class FramedReader {
	readonly statements: Vocabulary['statements'];
	private readonly frame = new Once<OwnFrame>('The frame');
	private readonly regions: Region[] = [];

	constructor(layout: string, context: ReadContext) {
		const refuse = (cursor: Cursor): void => {
			context.problems.push(error('frame-arranged', cursor.headSpan, layout, cursor.head));
		};
		const words = [...settingsOn('layout'), 'arrange', 'wrapper', 'measure', 'sheets'];
		this.statements = {
			...Object.fromEntries(words.map((word) => [word, refuse])),
			frame: (cursor) => {
				cursor.finish({ markup: true });
				const block = cursor.needMarkup('A frame');
				const markup = block && readMarkupTemplate(block, context.problems);
				const { span } = cursor.statement;
				this.frame.set(markup && { markup, written: markup, span }, cursor);
			},
			region: (cursor) => {
				const region = readPlacedRegion(cursor, context);
				if (!region) return;
				const { text, span } = region.name;
				const isThere = this.regions.some((one) => one.name.text === text);
				if (isThere) context.problems.push(error('region-twice', span, text, layout));
				else this.regions.push(region);
			}
		};
	}

	get value(): Made {
		return {
			measure: 'screen',
			sheets: 'move',
			settings: [],
			arrangements: [],
			frame: this.frame.value,
			members: this.regions,
			regions: this.regions
		};
	}
}
