import { error } from '../../messages/problem.ts';
import {
	placements,
	scrolls,
	shadows,
	sides,
	stickEdges,
	type Setting,
	type SettingKind,
	type SettingOf,
	type SettingValues
} from '../../model/setting.ts';
import { joinSpans } from '../../model/span.ts';
import { splitSizes } from '../../size/split.ts';
import { mostTracks } from '../../size/tracks.ts';
import { plainText } from '../expression.ts';
import type { ReadContext, Vocabulary } from './block.ts';
import type { Cursor } from './cursor.ts';

/** More members than any box has. */
const mostOrder = 10_000;
/** Shares beside each other; more than this is as good as everything. */
const mostShare = 10_000;

type Read<T> = (cursor: Cursor, context: ReadContext) => T | undefined;

/** Reads a whole setting: its value, then the band it holds from. */
function reads<K extends SettingKind>(kind: K, value: Read<SettingValues[K]>): Read<SettingOf<K>> {
	return (cursor, context) => {
		const start = cursor.peek()?.span ?? cursor.headSpan;
		const taken = value(cursor, context);
		const end = cursor.lastTaken?.span ?? start;
		const band = cursor.takeBand();
		cursor.finish();
		if (taken === undefined) return undefined;
		const { span } = cursor.statement;
		return { kind, value: taken, valueSpan: joinSpans(start, end), band, span };
	};
}

const readers: Readonly<Record<SettingKind, Read<Setting>>> = {
	show: reads('show', readShow),
	width: reads('width', oneSize('The width')),
	height: reads('height', oneSize('The height')),
	min: reads('min', readExtent('The least size')),
	max: reads('max', readExtent('The greatest size')),
	pad: reads('pad', sizes('The padding', 4)),
	gap: reads('gap', sizes('The gap', 2)),
	contain: reads('contain', oneSize('The measure of the content')),
	stick: reads('stick', (cursor) => choose(cursor, 'edge to stick to', stickEdges)),
	shadow: reads('shadow', (cursor) => choose(cursor, 'kind of shadow', shadows)),
	shrink: reads('shrink', readShrink),
	overlap: reads('overlap', oneSize('The overlap')),
	scroll: reads('scroll', (cursor) => choose(cursor, 'way to scroll', scrolls)),
	size: reads('size', readSize),
	span: reads('span', readSpan),
	offset: reads('offset', (cursor) => cursor.takeWholeNumber('The offset', mostTracks)),
	'new-row': reads('new-row', (cursor) => cursor.takeWord('off') === undefined),
	'place-self': reads('place-self', readPlacement),
	order: reads('order', (cursor) => cursor.takeInteger('The order', mostOrder))
};

/** Every box can say these. */
const boxKinds: readonly SettingKind[] = [
	'width', 'height', 'min', 'max', 'pad', 'gap', 'contain', 'scroll'
]; // prettier-ignore

/** A box among others can say these besides. */
const memberKinds: readonly SettingKind[] = [
	'show', 'stick', 'shadow', 'shrink', 'overlap', 'size', 'span', 'offset', 'new-row', 'place-self',
	'order'
]; // prettier-ignore

/** What a piece cannot say: it arranges nothing. */
const notOfPieces: readonly SettingKind[] = ['gap', 'contain', 'shrink', 'scroll'];

/** The settings that each kind of box can say. */
export const settingKinds: Readonly<
	Record<'layout' | 'wrapper' | 'region' | 'piece', readonly SettingKind[]>
> = {
	layout: boxKinds,
	wrapper: [...boxKinds, ...memberKinds],
	region: [...boxKinds, ...memberKinds],
	piece: [...boxKinds, ...memberKinds].filter((kind) => !notOfPieces.includes(kind))
};

/** Reads the settings of one box, each once for a band. */
export class SettingsReader {
	readonly settings: Setting[] = [];
	readonly statements: Vocabulary['statements'];

	constructor(kinds: readonly SettingKind[], context: ReadContext) {
		this.statements = Object.fromEntries(
			kinds.map((kind) => [kind, (cursor) => this.add(readers[kind](cursor, context), context)])
		);
	}

