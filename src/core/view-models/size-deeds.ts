import { valueNow, type BoxView } from './box-view.ts';
import type { SettingKind } from '../model/setting.ts';
import type { Wish } from '../model/wish.ts';

/** Something that can be done with a region's place, by a button or a key. */
export interface Deed {
	readonly name: string;
	readonly key: string;
	readonly wish: Wish;
	readonly on: boolean;
}

/** What a region can do in the arrangement around it, in the band that is shown. */
export function sizeDeeds(view: BoxView): Deed[] {
	const band = view.bands[view.band] ?? '';
	const set = (setting: SettingKind, value: string): Wish => {
		return { kind: 'set-setting', box: view.ref, setting, value, band };
	};
	const size = valueNow(view, 'size');
	switch (view.parent?.kind) {
		case 'row':
		case 'stack':
			return [
				{
					name: 'fill',
					key: 'F',
					wish: set('size', 'fill'),
					on: size?.startsWith('fill') ?? false
				},
				{
					name: 'hug',
					key: 'H',
					wish: set('size', 'hug'),
					on: size === undefined || size === 'hug'
				}
			];
		case 'columns': {
			const below = valueNow(view, 'new-row') === 'on';
			return [
				{ name: 'beside', key: 'S', wish: set('new-row', 'off'), on: !below },
				{ name: 'below', key: 'W', wish: set('new-row', ''), on: below }
			];
		}
		default:
			return [];
	}
}
