<script lang="ts">
	import { commonEnds } from '$core/lib/common-ends.ts';
	import { isSheetFile } from '$core/model/files.ts';
	import { autocompletion, closeBrackets } from '@codemirror/autocomplete';
	import { defaultKeymap, indentWithTab } from '@codemirror/commands';
	import { css } from '@codemirror/lang-css';
	import { bracketMatching, foldGutter } from '@codemirror/language';
	import { lintGutter, setDiagnostics, type Action, type Diagnostic } from '@codemirror/lint';
	import { highlightSelectionMatches, searchKeymap } from '@codemirror/search';
	import { Annotation, Compartment, EditorState } from '@codemirror/state';
	import {
		drawSelection,
		EditorView,
		highlightActiveLine,
		keymap,
		lineNumbers,
		type ViewUpdate
	} from '@codemirror/view';
	import { onMount, untrack } from 'svelte';
	import type { Change } from '$core/source/change.ts';
	import { mendProblem } from '$store/mend.ts';
	import { store } from '$store/site.svelte.ts';
	import type { MendView, ProblemView, Stretch } from '$workers/messages.ts';
	import { eave, eaveColors } from './eave-language.ts';
	import { editorLook } from './editor-look.ts';
	import { showTraced, traced } from './traced.ts';

	interface Props {
		file: string;
		text: string;
		problems: readonly ProblemView[];
		/** What belongs to the selection on the other side. */
		mark: Stretch | undefined;
		/** Where the cursor should go, whenever it is another object. */
		cursor: { readonly at: number } | undefined;
		/** The cursor goes there without taking the keyboard, where it is beside something else. */
		quiet?: boolean;
		onCursor: (offset: number) => void;
	}
	const { file, text, problems, mark, cursor, quiet = false, onCursor }: Props = $props();

	let host: HTMLElement;
	let view: EditorView | undefined;
	let shownFile = '';
	/** Another tab may have the site open for writing. */
	const access = new Compartment();
	const locked = () => EditorState.readOnly.of(!store.writes);

	/** Marks changes that came from outside the editor, so that they are not sent back. */
	const fromOutside = Annotation.define<boolean>();

	const undoKeys = [
		{ key: 'Mod-z', run: () => (void store.undo(), true), preventDefault: true },
		{ key: 'Mod-y', run: () => (void store.redo(), true), preventDefault: true },
		{ key: 'Mod-Shift-z', run: () => (void store.redo(), true), preventDefault: true }
	];

	function makeState(doc: string): EditorState {
		return EditorState.create({
			doc,
			extensions: [
				// Only \n ends a line, so that offsets are those of the text, whatever its line ends.
				EditorState.lineSeparator.of('\n'),
				lineNumbers(),
				foldGutter(),
				lintGutter(),
				drawSelection(),
				highlightActiveLine(),
				highlightSelectionMatches(),
				bracketMatching(),
				closeBrackets(),
				keymap.of([...undoKeys, ...searchKeymap, ...defaultKeymap, indentWithTab]),
				...(isSheetFile(file)
					? [css(), autocompletion()]
					: [eave((offset) => store.core.places.complete(file, offset), doc.length)]),
				eaveColors,
				editorLook,
				traced,
				...(quiet ? [EditorView.lineWrapping] : []),
				access.of(locked()),
				EditorView.contentAttributes.of({ 'aria-label': `Source of ${file}`, tabindex: '0' }),
				EditorView.updateListener.of(onUpdate)
			]
		});
	}

	/** A button beside the message that makes the change it speaks of. */
	function mendAction(mend: MendView): Action {
		return { name: mend.label, apply: () => void mendProblem(mend) };
	}

	function onUpdate(update: ViewUpdate): void {
		const isOutside = update.transactions.some((one) => one.annotation(fromOutside));
		if (update.docChanged && !isOutside) {
			const changes: Change[] = [];
			update.changes.iterChanges((fromA, toA, fromB, _toB, inserted) => {
				const to = fromB + (toA - fromA);
				changes.push({
					kind: 'edit',
					file,
					from: fromB,
					to,
					insert: inserted.sliceString(0, undefined, '\n')
				});
			});
			void store.apply(changes, `Typing in ${file}`, true);
		}
		if (update.selectionSet && !isOutside) onCursor(update.state.selection.main.head);
	}

	onMount(() => {
		view = new EditorView({ parent: host, state: makeState(text) });
		shownFile = file;
		if (cursor) goTo(cursor.at);
		return () => view?.destroy();
	});

	$effect(() => {
		const [nextFile, next] = [file, text];
		untrack(() => {
			if (!view) return;
			if (nextFile !== shownFile) {
				shownFile = nextFile;
				view.setState(makeState(next));
			} else {
				bringIn(view, next);
			}
		});
	});

	/** Changes only what differs, so that cursor and folds stay where they are. */
	function bringIn(editor: EditorView, next: string): void {
		const now = editor.state.doc.sliceString(0, undefined, '\n');
		if (now === next) return;
		const { start: from, end } = commonEnds(now, next);
		editor.dispatch({
			changes: { from, to: now.length - end, insert: next.slice(from, next.length - end) },
			annotations: fromOutside.of(true)
		});
	}

	$effect(() => {
		const length = text.length;
		const diagnostics = problems
			.filter((problem) => problem.file === file)
			.map((problem): Diagnostic => {
				const from = Math.min(problem.from, length);
				const to = Math.min(Math.max(problem.to, from), length);
				return {
					from,
					to,
					severity: problem.severity,
					message: problem.sentence,
					source: problem.code,
					...(problem.mend && { actions: [mendAction(problem.mend)] })
				};
			});
		if (view) view.dispatch(setDiagnostics(view.state, diagnostics));
	});

	$effect(() => {
		void store.writes;
		view?.dispatch({ effects: access.reconfigure(locked()) });
	});

	$effect(() => {
		if (view) showTraced(view, mark);
	});

	$effect(() => {
		const place = cursor;
		// Going there asks for what belongs to it, which changes with every key: none of that moves the cursor.
		untrack(() => {
			if (place) goTo(place.at);
		});
	});

	function goTo(at: number): void {
		if (!view || at > view.state.doc.length) return;
		view.dispatch({
			selection: { anchor: at },
			effects: EditorView.scrollIntoView(at, { y: quiet ? 'start' : 'center' }),
			...(quiet && { annotations: fromOutside.of(true) })
		});
		if (!quiet) view.focus();
	}
</script>

<div class="editor" bind:this={host}></div>

<style>
	.editor {
		height: 100%;
		min-height: 0;
		overflow: hidden;
	}
</style>
