import { plainLayout } from '../../example.ts';
import { warning, type Problem } from '../../../messages/problem.ts';
import type { Site } from '../../../model/site.ts';
import type { Span } from '../../../model/span.ts';
import { arrangementAt, bandPlaces, settingHolding, settingsAt } from '../../../resolve/bands.ts';
import { lineOf } from '../../../settings/arrangements/columns.ts';
import type { LayerCheck } from '../../check.ts';
import { placementsIn, type Placement } from '../members.ts';

const offsetIn = (columns: string): string =>
	plainLayout(
		`region cards as div { arrange columns ${columns}; piece bean { span 1 } """<p>Bean</p>"""; piece pea { offset 1; span 1 } """<p>Pea</p>""" }`
	);

export const offsetUneven: LayerCheck = {
	of: 'layer',
	codes: ['offset-uneven'],
	what: 'In columns of sizes of their own, what leaves some free stands where that can be done.',
	why: 'Equal columns can be left free by a margin; of others nobody knows how wide they are, so the box needs a line to begin at.',
	examples: { 'offset-uneven': { wrong: offsetIn('80px 60px 70px'), mended: offsetIn('3') } },
	find: (layer, resolved) =>
		placementsIn(layer, resolved).flatMap((placement) => idleIn(placement, resolved.site))
};

function idleIn({ member, around, said }: Placement, { settings: { bands } }: Site): Problem[] {
	const problems = new Map<Span, Problem>();
	for (const band of bandPlaces(bands)) {
		const inside = arrangementAt(around.arrangements, bands, band);
		const offset = settingHolding(member.settings, 'offset', bands, band);
		if (inside?.kind !== 'columns' || !inside.sizes || offset?.kind !== 'offset') continue;
		if (offset.value === 0 || !said.includes(offset)) continue;
		const members = around.members?.map(({ settings }) => settingsAt(settings, bands, band));
		const place = around.members?.findIndex((one) => one === member) ?? -1;
		if (lineOf({ inside, settings: {}, members, place }) !== undefined) continue;
		const details = [member.name.text, offset.value] as const;
		problems.set(offset.span, warning('offset-uneven', offset.span, ...details));
	}
	return [...problems.values()];
}
