import { plainLayout } from '../example.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import type { Arrangement } from '../../model/arrange.ts';
import type { WholeCheck } from '../check.ts';
import { standingIn } from './standing.ts';

const inColumns = (span: string): string =>
	plainLayout(
		`region cards as div { arrange columns 3; piece bean { ${span}pad 4px } """<p>Bean</p>"""; piece pea { ${span}pad 4px } """<p>Pea</p>""" }`
	);

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
