import type { Check } from './check.ts';
import { areaUnknown, notArranged, pieceNotArranged } from './boxes/areas.ts';
import { labelIdle } from './boxes/label-idle.ts';
import { rowsFilled } from './boxes/columns/rows-filled.ts';
import { arrangesNothing } from './boxes/arranges-nothing.ts';
import { stripGap } from './boxes/strip-gap.ts';
import { settingIdle } from './boxes/setting-idle.ts';
import { drawerNoPlace, showNotHere, slotHidden } from './boxes/show.ts';
import { sizes } from './boxes/sizes.ts';
import { shrinkGrows } from './boxes/shrink-grows.ts';
import { offsetUneven } from './boxes/columns/offset-uneven.ts';
import { spanTooWide } from './boxes/columns/span-too-wide.ts';
import { sheetHeld, sheetMovesBox } from './boxes/sheets-and-boxes.ts';
import { styleOfBox } from './boxes/style-of-box.ts';
import { fixedTooWide } from './boxes/fixed-too-wide.ts';
import { trackOverrun } from './boxes/track-overrun.ts';
import { contentCut } from './fit/content-cut.ts';
import { covered } from './fit/covered.ts';
import { footFloats } from './fit/foot-floats.ts';
import { gapUneven } from './fit/gap-uneven.ts';
import { heightTyped } from './fit/height-typed.ts';
import { headJumps } from './fit/head-jumps.ts';
import { measureTooLong, measureTooShort } from './fit/measures.ts';
import { orderDiffers } from './fit/order-differs.ts';
import { drawerTooNarrow } from './fit/drawer-too-narrow.ts';
import { formNoButton, labelMissing } from './html/controls.ts';
import { documentFiles } from './html/document-files.ts';
import { fileMissing } from './html/file-missing.ts';
import { idTwice, referenceNowhere } from './html/identities.ts';
import { focusUnseen } from './style/focus-unseen.ts';
import { styleImport } from './style/style-import.ts';
import { styleFiles } from './style/style-files.ts';
import { markupChecks } from './html/markup-rules.ts';
import { textCut } from './fit/text-cut.ts';
import { pageScrollsSideways } from './fit/page-scrolls-sideways.ts';
import { regionTooNarrow } from './fit/region-too-narrow.ts';
import { scrollerFlat } from './fit/scroller-flat.ts';
import { stuckCovers } from './fit/stuck-covers.ts';
import { allowed } from './names/allowed.ts';
import { bandUnknown } from './names/band-unknown.ts';
import { dataShape } from './names/data.ts';
import { nightAlone } from './names/night-alone.ts';
import { regionShadowed } from './names/region-shadowed.ts';
import { admitWider, roleUnknown, seenByNone } from './names/roles.ts';
import { addressTwice } from './pages/address-twice.ts';
import { adjustIdle, adjusts } from './pages/adjusts.ts';
import { fills } from './pages/fills.ts';
import { navEmpty } from './pages/nav-empty.ts';
import { requiredUnfilled } from './pages/required-unfilled.ts';
import { linkToDenied } from './people/link-to-denied.ts';
import { pageUnreachable } from './people/page-unreachable.ts';
import { yearFixed } from './people/year-fixed.ts';
import { contrastLow } from './reading/contrast-low.ts';
import { headingSkips, headingTwice } from './reading/headings.ts';
import { landmarkUnnamed, mainPart } from './reading/landmarks.ts';
import { anchorNowhere, linkMoved, linkNowhere } from './reading/links.ts';
import { descriptionMissing, langMissing, titleMissing, titleTwice } from './reading/page-head.ts';
import { imageNoAlt, imageNoSize } from './reading/pictures.ts';
import { stuckBare } from './reading/stuck-bare.ts';
import { langDiffers } from './reading/lang-differs.ts';
import { skipMissing } from './reading/skip-missing.ts';
import { targetSmall } from './reading/target-small.ts';
import { overrideLostHeading } from './style/override-lost-heading.ts';
import { classClash, styleLeaks } from './style/style-leaks.ts';
import { styleUnused } from './style/style-unused.ts';
import { valueNotToken } from './style/value-not-token.ts';
import { valueRepeated } from './style/value-repeated.ts';
import { expressions } from './text/expressions.ts';
import { markup } from './text/markup.ts';
import { parts } from './text/parts.ts';
import { standInLength } from './text/stand-in-length.ts';
import { columnsUnspanned } from './boxes/columns/columns-unspanned.ts';
import { containAndMax } from './boxes/contain-and-max.ts';
import { gapsTooWide } from './boxes/columns/gaps-too-wide.ts';
import { regionEmpty } from './pages/region-empty.ts';
import { rolesIdle } from './people/roles-idle.ts';
import { openElements, strayEndTags } from './text/stray-end-tags.ts';
import { assetUnused } from './unused/asset-unused.ts';
import { layoutUnused } from './unused/layout-unused.ts';
import { partUnused } from './unused/part-unused.ts';
import { tokenUnused } from './unused/token-unused.ts';
import { bandUnused } from './unused/band-unused.ts';
import { dataUnused } from './unused/data-unused.ts';
import { menuHidden } from './pages/menu-hidden.ts';
import { moved } from './pages/moved.ts';
import { notFoundMissing } from './pages/not-found-missing.ts';
import { hoverOnly } from './style/hover-only.ts';
import { printHidden } from './style/print-hidden.ts';
import { orderStyled } from './style/order-styled.ts';

