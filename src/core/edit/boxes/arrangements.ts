import type { Arrangement, LineArrangement } from '../../model/arrange.ts';
import type { ArrangedRef, ArrangedWord } from '../../model/command.ts';
import { settingHolding } from '../../resolve/bands.ts';
import { contentsOf } from '../../resolve/boxes/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { arrangedAt, removeArrangement, writeArrangement, type Arranged } from './arranged.ts';
import { cellsInColumns, columnsWords } from './columns.ts';
import { bandWord, memberNames } from './find-box.ts';
import { areasText } from './tracks.ts';

/** Edits of the way in which a box arranges, each in one band. */

/** Lets a box arrange in another way from a band on, starting from what holds there; or as narrower again. */
export function setArrangement(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	kind: Arrangement['kind'] | undefined,
	bandName: string
): void {
	const arranged = arrangedAt(resolved, ref, bandName);
	const { box, own } = arranged;
	if (kind === undefined) return removeArrangement(resolved, surgery, ref, arranged, bandName);
	if (own?.kind === kind) return;
	if (kind !== 'areas' && memberNames(box).length === 0 && box.kind !== 'region') {
		throw new CommandRefused(
			`${box.name.text} has nothing to arrange yet: add ${box.kind === 'group' ? 'a piece' : 'a region'} to it.`
		);
	}
	writeArrangement(resolved, surgery, ref, arranged, startingFrom(arranged, kind));
}

/** Says or takes back a word of an arrangement: its gap, or how it spreads and lines up its members. */
export function setArranged(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	word: ArrangedWord,
	value: string | undefined,
	bandName: string
): void {
	const arranged = arrangedAt(resolved, ref, bandName);
	const { box, holds, own: written, band, bands } = arranged;
	if (!holds) throw new CommandRefused(`${box.name.text} is not arranged at ${bandName}.`);
	const line = value === undefined ? undefined : word === 'wrap' ? 'wrap' : `${word} ${value}`;
	if (written !== holds) {
		const own = surgery.statementAt(holds.span);
		const others = (own.block?.statements ?? [])
			.filter((statement) => statement.atoms[0]?.text !== word)
			.map((statement) => surgery.textOf(statement.span));
		const head = own.atoms
			.filter((atom) => atom.kind !== 'band')
			.map(({ span }) => surgery.textOf(span));
		const inner = [...others, ...(line === undefined ? [] : [line])].map((one) => `  ${one}`);
		const first = `${head.join(' ')}${bandWord(bands, band)}`;
		const lines = inner.length === 0 ? [first] : [`${first} {`, ...inner, '}'];
		return writeArrangement(resolved, surgery, ref, arranged, lines);
	}
	surgery.setInner(holds.span, word, line);
}

/** The lines of an arrangement of another kind that shows its members where they are, as far as it can. */
function startingFrom(from: Arranged, kind: Arrangement['kind']): string[] {
	const { holds, band, bands } = from;
	const word = bandWord(bands, band);
	const gap = holds?.gap;
	if (kind === 'areas') {
		if (holds?.kind === 'areas') return areasText(holds, word);
		const { cells, columns } = cellsOf(from);
		const rows = cells.map((row) => ({ cells: row, size: 'auto' }));
		return areasText(
			{ rows, columns: columns === undefined ? undefined : { text: columns }, gap },
			word
		);
	}
	if (kind === 'columns') {
		const words = holds?.kind === 'columns' ? columnsWords(holds) : `columns ${columnCount(from)}`;
		return [`arrange ${words}${word}${inOneLine(gapWords(holds))}`];
	}
	const words = holds?.kind === kind ? lineWords(holds) : gapWords(holds);
	return [`arrange ${kind}${word}${inOneLine(words)}`];
}

function gapWords(holds: Arrangement | undefined): string[] {
	return holds?.gap ? [`gap ${holds.gap.text}`] : [];
}

function lineWords(line: LineArrangement): string[] {
	return [
		...gapWords(line),
		...(line.justify === 'start' ? [] : [`justify ${line.justify}`]),
		...(line.align === 'stretch' ? [] : [`align ${line.align}`]),
		...(line.wrap ? ['wrap'] : [])
	];
}

function inOneLine(words: readonly string[]): string {
	return words.length === 0 ? '' : ` { ${words.join('; ')} }`;
}

/** As many columns as lie side by side; twelve where nothing does. */
function columnCount({ box, holds }: Arranged): number {
	switch (holds?.kind) {
		case 'areas':
			return Math.max(1, holds.rows[0]?.cells.length ?? 1);
		case 'row':
			return Math.max(1, memberNames(box).length);
		default:
			return 12;
	}
}

/** The areas in which members lie as another arrangement has them, with the sizes of their columns. */
function cellsOf(from: Arranged): { cells: string[][]; columns: string | undefined } {
	const { box, holds, band, bands } = from;
	const names = memberNames(box);
	if (names.length === 0) return { cells: [['.']], columns: undefined };
	if (holds?.kind === 'row') {
		const sizes = contentsOf(box).map((one) => {
			const size = settingHolding(one.settings, 'size', bands, band);
			if (size?.kind !== 'size' || size.value.kind === 'hug') return 'auto';
			return size.value.kind === 'fixed' ? size.value.size : `${size.value.share}fr`;
		});
		return { cells: [names], columns: sizes.join(' ') };
	}
	if (holds?.kind === 'columns') return cellsInColumns(from, holds);
	return { cells: names.map((name) => [name]), columns: undefined };
}
