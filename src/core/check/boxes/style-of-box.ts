import { plainLayout } from '../example.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import { Memory } from '../../lib/memory.ts';
import { layersOf, type Layer, type Style } from '../../model/site.ts';
import type { SettingKind } from '../../model/setting.ts';
import type { Command } from '../../model/command.ts';
import { frameBoxWords, frameMoves, type FrameMove } from '../../author-styles/frame-moves.ts';
import { instanceUnder } from '../subject/page-under.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { nothing, type LayerCheck } from '../check.ts';

const found = new Memory<Layer, readonly Problem[]>();

/** Matched against the tree of a page, so that a rule counts by what it hits, however it is written. */
export const styleOfBox: LayerCheck = {
	of: 'layer',
	reaches: 'site',
	codes: ['style-of-box'],
	what: 'No style resizes or moves a box of the frame.',
	why: 'Computed boxes know settings, not styles.',
	examples: {
		'style-of-box': {
			wrong: plainLayout(
				'region side as aside { piece hours """<p>Two to six.</p>"""; style """ :scope { width: 200px; } """ }'
			),
			mended: plainLayout(
				'region side as aside { width 200px; piece hours """<p>Two to six.</p>""" }'
			)
		}
	},
	find(layer, resolved) {
		if (stylesIn(layer).length === 0) return nothing;
		return found.get(layer, [resolved.site], () => problemsIn(layer, resolved));
	},
	mend({ span }, resolved) {
		const owner = layersOf(resolved.site).find(
			(layer) =>
				layer.span.file === span.file && layer.span.from <= span.from && span.to <= layer.span.to
		);
		const moves = owner ? movesIn(owner, resolved) : [];
		const move = moves.find((one) => one.span.file === span.file && one.span.from === span.from);
		return move && asSetting(move, resolved);
	}
};

/** Properties that a setting says in the same words. */
const sameWords: ReadonlyMap<string, SettingKind> = new Map(
	Object.entries<SettingKind>({
		padding: 'pad',
		margin: 'margin',
		width: 'width',
		height: 'height',
		gap: 'gap',
		'aspect-ratio': 'aspect',
		'max-width': 'max',
		'min-width': 'min',
		order: 'order'
	})
);

/** A rule that holds everywhere, and hits one box of a layout, can be a setting of that box. */
function asSetting(
	{ rule, property, value, span, boxes }: FrameMove,
	resolved: ResolvedSite
): Command | undefined {
	const setting = sameWords.get(property);
	const [box, ...others] = boxes;
	const { bands } = resolved.site.settings;
	const isPlain =
		rule.conditions.every((one) => one.of === 'band' && !one.space) && rule.conditions.length <= 1;
	if (setting === undefined || !box || others.length > 0 || !isPlain) return undefined;
	if (box.layout === undefined || box.kind === 'piece' || box.kind === 'opener') return undefined;
	const band = rule.style.band?.text ?? bands[0]?.name.text;
	const text = resolved.reading.files.texts.get(span.file);
	if (band === undefined || text === undefined) return undefined;
	const end = /^[^;}]*?(?=\s*[;}]|\s*"{3}|$)/.exec(text.slice(span.from))?.[0].length ?? 0;
	const semicolon = /^\s*;\s?/.exec(text.slice(span.from + end))?.[0].length ?? 0;
	const without = { file: span.file, from: span.from, to: span.from + end + semicolon };
	return {
		kind: 'set-setting',
		box: { layout: box.layout, box: box.name },
		setting,
		value,
		band,
		without
	};
}

function stylesIn(layer: Layer): Style[] {
	const own = layer.kind === 'layout' ? layer.regions.flatMap((region) => region.styles) : [];
	return [...layer.styles, ...own];
}

function movesIn(layer: Layer, resolved: ResolvedSite): readonly FrameMove[] {
	const instance = instanceUnder(layer, resolved);
	// Words of the year move no box.
	return instance
		? frameMoves(instance, resolved, 2000, ({ owner, isSheet }) => owner === layer && !isSheet)
		: [];
}

function problemsIn(layer: Layer, resolved: ResolvedSite): readonly Problem[] {
	return movesIn(layer, resolved).flatMap(({ span, property, boxes, advice }) => {
		const [box] = boxes;
		if (!box) return [];
		return [warning('style-of-box', span, property, frameBoxWords(box), advice)];
	});
}