/** Everything that is looked for once a site is resolved. */
export const checks: readonly Check[] = [
	addressTwice,
	fills,
	adjusts,
	adjustIdle,
	expressions,
	markup,
	parts,
	navEmpty,
	roleUnknown,
	admitWider,
	seenByNone,
	dataShape,
	bandUnknown,
	nightAlone,
	sizes,
	showNotHere,
	areaUnknown,
	notArranged,
	settingIdle,
	labelIdle,
	spanTooWide,
	offsetUneven,
	trackOverrun,
	shrinkGrows,
	styleOfBox,
	sheetMovesBox,
	sheetHeld,
	slotHidden,
	drawerNoPlace,
	pieceNotArranged,
	requiredUnfilled,
	standInLength,
	strayEndTags,
	openElements,
	columnsUnspanned,
	rowsFilled,
	arrangesNothing,
	stripGap,
	gapsTooWide,
	containAndMax,
	regionEmpty,
	rolesIdle,
	allowed,
	regionShadowed,
	fixedTooWide,
	...markupChecks,
	idTwice,
	referenceNowhere,
	labelMissing,
	formNoButton,
	documentFiles,
	fileMissing,
	titleMissing,
	langMissing,
	langDiffers,
	layoutUnused,
	partUnused,
	tokenUnused,
	bandUnused,
	dataUnused,
	notFoundMissing,
	moved,
	menuHidden,
	hoverOnly,
	orderStyled,
	printHidden,
	assetUnused,
	yearFixed,
	valueNotToken,
	valueRepeated,
	headingTwice,
	headingSkips,
	landmarkUnnamed,
	mainPart,
	skipMissing,
	stuckBare,
	descriptionMissing,
	linkNowhere,
	linkMoved,
	imageNoAlt,
	imageNoSize,
	targetSmall,
	contrastLow,
	styleLeaks,
	classClash,
	overrideLostHeading,
	linkToDenied,
	titleTwice,
	anchorNowhere,
	styleUnused,
	styleFiles,
	styleImport,
	focusUnseen,
	pageUnreachable,
	regionTooNarrow,
	pageScrollsSideways,
	contentCut,
	textCut,
	drawerTooNarrow,
	covered,
	footFloats,
	heightTyped,
	scrollerFlat,
	stuckCovers,
	headJumps,
	measureTooLong,
	measureTooShort,
	orderDiffers,
	gapUneven
];
