import { frameBoxWords, saidOfBoxes, type FrameMove } from '../../author-styles/frame-moves.ts';
import { paintsToo } from '../../emit/css/boxes/held.ts';
import { hint, warning } from '../../messages/problem.ts';
import { instanceUnder } from '../subject/page-under.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import type { WholeCheck } from '../check.ts';
import { plainLayout } from '../example.ts';

/** The layout of the example, whose menu a sheet of the site's own names by its class. */
function menu(says: string): string {
	return plainLayout(
		`sheet "site.css"; ${says}region menu as nav { attributes """ class="menu" """; piece words """<p>All seed is lent.</p>""" }`
	);
}

/**
 * Nothing of the tool is in front of sheets of the site's own, so what they say of how a box lies wins over settings.
 */
export const sheetMovesBox: WholeCheck = {
	of: 'whole',
	codes: ['sheet-moves-box'],
	what: 'No sheet of the site’s own resizes or moves a box of the frame.',
	why: 'Computed boxes know settings, not sheets.',
	examples: {
		'sheet-moves-box': {
			wrong: menu(''),
			mended: menu('sheets paint; pad 8px; '),
			files: { 'site.css': '.menu { padding: 8px; color: #223344 }' }
		}
	},
	find: (resolved) =>
		saidInSheets(resolved, false).map(({ span, property, box, advice, layout }) =>
			warning('sheet-moves-box', span, property, box, layout, advice)
		),
	mend({ details: [, , layout] }) {
		return typeof layout === 'string'
			? { kind: 'set-sheets', name: layout, do: 'paint' }
			: undefined;
	}
};

/** Where sheets only paint, what they say of how a box lies is read in vain. */
export const sheetHeld: WholeCheck = {
	of: 'whole',
	codes: ['sheet-held'],
	what: 'Where sheets only paint the boxes of a layout, they say nothing of how those lie.',
	why: 'It does nothing there, and whoever reads the sheet believes that it does.',
	examples: {
		'sheet-held': {
			wrong: menu('sheets paint; '),
			mended: menu('sheets paint; ').replace('class="menu"', 'class="list"'),
			files: { 'site.css': '.menu { padding: 8px }' }
		}
	},
	find: (resolved) =>
		saidInSheets(resolved, true)
			.filter(({ property }) => !paintsToo(property))
			.map(({ span, property, box, advice, layout }) =>
				hint('sheet-held', span, property, box, layout, advice)
			)
};

interface SaidInSheet extends Pick<FrameMove, 'span' | 'property' | 'advice'> {
	readonly box: string;
	readonly layout: string;
}

/** What sheets say of how boxes lie, once for each place: what moves them, or what is held from that. */
function saidInSheets(resolved: ResolvedSite, isHeld: boolean): SaidInSheet[] {
	const found = new Map<string, SaidInSheet>();
	for (const { move, layout } of movesIn(resolved)) {
		const [box] = move.boxes;
		const { span, property, advice } = move;
		const where = `${span.file} ${span.from}`;
		if (!box || move.isHeld !== isHeld || found.has(where)) continue;
		found.set(where, { span, property, advice, box: frameBoxWords(box), layout });
	}
	return [...found.values()];
}

/** For each layout of boxes, what sheets say of those on a page under it. */
function movesIn(resolved: ResolvedSite): { move: FrameMove; layout: string }[] {
	return resolved.site.layouts.flatMap((layout) => {
		const instance = layout.frame ? undefined : instanceUnder(layout, resolved);
		if (!instance) return [];
		const moves = saidOfBoxes(instance, resolved, 2000, ({ isSheet }) => isSheet === true);
		const name = layout.name.text;
		return moves.flatMap((move) => {
			const boxes = move.boxes.filter((box) => box.layout === name);
			return boxes.length === 0 ? [] : [{ move: { ...move, boxes }, layout: name }];
		});
	});
}
