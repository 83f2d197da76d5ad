import { plainLayout } from '../example.ts';
import { hint, type Problem } from '../../messages/problem.ts';
import type { Span } from '../../model/span.ts';
import type { Site } from '../../model/site.ts';
import { arrangementAt, bandPlaces, settingsAt } from '../../resolve/bands.ts';
import { boxesOf, type Holder } from '../../resolve/boxes/members.ts';
import { isSizedRef } from '../../model/command.ts';
import type { LayerCheck } from '../check.ts';
import { boxAtArrangement } from './members.ts';

const inStrip = (inner: string): string =>
	plainLayout(
		`region kinds as div { show strip; ${inner}; piece bean { pad 4px } """<p>Bean</p>"""; piece pea { pad 4px } """<p>Pea</p>""" }`
	);

export const stripGap: LayerCheck = {
	of: 'layer',
	codes: ['strip-gap'],
	what: 'A strip has the gap that is said for what is in it.',
	why: 'A strip is a line of its own kind: what the arrangement says does nothing while it is one.',
	examples: {
		'strip-gap': {
			wrong: inStrip('arrange row { gap 20px }'),
			mended: inStrip('arrange row { gap 20px }; gap 20px')
		}
	},
	find: (layer, { site }) => boxesOf(layer).flatMap((box) => idleIn(box, site)),
	mend(problem, resolved) {
		const there = problem.code === 'strip-gap' && boxAtArrangement(problem.span, resolved);
		if (!there || !isSizedRef(there.box)) return undefined;
		const [, value, band] = problem.details;
		return { kind: 'set-setting', box: there.box, setting: 'gap', value, band };
	}
};

function idleIn(box: Holder, { settings: { bands } }: Site): Problem[] {
	const found = new Map<Span, Problem>();
	for (const place of bandPlaces(bands)) {
		const { show, gap } = settingsAt(box.settings, bands, place);
		const arrangement = arrangementAt(box.arrangements, bands, place);
		if (show?.kind !== 'strip' || gap || !arrangement?.gap || found.has(arrangement.span)) continue;
		const band = bands[place]?.name.text ?? '';
		const details = [box.name.text, arrangement.gap.text, band] as const;
		found.set(arrangement.span, hint('strip-gap', arrangement.span, ...details));
	}
	return [...found.values()];
}
