import { sides, type SettingsAt, type Show } from '../../model/setting.ts';
import type { Declarations } from '../declarations.ts';
import { alongLines, members, type SettingDefinition } from '../definition.ts';

export const show: SettingDefinition<'show'> = {
	kind: 'show',
	on: members,
	form: 'in-place | hidden | strip | drawer left/right/top/bottom WIDTH "label" [close "label"]',
	says: 'stands in its place, nowhere, in one line that scrolls, or slides in from a side',
	called: 'The way to show a box',
	first: 'hidden',
	read(words) {
		const kinds = ['in-place', 'hidden', 'strip', 'drawer'] as const;
		const kind = words.takeChoice('way to show a box', kinds);
		if (kind !== 'drawer') return kind && { kind };
		const side = words.takeChoice('side', sides);
		const size = side && words.takeUntilText('The drawer');
		const label = size && words.takeText('The opener of the drawer');
		if (!side || !size || label === undefined) return undefined;
		const close = words.takeWord('close') ? words.takeText('The closer of the drawer') : 'Close';
		return close === undefined ? undefined : { kind, side, size: size.text, label, close };
	},
	sizes: (value) => (value.kind === 'drawer' ? [alongLines(value.size)] : [])
};

/** A box that is shown by itself: nothing that its parent says holds for it. */
export function isApart({ show: way }: SettingsAt): boolean {
	return way?.kind === 'drawer' || way?.kind === 'hidden';
}

type Drawer = Pick<Extract<Show, { kind: 'drawer' }>, 'side' | 'size'>;

/** A drawer keeps to its side of the screen, over everything. */
export function declareDrawer({ side, size }: Drawer): Declarations {
	const atStart = side === 'left' || side === 'top';
	const along = atStart ? { start: '0', end: 'auto' } : { start: 'auto', end: '0' };
	const across = { start: '0', end: '0' };
	return side === 'left' || side === 'right'
		? {
				position: 'fixed',
				'inset-block': across,
				'inset-inline': along,
				width: size,
				'max-width': '100%',
				overflow: 'auto'
			}
		: {
				position: 'fixed',
				'inset-inline': across,
				'inset-block': along,
				height: size,
				'max-height': '100dvh',
				overflow: 'auto'
			};
}

/** What drawers declare, at whatever side. */
export const drawerProperties: ReadonlySet<string> = new Set(
	(['left', 'top'] as const).flatMap((side) => Object.keys(declareDrawer({ side, size: '0' })))
);
