import type { Page } from 'puppeteer-core';
import { z } from 'zod';
import type { Realm } from './random-styles.ts';

const foundSchema = z.object({
	looks: z.number(),
	reached: z.number(),
	differences: z.array(z.string())
});

/** What came of holding a delivered page against its marked copy. */
export type FoundReach = z.infer<typeof foundSchema>;

/**
 * Holds the page that is open against a copy of it with marks: on the copy, each style stands as it was written, alone,
 * and what it says counts on elements that belong to it.
 */
export async function reachedInBrowser(
	page: Page,
	marked: string,
	realms: readonly Realm[]
): Promise<FoundReach> {
	await page.evaluate('globalThis.__name = (named) => named');
	const found: unknown = await page.evaluate(
		(html, all) => {
			const names = all.flatMap((realm) => [
				...realm.rules.map((one) => `--r${one}`),
				`--w${realm.number}`
			]);
			const registered = names
				.map((name) => `@property ${name} { syntax: '*'; inherits: false }`)
				.join('\n');
			const addSheet = (to: Document, css: string): HTMLStyleElement => {
				const sheet = to.createElement('style');
				sheet.textContent = css;
				to.head.append(sheet);
				return sheet;
			};

			interface Walked {
				readonly isIn: (element: Element, realm: Realm) => boolean;
				/** Whether an element is one of the outermost that belong to a realm. */
				readonly isRoot: (element: Element, realm: Realm) => boolean;
			}

			/** Owners of elements, and the uses of parts that they were written by, found by walking the copy. */
			const walkedPage = (copy: Document): Walked => {
				const owners = new Map<Element, string>();
				const uses = new Map<Element, ReadonlyMap<string, number>>();
				const regions = new Map<Element, string>();
				let stack: {
					readonly what: 'part' | 'wrap';
					readonly name: string;
					readonly use: number;
				}[] = [];
				let count = 0;
				let piece: string | undefined;
				/** By part, the innermost use of it that is not left again for what it wraps. */
				const usesHere = (): Map<string, number> => {
					const open = new Map<string, number[]>();
					const wrapped = new Map<string, number[]>();
					for (const { what, name, use } of stack) {
						const list = open.get(name) ?? [];
						if (what === 'part') list.push(use);
						else wrapped.set(name, [...(wrapped.get(name) ?? []), list.at(-1) ?? -1]);
						open.set(name, list);
					}
					return new Map(
						[...open].flatMap(([name, list]): [string, number][] => {
							const use = list.filter((one) => !wrapped.get(name)?.includes(one)).at(-1);
							return use === undefined ? [] : [[name, use]];
						})
					);
				};
				const walk = (element: Element, around: string, region: string): void => {
					const data = (name: string): string | undefined =>
						element.getAttribute(`data-${name}`) ?? undefined;
					const layout = data('layout');
					const ofPage = data('route') === undefined ? undefined : 'page';
					const box = layout === undefined ? ofPage : `layout ${layout}`;
					const [kind, ...rest] = (data('open') ?? '').split(' ');
					const name = rest.join(' ');
					if (kind === 'piece') piece = name;
					if (kind === 'part') stack.push({ what: 'part', name, use: count++ });
					const isRegion = data('region') !== undefined && layout === 'outer';
					const here = isRegion ? (data('region') ?? '') : region;
					const owner = box ?? piece ?? around;
					owners.set(element, owner);
					regions.set(element, here);
					uses.set(element, usesHere());
					const wraps = data('wrap');
					if (wraps !== undefined) stack.push({ what: 'wrap', name: wraps, use: -1 });
					for (const child of element.children) {
						// What closes stands in what it closes.
						if (child.hasAttribute('data-unwrap')) stack = stack.slice(0, -1);
						walk(child, owner, here);
						if (!child.hasAttribute('data-close')) continue;
						if (stack.at(-1)?.what === 'part') stack = stack.slice(0, -1);
						else piece = undefined;
					}
				};
				walk(copy.body, '', '');
				const useIn = (element: Element | null, part: string): number | undefined =>
					element ? uses.get(element)?.get(part) : undefined;
				const isIn: Walked['isIn'] = (element, { kind, name }) => {
					if (kind === 'part') return useIn(element, name) !== undefined;
					if (kind === 'layer') return owners.get(element) === name;
					return owners.get(element) === 'layout outer' && regions.get(element) === name;
				};
				const isRoot: Walked['isRoot'] = (element, realm) => {
					const { kind, name } = realm;
					const parent = element.parentElement;
					if (!isIn(element, realm)) return false;
					if (kind === 'part') return useIn(element, name) !== useIn(parent, name);
					if (kind === 'layer') return !parent || !isIn(parent, realm);
					return element.getAttribute('data-region') === name;
				};
				return { isIn, isRoot };
			};

			const pseudos = [undefined, '::before', '::after', '::marker'];
			addSheet(document, registered);
			const here = [...document.body.querySelectorAll('*'), document.body];
			// Read before a frame stands beside the body, which would be its last child no more.
			const delivered = here.map((element) =>
				pseudos.map((pseudo) => {
					const style = getComputedStyle(element, pseudo);
					return new Map(names.map((name) => [name, style.getPropertyValue(name)]));
				})
			);
			const frame = document.createElement('iframe');
			frame.style.cssText = `position: fixed; width: ${innerWidth}px; height: ${innerHeight}px; border: 0`;
			document.documentElement.append(frame);
			const copy = frame.contentDocument;
			if (!copy) return { looks: 0, reached: 0, differences: ['There is no frame.'] };
			copy.open();
			copy.write(html.replace(/<link rel="stylesheet"[^>]*>/g, ''));
			copy.close();
			addSheet(copy, registered);
			const { isIn, isRoot } = walkedPage(copy);
			const there = [...copy.body.querySelectorAll('*'), copy.body];
			const differences: string[] = [];
			if (here.length !== there.length) differences.push('The marked page is another document.');
			let [looks, reached] = [0, 0];
			for (const realm of all) {
				const outermost = there.filter((element) => isRoot(element, realm));
				for (const one of outermost) one.setAttribute('data-its-root', '');
				const sheet = addSheet(copy, realm.css.replaceAll(':scope', '[data-its-root]'));
				const own = [...realm.rules.map((one) => `--r${one}`), `--w${realm.number}`];
				for (const [index, element] of there.entries()) {
					const counts = isIn(element, realm);
					for (const [kind, pseudo] of pseudos.entries()) {
						const should = copy.defaultView?.getComputedStyle(element, pseudo);
						for (const name of own) {
							const expected = counts ? (should?.getPropertyValue(name) ?? '') : '';
							const got = delivered[index]?.[kind]?.get(name) ?? '';
							looks++;
							if (got !== '') reached++;
							if (got.trim() === expected.trim()) continue;
							const opening = /<[^>]*>/.exec(element.outerHTML)?.[0];
							differences.push(
								`${name} of ${realm.kind} ${realm.name} is ${got || 'not there'} and should be ${expected || 'not there'} on ${opening}${pseudo ?? ''}`
							);
						}
					}
				}
				for (const one of outermost) one.removeAttribute('data-its-root');
				sheet.remove();
			}
			frame.remove();
			return { looks, reached, differences };
		},
		marked,
		[...realms]
	);
	return foundSchema.parse(found);
}
