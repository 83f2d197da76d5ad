import { arrangingOfView, sizedOfView } from '$core/view-models/chosen/box-view.ts';
import type { MeasuredBox } from '$core/view-models/overlay.ts';
import { sideAt } from '$core/view-models/track-gestures.ts';
import type { Trace } from '$core/model/trace.ts';
import { listWords } from '$core/messages/wording.ts';
import { isPieceRef, type Command, type HolderRef, type Side } from '$core/model/command.ts';
import { drag } from '$views/shell/controls/drag.ts';
import { commands } from '$store/commands.svelte.ts';
import { choice } from '../choice.svelte.ts';
import { chosenBox } from '../chosen-box.svelte.ts';

/** The page as it stands on the screen while something is dragged over it. */
interface Sheet {
	readonly measured: readonly MeasuredBox[];
	/** Where the page is on the screen, px. */
	readonly sheet: DOMRect;
	/** Screen px for one px of the page. */
	readonly scale: number;
}

/** Where the dragged region would go. */
export interface DropZone {
	/** px of the page. */
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	readonly words: string;
}

const sideWords: Readonly<Record<Side, string>> = {
	swap: 'changes places with',
	left: 'to the left of',
	right: 'to the right of',
	above: 'above',
	below: 'below'
};

/** What a box is called where it stands. */
function nameOf({ region, piece }: Trace): string | undefined {
	return region ?? piece;
}

/** Both lie in what arranges the dragged one. */
function withinArrangement(member: string, target: string, side: Side): Command | undefined {
	const { around } = chosenBox;
	const box = arrangingOfView(around);
	if (!around || !box || !around.members.includes(target)) return undefined;
	const band = around.bands[around.band] ?? '';
	return { kind: 'move-area', box, member, target, side, band };
}

/** Pieces of one layer that nothing of its own arranges: they change their order in the text. */
function inText(member: string, target: string, side: Side): Command | undefined {
	const sized = chosenBox.view && sizedOfView(chosenBox.view);
	if (!sized || !isPieceRef(sized) || side === 'swap') return undefined;
	const where = side === 'left' || side === 'above' ? 'before' : 'after';
	const { holder } = sized;
	return { kind: 'move-piece', holder, name: member, to: holder, beside: { name: target, where } };
}

/** Several pieces go beside another in their order; in areas each has a place of its own, so there they go one by one. */
function asGroup(
	holder: HolderRef,
	pieces: readonly string[],
	target: string,
	side: Side
): Command | undefined {
	const isPlaced = chosenBox.around?.arrangement?.kind === 'areas';
	if (isPlaced || side === 'swap' || pieces.includes(target)) return undefined;
	const where = side === 'left' || side === 'above' ? 'before' : 'after';
	return { kind: 'move-pieces', holder, pieces, to: holder, beside: { name: target, where } };
}

/** A region or piece that is dragged by its name over others of what it stands in. */
class RegionDrag {
	zone = $state.raw<DropZone | undefined>();
	private command: Command | undefined;
	private key = '';
	/** Looks again at what the pointer is over, while one drags. */
	private lookAgain: (() => void) | undefined;

	/** `page` says how the page stands now: what a press chooses opens a panel, and that may move the page. */
	start(event: PointerEvent, trace: Trace, page: () => Sheet | undefined): void {
		const member = trace.region ?? trace.piece;
		if (member === undefined) return;
		drag(event, {
			move: (next) => {
				this.lookAgain = () => {
					const now = page();
					if (now) this.over(next, trace, member, now);
				};
				this.lookAgain();
			},
			end: (dropped) => {
				const { command } = this;
				this.command = this.zone = this.lookAgain = undefined;
				this.key = '';
				commands.forget();
				if (dropped && command) void commands.make(command);
			}
		});
	}

	/** What there is to say of the chosen box came later than the press: the pointer may rest by then. */
	again(): void {
		this.lookAgain?.();
	}

	private over(event: PointerEvent, trace: Trace, member: string, page: Sheet): void {
		const { view } = chosenBox;
		const { subject } = choice;
		const holder = subject.kind === 'piece' ? subject.piece.holder : undefined;
		const group = holder ? choice.togetherWith({ holder, piece: member }) : [member];
		const x = (event.clientX - page.sheet.left) / page.scale;
		const y = (event.clientY - page.sheet.top) / page.scale;
		const target = page.measured.findLast(
			(box) =>
				box.trace.layer === trace.layer &&
				(trace.region === undefined ? box.trace.piece : box.trace.region) !== undefined &&
				x >= box.x && x < box.x + box.width && y >= box.y && y < box.y + box.height
		); // prettier-ignore
		const name = target && nameOf(target.trace);
		const side = target && sideAt(target, { x, y });
		const command =
			name === undefined || name === member || !side
				? undefined
				: holder && group.length > 1
					? asGroup(holder, group, name, side)
					: view?.name === member
						? (withinArrangement(member, name, side) ?? inText(member, name, side))
						: undefined;
		if (!target || !side || !command) {
			if (this.key !== '') commands.forget();
			this.key = '';
			this.command = this.zone = undefined;
			return;
		}
		const key = `${name} ${side}`;
		if (key === this.key) return;
		this.key = key;
		this.command = command;
		this.zone = {
			...halfOf(target, side),
			words: `${listWords(group)} ${sideWords[side]} ${name}`
		};
		commands.look(this.command);
	}
}

function halfOf({ x, y, width, height }: MeasuredBox, side: Side): Omit<DropZone, 'words'> {
	switch (side) {
		case 'swap':
			return { x, y, width, height };
		case 'left':
			return { x, y, width: width / 4, height };
		case 'right':
			return { x: x + (width * 3) / 4, y, width: width / 4, height };
		case 'above':
			return { x, y, width, height: height / 4 };
		case 'below':
			return { x, y: y + (height * 3) / 4, width, height: height / 4 };
	}
}

export const regionDrag = new RegionDrag();
