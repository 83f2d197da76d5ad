import type { Severity } from '../messages/severity.ts';
import { counted } from '../messages/wording.ts';
import { saidOnce, type Found, type SheetRow } from './sheet-row.ts';

/** A line of what stands under the drawings of a page. */
export interface TileLine {
	/** Of what was found; `fine` where nothing was. */
	readonly mark: Severity | 'fine' | undefined;
	readonly text: string;
	/** The page it is about, where that is one that only draws like the one shown. */
	readonly on?: string;
}

const mostFound = 3;
const mostBehind = 2;

/** What was found on a page, then what its widths disagree on; `found` says what is found on a page by all checks. */
export function tileLines(
	row: SheetRow,
	behind: readonly SheetRow[],
	found: (page: string) => readonly Found[]
): TileLine[] {
	const all = (one: SheetRow): readonly Found[] => saidOnce([...found(one.page), ...one.found]);
	const own = all(row);
	const lines: TileLine[] = own
		.slice(0, mostFound)
		.map(({ severity, sentence }) => ({ mark: severity, text: sentence }));
	if (own.length === 0) {
		lines.push({ mark: 'fine', text: row.estimated ? 'nothing found so far' : 'nothing found' });
	}
	if (own.length > mostFound) lines.push(plain(counted(own.length - mostFound, 'more finding')));
	lines.push(...linesBehind(new Set(own.map(({ sentence }) => sentence)), behind, all));
	lines.push(...row.words.map(plain));
	if (row.words.length === 0) lines.push(plain('the same at every width drawn'));
	if (row.estimated) lines.push(plain('sizes are still estimated'));
	return lines;
}

/** What only pages have that draw like the one that is shown. */
function linesBehind(
	known: ReadonlySet<string>,
	behind: readonly SheetRow[],
	all: (one: SheetRow) => readonly Found[]
): TileLine[] {
	const bySentence = new Map<string, { severity: Severity; on: string; more: number }>();
	for (const one of behind) {
		for (const { severity, sentence } of all(one)) {
			if (known.has(sentence)) continue;
			const first = bySentence.get(sentence);
			if (first) first.more++;
			else bySentence.set(sentence, { severity, on: one.page, more: 0 });
		}
	}
	const lines = [...bySentence]
		.slice(0, mostBehind)
		.map(([sentence, { severity, on, more }]): TileLine => {
			const rest = more > 0 ? ` (and ${more} more of these)` : '';
			return { mark: severity, text: sentence + rest, on };
		});
	const left = bySentence.size - lines.length;
	return left > 0
		? [...lines, plain(`${counted(left, 'more finding')} on pages that draw alike`)]
		: lines;
}

function plain(text: string): TileLine {
	return { mark: undefined, text };
}

/** px: of a line, and of a letter on average, as these words are set. */
const lineHeight = 17;
const letter = 6.1;
const markWidth = 18;

/** px that lines take in a width (px); a little more than they need rather than less. */
export function linesHeight(lines: readonly TileLine[], width: number): number {
	const rows = lines.map(({ mark, text, on = '' }) => {
		const marked = mark === undefined || mark === 'fine' ? 0 : markWidth;
		return Math.max(1, Math.ceil(((text.length + on.length) * letter + marked) / width));
	});
	return rows.reduce((sum, one) => sum + one * lineHeight, 0);
}
