<script lang="ts">
	import {
		autocompletion,
		closeBrackets,
		type CompletionContext,
		type CompletionResult
	} from '@codemirror/autocomplete';
	import { defaultKeymap, indentWithTab } from '@codemirror/commands';
	import { html } from '@codemirror/lang-html';
	import { Annotation, EditorState } from '@codemirror/state';
	import { EditorView, drawSelection, keymap } from '@codemirror/view';
	import { onMount } from 'svelte';
	import type { TagCompletion } from '$core/view-models/markup/complete-tag.ts';
	import { store } from '$store/site.svelte.ts';
	import { eaveColors } from '$views/source/eave-language.ts';
	import { editorLook } from '$views/source/editor-look.ts';
	import { panes } from '$store/ways/panes.svelte.ts';

	interface Props {
		name: string;
		markup: string;
		/** Gives whether the site took the markup. */
		write: (markup: string) => Promise<boolean>;
		/** What can be written at the end of some of it. */
		complete: (before: string) => Promise<TagCompletion | undefined>;
	}
	const { name, markup, write, complete }: Props = $props();

	/** Names in a tag, each with a value that it has. */
	async function names(context: CompletionContext): Promise<CompletionResult | null> {
		const before = context.state.doc.sliceString(0, context.pos, '\n');
		if (!context.explicit && !/\{[^{}\n]*[\w.{]$/.test(before)) return null;
		const found = await complete(before);
		if (!found) return null;
		const options = found.options.map(({ word, says, kind }) => {
			return { label: word, detail: says, type: kind };
		});
		return { from: context.pos - found.back, options, validFor: /^[\w-]*$/ };
	}

	let host: HTMLElement;
	let view: EditorView | undefined;
	/** Keys that the site has not answered yet: until then, what comes back is older than what is here. */
	let pending = 0;
	/** The site did not take the words in the editor; they stay here until it does. */
	let refused = false;
	const fromOutside = Annotation.define<boolean>();

	onMount(() => {
		view = new EditorView({
			parent: host,
			state: EditorState.create({
				doc: markup,
				extensions: [
					EditorState.lineSeparator.of('\n'),
					drawSelection(),
					closeBrackets(),
					autocompletion({ override: [names], icons: false }),
					keymap.of([
						{ key: 'Escape', run: () => (panes.fold('text', true), true) },
						{ key: 'Mod-z', run: () => (void store.undo(), true) },
						{ key: 'Mod-Shift-z', run: () => (void store.redo(), true) },
						{ key: 'Mod-y', run: () => (void store.redo(), true) },
						...defaultKeymap,
						indentWithTab
					]),
					// The site says what is not closed; an end tag that comes by itself would stand there twice.
					html({ autoCloseTags: false }),
					eaveColors,
					editorLook,
					EditorState.readOnly.of(!store.writes),
					EditorView.lineWrapping,
					EditorView.contentAttributes.of({ 'aria-label': `Markup of ${name}`, tabindex: '0' }),
					EditorView.updateListener.of((update) => {
						const isOutside = update.transactions.some((one) => one.annotation(fromOutside));
						if (!update.docChanged || isOutside) return;
						void send(update.state.doc.sliceString(0, undefined, '\n'));
					})
				]
			})
		});
		return () => view?.destroy();
	});

	/** The newest words go to the site as soon as it has answered the ones before; those between are passed over. */
	let waiting: string | undefined;

	async function send(words: string): Promise<void> {
		waiting = words;
		if (pending > 0) return;
		pending++;
		while (waiting !== undefined) {
			const next: string = waiting;
			waiting = undefined;
			refused = !(await write(next).catch(() => false));
		}
		pending--;
	}

	$effect(() => {
		const next = markup;
		if (!view || pending > 0 || refused) return;
		if (view.state.doc.sliceString(0, undefined, '\n') === next) return;
		view.dispatch({
			changes: { from: 0, to: view.state.doc.length, insert: next },
			annotations: fromOutside.of(true)
		});
	});
</script>

<div class="editor" bind:this={host}></div>

<style>
	.editor {
		border: 1px solid var(--hair);
		border-radius: var(--radius);
		max-height: 340px;
		overflow: auto;
	}
</style>
