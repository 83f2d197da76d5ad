import { sizedOfView, valueNow, type BoxView } from './box-view.ts';
import type { SettingKind } from '../../model/setting.ts';
import type { Command } from '../../model/command.ts';

/** Something that can be done with a region's place, by a button or a key. */
export interface Action {
	/** A word for a button that stands with what it is done to. */
	readonly name: string;
	/** The same by itself, with what it is done to: "Lock head of commons". */
	readonly does: string;
	readonly key: string;
	readonly command: Command;
	readonly on: boolean;
}

/** What a region can do in the arrangement around it, in the band that is shown. */
export function sizeActions(view: BoxView): Action[] {
	const box = sizedOfView(view);
	if (!box) return [];
	const band = view.bands[view.band] ?? '';
	const set = (setting: SettingKind, value: string): Command => {
		return { kind: 'set-setting', box, setting, value, band };
	};
	const size = valueNow(view, 'size');
	const its = 'box' in box ? box.box : box.piece;
	switch (view.parent?.kind) {
		case 'row':
		case 'stack':
			return [
				{
					name: 'fill',
					does: `Let ${its} take the room that is left`,
					key: 'F',
					command: set('size', 'fill'),
					on: size?.startsWith('fill') ?? false
				},
				{
					name: 'hug',
					does: `Make ${its} as large as what is in it`,
					key: 'H',
					command: set('size', 'hug'),
					on: size === undefined || size === 'hug'
				}
			];
		case 'columns': {
			const below = valueNow(view, 'new-row') === 'on';
			return [
				{
					name: 'beside',
					does: `Put ${its} beside what comes before it`,
					key: 'S',
					command: set('new-row', 'off'),
					on: !below
				},
				{
					name: 'below',
					does: `Put ${its} below what comes before it`,
					key: 'W',
					command: set('new-row', ''),
					on: below
				}
			];
		}
		default:
			return [];
	}
}
