import { plainLayout } from '../example.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import type { Arrangement } from '../../model/arrange.ts';
import type { Setting } from '../../model/setting.ts';
import { pagesOf, type Member, type Piece } from '../../model/site.ts';
import { membersIn, type Holder } from '../../resolve/boxes/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import type { WholeCheck } from '../check.ts';

const inColumns = (span: string): string =>
	plainLayout(
		`region cards as div { arrange columns 3; piece bean { ${span}pad 4px } """<p>Bean</p>"""; piece pea { ${span}pad 4px } """<p>Pea</p>""" }`
	);

/** What stands in a box that may arrange it, on some page. */
interface Standing {
	readonly box: Holder;
	readonly contents: readonly { readonly settings: readonly Setting[] }[];
}

export const columnsUnspanned: WholeCheck = {
	of: 'whole',
	codes: ['columns-unspanned'],
	what: 'In columns something says how many it takes.',
	why: 'What says nothing takes all of them, so that everything lies one below the other.',
	examples: { 'columns-unspanned': { wrong: inColumns(''), mended: inColumns('span 1; ') } },
	find(resolved) {
		const open = new Map<Arrangement, string>();
		const spanned = new Set<Arrangement>();
		for (const { box, contents } of standingIn(resolved)) {
			for (const arrangement of box.arrangements) {
				if (arrangement.kind !== 'columns' || arrangement.columns < 2) continue;
				const says = contents.some(({ settings }) =>
					settings.some(({ kind }) => kind === 'span' || kind === 'offset')
				);
				if (says) spanned.add(arrangement);
				else if (contents.length > 1) open.set(arrangement, box.name.text);
			}
		}
		return [...open].flatMap(([arrangement, box]): Problem[] => {
			if (spanned.has(arrangement) || arrangement.kind !== 'columns') return [];
			return [warning('columns-unspanned', arrangement.span, box, arrangement.columns)];
		});
	}
};

function standingIn(resolved: ResolvedSite): Standing[] {
	const frames = resolved.site.layouts.flatMap((layout): Standing[] =>
		[layout, ...membersIn(layout.members)].flatMap((box) =>
			box.kind === 'region' ? [] : [{ box, contents: box.members }]
		)
	);
	const regions = pagesOf(resolved.site).flatMap((page) =>
		resolved.page(page).regions.map(({ region, landed }): Standing => {
			const contents = landed.map((one): Member | Piece | { settings: readonly Setting[] } =>
				one.kind === 'layout' ? one.layout : one.piece
			);
			return { box: region, contents };
		})
	);
	return [...frames, ...regions];
}
