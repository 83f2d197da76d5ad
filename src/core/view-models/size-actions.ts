import { sizedOfView, valueNow, type BoxView } from './box-view.ts';
import type { SettingKind } from '../model/setting.ts';
import type { Command } from '../model/command.ts';

/** Something that can be done with a region's place, by a button or a key. */
export interface Action {
	readonly name: string;
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
	switch (view.parent?.kind) {
		case 'row':
		case 'stack':
			return [
				{
					name: 'fill',
					key: 'F',
					command: set('size', 'fill'),
					on: size?.startsWith('fill') ?? false
				},
				{
					name: 'hug',
					key: 'H',
					command: set('size', 'hug'),
					on: size === undefined || size === 'hug'
				}
			];
		case 'columns': {
			const below = valueNow(view, 'new-row') === 'on';
			return [
				{ name: 'beside', key: 'S', command: set('new-row', 'off'), on: !below },
				{ name: 'below', key: 'W', command: set('new-row', ''), on: below }
			];
		}
		default:
			return [];
	}
}
