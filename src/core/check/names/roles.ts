import { plainSite } from '../example.ts';
import { error, warning } from '../../messages/problem.ts';
import { listWords } from '../../messages/wording.ts';
import { layerName, type Layer } from '../../model/site.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import { admittingLayers, hasSeenBy, rolesOf } from '../../resolve/roles.ts';
import { placeWords, type Named } from '../../model/span.ts';
import { nothing, type LayerCheck } from '../check.ts';

export const roleUnknown: LayerCheck = {
	of: 'layer',
	codes: ['role-unknown'],
	what: 'Every role that is named is one of the site’s.',
	why: 'A slip in a role’s name would keep everyone out, or no one.',
	examples: {
		'role-unknown': {
			wrong: plainSite(
				'roles { visitor; keeper }',
				`layout frame at / { description "Seed that is lent."; region main as main { slot } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }\nroute /desk { title "Desk"; admit keepers; piece text """<h1>Desk</h1>""" }`
			),
			mended: plainSite(
				'roles { visitor; keeper }',
				`layout frame at / { description "Seed that is lent."; region main as main { slot } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }\nroute /desk { title "Desk"; admit keeper; piece text """<h1>Desk</h1>""" }`
			)
		}
	},
	find(layer, { site }) {
		const known = site.settings.roles.map((role) => role.text);
		return namedIn(layer)
			.filter((role) => !known.includes(role.text))
			.map((role) => error('role-unknown', role.span, role.text, listWords(known)));
	}
};

/** Every place where a layer names roles: who is let in, and for whom something is. */
function namedIn(layer: Layer): readonly Named[] {
	return [
		...rolesOf(layer),
		...layer.fills.flatMap((fill) => fill.seenBy),
		...piecesIn(layer).flatMap((piece) => piece.seenBy)
	];
}

export const admitWider: LayerCheck = {
	of: 'layer',
	reaches: 'site',
	codes: ['admit-wider'],
	what: 'A layer lets in no one whom a layer around it keeps out.',
	why: 'It would say that someone may come in who never gets there.',
	examples: {
		'admit-wider': {
			wrong: plainSite(
				'roles { visitor; keeper }',
				`layout frame at / { description "Seed that is lent."; region main as main { slot } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }\nroute /desk { title "Desk"; admit keeper }\nroute /desk/open { title "Open"; admit visitor }`
			),
			mended: plainSite(
				'roles { visitor; keeper }',
				`layout frame at / { description "Seed that is lent."; region main as main { slot } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }\nroute /desk { title "Desk"; admit keeper visitor }\nroute /desk/open { title "Open"; admit visitor }`
			)
		}
	},
	find(layer, { structure, reading }) {
		if (rolesOf(layer).length === 0) return nothing;
		const outer = admittingLayers(layer, structure).filter((one) => one !== layer);
		return rolesOf(layer).flatMap((role) => {
			const closed = outer.find((one) => !admits(one, role.text));
			const [said] = closed ? rolesOf(closed) : [];
			if (!closed || !said) return [];
			const place = placeWords(said.span, reading.files.texts);
			const what = `${closed.kind} ${layerName(closed)}`;
			return [error('admit-wider', role.span, layerName(layer), role.text, what, place)];
		});
	}
};

export const seenByNone: LayerCheck = {
	of: 'layer',
	reaches: 'site',
	codes: ['seen-by-none'],
	what: 'What is for some roles is where they come.',
	why: 'Nobody would ever see it.',
	examples: {
		'seen-by-none': {
			wrong: plainSite(
				'roles { visitor; keeper }',
				`layout frame at / { description "Seed that is lent."; region main as main { slot } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }\nroute /desk { title "Desk"; admit keeper; piece text for visitor """<h1>Desk</h1>""" }`
			),
			mended: plainSite(
				'roles { visitor; keeper }',
				`layout frame at / { description "Seed that is lent."; region main as main { slot } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }\nroute /desk { title "Desk"; admit keeper; piece text for keeper """<h1>Desk</h1>""" }`
			)
		}
	},
	find(layer, { structure }) {
		if (!hasSeenBy(layer)) return nothing;
		const said = [...layer.fills, ...piecesIn(layer)].filter(({ seenBy }) => seenBy.length > 0);
		const closing = admittingLayers(layer, structure);
		return said.flatMap(({ seenBy }) => {
			const by = closing.find((one) => !seenBy.some((role) => admits(one, role.text)));
			const [role] = seenBy;
			if (!by || !role) return [];
			const names = listWords(seenBy.map(({ text }) => text));
			return [warning('seen-by-none', role.span, names, layerName(by))];
		});
	}
};

function admits(layer: Layer, role: string): boolean {
	return rolesOf(layer).some(({ text }) => text === role);
}
