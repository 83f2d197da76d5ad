import { warning, type Problem } from '../../messages/problem.ts';
import type { SettingsAt } from '../../model/setting.ts';
import type { Span } from '../../model/span.ts';
import { areasOf } from '../../model/arrange.ts';
import type { Layout, Region } from '../../model/site.ts';
import { attributeOf } from '../../author-styles/page-tree.ts';
import { reached } from '../../author-styles/reached.ts';
import { arrangementAt, bandPlaces, settingsAt, type Bands } from '../../resolve/bands.ts';
import { isOverlapped } from '../../settings/member/overlap.ts';
import { isApart } from '../../settings/member/show.ts';
import { coveredEdge, edgeOf, isBehind } from '../../settings/member/stick.ts';
import type { PageCheck } from '../check.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import type { WrittenPage } from '../subject/written-page.ts';

const head = (style: string, behind = '', main = ''): string =>
	`layout frame at / {
  description "Seed that is lent."
  region head as header { ${style}stick top${behind}; height 60px; piece brand """<p>Seed library</p>""" }
  region main as main { ${main}slot }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

const ground = 'background Canvas; ';

export const stuckBare: PageCheck = {
	of: 'page',
	codes: ['stuck-bare', 'behind-shows'],
	what: 'What keeps to an edge has a background, or where it lies behind, what is scrolled over it.',
	why: 'What lies below shows through between the words.',
	examples: {
		'stuck-bare': { wrong: head(''), mended: head(ground) },
		'behind-shows': { wrong: head('', ' behind'), mended: head('', ' behind', ground) }
	},
	find(page) {
		const { bands } = page.resolved.site.settings;
		return page.page.chain.flatMap((layout) => {
			const isBare = (region: Region): boolean => !hasGround(region, layout.name.text, page);
			const over = layout.regions
				.filter((region) => sticksOver(region, layout, bands) && isBare(region))
				.map(({ name, span }) => grounded(warning('stuck-bare', name.span, name.text), span, page));
			const behind = layout.regions.flatMap((region) =>
				goingOver(region, layout, bands)
					.filter(isBare)
					.map(({ name, span }) => {
						const problem = warning('behind-shows', name.span, name.text, region.name.text);
						return grounded(problem, span, page);
					})
			);
			return [...over, ...behind];
		});
	}
};

/** A problem with the mend that gives its region a background. */
function grounded(problem: Problem, region: Span, page: WrittenPage): Occurrence {
	const text = page.resolved.reading.files.texts.get(region.file) ?? '';
	const brace = text.indexOf('{', problem.span.to);
	const at = { ...region, from: brace + 1, to: brace + 1 };
	const mend = { label: 'Give it a background', span: at, insert: ` ${ground.trim()}` };
	const isInside = brace !== -1 && brace < region.to;
	return { problem: isInside ? { ...problem, mend } : problem, cause: '' };
}

/** Whether it keeps to an edge in some band, and what is scrolled goes by under it. */
function sticksOver(region: Region, layout: Layout, bands: Bands): boolean {
	return bandPlaces(bands).some((band) => {
		const said = settingsAt(region.settings, bands, band);
		const isOver = coveredEdge(said) !== undefined && !isOverlapped(said);
		return isOver && isUnpainted(said) && goesAcross(region, layout, bands, band);
	});
}

/** Regions without a background of their own that are scrolled over one that keeps to an edge behind them. */
function goingOver(region: Region, layout: Layout, bands: Bands): Region[] {
	return layout.regions.filter((other) =>
		bandPlaces(bands).some((band) => {
			const [said, over] = [region, other].map(({ settings }) => settingsAt(settings, bands, band));
			if (!said || !over || other === region || !isBehind(said)) return false;
			const isFirst = layout.regions.indexOf(region) < layout.regions.indexOf(other);
			const passes = isFirst === (edgeOf(said) === 'top') && edgeOf(over) === undefined;
			return (
				passes && !isApart(over) && isUnpainted(over) && goesAcross(region, layout, bands, band)
			);
		})
	);
}

function isUnpainted({ background }: SettingsAt): boolean {
	return background === undefined || background === 'none';
}

/** Whether nothing stands beside it: what is in a column of its own sticks over nothing. */
function goesAcross(region: Region, layout: Layout, bands: Bands, band: number): boolean {
	if (!layout.members.includes(region)) return false;
	const arrangement = arrangementAt(layout.arrangements, bands, band);
	if (!arrangement || arrangement.kind === 'stack') return true;
	if (arrangement.kind !== 'areas') return false;
	const place = areasOf(arrangement.rows).get(region.name.text);
	return place?.x.from === 0 && place.x.to === arrangement.rows[0]?.cells.length;
}

/** Whether some style gives its box a background, in whatever way, or what stands in it might. */
function hasGround(region: Region, layout: string, page: WrittenPage): boolean {
	const box = page.elements.find(
		(element) =>
			attributeOf(element, 'data-layout') === layout &&
			attributeOf(element, 'data-region') === region.name.text &&
			attributeOf(element, 'data-piece') === undefined
	);
	if (!box) return true;
	return page.allRules.some(
		(rule) =>
			rule.declarations.some(({ property }) =>
				/^(background|backdrop-filter|all)/.test(property)
			) && reached(rule, page.tree).some(({ element }) => element === box || element.parent === box)
	);
}
