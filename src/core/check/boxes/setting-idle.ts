import { plainLayout } from '../example.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import type { Setting } from '../../model/setting.ts';
import type { Site } from '../../model/site.ts';
import { arrangementAt, bandPlaces, settingHolding, settingsAt } from '../../resolve/bands.ts';
import { boxesOf, type Holder } from '../../resolve/boxes/members.ts';
import { settings } from '../../settings/list.ts';
import type { LayerCheck } from '../check.ts';
import { placementsIn, settingAtPlace, type Placement } from './members.ts';

export const settingIdle: LayerCheck = {
	of: 'layer',
	codes: ['setting-idle'],
	isSafe: () => true,
	what: 'Every setting does something, in some band.',
	why: 'What has no effect is most often meant for another box, or for another arrangement.',
	examples: {
		'setting-idle': {
			wrong: plainLayout('region note as div { span 2; piece words """<p>Frost</p>""" }'),
			mended: plainLayout(
				'arrange columns 4; region note as div { span 2; piece words """<p>Frost</p>""" }'
			)
		}
	},
	find(layer, resolved) {
		const placements = placementsIn(layer, resolved);
		return [
			...placements.flatMap((placement) => idleIn(placement, resolved.site)),
			...boxesOf(layer).flatMap((box) => idleGap(box, box.settings, resolved.site)),
			...placements.flatMap(({ member, said }) => {
				const isAdjusted = said !== member.settings;
				const isHolder = member.kind === 'region' || member.kind === 'wrapper';
				return isAdjusted && isHolder ? idleGap(member, said, resolved.site) : [];
			})
		];
	},
	mend({ span }, resolved) {
		const there = settingAtPlace(span, resolved);
		if (!there) return undefined;
		const { box, setting, band } = there;
		return { kind: 'set-setting', box, setting: setting.kind, value: undefined, band };
	}
};

function idleIn({ member, around, said }: Placement, { settings: { bands } }: Site): Problem[] {
	const useful = new Set<Setting>();
	const kinds = [...new Set(member.settings.map((setting) => setting.kind))];
	for (const place of bandPlaces(bands)) {
		const inside = arrangementAt(around.arrangements, bands, place) ?? { kind: 'flow' };
		const own = settingsAt(member.settings, bands, place);
		const on = member.kind === 'region' || member.kind === 'wrapper' ? member.kind : 'piece';
		for (const kind of kinds) {
			const setting = settingHolding(member.settings, kind, bands, place);
			const { needs } = settings[kind];
			if (setting && (!needs || needs.met(inside, own, on))) useful.add(setting);
		}
	}
	return said.flatMap((setting) => {
		const { needs } = settings[setting.kind];
		if (useful.has(setting) || !needs) return [];
		const why = needs.isWhole
			? needs.said
			: `nothing around ${member.name.text} is arranged ${needs.said}${setting.kind === 'place-self' ? '; what centres content is "contain"' : ''}`;
		return [warning('setting-idle', setting.span, setting.kind, why)];
	});
}

/** A gap between members is one only where something arranges them. */
function idleGap(box: Holder, said: readonly Setting[], { settings: { bands } }: Site): Problem[] {
	const gaps = said.filter((setting) => setting.kind === 'gap');
	if (gaps.length === 0) return [];
	const arranges = bandPlaces(bands).some((place) => {
		const { show } = settingsAt(box.settings, bands, place);
		return show?.kind === 'strip' || arrangementAt(box.arrangements, bands, place);
	});
	if (arranges) return [];
	return gaps.map(({ span }) => warning('setting-idle', span, 'gap', 'nothing is arranged'));
}
