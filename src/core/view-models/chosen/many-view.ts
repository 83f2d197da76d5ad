import type { SizedRef } from '../../model/command.ts';
import type { SettingKind } from '../../model/setting.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { boxView, type BoxView, type Overhang, type StripRow } from './box-view.ts';

/** Several boxes and pieces as one: what they have in common, and what differs. */
export interface ManyView {
	readonly refs: readonly SizedRef[];
	readonly names: readonly string[];
	/** As a view of one box, with the values that all of them have, and `mixed` where they differ. */
	readonly view: BoxView;
	/** How many columns they lie in, where all lie in one box that arranges in columns. */
	readonly columns: number | undefined;
}

/**
 * What there is to say about several boxes where their layouts are `width` px wide; undefined for fewer than two. Throws a
 * CommandRefused where one of them is not there.
 */
export function manyView(
	resolved: ResolvedSite,
	refs: readonly SizedRef[],
	width: number
): ManyView | undefined {
	const views = refs.map((ref) => boxView(resolved, ref, width));
	const [first, ...others] = views;
	if (!first || others.length === 0) return undefined;
	const canSay = (setting: SettingKind): boolean =>
		views.every(({ strip, unsaid }) =>
			[...strip, ...unsaid].some((one) => one.setting === setting)
		);
	const said = new Set(views.flatMap(({ strip }) => strip.map(({ setting }) => setting)));
	const rows = [...first.strip, ...first.unsaid].filter(({ setting }) => canSay(setting));
	const strip = rows
		.filter(({ setting }) => said.has(setting))
		.map((row): StripRow => ({ ...row, overhangs: commonOverhangs(views, row.setting) }));
	const names = views.map(({ name }) => name);
	const { parent } = first;
	const around = JSON.stringify(parent?.ref);
	const together = views.every((one) => JSON.stringify(one.parent?.ref) === around);
	const outer = parent && together ? boxView(resolved, parent.ref, width) : undefined;
	const inColumns = outer?.arrangement?.kind === 'columns' ? outer.arrangement.count : undefined;
	return {
		refs,
		names,
		view: {
			...first,
			name: `${views.length} chosen`,
			arrangement: undefined,
			parent: together ? parent : undefined,
			members: [],
			siblings: together ? first.siblings : [],
			strip,
			unsaid: first.unsaid.filter(({ setting }) => canSay(setting) && !said.has(setting))
		},
		columns: inColumns
	};
}

/** The value of a setting over all bands, where it is the same for all, and where they differ. */
function commonOverhangs(views: readonly BoxView[], setting: SettingKind): Overhang[] {
	const [first] = views;
	const overhangs: Overhang[] = [];
	for (const place of first?.bands.keys() ?? []) {
		const all = views.map((view) => {
			const row = view.strip.find((one) => one.setting === setting);
			return row?.overhangs.find((one) => one.from <= place && place < one.to);
		});
		const values = new Set(all.map((one) => one?.value));
		const [value] = values;
		if (values.size === 1 && value === undefined) continue;
		const isMixed = values.size > 1;
		const shown = isMixed ? mixed : (value ?? '');
		const last = overhangs.at(-1);
		const starts = all.some((one) => one?.from === place);
		if (last?.to === place && last.value === shown && !starts) {
			overhangs[overhangs.length - 1] = { ...last, to: place + 1 };
		} else {
			overhangs.push({ from: place, to: place + 1, value: shown, ...(isMixed && { isMixed }) });
		}
	}
	return overhangs;
}

/** What stands in the place of a value that is another for each. */
const mixed = 'mixed';
