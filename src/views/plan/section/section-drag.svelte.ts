import type { CrossSection } from '$core/view-models/cross-section.ts';
import { listWords } from '$core/messages/wording.ts';
import type { Command, HolderRef, PieceRef } from '$core/model/command.ts';
import { commands } from '$store/commands.svelte.ts';
import { drag } from '$views/shell/controls/drag.ts';
import { cellFacts, choice, holderOf, type CellPlace } from '../choice.svelte.ts';

/** What dropping would do. */
interface Drop {
	readonly words: string;
	readonly target: SectionDrag['target'];
	readonly command: Command;
}

/** What is dragged over the cross-section: a region by its name, or a piece by its word. */
class SectionDrag {
	/** Beside the pointer, what dropping would do; empty where it would do nothing. */
	words = $state('');
	at = $state.raw({ x: 0, y: 0 });
	/** Where it would land. */
	target = $state.raw<
		{ readonly column: number; readonly layer: number | undefined } | undefined
	>();
	private command: Command | undefined;
	private key = '';

	/** A region goes before or behind another of its layout, in the order of reading. */
	region(event: PointerEvent, section: CrossSection, column: number): void {
		const own = section.columns[column]?.regions[0];
		if (!own) return;
		this.begin(event, (next) => {
			const found = cellUnder(next)?.column;
			const other = found === undefined ? undefined : section.columns[found];
			const beside = other?.regions.find((region) => region.layout === own.layout);
			if (found === undefined || !beside || beside.name === own.name) return undefined;
			const where = found > column ? 'after' : 'before';
			return {
				words: `${own.name} is read ${where === 'after' ? 'after' : 'before'} ${beside.name}`,
				target: { column: found, layer: undefined },
				command: {
					kind: 'place-member',
					layout: own.layout,
					name: own.name,
					beside: { name: beside.name, where }
				}
			};
		});
	}

	/** A piece goes into another block, with all that it says, or beside another one of its own; all that are chosen go along. */
	piece(event: PointerEvent, section: CrossSection, grabbed: PieceRef): void {
		const { holder } = grabbed;
		const dragged = choice.togetherWith(grabbed);
		const names = listWords(dragged);
		const goes = dragged.length > 1 ? 'go' : 'goes';
		this.begin(event, (next) => {
			const place = cellUnder(next);
			const facts = place && cellFacts(section, place);
			const to = facts && holderOf(facts);
			if (!place || !facts || !to) return undefined;
			if (JSON.stringify(to) === JSON.stringify(holder)) {
				return besideOther(facts.entry?.pieces ?? [], pieceUnder(next), holder, dragged, place);
			}
			const where = to.region?.region ?? 'its content';
			return {
				words: `${names} ${goes} to ${where}, by ${to.layer.name}`,
				target: place,
				command: { kind: 'move-pieces', holder, pieces: dragged, to }
			};
		});
	}

	private begin(event: PointerEvent, over: (event: PointerEvent) => Drop | undefined): void {
		drag(event, {
			move: (next) => {
				this.at = { x: next.clientX, y: next.clientY };
				const found = over(next);
				const key = found ? found.words : '';
				if (key === this.key) return;
				this.key = key;
				this.command = found?.command;
				this.words = key;
				this.target = found?.target;
				if (found) commands.look(found.command);
				else commands.forget();
			},
			end: (dropped) => {
				const { command } = this;
				this.command = this.target = undefined;
				this.words = this.key = '';
				commands.forget();
				if (dropped && command) void commands.make(command);
			}
		});
	}
}

/** The block of the cross-section under the pointer; over a name, the column with the first layer. */
function cellUnder(event: PointerEvent): CellPlace | undefined {
	const found = document.elementFromPoint(event.clientX, event.clientY);
	const cell = found?.closest<HTMLElement>('[data-cell]')?.dataset['cell'];
	const [layer, column] = cell?.split(' ').map(Number) ?? [];
	if (layer !== undefined && column !== undefined) return { layer, column };
	const head = found?.closest<HTMLElement>('[data-column]')?.dataset['column'];
	return head === undefined ? undefined : { layer: 0, column: Number(head) };
}

/** The piece whose word is under the pointer. */
function pieceUnder(event: PointerEvent): string | undefined {
	const found = document.elementFromPoint(event.clientX, event.clientY);
	return found?.closest<HTMLElement>('[data-piece]')?.dataset['piece'];
}

/** Pieces go in front of another one of their block, or behind it where they stood in front. */
function besideOther(
	pieces: readonly string[],
	other: string | undefined,
	holder: HolderRef,
	dragged: readonly string[],
	target: CellPlace
): Drop | undefined {
	if (other === undefined || dragged.includes(other) || !pieces.includes(other)) return undefined;
	const [first = ''] = dragged;
	const where = pieces.indexOf(first) < pieces.indexOf(other) ? 'after' : 'before';
	const goes = dragged.length > 1 ? 'go' : 'goes';
	return {
		words: `${listWords(dragged)} ${goes} ${where === 'after' ? 'behind' : 'in front of'} ${other}`,
		target,
		command: {
			kind: 'move-pieces',
			holder,
			pieces: dragged,
			to: holder,
			beside: { name: other, where }
		}
	};
}

export const sectionDrag = new SectionDrag();
