import { boxSpan } from '../check/subject/box-said.ts';
import type { FitCheck } from '../check/check.ts';
import type { Fit, FittedPage, RunningText } from '../check/subject/fitted-page.ts';
import type { Occurrence } from '../check/subject/occurrence.ts';
import type { WrittenPage } from '../check/subject/written-page.ts';
import type { BoxName } from '../geometry/layout-box.ts';
import { fixedSize, type PieceSize } from '../geometry/pieces/piece-size.ts';
import { isEstimate, type Basis } from '../laid/basis.ts';
import { Guesses } from '../laid/guesses.ts';
import { boxesBy, type LaidBoxes } from '../laid/laid-boxes.ts';
import type { Code } from '../messages/catalogue.ts';
import type { PieceKey } from '../model/piece-key.ts';
import { layerName, type Layer } from '../model/site.ts';
import { isFramed } from '../resolve/page.ts';
import { namesIn, standingThroughout } from '../resolve/boxes/runs.ts';
import { runningText } from './running-text.ts';

/** The screens that pages are looked at on, but for their widths. */
export const fitScreen = { height: 800, scrollbar: 0 };

/** What was found of boxes that are the same on several pages, with the name of the page it was worked out on. */
interface KnownFits {
	readonly page: string;
	readonly fits: readonly SettledFit[];
}

/** Something found of boxes, and what it rests on. */
interface SettledFit {
	readonly fit: Fit;
	readonly by: Basis;
}

/** Sizes that any content might have: next to none, and more than fits on a screen. */
const little = fixedSize(4, 4);
const much = fixedSize(4, 4000);

function codeOf({ problem }: Fit): Code {
	return problem({ file: '', from: 0, to: 0 }).code;
}

/** Equal for fits that say the same of the same box. */
function fitWord(fit: Fit): string {
	const { box, widths, cause } = fit;
	return JSON.stringify([codeOf(fit), box, widths, cause]);
}

const mostFits = 4000;

/** Looks at the boxes of pages by guesses; pages whose contents come to the same sizes are looked at once. */
export class GuessedFits {
	private readonly known = new Map<string, KnownFits>();
	private readonly numbers = new WeakMap<object, number>();
	private count = 0;

	constructor(private readonly checks: readonly FitCheck[]) {}

	/** What is found on a page, with a rest after each time it was laid out at all widths. */
	*of(written: WrittenPage): Generator<undefined, Occurrence[]> {
		const { instance, resolved, year } = written;
		// Where sheets of the site's own put the boxes nothing can be guessed: it is told once they are measured.
		if (isFramed(written.page)) return [];
		const guesses = new Guesses(instance, resolved, year);
		const sizeOf = (key: PieceKey): PieceSize => guesses.of(key);
		const word = this.wordOf(written, sizeOf);
		let known = this.known.get(word);
		if (!known) {
			yield;
			known = { page: written.name, fits: yield* this.look(written, sizeOf) };
			if (this.known.size >= mostFits) this.known.clear();
			this.known.set(word, known);
		}
		return occurrencesOf(known, written);
	}

	/** What is found by guesses; what would be found whatever the guess does not rest on it. */
	private *look(
		written: WrittenPage,
		sizeOf: (key: PieceKey) => PieceSize
	): Generator<undefined, SettledFit[]> {
		const fits = fitsWith('guessed', sizeOf, written, this.checks);
		let sure = fits;
		for (const size of [little, much]) {
			if (sure.length === 0) break;
			yield;
			const codes = new Set(sure.map(codeOf));
			const asked = this.checks.filter((check) => check.codes.some((code) => codes.has(code)));
			const words = new Set(fitsWith('known', () => size, written, asked).map(fitWord));
			sure = sure.filter((fit) => words.has(fitWord(fit)));
		}
		return fits.map((fit) => ({ fit, by: sure.includes(fit) ? 'known' : 'guessed' }));
	}

	/** All that the boxes of a page follow from: objects by numbers, the page's own by what it says. */
	private wordOf(
		{ page, declared, resolved }: WrittenPage,
		sizeOf: (key: PieceKey) => PieceSize
	): string {
		const number = (one: object): number => this.numberOf(one);
		const ownerOf = (layer: Layer): string => (layer === declared ? '' : layerName(layer));
		const regions = [...page.regions, undefined].map((host) =>
			standingThroughout({ region: host?.region, landed: host?.landed ?? page.bare }).map(
				({ one }) => {
					if (one.kind === 'layout') return one.layout.name.text;
					const key: PieceKey = {
						layout: host?.layout.name.text,
						region: host?.region.name.text,
						pieces: namesIn(one),
						opener: false
					};
					const pieces = one.kind === 'run' ? one.pieces : [one];
					if (one.kind === 'piece' && one.piece.kind === 'group') return number(one.piece);
					return [
						number(sizeOf(key)),
						pieces.map(({ piece, owner }) => [
							piece.name.text,
							ownerOf(owner),
							piece.settings.map(({ kind, value, band }) => [kind, value, band?.text])
						])
					];
				}
			)
		);
		const { settings } = resolved.site;
		const styles = declared.styles.map(({ css }) => css);
		return JSON.stringify([number(settings), page.chain.map(number), regions, styles]);
	}

	private numberOf(one: object): number {
		let number = this.numbers.get(one);
		if (number === undefined) this.numbers.set(one, (number = ++this.count));
		return number;
	}
}

function fitsWith(
	by: 'guessed' | 'known',
	sizes: (key: PieceKey) => PieceSize,
	written: WrittenPage,
	checks: readonly FitCheck[]
): Fit[] {
	const { instance, resolved } = written;
	return fitsIn(boxesBy(by, sizes, instance, resolved, fitScreen), written, checks);
}

/** The running texts of a page that were looked for. */
const textsOf = new WeakMap<WrittenPage, Map<string, RunningText | undefined>>();

/** What checks find in the boxes of a page. */
export function fitsIn(
	boxes: Omit<LaidBoxes, 'by'>,
	written: WrittenPage,
	checks: readonly FitCheck[],
	height = fitScreen.height
): Fit[] {
	const { page, resolved } = written;
	const texts = textsOf.get(written) ?? new Map<string, RunningText | undefined>();
	textsOf.set(written, texts);
	const fitted: FittedPage = {
		...boxes,
		height,
		page,
		resolved,
		text(name) {
			const key = JSON.stringify([name.layout, name.region, name.pieces]);
			if (!texts.has(key)) texts.set(key, runningText(name, written));
			return texts.get(key);
		}
	};
	return checks.flatMap((check) => check.find(fitted));
}

/** Fits of a page with their places in its text. */
export function occurrencesOf({ page, fits }: KnownFits, written: WrittenPage): Occurrence[] {
	const own = written.name;
	return fits.map(({ fit, by }) => {
		const { widths, weight, setting, cause = '', problem } = fit;
		const box = own === page ? fit.box : renamed(fit.box, page, own);
		const { layout, region } = box;
		const around: BoxName = { ...box, kind: 'region', wrapper: undefined, pieces: [] };
		const isContent = box.pieces.length > 0 && region !== undefined;
		return {
			problem: problem(boxSpan(box, written.page, setting)),
			...(isContent && { shared: problem(boxSpan(around, written.page)) }),
			box: { layout, region },
			widths,
			weight,
			cause,
			estimated: isEstimate(by)
		};
	});
}

function renamed(box: BoxName, from: string, to: string): BoxName {
	const pieces = box.pieces.map(({ piece, owner }) => ({
		piece,
		owner: owner === from ? to : owner
	}));
	return { ...box, pieces };
}
