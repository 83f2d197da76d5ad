<script lang="ts">
	import { css } from '@codemirror/lang-css';
	import { html } from '@codemirror/lang-html';
	import { foldGutter } from '@codemirror/language';
	import { EditorState } from '@codemirror/state';
	import { EditorView, lineNumbers } from '@codemirror/view';
	import { onMount } from 'svelte';
	import type { OutputFile, Stretch } from '$workers/messages.ts';
	import { eaveColors, mostColoured } from './eave-language.ts';
	import { editorLook } from './editor-look.ts';
	import { showTraced, traced } from './traced.ts';

	interface Props {
		output: OutputFile;
		mark: Stretch | undefined;
		onCursor: (offset: number) => void;
	}
	const { output, mark, onCursor }: Props = $props();

	let host: HTMLElement;
	let view = $state.raw<EditorView | undefined>();

	function makeState({ text, language, path }: OutputFile): EditorState {
		return EditorState.create({
			doc: text,
			extensions: [
				EditorState.lineSeparator.of('\n'),
				EditorState.readOnly.of(true),
				lineNumbers(),
				foldGutter(),
				...(text.length > mostColoured ? [] : [language === 'html' ? html() : css()]),
				eaveColors,
				editorLook,
				traced,
				EditorView.contentAttributes.of({ 'aria-label': `What comes out: ${path}`, tabindex: '0' }),
				EditorView.updateListener.of((update) => {
					const byUser = update.transactions.some((one) => one.isUserEvent('select'));
					if (update.selectionSet && byUser) onCursor(update.state.selection.main.head);
				})
			]
		});
	}

	onMount(() => {
		view = new EditorView({ parent: host });
		return () => view?.destroy();
	});

	$effect(() => {
		if (!view) return;
		const top = view.scrollDOM.scrollTop;
		view.setState(makeState(output));
		view.scrollDOM.scrollTop = top;
	});

	$effect(() => {
		if (view && output) showTraced(view, mark);
	});
</script>

<div class="viewer" bind:this={host}></div>

<style>
	.viewer {
		height: 100%;
		min-height: 0;
		overflow: hidden;
	}
</style>
