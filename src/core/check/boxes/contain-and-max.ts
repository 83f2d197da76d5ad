import { plainLayout } from '../example.ts';
import { hint, type Problem } from '../../messages/problem.ts';
import { bandPlaces, settingHolding, settingsAt } from '../../resolve/bands.ts';
import { boxesOf } from '../../resolve/boxes/members.ts';
import type { LayerCheck } from '../check.ts';
import { nothing } from '../check.ts';

const box = (says: string): string =>
	plainLayout(`region note as section { label "Note"; ${says}; piece words """<p>Frost</p>""" }`);

export const containAndMax: LayerCheck = {
	of: 'layer',
	codes: ['contain-and-max'],
	what: 'What is centred by its content has no greatest width of its own.',
	why: 'The greatest width keeps the box itself to its beginning, and its content is centred in that: it stands off the middle of the page.',
	examples: {
		'contain-and-max': {
			wrong: box('contain 85%; max 1150px'),
			mended: box('contain min(85%, 1150px)')
		}
	},
	find(layer, { site: { settings } }) {
		if (layer.kind !== 'layout') return nothing;
		return boxesOf(layer).flatMap((one): Problem[] => {
			for (const place of bandPlaces(settings.bands)) {
				const { contain = 'none', max } = settingsAt(one.settings, settings.bands, place);
				if (contain === 'none' || !max || max.width === 'none') continue;
				const said = settingHolding(one.settings, 'max', settings.bands, place);
				if (!said) continue;
				return [hint('contain-and-max', said.span, one.name.text, `min(${contain}, ${max.width})`)];
			}
			return [];
		});
	}
};
