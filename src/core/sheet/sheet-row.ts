import type { CheckedSite } from '../check/checked-site.ts';
import { pageHead } from '../emit/html/words.ts';
import { isEstimate } from '../laid/basis.ts';
import type { LaidPage } from '../laid/laid-page.ts';
import { severities, type Severity } from '../messages/severity.ts';
import type { Problem } from '../messages/problem.ts';
import { sentenceOf } from '../messages/sentence.ts';
import { layerName, layersOf, type Layer } from '../model/site.ts';
import type { PageInstance } from '../resolve/instance.ts';
import { isFramed } from '../resolve/page.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { Column } from './columns.ts';
import { alikeWord } from './alike.ts';
import { bandWords } from './band-words.ts';
import { troubleOn, troubleWords } from './trouble.ts';

/** A page on the sheet, but for its drawings. */
export interface SheetRow {
	readonly page: string;
	readonly kind: 'route' | 'state';
	readonly address: string;
	readonly title: string;
	/** Names of the layouts it sits under, outermost first. */
	readonly chain: readonly string[];
	/** Names of all regions of the page. */
	readonly regions: readonly string[];
	/** What the screens disagree on. */
	readonly words: readonly string[];
	/** What was found, as sentences, the worst first. */
	readonly found: readonly Found[];
	/** The same for pages that draw alike. */
	readonly alike: string;
	/** It rests on sizes that were guessed. */
	readonly estimated: boolean;
	/** A frame of own markup is around it, so its boxes lie where the browser has them: none is computed. */
	readonly framed: boolean;
}

export interface Found {
	readonly severity: Severity;
	readonly sentence: string;
}

export function sheetRow(
	instance: PageInstance,
	resolved: ResolvedSite,
	columns: readonly Column[],
	{ boxes, by }: LaidPage,
	problems: ReadonlyMap<Layer, readonly Problem[]>,
	year: number
): SheetRow {
	const page = resolved.page(instance.page);
	const troubles = columns.flatMap((column, index) => {
		const isMirrored = resolved.site.settings.dir === 'rtl';
		const trouble = troubleOn(boxes[index] ?? [], column, isMirrored);
		return trouble ? [trouble] : [];
	});
	const own = problems.get(instance.page) ?? [];
	return {
		page: layerName(instance.page),
		kind: instance.page.kind,
		address: instance.address,
		title: pageHead(instance, resolved, year).title,
		chain: page.chain.map((layout) => layout.name.text),
		regions: page.regions.map(({ region }) => region.name.text),
		words: bandWords(page, resolved.site.settings.bands, columns, boxes),
		found: [
			...own.map((problem) => ({ severity: problem.severity, sentence: sentenceOf(problem) })),
			...troubleWords(troubles).map((sentence) => ({ severity: 'warning' as const, sentence }))
		],
		alike: alikeWord(page, boxes, troubles),
		estimated: isEstimate(by),
		framed: isFramed(page)
	};
}

/** What says the same in several places of a page once, the first of it. */
export function saidOnce(found: readonly Found[]): Found[] {
	const bySentence = new Map<string, Found>();
	for (const { severity, sentence } of found) {
		if (!bySentence.has(sentence)) bySentence.set(sentence, { severity, sentence });
	}
	return [...bySentence.values()];
}

/** What was found in each layer, by where it is written; the worst first. */
export function problemsByLayer({ problems, site }: CheckedSite): Map<Layer, Problem[]> {
	const byFile = new Map<string, Layer[]>();
	for (const layer of layersOf(site)) {
		byFile.set(layer.span.file, [...(byFile.get(layer.span.file) ?? []), layer]);
	}
	const found = new Map<Layer, Problem[]>();
	const worstFirst = [...problems].sort((a, b) => weight(a) - weight(b));
	for (const problem of worstFirst) {
		const { file, from } = problem.span;
		const layer = byFile.get(file)?.find(({ span }) => span.from <= from && from < span.to);
		if (layer) found.set(layer, [...(found.get(layer) ?? []), problem]);
	}
	return found;
}

function weight({ severity }: Problem): number {
	return severities.indexOf(severity);
}
