import { plainLayout } from '../example.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import { areasOf, type AreasArrangement } from '../../model/arrange.ts';
import type { Setting } from '../../model/setting.ts';
import type { Layout, Member, Piece, PieceGroup, Site, Wrapper } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { splitSizes } from '../../size/css-tokens.ts';
import { tokensAt } from '../../size/tokens.ts';
import { arrangementAt, bandPlaces, settingHolding } from '../../resolve/bands.ts';
import { boxesOf, contentsOf } from '../../resolve/boxes/members.ts';
import type { LayerCheck } from '../check.ts';
import { fixedPx } from './fixed-px.ts';

export const trackOverrun: LayerCheck = {
	of: 'layer',
	codes: ['track-overrun'],
	what: 'No box is set taller than the rows it lies in.',
	why: 'It would cover what follows.',
	examples: {
		'track-overrun': {
			wrong: plainLayout(
				'arrange areas { "head" 64px; "main" auto }; region head as header { height 120px; piece brand """<p>Seed</p>""" }'
			),
			mended: plainLayout(
				'arrange areas { "head" auto; "main" auto }; region head as header { height 120px; piece brand """<p>Seed</p>""" }'
			)
		}
	},
	find(layer, { site }) {
		return boxesOf(layer).flatMap((box) => (box.kind === 'region' ? [] : findOverrun(box, site)));
	}
};

function findOverrun(box: Layout | Wrapper | PieceGroup, site: Site): Problem[] {
	const { bands, tokens } = site.settings;
	if (!box.arrangements.some((one) => one.kind === 'areas')) return [];
	const problems = new Map<Span, Problem>();
	for (const place of bandPlaces(bands)) {
		const arrangement = arrangementAt(box.arrangements, bands, place);
		if (arrangement?.kind !== 'areas') continue;
		const values = tokensAt(tokens, bands, place);
		const pxOf = (text: string): number | undefined => fixedPx(text, values);
		for (const member of contentsOf(box)) {
			const room = roomFor(member, arrangement, pxOf);
			const set = heightSet((kind) => settingHolding(member.settings, kind, bands, place));
			if (!room || !set) continue;
			const height = pxOf(set.text);
			if (height === undefined || height <= room.px + 0.5) continue;
			const names = [member.name.text, set.text, room.text] as const;
			problems.set(set.span, warning('track-overrun', set.span, ...names));
		}
	}
	return [...problems.values()];
}

/** The height that is set for a box, shrunk or not, and where. */
function heightSet(
	holding: (kind: 'shrink' | 'height') => Setting | undefined
): { text: string; span: Span } | undefined {
	const shrink = holding('shrink');
	if (shrink?.kind === 'shrink' && shrink.value !== 'none') {
		return { text: shrink.value.from, span: shrink.span };
	}
	const height = holding('height');
	return height?.kind === 'height' ? { text: height.value, span: height.span } : undefined;
}

/** The rows that a box lies in, where all of them are of a set height, with the gaps between. */
function roomFor(
	member: Member | Piece,
	{ rows, gap }: AreasArrangement,
	pxOf: (text: string) => number | undefined
): { px: number; text: string } | undefined {
	const area = areasOf(rows).get(member.name.text);
	if (!area) return undefined;
	const mine = rows.slice(area.y.from, area.y.to);
	const sizes = mine.map((row) => pxOf(row.size));
	const between = gap ? pxOf(splitSizes(gap.text)[0] ?? '0') : 0;
	if (between === undefined || sizes.includes(undefined)) return undefined;
	const px = sizes.reduce<number>((sum, size) => sum + (size ?? 0), between * (mine.length - 1));
	return { px, text: mine.map((row) => row.size).join(' + ') };
}
