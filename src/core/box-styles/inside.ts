import { arrangementAt, settingsAt, type Bands } from '../resolve/bands.ts';
import { spacesDown } from '../settings/member/margin.ts';
import type { Inside } from '../settings/placed.ts';
import type { Box } from './frame.ts';

/** How the members of a box lie in a band. */
export function insideAt(box: Box, band: number, bands: Bands): Inside {
	if (settingsAt(box.settings, bands, band).show?.kind === 'strip') return { kind: 'strip' };
	return arrangementAt(box.arrangements, bands, band) ?? flowOf(box, band, bands);
}

function flowOf({ members }: Box, band: number, bands: Bands): Inside {
	const isSpaced = members.some(({ settings }) => spacesDown(settingsAt(settings, bands, band)));
	return isSpaced ? { kind: 'flow', isSpaced } : { kind: 'flow' };
}
