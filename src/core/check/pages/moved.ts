import { assetPath } from '../../emit/paths.ts';
import { isOpenLead } from '../../emit/leads.ts';
import { hint, warning, type Problem } from '../../messages/problem.ts';
import { forEach, type Command } from '../../model/command.ts';
import { fillPattern } from '../../model/pattern.ts';
import { layerName, type Moved, type Route } from '../../model/site.ts';
import { routeFor } from '../../resolve/instance.ts';
import { leadFrom } from '../../resolve/moved.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { plainPage } from '../example.ts';
import type { WholeCheck } from '../check.ts';

const home = plainPage('<h1>Seed</h1><p><a href="/visit">Visit</a></p>');
const visit = (more: string): string =>
	`${home}\nroute /visit { ${more} title "Visit"; piece text """<h1>Visit</h1><p><a href="/find-us">Find us</a></p>""" }`;
const findUs = (more: string): string =>
	`\nroute /find-us { ${more} title "Find us"; piece text """<h1>Find us</h1>""" }\nstate not-found at / { title "Not found"; piece text """<h1>Not found</h1>""" }`;
const kinds = (more: string): string =>
	`${plainPage('<h1>Seed</h1><p><a href="/kinds/kale">Kale</a></p>')}\nroute /kinds/:kind { ${more} title "Kind"; piece text """<h1>Kind</h1>""" }\nstate not-found at / { title "Not found"; piece text """<h1>Not found</h1>""" }`;

export const moved: WholeCheck = {
	of: 'whole',
	codes: ['moved-shadowed', 'moved-circle', 'moved-twice', 'moved-open'],
	what: 'Each old address redirects to where its page is now.',
	why: 'What else is at that address comes first, so whoever has the old link ends up there.',
	examples: {
		'moved-shadowed': {
			wrong: visit('moved "/find-us";') + findUs(''),
			mended: visit('moved "/where";') + findUs('')
		},
		'moved-circle': {
			wrong: visit('moved "/find-us";') + findUs('moved "/old" "/visit";'),
			mended: visit('') + findUs('moved "/old";')
		},
		'moved-twice': {
			wrong: visit('moved "/where";') + findUs('moved "/where";'),
			mended: visit('moved "/where";') + findUs('')
		},
		'moved-open': {
			wrong: kinds('moved "/sorts/:kind";'),
			mended: kinds('samples "kale"; moved "/sorts/:kind";')
		}
	},
	find: (resolved) =>
		resolved.site.routes.flatMap((route) =>
			route.moved.flatMap((one) => problemOf(one, route, resolved) ?? [])
		),
	mend({ code, span }, resolved) {
		const route = resolved.site.routes.find((one) =>
			one.moved.some((moved) => moved.span === span)
		);
		const old = route?.moved.find((moved) => moved.span === span);
		if (!route || !old || code === 'moved-open') return undefined;
		const back = code === 'moved-circle' && wayBack(old, route, resolved);
		const idle = back ? [back, { route, old }] : [{ route, old }];
		return forEach(idle, 'nothing redirects', (one): Command => {
			const addresses = one.route.moved.flatMap((moved) => (moved === one.old ? [] : [moved.text]));
			return { kind: 'set-moved', pattern: one.route.pattern.text, addresses };
		});
	}
};

function problemOf(one: Moved, route: Route, resolved: ResolvedSite): Problem | undefined {
	const { text, span } = one;
	const name = layerName(route);
	const other = pageAtOld(one, route, resolved);
	const back = wayBack(one, route, resolved);
	if (back) {
		const { routes } = resolved.site;
		// One circle is told once.
		return routes.indexOf(route) < routes.indexOf(back.route)
			? warning('moved-circle', span, text, name)
			: undefined;
	}
	const what = other ? `the page ${layerName(other)}` : fileAtOld(one, resolved);
	if (what !== undefined) return warning('moved-shadowed', span, text, name, what);
	const first = leadFrom(resolved.site.routes, fillPattern(one.pattern, new Map()));
	if (first && first.moved !== one)
		return warning('moved-twice', span, text, name, layerName(first.route));
	return isOpenLead(route, one) ? hint('moved-open', span, text) : undefined;
}

/** Where the page that is at an old address today says that it was once where this one is. */
function wayBack(
	one: Moved,
	route: Route,
	resolved: ResolvedSite
): { readonly route: Route; readonly old: Moved } | undefined {
	const other = pageAtOld(one, route, resolved);
	if (!other || other === route) return undefined;
	const old = other.moved.find((back) => pageAtOld(back, other, resolved) === route);
	return old && { route: other, old };
}

/** The route whose page is at an old address today. */
function pageAtOld(one: Moved, route: Route, resolved: ResolvedSite): Route | undefined {
	const { routes, settings } = resolved.site;
	const same = routes.find(({ pattern }) => pattern.key === one.pattern.key);
	// The folder of a page may have been a file.
	if (same === route && settings.urls === 'folders' && /\.html$/.test(one.text)) return undefined;
	if (same || isOpenLead(route, one)) return same;
	const froms = resolved
		.instances(route)
		.map(({ parameters }) => fillPattern(one.pattern, parameters));
	for (const from of froms) {
		const there = routeFor(routes, from);
		if (!there) continue;
		const isPage =
			there.pages.kind === 'one' ||
			resolved.instances(there).some(({ address }) => address === from);
		if (isPage) return there;
	}
	return undefined;
}

function fileAtOld({ text, pattern }: Moved, { site }: ResolvedSite): string | undefined {
	const named = assetPath(text.slice(1));
	const asFolder = assetPath(`${pattern.text}/index.html`.slice(1));
	const file = site.assets.find((path) => path === named || path === asFolder);
	return file === undefined ? undefined : `the file ${file}`;
}
