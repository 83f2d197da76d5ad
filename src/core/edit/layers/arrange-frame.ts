import type { ArrangeFrameCommand, FrameAround } from '../../model/command.ts';
import { layersOf, type Layout } from '../../model/site.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findLayout } from '../find.ts';
import { markupLines } from '../markup-statement.ts';
import { CommandRefused } from '../proposal.ts';
import { addBand } from '../site/bands.ts';
import type { Surgery } from '../surgery.ts';

/** Writes boxes in the place of a frame of own markup, and the bands that they need. Throws a CommandRefused. */
export function arrangeFrame(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ layout: name, lines, around, bands }: ArrangeFrameCommand
): void {
	const layout = findLayout(resolved, name);
	if (!layout.frame) throw new CommandRefused(`${name} has no frame of its own markup any more.`);
	surgery.replaceLines(layout.frame.span, lines);
	if (around) keepAround(resolved, surgery, layout, around);
	for (const { saidIn } of layout.regions) {
		// Who may fill a place is said in the region that it becomes.
		if (saidIn) surgery.remove(saidIn);
	}
	const { settings } = resolved.site;
	if (settings.bands.length > 0) {
		for (const band of bands) addBand(resolved, surgery, band.name, band.from);
	} else if (bands.length > 0) {
		const said = bands.map((band) => `${band.name} ${band.from}`);
		surgery.setInnerFirst(settings.span, 'bands', `bands { narrow 0; ${said.join('; ')} }`);
	}
}

/** What stays a frame is a layout of its own, in which the boxes land; what is brought to its places goes there. */
function keepAround(
	resolved: ResolvedSite,
	surgery: Surgery,
	layout: Layout,
	{ name, markup, regions }: FrameAround
): void {
	const { span, at } = layout;
	// Nothing covers a route for a layout that is itself in the way.
	const under = resolved.structure.chainOf(layout).at(-1)?.name.text ?? 'none';
	const stays = layout.regions.filter((region) => regions.includes(region.name.text));
	const lines = [
		`layout ${name} at ${at.text} on-request {`,
		`  under ${under}`,
		...markupLines('frame', markup).map((line) => (line === '' ? '' : `  ${line}`)),
		...stays.flatMap(({ saidIn }) =>
			saidIn ? surgery.linesOf(saidIn).map((line) => `  ${line}`) : []
		),
		'}'
	];
	surgery.setInnerFirst(span, 'under', `under ${name}`);
	surgery.insertAfter(span, lines);
	for (const layer of layersOf(resolved.site)) {
		for (const one of [...layer.fills, ...layer.adjusts]) {
			const target = 'region' in one ? one.region : one.box;
			if (one.layout !== layout.name.text || !regions.includes(target)) continue;
			surgery.replace(one.targetSpan, `${name}.${target}`);
		}
	}
}
