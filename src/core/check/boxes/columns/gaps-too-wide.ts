import { plainLayout } from '../../example.ts';
import { warning, type Problem } from '../../../messages/problem.ts';
import { sweepFrom } from '../../../geometry/widths/jumps.ts';
import { bandPlace } from '../../../resolve/bands.ts';
import { boxesOf } from '../../../resolve/boxes/members.ts';
import { splitSizes } from '../../../size/css-tokens.ts';
import { substitute, tokensAt } from '../../../size/tokens.ts';
import type { LayerCheck } from '../../check.ts';
import { nothing } from '../../check.ts';

const columns = (band: string): string =>
	plainLayout(
		`region cards as div { arrange columns 12${band} { gap 30px }; piece bean { span 6 } """<p>Bean</p>"""; piece pea { span 6 } """<p>Pea</p>""" }`
	);

export const gapsTooWide: LayerCheck = {
	of: 'layer',
	codes: ['gaps-too-wide'],
	what: 'The gaps between columns leave room for the columns, on every screen.',
	why: 'However narrow the columns get, the gaps stay, and push the page out at the side.',
	examples: { 'gaps-too-wide': { wrong: columns(''), mended: columns(' @wide') } },
	find(layer, { site: { settings } }) {
		if (layer.kind !== 'layout') return nothing;
		return boxesOf(layer).flatMap((box) =>
			box.arrangements.flatMap((one): Problem[] => {
				if (one.kind !== 'columns' || !one.gap) return [];
				const place = bandPlace(settings.bands, one.band);
				const tokens = tokensAt(settings.tokens, settings.bands, place);
				const parts = splitSizes(substitute(one.gap.text, (name) => tokens.get(name)) ?? '');
				const between = /^([\d.]+)px$/.exec(parts.at(-1) ?? '')?.[1];
				const screen = Math.max(sweepFrom, settings.bands[place]?.from ?? 0);
				const all = Number(between) * (one.columns - 1);
				if (between === undefined || all <= screen) return [];
				const details = [one.columns - 1, Number(between), all, screen] as const;
				return [warning('gaps-too-wide', one.gap.span, box.name.text, ...details)];
			})
		);
	}
};
