import { plainLayout } from '../example.ts';
import { warning } from '../../messages/problem.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import type { SettingKind } from '../../model/setting.ts';
import type { Layout } from '../../model/site.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { bandAt, settingsAt } from '../../resolve/bands.ts';
import { isLength, parseLength } from '../../size/length.ts';
import { substitute, tokensAt } from '../../size/tokens.ts';
import type { FitCheck } from '../check.ts';
import { boxSaid } from '../subject/box-said.ts';
import { seenWhere, type Candidate, type FittedPage } from '../subject/fitted-page.ts';

/** px; who wants a page a screen taller than its window says so by more than this. */
const mostBeyond = 120;

const under = (height: string): string =>
	plainLayout(
		`arrange areas { "head" 96px; "main" auto }; region head as header { piece brand """<p>Seed</p>""" }`
	).replace('{ slot }', `{ slot; min auto ${height} }`);

export const heightTyped: FitCheck = {
	of: 'boxes',
	codes: ['height-typed'],
	what: 'A height that is the screen less some numbers leaves as much as what is around it takes.',
	why: 'Numbers that were right once make every short page scroll by a few px.',
	examples: {
		'height-typed': { wrong: under('calc(100vh - 80px)'), mended: under('calc(100vh - 96px)') }
	},
	find(page) {
		const { stretches, height } = page;
		if (!page.page.chain.some(saysOfScreen)) return [];
		const said = new Map<string, { readonly setting: SettingKind; readonly text: string }>();
		return seenWhere(stretches, (boxes, width) => {
			const beyond = Math.max(0, ...boxes.map((box) => box.y + box.height)) - height;
			return boxes.flatMap((box): Candidate[] => {
				const typed = typedHeight(box, page, width);
				if (!typed) return [];
				said.set(JSON.stringify(box.name), typed);
				return [{ box, over: [beyond - 1, mostBeyond - beyond, 1.5 - Math.abs(box.height - typed.px)] }];
			});
		}).flatMap(({ box, widths, worst }) => {
			const typed = said.get(JSON.stringify(box));
			if (!typed) return [];
			const by = Math.round(worst + 1);
			const name = box.region ?? box.wrapper ?? box.layout ?? '';
			return [{ box, widths, weight: by, setting: typed.setting, problem: (at) => warning('height-typed', at, name, typed.text, by) }];
		});
	}
}; // prettier-ignore

/** Whether some box of a layout has a height that goes with the screen's. */
function saysOfScreen(layout: Layout): boolean {
	return [layout, ...membersIn(layout.members)].some(({ settings }) =>
		settings.some((one) => {
			const height = one.kind === 'height' ? one.value : one.kind === 'min' ? one.value.height : '';
			return height !== undefined && /v[hb]|vmin|vmax|var\(/i.test(height);
		})
	);
}

/** A height of a box that is the height of the screen less something typed, px; undefined where it says no such. */
function typedHeight(
	{ name }: PlacedBox,
	{ page, resolved, height }: FittedPage,
	width: number
): { readonly setting: SettingKind; readonly text: string; readonly px: number } | undefined {
	const { bands, tokens } = resolved.site.settings;
	const said = boxSaid(name, page);
	if (!said || said.kind === 'markup' || said.kind === 'nav' || said.settings.length === 0)
		return undefined;
	const band = bandAt(bands, width);
	const at = settingsAt(said.settings, bands, band);
	const values = tokensAt(tokens, bands, band);
	const written = [['height', at.height], ['min', at.min?.height]] as const; // prettier-ignore
	for (const [setting, text] of written) {
		const length = parseLength(substitute(text ?? '', (token) => values.get(token)) ?? '');
		if (text === undefined || !isLength(length) || !length.viewport || length.share) continue;
		const px = length.at(0, { width, height });
		const grows = length.at(0, { width, height: height + 100 }) - px;
		if (px < height && Math.abs(grows - 100) < 0.01) return { setting, text, px };
	}
	return undefined;
}
