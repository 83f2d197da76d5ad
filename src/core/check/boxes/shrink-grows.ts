import { plainLayout } from '../example.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import { boxesOf } from '../../resolve/boxes/members.ts';
import { bandPlaces } from '../../resolve/bands.ts';
import { tokensAt } from '../../size/tokens.ts';
import { nothing, type LayerCheck } from '../check.ts';
import { fixedPx } from './fixed-px.ts';

export const shrinkGrows: LayerCheck = {
	of: 'layer',
	codes: ['shrink-grows'],
	what: 'What shrinks as one scrolls ends up less tall than it was.',
	why: 'It would do nothing, or cover what follows.',
	examples: {
		'shrink-grows': {
			wrong: plainLayout(
				'region head as header { shrink 44px to 84px; piece brand """<p>Seed</p>""" }'
			),
			mended: plainLayout(
				'region head as header { shrink 84px to 44px; piece brand """<p>Seed</p>""" }'
			)
		}
	},
	find(layer, { site }) {
		if (layer.kind !== 'layout') return nothing;
		const { bands, tokens } = site.settings;
		const values = bandPlaces(bands).map((place) => tokensAt(tokens, bands, place));
		return boxesOf(layer).flatMap(({ settings }) =>
			settings.flatMap((setting): Problem[] => {
				if (setting.kind !== 'shrink' || setting.value === 'none') return [];
				const { from, to } = setting.value;
				const grows = values.some((known) => {
					const [start, end] = [fixedPx(from, known), fixedPx(to, known)];
					return start !== undefined && end !== undefined && end >= start;
				});
				return grows ? [warning('shrink-grows', setting.span, from, to)] : [];
			})
		);
	}
};
