import { plainLayout } from '../../example.ts';
import { hint, warning, type Problem } from '../../../messages/problem.ts';
import { takenUnsaid, type Arrangement, type ColumnsArrangement } from '../../../model/arrange.ts';
import type { WholeCheck } from '../../check.ts';
import { standingIn, type Content } from '../standing.ts';

const inColumns = (span: string, each = ''): string =>
	plainLayout(
		`region cards as div { arrange columns 3${each}; piece bean { ${span}pad 4px } """<p>Bean</p>"""; piece pea { ${span}pad 4px } """<p>Pea</p>""" }`
	);

export const columnsUnspanned: WholeCheck = {
	of: 'whole',
	codes: ['columns-unspanned', 'each-idle'],
	what: 'In columns something says how many it takes; what the arrangement says of each is for those that do not.',
	why: 'What says nothing takes all of them, so that everything lies one below the other.',
	examples: {
		'columns-unspanned': { wrong: inColumns(''), mended: inColumns('span 1; ') },
		'each-idle': { wrong: inColumns('span 2; ', ' each 1'), mended: inColumns('span 2; ') }
	},
	find(resolved) {
		const open = new Map<Arrangement, string>();
		const spanned = new Set<Arrangement>();
		const idle = new Map<ColumnsArrangement, string>();
		const asked = new Set<ColumnsArrangement>();
		for (const { box, contents } of standingIn(resolved)) {
			for (const arrangement of box.arrangements) {
				if (arrangement.kind !== 'columns' || arrangement.columns < 2) continue;
				if (arrangement.each && contents.length > 0) {
					if (contents.every(saysSpan)) idle.set(arrangement, box.name.text);
					else asked.add(arrangement);
				}
				if (takenUnsaid(arrangement) !== 'all') continue;
				const says = contents.some(({ settings }) =>
					settings.some(({ kind }) => kind === 'span' || kind === 'offset')
				);
				if (says) spanned.add(arrangement);
				else if (contents.length > 1) open.set(arrangement, box.name.text);
			}
		}
		const unspanned = [...open].flatMap(([arrangement, box]): Problem[] => {
			if (spanned.has(arrangement) || arrangement.kind !== 'columns') return [];
			return [warning('columns-unspanned', arrangement.span, box, arrangement.columns)];
		});
		const eachIdle = [...idle].flatMap(([{ each }, box]): Problem[] =>
			each && ![...asked].some((one) => one.each === each)
				? [hint('each-idle', each.span, box, each.count)]
				: []
		);
		return [...unspanned, ...eachIdle];
	}
};

function saysSpan({ settings }: Content): boolean {
	return settings.some(({ kind }) => kind === 'span');
}
