import { diffArrays } from 'diff';

/** A stretch of a text that two have changed: the same for both, or what each has made of it. */
export type Part =
	| { readonly kind: 'both'; readonly text: string }
	| {
			readonly kind: 'differs';
			/** What it was when both had the same. */
			readonly before: string;
			readonly here: string;
			readonly there: string;
	  };

/** Lines that may come and go between two texts until it is no longer worth looking for what they share. */
const mostLines = 20_000;

/** Some lines of the text that both began with, and what one side has in their place. */
interface Hunk {
	readonly from: number;
	/** Exclusive. */
	readonly to: number;
	readonly lines: readonly string[];
}

/**
 * What two have made of one text, line by line. Where only one of them changed something, that counts; where both
 * did, the part differs, unless they did the same. Changes that lie right beside each other are of one place, too: which
 * of two additions comes first, or whether one line stands for the next, is not ours to say.
 */
export function mergeTexts(before: string, here: string, there: string): readonly Part[] {
	const lines = linesOf(before);
	const [ours, theirs] = [hunksOf(lines, here), hunksOf(lines, there)];
	if (!ours || !theirs) return [{ kind: 'differs', before, here, there }];
	const parts: Part[] = [];
	let at = 0;
	for (const region of regionsOf(ours, theirs)) {
		add(parts, lines.slice(at, region.from).join(''));
		const was = lines.slice(region.from, region.to).join('');
		const mine = madeOf(lines, region, region.ours);
		const other = madeOf(lines, region, region.theirs);
		if (region.theirs.length === 0 || mine === other) add(parts, mine);
		else if (region.ours.length === 0) add(parts, other);
		else parts.push({ kind: 'differs', before: was, here: mine, there: other });
		at = region.to;
	}
	add(parts, lines.slice(at).join(''));
	return parts;
}

/** The one text that the parts come to; undefined where some differ. */
export function mergedText(parts: readonly Part[]): string | undefined {
	const texts = parts.map((part) => (part.kind === 'both' ? part.text : undefined));
	return texts.includes(undefined) ? undefined : texts.join('');
}

/** What to take of a part that differs. */
export type Choice = 'here' | 'there' | 'both';

/** The text with one choice for each part that differs, in their order. */
export function chosenText(parts: readonly Part[], choices: readonly Choice[]): string {
	let next = 0;
	const texts = parts.map((part) => {
		if (part.kind === 'both') return part.text;
		const choice = choices[next++] ?? 'here';
		return choice === 'both' ? withLineEnd(part.here) + part.there : part[choice];
	});
	return texts.join('');
}

function withLineEnd(text: string): string {
	return text === '' || text.endsWith('\n') ? text : `${text}\n`;
}

/** Lines with their ends. */
function linesOf(text: string): string[] {
	return text === '' ? [] : text.split(/(?<=\n)/);
}

function hunksOf(before: readonly string[], after: string): Hunk[] | undefined {
	const changes = diffArrays([...before], linesOf(after), { maxEditLength: mostLines });
	if (!changes) return undefined;
	const hunks: Hunk[] = [];
	let at = 0;
	let open: { from: number; to: number; lines: string[] } | undefined;
	for (const { added, removed, value, count } of changes) {
		if (!added && !removed) {
			at += count;
			open = undefined;
			continue;
		}
		if (!open) hunks.push((open = { from: at, to: at, lines: [] }));
		if (added) open.lines.push(...value);
		else open.to = at += count;
	}
	return hunks;
}

interface Region {
	readonly from: number;
	readonly to: number;
	readonly ours: readonly Hunk[];
	readonly theirs: readonly Hunk[];
}

/** Hunks that touch stand in one region, also where their lines only lie beside each other. */
function regionsOf(ours: readonly Hunk[], theirs: readonly Hunk[]): Region[] {
	const all = [
		...ours.map((hunk) => ({ hunk, isOurs: true })),
		...theirs.map((hunk) => ({ hunk, isOurs: false }))
	].sort((a, b) => a.hunk.from - b.hunk.from || a.hunk.to - b.hunk.to);
	const regions: { from: number; to: number; ours: Hunk[]; theirs: Hunk[] }[] = [];
	for (const { hunk, isOurs } of all) {
		let region = regions.at(-1);
		if (!region || hunk.from > region.to) {
			regions.push((region = { from: hunk.from, to: hunk.to, ours: [], theirs: [] }));
		}
		region.to = Math.max(region.to, hunk.to);
		(isOurs ? region.ours : region.theirs).push(hunk);
	}
	return regions;
}

/** What one side has in place of a region. */
function madeOf(lines: readonly string[], region: Region, hunks: readonly Hunk[]): string {
	let at = region.from;
	let text = '';
	for (const { from, to, lines: made } of hunks) {
		text += lines.slice(at, from).join('') + made.join('');
		at = to;
	}
	return text + lines.slice(at, region.to).join('');
}

function add(parts: Part[], text: string): void {
	if (text === '') return;
	const last = parts.at(-1);
	if (last?.kind === 'both') parts[parts.length - 1] = { kind: 'both', text: last.text + text };
	else parts.push({ kind: 'both', text });
}
