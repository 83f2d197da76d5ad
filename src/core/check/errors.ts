import type { Check } from './check.ts';
import { addressTwice } from './pages/address-twice.ts';
import { fills } from './pages/fills.ts';
import { adjusts } from './pages/adjusts.ts';
import { expressions } from './text/expressions.ts';
import { markup } from './text/markup.ts';
import { parts } from './text/parts.ts';
import { admitWider, roleUnknown } from './names/roles.ts';
import { dataShape } from './names/data.ts';
import { bandUnknown } from './names/band-unknown.ts';
import { sizes } from './boxes/sizes.ts';
import { drawerNoPlace, showNotHere, slotHidden } from './boxes/show.ts';
import { areaUnknown, notArranged } from './boxes/areas.ts';
import { spanTooWide } from './boxes/columns/span-too-wide.ts';
import { requiredUnfilled } from './pages/required-unfilled.ts';
import { allowed } from './names/allowed.ts';

/** The checks that can find what keeps a site from being drawn; whatever opens a site needs these, and no others. */
export const errorChecks: readonly Check[] = [
	addressTwice,
	fills,
	adjusts,
	expressions,
	markup,
	parts,
	roleUnknown,
	admitWider,
	dataShape,
	bandUnknown,
	sizes,
	showNotHere,
	areaUnknown,
	notArranged,
	spanTooWide,
	slotHidden,
	drawerNoPlace,
	requiredUnfilled,
	allowed
];
