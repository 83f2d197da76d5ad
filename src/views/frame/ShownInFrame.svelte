<script lang="ts">
	import { showInFrame, stageOf } from '$browser/frame.ts';
	import type { ShownPage } from '$browser/page-boxes.ts';

	/** A page in a frame without scripts, as wide as a screen and drawn at a scale. */
	interface Props {
		page: ShownPage;
		title: string;
		/** px of the screen that it is drawn for. */
		width: number;
		/** px */
		height: number;
		scale: number;
		/** Told of the document once the page is in it; what is given back is called when another takes its place. */
		onShown?: (inner: Document) => (() => void) | undefined;
	}
	const { page, title, width, height, scale, onShown }: Props = $props();

	let frame = $state.raw<HTMLIFrameElement | undefined>();
	let loaded = $state(false);

	$effect(() => {
		if (!frame || !loaded) return;
		const inner = stageOf(frame);
		if (inner && showInFrame(frame, page.html, page.address)) return onShown?.(inner);
		return undefined;
	});
</script>

<iframe
	bind:this={frame}
	{title}
	sandbox="allow-same-origin"
	src="/stage"
	tabindex="-1"
	style="width: {width}px; height: {height}px; transform: scale({scale})"
	onload={() => (loaded = true)}
></iframe>

<style>
	iframe {
		display: block;
		border: 0;
		background: white;
		transform-origin: 0 0;
	}
</style>
