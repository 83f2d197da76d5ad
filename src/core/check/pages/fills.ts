import { fillTarget, isProblem } from '../../resolve/fill-target.ts';
import { nothing, type LayerCheck } from '../check.ts';

export const fills: LayerCheck = {
	of: 'layer',
	codes: ['fill-locked', 'fill-slot', 'fill-no-layout', 'fill-no-region'],
	what: 'Every fill has a region further out that it may fill.',
	why: 'What a fill brings would be on no page.',
	examples: {
		'fill-locked': {
			wrong: `layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { locked; piece small """<p>Seed</p>""" }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>"""; fill foot after { piece more """<p>More</p>""" } }`,
			mended: `layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { piece small """<p>Seed</p>""" }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>"""; fill foot after { piece more """<p>More</p>""" } }`
		},
		'fill-slot': {
			wrong: `layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { piece small """<p>Seed</p>""" }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>"""; fill main instead { piece more """<p>More</p>""" } }`,
			mended: `layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { piece small """<p>Seed</p>""" }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>"""; fill main after { piece more """<p>More</p>""" } }`
		},
		'fill-no-layout': {
			wrong: `layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { piece small """<p>Seed</p>""" }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>"""; fill shelf.foot after { piece more """<p>More</p>""" } }`,
			mended: `layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { piece small """<p>Seed</p>""" }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>"""; fill frame.foot after { piece more """<p>More</p>""" } }`
		},
		'fill-no-region': {
			wrong: `layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { piece small """<p>Seed</p>""" }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>"""; fill feet after { piece more """<p>More</p>""" } }`,
			mended: `layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { piece small """<p>Seed</p>""" }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>"""; fill foot after { piece more """<p>More</p>""" } }`
		}
	},
	find(layer, { structure }) {
		if (layer.fills.length === 0) return nothing;
		const chain = structure.chainOf(layer);
		return layer.fills.map((fill) => fillTarget(fill, layer, chain)).filter(isProblem);
	}
};
