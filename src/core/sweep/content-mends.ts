import type { Misfit } from '../check/fit/misfits.ts';
import type { Command } from '../model/command.ts';
import { layerRef } from '../model/layer-ref.ts';
import { layerName, type Layer, type Piece } from '../model/site.ts';
import { leavesOf } from '../resolve/boxes/runs.ts';
import type { ResolvedPage } from '../resolve/page.ts';
import type { MendIdea } from './mend-idea.ts';

/** A rule that may make content fit, and the markup in which it might do something. */
interface Remedy {
	readonly says: string;
	readonly css: string;
	readonly in: RegExp;
}

const remedies: readonly Remedy[] = [
	{
		says: 'Let pictures be no wider than their place',
		css: 'img, video, svg { max-width: 100%; height: auto; }',
		in: /<(?:img|video|svg)\b/i
	},
	{
		says: 'Let frames be no wider than their place',
		css: 'iframe { max-width: 100%; }',
		in: /<iframe\b/i
	},
	{
		says: 'Let lines of code scroll by themselves',
		css: 'pre { overflow-x: auto; }',
		in: /<pre\b/i
	},
	{ says: 'Let long words break', css: '* { overflow-wrap: anywhere; }', in: /\p{L}{8}|\S{16}/u },
	{
		says: 'Let boxes in rows and grids be narrower than what is in them',
		css: '* { min-width: 0; }',
		in: /<\w+[^>]*>\s*<\w/
	},
	{ says: 'Let nothing be wider than its place', css: '* { max-width: 100%; }', in: /<\w/ }
];

/**
 * Rules for the content that sticks out, in the style of the layer that brought it. Whether one does away with what does
 * not fit is measured before it is offered.
 */
export function contentMends(misfit: Misfit, page: ResolvedPage): MendIdea[] {
	const markups = new Map<Layer, string>();
	for (const { piece, owner } of sticking(misfit, page)) {
		if (piece.kind !== 'markup') continue;
		const words = piece.markup.parts.filter((part) => typeof part === 'string').join('');
		markups.set(owner, (markups.get(owner) ?? '') + words);
	}
	return [...markups].flatMap(([owner, markup]) =>
		remedies
			.filter((remedy) => remedy.in.test(markup))
			.map(({ says, css }): MendIdea => {
				const command: Command = { kind: 'add-rule', in: layerRef(owner), css, label: says };
				return { label: `${says}, in ${layerName(owner)}`, command };
			})
	);
}

/** The pieces of a page that stand in what sticks out, with the layers that brought them. */
function sticking(
	{ name }: Misfit,
	{ regions, bare }: ResolvedPage
): { readonly piece: Piece; readonly owner: Layer }[] {
	const all = leavesOf([...regions.flatMap(({ landed }) => landed), ...bare]);
	return all.flatMap((one) => {
		if (one.kind !== 'piece') return [];
		const { piece, owner } = one;
		const isIn = name.pieces.some(
			(other) => other.piece === piece.name.text && other.owner === layerName(owner)
		);
		return isIn ? [{ piece, owner }] : [];
	});
}
