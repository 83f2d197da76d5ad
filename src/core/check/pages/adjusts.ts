import { error, hint, type Problem } from '../../messages/problem.ts';
import { layerName, type Layer } from '../../model/site.ts';
import { adjustedChain, adjustTarget, landingAdjusts } from '../../resolve/adjust.ts';
import { bandPlace, bandPlaces, settingHolding } from '../../resolve/bands.ts';
import { memberNamed } from '../../resolve/boxes/members.ts';
import type { Structure } from '../../resolve/structure.ts';
import { nothing, type LayerCheck } from '../check.ts';

const seed = (adjust: string, foot = ''): string =>
	`layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { ${foot}height 60px; piece small """<p>Seed</p>""" }\n}\nroute / { title "Home"; ${adjust}piece text """<h1>Seed</h1>""" }`;

const framed = (adjust: string): string =>
	`layout frame at / {\n  description "Seed that is lent."\n  head """<meta name="viewport" content="width=device-width">"""\n  frame """<main>{slot}</main><footer>{region foot}<p>Seed</p>{end}</footer>"""\n}\nroute / { title "Home"; ${adjust}piece text """<h1>Seed</h1>""" }`;

export const adjusts: LayerCheck = {
	of: 'layer',
	codes: ['adjust-no-box', 'adjust-no-layout', 'adjust-locked', 'adjust-shrink', 'adjust-in-frame'],
	what: 'What a layer adjusts is there, further out, and may be another on some pages.',
	why: 'What is said of it would hold on no page.',
	examples: {
		'adjust-no-box': {
			wrong: seed('adjust feet { height 90px }; '),
			mended: seed('adjust foot { height 90px }; ')
		},
		'adjust-no-layout': {
			wrong: seed('adjust shelf.foot { height 90px }; '),
			mended: seed('adjust frame.foot { height 90px }; ')
		},
		'adjust-locked': {
			wrong: seed('adjust foot { height 90px }; ', 'locked; '),
			mended: seed('adjust foot { height 90px }; ')
		},
		'adjust-in-frame': {
			wrong: framed('adjust foot { height 90px }; '),
			mended: framed('')
		},
		'adjust-shrink': {
			wrong: seed('adjust foot { shrink 90px to 40px }; '),
			mended: seed('adjust foot { height 90px }; ')
		}
	},
	find(layer, { structure }) {
		if (layer.adjusts.length === 0) return nothing;
		const chain = structure.chainOf(layer);
		return layer.adjusts.flatMap((adjust): Problem[] => {
			const target = adjustTarget(adjust, layer, chain);
			if ('code' in target) return [target];
			return adjust.settings
				.filter(({ kind }) => kind === 'shrink')
				.map(({ span }) => error('adjust-shrink', span, layerName(layer), adjust.box));
		});
	}
};

export const adjustIdle: LayerCheck = {
	of: 'layer',
	codes: ['adjust-idle'],
	what: 'What a layer says of a box further out is something else than is said there.',
	why: 'It changes nothing, and stays behind where the layout is changed one day.',
	examples: {
		'adjust-idle': {
			wrong: seed('adjust foot { height 60px }; '),
			mended: seed('adjust foot { height 90px }; ')
		}
	},
	find: (layer, { structure }) => (layer.adjusts.length === 0 ? nothing : idleIn(layer, structure)),
	mend({ span }, resolved) {
		const text = resolved.reading.files.texts.get(span.file) ?? '';
		const was = text.slice(span.from, span.to);
		return { kind: 'mend-text', label: `Take "${was}" away`, span, was, insert: '' };
	}
};

function idleIn(layer: Layer, structure: Structure): Problem[] {
	const { bands } = structure.site.settings;
	const chain = structure.chainOf(layer);
	const outside = adjustedChain(layer, structure, true);
	return landingAdjusts(layer, chain).flatMap(({ adjust, layout }) => {
		const around = outside[chain.indexOf(layout)];
		const box = around && memberNamed(around, adjust.box);
		if (!box) return [];
		return adjust.settings.flatMap((one) => {
			const others = adjust.settings.filter((other) => other.kind === one.kind && other !== one);
			const from = bandPlace(bands, one.band);
			// With another of its kind it may be what that one goes back to.
			const isSame =
				others.length === 0 &&
				bandPlaces(bands)
					.filter((place) => place >= from)
					.every((place) => {
						const holds = settingHolding(box.settings, one.kind, bands, place);
						return holds && JSON.stringify(holds.value) === JSON.stringify(one.value);
					});
			const words = [layerName(layer), adjust.box, one.kind, layout.name.text] as const;
			return isSame ? [hint('adjust-idle', one.span, ...words)] : [];
		});
	});
}
