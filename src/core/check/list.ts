import type { Check } from './check.ts';
import { errorChecks } from './errors.ts';
import { adjustIdle } from './pages/adjusts.ts';
import { navEmpty } from './pages/nav-empty.ts';
import { seenByNone } from './names/roles.ts';
import { nightAlone } from './names/night-alone.ts';
import { settingIdle } from './boxes/setting-idle.ts';
import { labelIdle } from './boxes/label-idle.ts';
import { offsetUneven } from './boxes/columns/offset-uneven.ts';
import { trackOverrun } from './boxes/track-overrun.ts';
import { shrinkGrows } from './boxes/shrink-grows.ts';
import { styleOfBox } from './boxes/style-of-box.ts';
import { sheetHeld, sheetMovesBox } from './boxes/sheets-and-boxes.ts';
import { pieceNotArranged } from './boxes/areas.ts';
import { standInLength } from './text/stand-in-length.ts';
import { openElements, strayEndTags } from './text/stray-end-tags.ts';
import { columnsUnspanned } from './boxes/columns/columns-unspanned.ts';
import { rowsFilled } from './boxes/columns/rows-filled.ts';
import { arrangesNothing } from './boxes/arranges-nothing.ts';
import { stripGap } from './boxes/strip-gap.ts';
import { gapsTooWide } from './boxes/columns/gaps-too-wide.ts';
import { containAndMax } from './boxes/contain-and-max.ts';
import { regionEmpty } from './pages/region-empty.ts';
import { rolesIdle } from './people/roles-idle.ts';
import { regionShadowed } from './names/region-shadowed.ts';
import { fixedTooWide } from './boxes/fixed-too-wide.ts';
import { markupChecks } from './html/markup-rules.ts';
import { idTwice, referenceNowhere } from './html/identities.ts';
import { formNoButton, labelMissing } from './html/controls.ts';
import { documentFiles } from './html/document-files.ts';
import { fileMissing } from './html/file-missing.ts';
import { descriptionMissing, langMissing, titleMissing, titleTwice } from './reading/page-head.ts';
import { langDiffers } from './reading/lang-differs.ts';
import { layoutUnused } from './unused/layout-unused.ts';
import { partUnused } from './unused/part-unused.ts';
import { tokenUnused } from './unused/token-unused.ts';
import { bandUnused } from './unused/band-unused.ts';
import { dataUnused } from './unused/data-unused.ts';
import { notFoundMissing } from './pages/not-found-missing.ts';
import { moved } from './pages/moved.ts';
import { menuHidden } from './pages/menu-hidden.ts';
import { hoverOnly } from './style/hover-only.ts';
import { orderStyled } from './style/order-styled.ts';
import { printHidden } from './style/print-hidden.ts';
import { assetUnused } from './unused/asset-unused.ts';
import { yearFixed } from './people/year-fixed.ts';
import { valueNotToken } from './style/value-not-token.ts';
import { valueRepeated } from './style/value-repeated.ts';
import { headingSkips, headingTwice } from './reading/headings.ts';
import { landmarkUnnamed, mainPart } from './reading/landmarks.ts';
import { skipMissing } from './reading/skip-missing.ts';
import { stuckBare } from './reading/stuck-bare.ts';
import { anchorNowhere, linkMoved, linkNowhere } from './reading/links.ts';
import { imageNoAlt, imageNoSize } from './reading/pictures.ts';
import { targetSmall } from './reading/target-small.ts';
import { contrastLow } from './reading/contrast-low.ts';
import { classClash, styleLeaks } from './style/style-leaks.ts';
import { overrideLostHeading } from './style/override-lost-heading.ts';
import { linkToDenied } from './people/link-to-denied.ts';
import { styleUnused } from './style/style-unused.ts';
import { styleFiles } from './style/style-files.ts';
import { styleImport } from './style/style-import.ts';
import { focusUnseen } from './style/focus-unseen.ts';
import { pageUnreachable } from './people/page-unreachable.ts';
import { regionTooNarrow } from './fit/region-too-narrow.ts';
import { pageScrollsSideways } from './fit/page-scrolls-sideways.ts';
import { contentCut } from './fit/content-cut.ts';
import { textCut } from './fit/text-cut.ts';
import { drawerTooNarrow } from './fit/drawer-too-narrow.ts';
import { covered } from './fit/covered.ts';
import { footFloats } from './fit/foot-floats.ts';
import { heightTyped } from './fit/height-typed.ts';
import { scrollerFlat } from './fit/scroller-flat.ts';
import { stuckCovers } from './fit/stuck-covers.ts';
import { headJumps } from './fit/head-jumps.ts';
import { measureTooLong, measureTooShort } from './fit/measures.ts';
import { orderDiffers } from './fit/order-differs.ts';
import { gapUneven } from './fit/gap-uneven.ts';

/** The checks that find what is doubtful, and nothing that keeps a site from being drawn. */
export const doubtChecks: readonly Check[] = [
	adjustIdle,
	navEmpty,
	seenByNone,
	nightAlone,
	settingIdle,
	labelIdle,
	offsetUneven,
	trackOverrun,
	shrinkGrows,
	styleOfBox,
	sheetMovesBox,
	sheetHeld,
	pieceNotArranged,
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

/** Everything that is looked for once a site is resolved. */
export const checks: readonly Check[] = [...errorChecks, ...doubtChecks];
