import { warning, type Problem } from '../../messages/problem.ts';
import type { Setting } from '../../model/setting.ts';
import type { Layout, Member, Site } from '../../model/site.ts';
import { sweepFrom } from '../../geometry/widths/jumps.ts';
import { bandPlace, bandPlaces, settingsAt } from '../../resolve/bands.ts';
import { isShownAt } from '../../resolve/boxes/shown.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { tokensAt } from '../../size/tokens.ts';
import type { WholeCheck } from '../check.ts';
import { fixedPx } from './fixed-px.ts';

const side = (width: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  region main as main { slot; ${width} }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

export const fixedTooWide: WholeCheck = {
	of: 'whole',
	codes: ['fixed-too-wide'],
	what: 'No box has a fixed width that is more than the narrowest screen it is shown on.',
	why: 'There it reaches beyond the edge, and the page scrolls sideways or is cut.',
	examples: { 'fixed-too-wide': { wrong: side('width 640px'), mended: side('max 640px') } },
	find: ({ site }) =>
		site.layouts.flatMap((layout) =>
			[layout, ...membersIn(layout.members)].flatMap((box) => tooWide(box, layout, site))
		)
};

/** The first band in which a fixed width holds, the box is shown, and nothing makes it narrower. */
function tooWide(box: Layout | Member, layout: Layout, site: Site): Problem[] {
	const { bands, tokens } = site.settings;
	const widths = box.settings.filter(({ kind }) => kind === 'width' || kind === 'min');
	return widths.flatMap((setting): Problem[] => {
		const text = widthIn(setting);
		const first = bandPlace(bands, setting.band);
		for (const place of bandPlaces(bands).filter((one) => one >= first)) {
			const at = settingsAt(box.settings, bands, place);
			if (at[setting.kind] !== setting.value) return [];
			if (box.kind !== 'layout' && !isShownAt(box, layout, bands, place)) continue;
			if (at.scroll === 'own' || (setting.kind === 'width' && at.max !== undefined)) continue;
			const px = fixedPx(text, tokensAt(tokens, bands, place));
			const screen = Math.max(sweepFrom, bands[place]?.from ?? 0);
			if (px === undefined || px <= screen) continue;
			const what = setting.kind === 'min' ? 'least width' : 'width';
			const problem = warning('fixed-too-wide', setting.span, box.name.text, what, text, screen);
			const band = setting.band ? ` @${setting.band.text}` : '';
			const insert = `max ${text}${band}`;
			const mend = { label: `Write ${insert}`, span: setting.span, insert };
			return [setting.kind === 'width' ? { ...problem, mend } : problem];
		}
		return [];
	});
}

function widthIn({ kind, value }: Setting): string {
	if (kind === 'min' && typeof value === 'object' && 'width' in value) return String(value.width);
	return typeof value === 'string' ? value : 'auto';
}
