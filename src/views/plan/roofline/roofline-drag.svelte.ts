import { forEach, type LayerRef, type Command } from '$core/model/command.ts';
import { branchOver, type RooflineRow } from '$core/view-models/roofline.ts';
import { store } from '$store/site.svelte.ts';
import { drag } from '$views/shell/controls/drag.ts';
import { commands } from '$store/commands.svelte.ts';

/** What is dragged on the roofline: the marks of pages, or an end of a layout's bar. */
export type DragSubject =
	| { readonly kind: 'page'; readonly refs: readonly LayerRef[] }
	| { readonly kind: 'start' | 'end'; readonly layout: string; readonly firstRow: string };

interface Hint {
	readonly words: string;
	readonly refused: boolean;
}

/**
 * A drag on the roofline. While it goes on, each target is tried: what it would do is said beside the
 * pointer and the routes it touches are marked, or the reason why it cannot be is said.
 */
export class RooflineDrag {
	subject = $state.raw<DragSubject | undefined>();
	hint = $state.raw<Hint | undefined>();
	place = $state.raw({ x: 0, y: 0 });

	private command: Command | undefined;
	private target = '';

	start(event: PointerEvent, subject: DragSubject, rows: () => readonly RooflineRow[]): void {
		drag(event, {
			move: (next) => {
				this.subject = subject;
				this.place = { x: next.clientX, y: next.clientY };
				this.over(next, subject, rows());
			},
			end: (dropped) => this.end(dropped)
		});
	}

	private over(event: PointerEvent, subject: DragSubject, rows: readonly RooflineRow[]): void {
		const found = document.elementFromPoint(event.clientX, event.clientY);
		const command =
			subject.kind === 'page'
				? underCommand(found, subject.refs)
				: branchCommand(found, subject, rows);
		const target = JSON.stringify(command ?? null);
		if (target === this.target) return;
		this.target = target;
		this.command = command;
		commands.forget();
		if (!command) {
			this.hint = undefined;
			return;
		}
		void this.tryOut(command, target);
	}

	private async tryOut(command: Command, target: string): Promise<void> {
		const proposal = await store.core.proposals.propose(command);
		if (target !== this.target || !this.subject) return;
		if (proposal.kind === 'refused') {
			this.hint = { words: proposal.sentence, refused: true };
			this.command = undefined;
			return;
		}
		this.hint = { words: proposal.label, refused: false };
		commands.look(command);
	}

	private end(drop: boolean): void {
		const { command, subject } = this;
		this.subject = this.hint = this.command = undefined;
		this.target = '';
		commands.forget();
		if (drop && subject && command) void commands.make(command);
	}
}

/** Over a bar or a name in the legend: under that layout. Off the bars: under nothing. */
function underCommand(found: Element | null, layers: readonly LayerRef[]): Command | undefined {
	const under = found?.closest<HTMLElement>('[data-drop]')?.dataset['drop'];
	if (under === undefined || under === '') return undefined;
	return forEach(layers, `under ${under}`, (layer) => ({ kind: 'set-under', layer, under }));
}

function branchCommand(
	found: Element | null,
	subject: Extract<DragSubject, { layout: string }>,
	rows: readonly RooflineRow[]
): Command | undefined {
	const index = found?.closest<HTMLElement>('[data-row]')?.dataset['row'];
	const row = index === undefined ? undefined : rows[Number(index)];
	if (row?.kind !== 'route') return undefined;
	const at = subject.kind === 'start' ? row.page : branchOver(subject.firstRow, row.page);
	return { kind: 'move-layout', name: subject.layout, at };
}
