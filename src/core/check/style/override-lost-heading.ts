import { listWords } from '../../messages/wording.ts';
import { warning } from '../../messages/problem.ts';
import { layerName, withInner, type Piece } from '../../model/site.ts';
import { templateText } from '../../model/template.ts';
import { attributeOf } from '../../author-styles/page-tree.ts';
import { navLinks, type NavLink } from '../../resolve/content/nav.ts';
import type { ResolvedRegion } from '../../resolve/page.ts';
import { linkTarget } from '../subject/link-target.ts';
import type { PageCheck } from '../check.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import type { WrittenPage } from '../subject/written-page.ts';

const side = (fill: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  region main as main { slot }
  region side as aside { piece hours """<h2>Open today</h2><p>Two to six.</p>""" }
}
route / { title "Home"; piece text """<h1>Seed</h1>"""; fill side ${fill} { piece swap """<p>Swap day is on Sunday.</p>""" } }`;

export const overrideLostHeading: PageCheck = {
	of: 'page',
	codes: ['override-lost-heading'],
	what: 'What takes the place of something keeps its heading, and its links that are nowhere else on the page.',
	why: 'It is lost without a word, and nobody misses it until a visitor does.',
	examples: { 'override-lost-heading': { wrong: side('instead'), mended: side('after') } },
	find(page) {
		const paths = new Set(
			page.named('a').flatMap((one) => {
				return linkTarget(attributeOf(one, 'href'), page.instance.address)?.path ?? [];
			})
		);
		return page.page.regions.flatMap((region) => lostIn(region, page, paths));
	}
};

function lostIn(
	region: ResolvedRegion,
	page: WrittenPage,
	paths: ReadonlySet<string>
): Occurrence[] {
	let there: readonly { readonly piece: Piece; readonly by: string }[] = [];
	return region.steps.flatMap(({ action, pieces, layer, fill }): Occurrence[] => {
		const before = there;
		const brought = pieces.map((piece) => ({ piece, by: layerName(layer) }));
		if (action === 'before') there = [...brought, ...before];
		else if (action !== 'passed') there = action === 'after' ? [...before, ...brought] : brought;
		if (action !== 'instead' || !fill || before.length === 0) return [];
		const lost = [
			...(before.some(hasHeading) && !brought.some(hasHeading) ? ['its heading'] : []),
			...before.flatMap(({ piece }) =>
				linksIn(piece, page)
					.filter((path) => !paths.has(path))
					.map((path) => `the only link to ${path}`)
			)
		];
		if (lost.length === 0) return [];
		const by = before[0]?.by ?? '';
		const words = [region.region.name.text, by, listWords([...new Set(lost)])] as const;
		const box = { layout: region.layout.name.text, region: region.region.name.text };
		const problem = warning('override-lost-heading', fill.targetSpan, ...words);
		return [{ problem, box, cause: '', weight: lost.length }];
	});
}

function hasHeading({ piece }: { readonly piece: Piece }): boolean {
	return withInner([piece]).some(
		(one) => one.kind === 'markup' && /<h[1-6][\s>]/i.test(templateText(one.markup))
	);
}

/** Links of a piece that lead to one place whatever it is filled with. */
function linksIn(piece: Piece, page: WrittenPage): string[] {
	const { resolved, instance } = page;
	if (piece.kind === 'nav') return routesOf(navLinks(piece, resolved));
	if (piece.kind === 'group') return piece.pieces.flatMap((inner) => linksIn(inner, page));
	const hrefs = [...templateText(piece.markup).matchAll(/\shref="([^"{]*)"/g)];
	return hrefs.flatMap(([, href]) => linkTarget(href, instance.address)?.path ?? []);
}

function routesOf(links: readonly NavLink[]): string[] {
	return links.flatMap(({ route, links: inner }) => [route.pattern.text, ...routesOf(inner)]);
}
