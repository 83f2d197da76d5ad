import { takenUnsaid, type Arrangement } from '../../model/arrange.ts';
import type { HolderRef, PieceStart } from '../../model/command.ts';
import { adjustedChain } from '../../resolve/adjust.ts';
import { arrangementAt, bandPlaces, type Bands } from '../../resolve/bands.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { slotOf } from '../../resolve/structure.ts';
import { bandWord, findGroup } from '../boxes/find-box.ts';
import { findLayer, findPiece, wholeAround } from '../find.ts';
import { checkPattern } from '../layers/layouts.ts';
import type { Surgery } from '../surgery.ts';

/** What a new piece begins with. */

/** The lines of a new piece of markup, with what it says of itself. */
export function pieceLines(name: string, markup: string, setting?: string): string[] {
	const said = setting === undefined ? '' : ` { ${setting} }`;
	return [
		`piece ${name}${said} """`,
		...markup.split('\n').map((line) => (line ? '  ' + line : '')),
		'"""'
	];
}

/** The lines of a piece that is added by hand. */
export function startLines(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	name: string,
	start: PieceStart
): string[] {
	switch (start.kind) {
		case 'markup':
			return pieceLines(name, start.markup, firstSpan(resolved, holder));
		case 'nav': {
			const span = firstSpan(resolved, holder);
			const line = `piece ${name} nav from ${checkPattern(start.from).text} depth ${start.depth}`;
			return [span === undefined ? line : `${line} { ${span} }`];
		}
		case 'copy': {
			const piece = findPiece(resolved, start.of.holder, start.of.piece);
			const [first = '', ...rest] = surgery.linesOf(piece.span);
			return [first.replace(/^(piece\s+)[^\s{]+/, `$1${name}`), ...rest];
		}
	}
}

/** In columns of which a piece that says nothing takes all, a new one takes the next: undefined where it need not say so. */
function firstSpan(resolved: ResolvedSite, holder: HolderRef): string | undefined {
	const { layer, region, group } = holder;
	const around =
		group === undefined
			? wholeAround(resolved, holder)
			: findGroup(resolved, { holder: { ...holder, group: undefined }, piece: group });
	if (around) return firstSpanIn(around, resolved.site.settings.bands);
	const found = findLayer(resolved, layer);
	const chain = adjustedChain(found, resolved.structure);
	const layouts = region ? [...chain, ...(found.kind === 'layout' ? [found] : [])] : chain;
	const layout = region ? layouts.find((one) => one.name.text === region.layout) : chain.at(-1);
	const box = region
		? layout?.regions.find((one) => one.name.text === region.region)
		: layout && slotOf(layout);
	return box && firstSpanIn(box, resolved.site.settings.bands);
}

/** The same for whatever is put into a box. */
export function firstSpanIn(
	{ arrangements }: { readonly arrangements: readonly Arrangement[] },
	bands: Bands
): string | undefined {
	const band = bandPlaces(bands).find((place) => {
		const inside = arrangementAt(arrangements, bands, place);
		return inside?.kind === 'columns' && inside.columns > 1 && takenUnsaid(inside) === 'all';
	});
	return band === undefined ? undefined : `span 1${bandWord(bands, band)}`;
}
