import { plainLayout } from '../../example.ts';
import { error, type Problem } from '../../../messages/problem.ts';
import type { Site } from '../../../model/site.ts';
import type { Span } from '../../../model/span.ts';
import { arrangementAt, bandPlaces, settingHolding, settingsAt } from '../../../resolve/bands.ts';
import type { LayerCheck } from '../../check.ts';
import { placementsIn, settingAtPlace, type Placement } from '../members.ts';

export const spanTooWide: LayerCheck = {
	of: 'layer',
	codes: ['span-too-wide'],
	what: 'No box spans more columns than there are.',
	why: 'Browsers would make columns that no one has set a width for.',
	examples: {
		'span-too-wide': {
			wrong: plainLayout(
				'arrange columns 4; region note as div { span 5; piece words """<p>Frost</p>""" }'
			),
			mended: plainLayout(
				'arrange columns 4; region note as div { span 4; piece words """<p>Frost</p>""" }'
			)
		}
	},
	find: (layer, resolved) =>
		placementsIn(layer, resolved).flatMap((placement) => tooWide(placement, resolved.site)),
	mend(problem, resolved) {
		const there = settingAtPlace(problem.span, resolved);
		if (problem.code !== 'span-too-wide' || there?.setting.kind !== 'span') return undefined;
		const [, , offset, columns] = problem.details;
		const most = columns - offset;
		if (most < 1) return undefined;
		const { box, band } = there;
		return { kind: 'set-setting', box, setting: 'span', value: String(most), band };
	}
};

function tooWide({ member, around, said }: Placement, { settings: { bands } }: Site): Problem[] {
	const problems = new Map<Span, Problem>();
	for (const place of bandPlaces(bands)) {
		const inside = arrangementAt(around.arrangements, bands, place);
		if (inside?.kind !== 'columns') continue;
		const { span, offset = 0 } = settingsAt(member.settings, bands, place);
		const columns = span === undefined || span.columns === 'all' ? 1 : span.columns;
		if (columns + offset <= inside.columns) continue;
		const kind = columns > inside.columns || offset === 0 ? 'span' : 'offset';
		const setting = settingHolding(member.settings, kind, bands, place);
		if (!setting || !said.includes(setting)) continue;
		const details = [member.name.text, columns, offset, inside.columns] as const;
		problems.set(setting.span, error('span-too-wide', setting.span, ...details));
	}
	return [...problems.values()];
}
