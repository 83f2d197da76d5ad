import type { MarkupCheck, MarkupPlace } from '../check/check.ts';
import type { MarkupFault, MarkupJudge } from '../check/html/markup-judge.ts';
import { checks } from '../check/list.ts';
import type { Problem } from '../messages/problem.ts';
import { layerName, layersOf, markupsOf, pagesOf, type Layer, type Page } from '../model/site.ts';
import type { Template } from '../model/template.ts';
import { piecesIn } from '../resolve/content/pieces.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { BoxPlace } from '../check/subject/occurrence.ts';
import type { Seen } from './gather.ts';

/** What rules of HTML say of the markup of a site. */
export interface MarkupFound {
	/** On the pages that a layer covers. */
	readonly seen: readonly Seen[];
	/** In parts, wherever they are used. */
	readonly alone: readonly Problem[];
}

const byRule: ReadonlyMap<string, MarkupCheck> = new Map(
	checks
		.filter((check): check is MarkupCheck => check.of === 'markup')
		.flatMap((check) => check.rules.map((rule) => [rule, check] as const))
);

/** Judges the markup of all layers and parts, with a rest after each; `pages` names the pages that are asked about, all without it. */
export function* markupFound(
	checked: ResolvedSite,
	judge: MarkupJudge,
	pages: readonly Page[] = pagesOf(checked.site)
): Generator<undefined, MarkupFound> {
	const covering = new Map<Layer, Page[]>();
	for (const page of pages) {
		for (const layer of [...checked.structure.chainOf(page), page]) {
			const list = covering.get(layer);
			if (list) list.push(page);
			else covering.set(layer, [page]);
		}
	}
	const seen: Seen[] = [];
	for (const layer of layersOf(checked.site)) {
		const covered = covering.get(layer);
		if (!covered) continue;
		seen.push(...inLayer(layer, checked, judge, covered));
		yield;
	}
	const alone: Problem[] = [];
	for (const { markup } of checked.site.parts) {
		alone.push(...problemsIn(markup, true, checked, judge));
		yield;
	}
	return { seen, alone };
}

function inLayer(
	layer: Layer,
	checked: ResolvedSite,
	judge: MarkupJudge,
	covered: readonly Page[]
): Seen[] {
	return piecesIn(layer).flatMap((piece) => {
		const region =
			layer.kind === 'layout' ? layer.regions.find((one) => one.pieces.includes(piece)) : undefined;
		const box: BoxPlace | undefined = region && {
			layout: layerName(layer),
			region: region.name.text
		};
		const problems = markupsOf(piece).flatMap((markup) =>
			problemsIn(markup, false, checked, judge)
		);
		return problems.flatMap((problem) =>
			covered.map((page): Seen => {
				const [instance] = checked.instances(page);
				return {
					occurrence: { problem, box },
					page: layerName(page),
					address: instance?.address ?? ''
				};
			})
		);
	});
}

function problemsIn(
	{ span }: Template,
	isPart: boolean,
	{ reading }: ResolvedSite,
	judge: MarkupJudge
): Problem[] {
	const markup = reading.files.texts.get(span.file)?.slice(span.from, span.to) ?? '';
	const place: MarkupPlace = { isPart, markup };
	return judge(markup).flatMap((fault) => problemOf(fault, span.file, span.from, place) ?? []);
}

function problemOf(
	fault: MarkupFault,
	file: string,
	start: number,
	place: MarkupPlace
): Problem | undefined {
	const at = { file, from: start + fault.from, to: start + fault.to };
	return byRule.get(fault.rule)?.problem(fault, at, place);
}
