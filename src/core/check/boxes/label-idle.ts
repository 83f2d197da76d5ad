import { plainLayout } from '../example.ts';
import { warning } from '../../messages/problem.ts';
import { nothing, type LayerCheck } from '../check.ts';

export const labelIdle: LayerCheck = {
	of: 'layer',
	codes: ['label-idle'],
	what: 'Only elements that have a role are given a name.',
	why: 'Assistive technology names landmarks and sections; the name of a plain box is not read.',
	examples: {
		'label-idle': {
			wrong: plainLayout('region note as div { label "Note"; piece words """<p>Frost</p>""" }'),
			mended: plainLayout('region note as section { label "Note"; piece words """<p>Frost</p>""" }')
		}
	},
	find(layer) {
		if (layer.kind !== 'layout') return nothing;
		return layer.regions.flatMap((region) => {
			const label = region.settings.find((setting) => setting.kind === 'label');
			if (!label || region.element.text !== 'div') return [];
			const mend = { label: 'Say "as section"', span: region.element.span, insert: 'section' };
			return [{ ...warning('label-idle', label.span, region.name.text), mend }];
		});
	}
};
