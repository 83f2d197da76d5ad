import { listWords } from '../../messages/wording.ts';
import { readPattern, type Pattern } from '../../model/pattern.ts';
import { layerName, type Layer, type Layout, layersOf } from '../../model/site.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkName, fillsOfRegion, findLayer, findLayout } from '../find.ts';
import type { Surgery } from '../surgery.ts';
import { type LayerRef } from '../../model/command.ts';
import { CommandRefused } from '../proposal.ts';

/** A pattern as the language has it; throws a CommandRefused otherwise. */
export function checkPattern(text: string): Pattern {
	const pattern = readPattern(text);
	if (typeof pattern === 'string') throw new CommandRefused(`${text} is not a route: ${pattern}.`);
	return pattern;
}

/** Writes a layout with one region, the slot, behind the layout that covers its route. */
export function addLayout(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	at: string,
	onRequest: boolean
): void {
	checkName(name);
	const pattern = checkPattern(at);
	const { layouts, routes } = resolved.site;
	const covering = layouts.findLast((layout) => pattern.key.startsWith(layout.at.key));
	const behind = covering ?? layouts.at(-1) ?? routes.at(-1);
	if (!behind) throw new CommandRefused('The site has nothing that the layout could stand behind.');
	surgery.insertAfter(behind.span, [
		`layout ${name} at ${pattern.text}${onRequest ? ' on-request' : ''} {`,
		'  region body as div { slot }',
		'}'
	]);
}

/** Renames a layout and every place that names it. */
export function renameLayout(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	to: string
): void {
	const layout = findLayout(resolved, name);
	checkName(to);
	surgery.replace(layout.name.span, to);
	for (const layer of layersOf(resolved.site)) {
		if (layer.under.kind === 'named' && layer.under.name.text === name) {
			surgery.replace(layer.under.name.span, to);
		}
		for (const one of [...layer.fills, ...layer.adjusts]) {
			if (one.layout !== name) continue;
			const { file, from } = one.targetSpan;
			surgery.replace({ file, from, to: from + name.length }, to);
		}
	}
}

/** Lets a layout cover another branch. */
export function moveLayout(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	at: string
): void {
	surgery.replace(findLayout(resolved, name).atSpan, checkPattern(at).text);
}

/** Removes a layout, and with it what asks for it by name and what fills its regions. */
export function removeLayout(resolved: ResolvedSite, surgery: Surgery, name: string): string[] {
	const layout = findLayout(resolved, name);
	const parent = resolved.structure.chainOf(layout).at(-1);
	const consequences: string[] = [];
	const asking = layersOf(resolved.site).filter((layer) => asksFor(layer, layout));
	for (const layer of asking) {
		if (layer.under.kind === 'named') surgery.remove(layer.under.span);
	}
	if (asking.length > 0) {
		const names = listWords(asking.map(layerName));
		consequences.push(
			`${names} ${asking.length === 1 ? 'asks' : 'ask'} for ${name} by name and would sit under the nearest layout instead.`
		);
	}
	const covered = resolved.site.routes.filter(
		(route) => resolved.structure.chainOf(route).includes(layout) && !asking.includes(route)
	);
	if (covered.length > 0) {
		const names = covered.slice(0, 4).map(layerName);
		if (covered.length > 4) names.push(`${covered.length - 4} more`);
		const under = parent ? `under ${parent.name.text}` : 'under no layout';
		consequences.push(`${listWords(names)} would no longer sit under ${name}, but ${under}.`);
	}
	for (const region of layout.regions) {
		const fills = fillsOfRegion(resolved, region);
		for (const { fill } of fills) surgery.remove(fill.span);
		if (fills.length === 0) continue;
		const names = listWords(fills.map(({ layer }) => layerName(layer)));
		consequences.push(`This also removes what ${names} put into ${region.name.text}.`);
	}
	surgery.remove(layout.span);
	return consequences;
}

function asksFor(layer: Layer, layout: Layout): boolean {
	return layer.under.kind === 'named' && layer.under.name.text === layout.name.text;
}

/** Says what a page, layout or state sits under: a layout's name, `none`, or undefined for the nearest. */
export function setUnder(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: LayerRef,
	under: string | undefined
): void {
	const layer = findLayer(resolved, ref);
	const now = layer.under;
	if (under === undefined) {
		if (now.kind !== 'nearest') surgery.remove(now.span);
		return;
	}
	if (under !== 'none') findLayout(resolved, under);
	if (now.kind === 'nearest') surgery.insertInto(layer.span, [`under ${under}`]);
	else surgery.replace(now.span, `under ${under}`);
}
