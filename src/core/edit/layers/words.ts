import { layerName, type Layout } from '../../model/site.ts';
import type { LayerRef, PagesChoice } from '../../model/command.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findLayer, findLayout, findRoute } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import { quoted } from '../site/settings.ts';
import type { Surgery } from '../surgery.ts';

/** Edits of what a layer says of itself. */

/** Sets the title or description of a layer; `undefined` takes it back. */
export function setWords(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: LayerRef,
	part: 'title' | 'description',
	value: string | undefined
): void {
	const { span } = findLayer(resolved, ref);
	surgery.setInnerFirst(span, part, value === undefined ? undefined : `${part} ${quoted(value)}`);
}

/** Sets who is let in by a layout or route, and below; everyone where there is none. */
export function setAdmit(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: LayerRef,
	roles: readonly string[]
): void {
	const layer = findLayer(resolved, ref);
	if (layer.kind === 'state') {
		throw new CommandRefused(
			`${layerName(layer)} is drawn for whoever comes to it: admit roles on a route.`
		);
	}
	const line = roles.length === 0 ? undefined : `admit ${roles.join(' ')}`;
	surgery.setInnerFirst(layer.span, 'admit', line);
}

/** Says which pages there are of a route with a parameter. */
export function setPages(
	resolved: ResolvedSite,
	surgery: Surgery,
	pattern: string,
	pages: PagesChoice
): void {
	const route = findRoute(resolved, pattern);
	const now = route.pages;
	const line = pagesLine(pages);
	if (now.kind === 'one') surgery.setInner(route.span, pages.kind, line);
	else if (line === undefined) surgery.remove(now.span);
	else surgery.replace(now.span, line);
}

function pagesLine(pages: PagesChoice): string | undefined {
	switch (pages.kind) {
		case 'one':
			return undefined;
		case 'each':
			if (!pages.data || !pages.field) {
				throw new CommandRefused(
					'One page for each member needs a list, such as data.stock, and the field that names its pages.'
				);
			}
			return `each ${pages.data} by ${pages.field}`;
		case 'samples':
			if (pages.values.length === 0)
				throw new CommandRefused('Samples need a value each, such as kale.');
			return `samples ${pages.values.map(quoted).join(', ')}`;
	}
}

/** Lets a layout cover its branch, or stand there only for those that ask for it by name. */
export function setOnRequest(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	on: boolean
): void {
	const layout = findLayout(resolved, name);
	if (layout.onRequest === on) return;
	if (on) {
		surgery.insertBehind(layout.atSpan, 'on-request', ' ');
		return;
	}
	const word = surgery.statementAt(layout.span).atoms.find(({ text }) => text === 'on-request');
	if (word) surgery.replace({ ...word.span, from: layout.atSpan.to }, '');
}

/** Says what the bands of a layout look at. */
export function setMeasure(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	by: 'screen' | 'space'
): void {
	const layout = findLayout(resolved, name);
	surgery.setInnerFirst(layout.span, 'measure', by === 'screen' ? undefined : `measure by ${by}`);
}

/** Says what sheets of the site's own do to the boxes of a layout. Throws a CommandRefused where it has none. */
export function setSheets(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	what: Layout['sheets']
): void {
	const layout = findLayout(resolved, name);
	if (layout.frame)
		throw new CommandRefused(`${name} has a frame of its own markup: sheets say how that lies.`);
	surgery.setInnerFirst(layout.span, 'sheets', what === 'move' ? undefined : `sheets ${what}`);
}