	private add(setting: Setting | undefined, { problems }: ReadContext): void {
		if (!setting) return;
		const { kind, band, span } = setting;
		if (this.settings.some((one) => one.kind === kind && one.band?.text === band?.text)) {
			problems.push(error('said-twice', span, band ? `"${kind}" for @${band.text}` : `"${kind}"`));
		} else {
			this.settings.push(setting);
		}
	}
}

function choose<T extends string>(
	cursor: Cursor,
	what: string,
	choices: readonly T[]
): T | undefined {
	return cursor.takeChoice(what, choices)?.text;
}

function oneSize(what: string): Read<string> {
	return (cursor, context) => cursor.takeRest(context.text, what)?.text;
}

/** Sizes side by side, as many as CSS lets them be. */
function sizes(what: string, most: number): Read<readonly string[]> {
	return (cursor, context) => {
		const rest = cursor.takeRest(context.text, what);
		if (!rest) return undefined;
		const list = splitSizes(rest.text);
		if (list.length <= most) return list;
		cursor.problems.push(error('too-many-sizes', rest.span, what, most));
		return undefined;
	};
}

/** A width, and maybe a height. */
function readExtent(what: string): Read<SettingValues['min']> {
	return (cursor, context) => {
		const [width, height] = sizes(what, 2)(cursor, context) ?? [];
		return width === undefined ? undefined : { width, height };
	};
}

/** `in-place`, `hidden`, `strip`, or `drawer SIDE SIZE "label"`. */
function readShow(cursor: Cursor, context: ReadContext): SettingValues['show'] | undefined {
	const kinds = ['in-place', 'hidden', 'strip', 'drawer'] as const;
	const kind = choose(cursor, 'way to show a box', kinds);
	if (kind !== 'drawer') return kind && { kind };
	const side = choose(cursor, 'side', sides);
	const size = side && cursor.takeUntilText(context.text, 'The drawer');
	const label = size && cursor.takeText('The opener of the drawer');
	return side && size && label && { kind, side, size: size.text, label: plainText(label) };
}

/** `FROM to TO`, or `none`. */
function readShrink(cursor: Cursor, context: ReadContext): SettingValues['shrink'] | undefined {
	const rest = cursor.takeRest(context.text, 'What shrinks');
	if (!rest || rest.text === 'none') return rest && 'none';
	const [from, word, to, ...more] = splitSizes(rest.text);
	if (from !== undefined && word === 'to' && to !== undefined && more.length === 0) {
		return { from, to };
	}
	cursor.problems.push(error('shrink-invalid', rest.span));
	return undefined;
}

/** `fill`, `fill N`, `hug`, or a CSS length. */
function readSize(cursor: Cursor, context: ReadContext): SettingValues['size'] | undefined {
	if (cursor.takeWord('hug')) return { kind: 'hug' };
	if (cursor.takeWord('fill')) {
		if (cursor.peek()?.kind !== 'number') return { kind: 'fill', share: 1 };
		const atom = cursor.take('number');
		const share = Number(atom?.text);
		if (share > 0 && share <= mostShare) return { kind: 'fill', share };
		if (atom && share > mostShare) {
			cursor.problems.push(error('number-too-large', atom.span, 'The share to fill', mostShare));
		} else if (atom) cursor.problems.push(error('fill-share-invalid', atom.span));
		return undefined;
	}
	const size = cursor.takeRest(context.text, 'The size');
	return size && { kind: 'fixed', size: size.text };
}

/** `K`, `K by R`, or `all`. */
function readSpan(cursor: Cursor): SettingValues['span'] | undefined {
	const columns = cursor.takeWord('all') ? 'all' : cursor.takeCount('The span', mostTracks);
	if (columns === undefined) return undefined;
	const rows = cursor.takeWord('by') ? cursor.takeCount('The span', mostTracks) : 1;
	return rows === undefined ? undefined : { columns, rows };
}

/** One or two placements, in the order of CSS `place-self`. */
function readPlacement(cursor: Cursor): SettingValues['place-self'] | undefined {
	const align = choose(cursor, 'placement', placements);
	if (!align || cursor.peek()?.kind !== 'word') return align && { align, justify: align };
	const justify = choose(cursor, 'placement', placements);
	return justify && { align, justify };
}
