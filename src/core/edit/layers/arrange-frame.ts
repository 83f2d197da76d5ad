import type { ArrangeFrameCommand } from '../../model/command.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findLayout } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import { addBand } from '../site/bands.ts';
import type { Surgery } from '../surgery.ts';

/** Writes boxes in the place of a frame of own markup, and the bands that they need. Throws a CommandRefused. */
export function arrangeFrame(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ layout: name, lines, bands }: ArrangeFrameCommand
): void {
	const layout = findLayout(resolved, name);
	if (!layout.frame) throw new CommandRefused(`${name} has no frame of its own markup any more.`);
	surgery.replaceLines(layout.frame.span, lines);
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
