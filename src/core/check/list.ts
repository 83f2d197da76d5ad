import type { Check } from './check.ts';
import { areaUnknown, notArranged, pieceNotArranged } from './boxes/areas.ts';
import { labelIdle } from './boxes/label-idle.ts';
import { settingIdle } from './boxes/setting-idle.ts';
import { drawerNoPlace, showNotHere, slotHidden } from './boxes/show.ts';
import { sizes } from './boxes/sizes.ts';
import { spanTooWide } from './boxes/span-too-wide.ts';
import { styleOfBox } from './boxes/style-of-box.ts';
import { trackOverrun } from './boxes/track-overrun.ts';
import { bandUnknown } from './names/band-unknown.ts';
import { dataShape } from './names/data.ts';
import { admitWider, roleUnknown, seenByNone } from './names/roles.ts';
import { addressTwice } from './pages/address-twice.ts';
import { fills } from './pages/fills.ts';
import { navEmpty } from './pages/nav-empty.ts';
import { requiredUnfilled } from './pages/required-unfilled.ts';
import { expressions } from './text/expressions.ts';
import { markup } from './text/markup.ts';
import { parts } from './text/parts.ts';
import { strayEndTags } from './text/stray-end-tags.ts';

/** Everything that is looked for once a site is resolved. */
export const checks: readonly Check[] = [
	addressTwice,
	fills,
	expressions,
	markup,
	parts,
	navEmpty,
	roleUnknown,
	admitWider,
	seenByNone,
	dataShape,
	bandUnknown,
	sizes,
	showNotHere,
	areaUnknown,
	notArranged,
	settingIdle,
	labelIdle,
	spanTooWide,
	trackOverrun,
	styleOfBox,
	slotHidden,
	drawerNoPlace,
	pieceNotArranged,
	requiredUnfilled,
	strayEndTags
];
