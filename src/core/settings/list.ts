import type { SettingKind, SettingOf } from '../model/setting.ts';
import { aspect } from './member/aspect.ts';
import { background } from './box/background.ts';
import { border } from './box/border.ts';
import { contain } from './box/contain.ts';
import { gap } from './box/gap.ts';
import { height } from './box/height.ts';
import { max } from './box/max.ts';
import { min } from './box/min.ts';
import { pad } from './box/pad.ts';
import { scroll } from './box/scroll.ts';
import { skip } from './box/skip.ts';
import { width } from './box/width.ts';
import type { Declarations } from './declarations.ts';
import type { SettingDefinition, Size } from './definition.ts';
import { margin } from './member/margin.ts';
import { label } from './member/label.ts';
import { newRow } from './member/new-row.ts';
import { offset } from './member/offset.ts';
import { order } from './member/order.ts';
import { overlap } from './member/overlap.ts';
import { placeSelf } from './member/place-self.ts';
import { shadow } from './member/shadow.ts';
import { show } from './member/show.ts';
import { shrink } from './member/shrink.ts';
import { size } from './member/size.ts';
import { span } from './member/span.ts';
import { stick } from './member/stick.ts';
import type { BoxKind, Placed } from './placed.ts';
import type { Words } from './words.ts';

/** What stands around the value of a setting. */
type AroundValue = Omit<SettingOf<SettingKind>, 'kind' | 'value'>;

interface Readable<K extends SettingKind> extends SettingDefinition<K> {
	/** Reads the value, and with `ended` what stands behind it; undefined where the value cannot be read. */
	readWhole(words: Words, ended: () => AroundValue): SettingOf<K> | undefined;
}

function readable<K extends SettingKind>(definition: SettingDefinition<K>): Readable<K> {
	return {
		...definition,
		readWhole(words, ended) {
			const value = definition.read(words);
			const around = ended();
			return value === undefined ? undefined : { kind: definition.kind, value, ...around };
		}
	};
}

/** Every setting of the language, in the order in which they are shown and declared. */
export const settings: { readonly [K in SettingKind]: Readable<K> } = {
	width: readable(width),
	height: readable(height),
	min: readable(min),
	max: readable(max),
	aspect: readable(aspect),
	pad: readable(pad),
	margin: readable(margin),
	border: readable(border),
	background: readable(background),
	gap: readable(gap),
	contain: readable(contain),
	scroll: readable(scroll),
	show: readable(show),
	stick: readable(stick),
	shadow: readable(shadow),
	shrink: readable(shrink),
	overlap: readable(overlap),
	size: readable(size),
	span: readable(span),
	offset: readable(offset),
	'new-row': readable(newRow),
	'place-self': readable(placeSelf),
	order: readable(order),
	label: readable(label),
	skip: readable(skip)
};

export const allSettings: readonly SettingDefinition<SettingKind>[] = Object.values(settings);

/** The settings that a kind of box can say. */
export function settingsOn(box: BoxKind): SettingKind[] {
	return allSettings.filter(({ on }) => on.includes(box)).map(({ kind }) => kind);
}

/** The settings that do what a property of a style would do. */
export function settingsLike(property: string): SettingKind[] {
	return allSettings.filter(({ inStyles }) => inStyles?.test(property)).map(({ kind }) => kind);
}

/** The sizes in a setting, in the order in which they are written. */
export function sizesIn<K extends SettingKind>({ kind, value }: SettingOf<K>): readonly Size[] {
	return settings[kind].sizes?.(value) ?? [];
}

/** The colours in a setting. */
export function coloursIn<K extends SettingKind>({ kind, value }: SettingOf<K>): readonly string[] {
	return settings[kind].colours?.(value) ?? [];
}

/** What all settings of a box mean in CSS. */
export function declareSettings(placed: Placed): Declarations {
	const said = allSettings.filter(({ kind }) => placed.settings[kind] !== undefined);
	return Object.assign({}, ...said.map(({ kind }) => declareOne(kind, placed)));
}

function declareOne<K extends SettingKind>(kind: K, placed: Placed): Declarations {
	const value = placed.settings[kind];
	return value === undefined ? {} : (settings[kind].declare?.(placed, value) ?? {});
}
