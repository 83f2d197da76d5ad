import { parseFragment } from 'parse5';
import { layerName } from '../../model/site.ts';
import { templateText } from '../../model/template.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { evaluateText, mostRepeats, type Scope } from '../../resolve/content/values.ts';
import { classNames } from '../names.ts';
import { documentsOf, saidHead, titleIn } from './said-head.ts';

/** What a page is called, and the values that its expressions have. */

/** The title and description of a page, after the patterns of the layouts it sits under. */
export function pageHead(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number
): { title: string; description: string } {
	const scope = pageScope(instance, resolved, year);
	const chain = resolved.structure.chainOf(instance.page);
	const pattern = chain.findLast((layout) => layout.title)?.title;
	return {
		title:
			titleSaid(instance, resolved, scope) ??
			(pattern ? evaluateText(pattern, scope) : scope.title),
		description: scope.description
	};
}

/** The title as the head of a layer has it by itself. */
function titleSaid(
	{ page }: PageInstance,
	resolved: ResolvedSite,
	scope: Scope
): string | undefined {
	const documents = documentsOf(page, resolved).filter(({ head }) => head.length > 0);
	if (documents.length === 0) return undefined;
	const names = classNames(resolved.site);
	const title = titleIn(saidHead(documents, { scope, names, link: (url) => url }));
	if (title === undefined) return undefined;
	const [text] = parseFragment(`<title>${title}</title>`).childNodes;
	const [only] = text && 'childNodes' in text ? text.childNodes : [];
	return only && 'value' in only ? only.value.trim() : '';
}

/** What expressions on the page can refer to, its own title and description included. */
export function pageScope(instance: PageInstance, resolved: ResolvedSite, year: number): Scope {
	const { page } = instance;
	const repeats = { left: mostRepeats };
	const bare: Scope = { site: resolved.site, instance, title: '', description: '', year, repeats };
	const title = page.title ? evaluateText(page.title, bare) : layerName(page);
	const chain = resolved.structure.chainOf(page);
	const template = page.description ?? chain.findLast((one) => one.description)?.description;
	const description = template ? evaluateText(template, { ...bare, title }) : '';
	return { ...bare, title, description };
}

/** The title of a route for lists of links: its own, without the patterns of layouts. */
export function linkText(instance: PageInstance, scope: Scope): string {
	const { title } = instance.page;
	if (!title) return layerName(instance.page);
	return evaluateText(title, { ...scope, instance, title: templateText(title) });
}

/** A name of the text as words: "side-menu" is "Side menu". */
export function asWords(name: string): string {
	const words = name.replaceAll('-', ' ');
	return words.charAt(0).toUpperCase() + words.slice(1);
}
