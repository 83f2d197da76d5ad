import { listWords } from '../../messages/wording.ts';
import { warning } from '../../messages/problem.ts';
import { layerName, type Piece } from '../../model/site.ts';
import { attributeOf } from '../../author-styles/page-tree.ts';
import { isSeenBy, keptOutBy } from '../../resolve/roles.ts';
import { placeWords } from '../../model/span.ts';
import { layerSpan } from '../../model/site.ts';
import type { PageCheck } from '../check.ts';
import { Addresses, linkTarget } from '../subject/link-target.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import type { Owner, WrittenPage } from '../subject/written-page.ts';

const desk = (piece: string): string =>
	`site "Seed library" { lang en; bands { narrow 0; wide 1000 }; roles { visitor; keeper } }
layout frame at / { description "Seed that is lent."; region main as main { slot } }
route / { title "Home"; piece text """<h1>Seed</h1>"""; piece tools ${piece} }
route /desk { title "Desk"; admit keeper; piece text """<h1>Desk</h1>""" }`;

export const linkToDenied: PageCheck = {
	of: 'page',
	codes: ['link-to-denied'],
	what: 'Whoever sees a link is let in where it leads.',
	why: 'A link that ends at a closed door tells people of what they may not see.',
	examples: {
		'link-to-denied': {
			wrong: desk('"""<p><a href="/desk">Desk</a></p>"""'),
			mended: desk('for keeper """<p><a href="/desk">Desk</a></p>"""')
		}
	},
	find(page) {
		const { site, structure, reading } = page.resolved;
		const roles = site.settings.roles.map(({ text }) => text);
		if (roles.length === 0) return [];
		const addresses = Addresses.of(page.resolved);
		return page.named('a', 'area').flatMap((element): Occurrence[] => {
			const href = attributeOf(element, 'href');
			const target = linkTarget(href, page.instance.address);
			// What leads to a place of the page itself, such as its content, leaves nobody out.
			if (target?.path === page.instance.address) return [];
			const route = target && addresses.routeAt(target.path);
			const owner = page.ownerOf(element);
			// Lists made from routes leave out what is closed.
			if (!route || !owner || owner.piece?.kind === 'nav') return [];
			const sees = (role: string): boolean =>
				keptOutBy(page.declared, role, structure) === undefined && isFor(owner, role, page);
			const denied = roles.filter((role) => sees(role) && keptOutBy(route, role, structure));
			const by = keptOutBy(route, denied[0], structure);
			if (!by) return [];
			const place = `${layerName(by)}, ${placeWords(layerSpan(by), reading.files.texts)}`;
			const span = page.placeOf(element);
			const words = [href ?? '', listWords(denied), place] as const;
			const problem = warning('link-to-denied', span, ...words);
			return [{ problem, box: page.boxOf(element), cause: href ?? '', weight: denied.length }];
		});
	}
};

function isFor({ layer, piece }: Owner, role: string, page: WrittenPage): boolean {
	if (!piece) return true;
	const holds = ({ pieces }: { readonly pieces: readonly Piece[] }): boolean =>
		pieces.includes(piece);
	const fill = page.page.regions
		.flatMap(({ steps }) => steps)
		.find((step) => step.layer === layer && step.fill && holds(step))?.fill;
	return isSeenBy(piece, role) && (!fill || isSeenBy(fill, role));
}
