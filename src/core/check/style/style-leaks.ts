import { listWords } from '../../messages/wording.ts';
import { warning } from '../../messages/problem.ts';
import { classNames } from '../../emit/names.ts';
import { layerName, type Layer } from '../../model/site.ts';
import { ruleSpan, type AuthorRule } from '../../author-styles/author-rules.ts';
import { reached } from '../../author-styles/reached.ts';
import { plainFrame } from '../example.ts';
import type { PageCheck } from '../check.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import { classesOf, isFrame, type WrittenPage } from '../subject/written-page.ts';

const inner = (style: string): string =>
	`${plainFrame}
layout shelf at /shelf {
  region body as div { slot }
  region note as aside { piece words """<p class="small">Bring a label.</p>""" }
  ${style}
}
route /shelf { title "Shelf"; piece text """<h1>Shelf</h1><p>Beans</p>""" }
route / { title "Home"; piece text """<h1><a href="/shelf">Seed</a></h1>""" }`;

export const styleLeaks: PageCheck = {
	of: 'page',
	codes: ['style-leaks'],
	what: 'A global rule of a layer further in does not reach what others wrote.',
	why: 'It changes pages and frames of people who do not know of it; without "global" it keeps to its own layer.',
	examples: {
		'style-leaks': {
			wrong: inner('style global """ p { margin: 0; } """'),
			mended: inner('style """ p { margin: 0; } """')
		}
	},
	find: (page) =>
		reaching(page).flatMap(({ rule, others, name }): Occurrence[] => {
			const owner = rule.owner;
			if (owner.kind === 'part' || owner === page.page.written[0] || name !== undefined) return [];
			const words = [rule.selectors, layerName(owner), listWords(others)] as const;
			return [{ problem: warning('style-leaks', ruleSpan(rule), ...words), cause: rule.selectors }];
		})
};

const card = (name: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  region main as main { slot }
  region note as aside { piece words """<p class="card">Bring a label.</p>""" }
  style global """ .card { border: 1px solid; } """
}
route / { title "Home"; piece text """<h1>Seed</h1><p class="${name}">Beans</p>""" }`;

export const classClash: PageCheck = {
	of: 'page',
	codes: ['class-clash'],
	what: 'A class that a layer styles everywhere is written by that layer alone.',
	why: 'Two things of one name style each other, and a change of one is a change of the other.',
	examples: { 'class-clash': { wrong: card('card'), mended: card('packet') } },
	find: (page) => [
		...reaching(page).flatMap(({ rule, others, name }): Occurrence[] => {
			if (name === undefined || rule.owner.kind === 'part') return [];
			const words = [name, layerName(rule.owner), listWords(others)] as const;
			return [{ problem: warning('class-clash', ruleSpan(rule), ...words), cause: name }];
		}),
		...framesTaken(page)
	]
};

/** A global rule that reaches what other layers wrote; `name`: by a class that its own layer writes too. */
interface Reaching {
	readonly rule: AuthorRule;
	readonly others: readonly string[];
	readonly name: string | undefined;
}

function reaching(page: WrittenPage): Reaching[] {
	return page.rules
		.filter(({ style, owner }) => style.global && owner.kind !== 'part')
		.flatMap((rule) => {
			const others = new Set<Layer>();
			for (const { element } of reached(rule, page.tree)) {
				const layer = page.ownerOf(element)?.layer;
				if (layer && layer !== rule.owner) others.add(layer);
			}
			if (others.size === 0) return [];
			const classes = [...rule.selectors.matchAll(/\.(-?[a-zA-Z_][\w-]*)/g)].map(
				([, name = '']) => name
			);
			const own = page.elements.filter((element) => page.ownerOf(element)?.layer === rule.owner);
			const name = classes.find((one) => own.some((element) => classesOf(element).includes(one)));
			// A page stands for all pages that a frame covers: they are not told apart.
			const words = [...others].map((one) => (one.kind === 'layout' ? layerName(one) : 'pages'));
			return [{ rule, others: [...new Set(words)].sort(), name }];
		});
}

/** Classes in markup that are those of boxes of the frame, whose rules they get. */
function framesTaken(page: WrittenPage): Occurrence[] {
	const names = classNames(page.resolved.site);
	return page.elements.flatMap((element): Occurrence[] => {
		if (element.attribs['data-piece'] !== undefined || isFrame(element)) return [];
		const name = classesOf(element).find((one) => names.isFrame(one));
		const owner = name === undefined ? undefined : page.ownerOf(element);
		if (name === undefined || !owner?.piece || page.partOf(element)) return [];
		const span = page.placeOf(element);
		const words = [name, 'The frame', layerName(owner.layer)] as const;
		return [{ problem: warning('class-clash', span, ...words), box: page.boxOf(element) }];
	});
}
