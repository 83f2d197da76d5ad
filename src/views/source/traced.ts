import { StateEffect, StateField, type Extension } from '@codemirror/state';
import { Decoration, EditorView } from '@codemirror/view';
import type { Stretch } from '$workers/messages.ts';

/** Marks the stretch that belongs to what is selected on the other side. */
const setTraced = StateEffect.define<Stretch | undefined>();

export const traced: Extension = StateField.define({
	create: () => Decoration.none,
	update(marks, transaction) {
		let next = marks.map(transaction.changes);
		for (const effect of transaction.effects) {
			if (!effect.is(setTraced)) continue;
			const stretch = effect.value;
			const end = Math.min(stretch?.to ?? 0, transaction.state.doc.length);
			next =
				stretch && end > stretch.from
					? Decoration.set(Decoration.mark({ class: 'cm-traced' }).range(stretch.from, end))
					: Decoration.none;
		}
		return next;
	},
	provide: (field) => EditorView.decorations.from(field)
});

/** Shows a stretch and brings its start into sight. */
export function showTraced(view: EditorView, stretch: Stretch | undefined): void {
	const effects: StateEffect<unknown>[] = [setTraced.of(stretch)];
	if (stretch && stretch.from <= view.state.doc.length) {
		effects.push(EditorView.scrollIntoView(stretch.from, { y: 'nearest', yMargin: 60 }));
	}
	view.dispatch({ effects });
}
