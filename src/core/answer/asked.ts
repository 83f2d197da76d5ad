import { withoutFile } from '../model/address.ts';
import { hasParameters } from '../model/pattern.ts';
import type { Page } from '../model/site.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { AnswerPlan } from './plan.ts';

/** The segments of a path. Empty ones lead nowhere of their own; what is left is the address that was meant. */
export function segmentsOf(path: string): string[] {
	return path.split('/').filter((segment) => segment !== '');
}

/** The page that a path without empty segments asks for, by its address or by the name of its file as it is delivered. */
export function pageAsked(plan: AnswerPlan, address: string): PageInstance | undefined {
	const own = plan.pageAt(address);
	const file = withoutFile(address);
	if (file === address || (own && isOneOfItsOwn(own))) return own;
	// A route with a parameter takes whatever name a file has; the page that the file is comes first.
	return plan.pageAt(file);
}

/** The page whose data is needed to answer a path; for one that only data can bring about, its route. */
export function pageFed(plan: AnswerPlan, path: string): Page | undefined {
	const address = `/${segmentsOf(path).join('/')}`;
	return pageAsked(plan, address)?.page ?? plan.routeAt(withoutFile(address));
}

/** Whether there is a file for just this page: its address is written out, or a value of it is. */
function isOneOfItsOwn({ page }: PageInstance): boolean {
	return page.kind === 'route' && (page.pages.kind !== 'one' || !hasParameters(page.pattern));
}
