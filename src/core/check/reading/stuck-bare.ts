import { warning } from '../../messages/problem.ts';
import { areasOf } from '../../model/arrange.ts';
import type { Layout, Region } from '../../model/site.ts';
import { attributeOf } from '../../author-styles/page-tree.ts';
import { reached } from '../../author-styles/reached.ts';
import { arrangementAt, bandPlaces, settingsAt, type Bands } from '../../resolve/bands.ts';
import { edgeOf } from '../../settings/member/stick.ts';
import { isZero } from '../../size/sums.ts';
import type { PageCheck } from '../check.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import type { WrittenPage } from '../subject/written-page.ts';

const head = (style: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  region head as header { ${style}stick top; height 60px; piece brand """<p>Seed library</p>""" }
  region main as main { slot }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

const ground = 'background Canvas; ';

export const stuckBare: PageCheck = {
	of: 'page',
	codes: ['stuck-bare'],
	what: 'What keeps to an edge has a background.',
	why: 'What is scrolled goes by under it, and shows through between its words.',
	examples: { 'stuck-bare': { wrong: head(''), mended: head(ground) } },
	find(page) {
		const { bands } = page.resolved.site.settings;
		return page.page.chain.flatMap((layout) =>
			layout.regions
				.filter(
					(region) =>
						sticksOver(region, layout, bands) && !hasGround(region, layout.name.text, page)
				)
				.map((region): Occurrence => {
					const { name, span } = region;
					const text = page.resolved.reading.files.texts.get(span.file) ?? '';
					const brace = text.indexOf('{', name.span.to);
					const at = { ...span, from: brace + 1, to: brace + 1 };
					const mend = { label: 'Give it a background', span: at, insert: ` ${ground.trim()}` };
					const problem = warning('stuck-bare', name.span, name.text);
					const isInside = brace !== -1 && brace < span.to;
					return { problem: isInside ? { ...problem, mend } : problem, cause: '' };
				})
		);
	}
};

/** Whether it keeps to an edge in some band, and what is scrolled goes by under it. */
function sticksOver(region: Region, layout: Layout, bands: Bands): boolean {
	return bandPlaces(bands).some((band) => {
		const said = settingsAt(region.settings, bands, band);
		const isOver = said.overlap === undefined || isZero(said.overlap);
		const isBare = said.background === undefined || said.background === 'none';
		return (
			edgeOf(said) !== undefined && isOver && isBare && goesAcross(region, layout, bands, band)
		);
	});
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
	return page.rules.some(
		(rule) =>
			rule.declarations.some(({ property }) =>
				/^(background|backdrop-filter|all)/.test(property)
			) && reached(rule, page.tree).some(({ element }) => element === box || element.parent === box)
	);
}
