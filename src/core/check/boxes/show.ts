import { plainFrame } from '../example.ts';
import { error } from '../../messages/problem.ts';
import { listWords } from '../../messages/wording.ts';
import type { Show } from '../../model/setting.ts';
import type { Piece, Wrapper } from '../../model/site.ts';
import { isDrawer, openerHost } from '../../resolve/boxes/drawers.ts';
import { holdsSlot, membersIn } from '../../resolve/boxes/members.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import { slotOf } from '../../resolve/structure.ts';
import { nothing, type LayerCheck } from '../check.ts';

const waysOfWrapper: readonly Show['kind'][] = ['in-place', 'hidden', 'strip'];
const waysOfPiece: readonly Show['kind'][] = ['in-place', 'hidden'];

export const showNotHere: LayerCheck = {
	of: 'layer',
	codes: ['show-not-here'],
	what: 'Only regions become drawers, and only what arranges something becomes a strip.',
	why: 'A drawer needs an opener and a name, a strip something to put side by side.',
	examples: {
		'show-not-here': {
			wrong: `${plainFrame}\nroute / { title "Home"; piece text { show strip } """<h1>Seed</h1>""" }`,
			mended: `${plainFrame}\nroute / { title "Home"; piece text { show hidden; show in-place @wide } """<h1>Seed</h1>""" }`
		}
	},
	find(layer) {
		const members = layer.kind === 'layout' ? membersIn(layer.members) : [];
		return [...piecesIn(layer), ...members].flatMap((box) =>
			box.kind === 'region' ? [] : shownWrongly(box)
		);
	}
};

function shownWrongly(box: Wrapper | Piece): ReturnType<LayerCheck['find']> {
	const ways = box.kind === 'wrapper' ? waysOfWrapper : waysOfPiece;
	return box.settings.flatMap((one) => {
		if (one.kind !== 'show' || ways.includes(one.value.kind)) return [];
		const list = listWords(ways, 'or');
		return [error('show-not-here', one.valueSpan, box.name.text, one.value.kind, list)];
	});
}

export const slotHidden: LayerCheck = {
	of: 'layer',
	codes: ['slot-hidden'],
	what: 'The slot is there in every band.',
	why: 'Every page lands in it.',
	examples: {
		'slot-hidden': {
			wrong: `layout frame at / { region main as main { slot; show hidden } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }`,
			mended: `layout frame at / { region main as main { slot } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }`
		}
	},
	find(layer) {
		if (layer.kind !== 'layout') return nothing;
		const slot = slotOf(layer);
		return membersIn(layer.members)
			.filter((member) => holdsSlot(member, slot))
			.flatMap(({ settings, name }) =>
				settings.flatMap((one) => {
					const isAway =
						one.kind === 'show' && (one.value.kind === 'hidden' || one.value.kind === 'drawer');
					return isAway ? [error('slot-hidden', one.span, name.text, layer.name.text)] : [];
				})
			);
	}
};

export const drawerNoPlace: LayerCheck = {
	of: 'layer',
	codes: ['drawer-no-place'],
	what: 'Every drawer has a place for its opener.',
	why: 'No one could open it.',
	examples: {
		'drawer-no-place': {
			wrong: `layout frame at / { region menu as nav { slot; show drawer left 280px "Menu" } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }`,
			mended: `layout frame at / {\n  region head as header { piece brand """<p>Seed</p>""" }\n  region menu as nav { show drawer left 280px "Menu"; piece links """<a href="/">Home</a>""" }\n  region main as main { slot }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }`
		}
	},
	find(layer, { site }) {
		if (layer.kind !== 'layout') return nothing;
		return layer.regions
			.filter((region) => isDrawer(region) && !openerHost(region, layer, site.settings.bands))
			.map((region) => {
				const said = region.settings.find(
					(one) => one.kind === 'show' && one.value.kind === 'drawer'
				);
				const span = said?.span ?? region.name.span;
				return error('drawer-no-place', span, region.name.text, layer.name.text);
			});
	}
};
