<script lang="ts">
	import { MeasuringFrame } from './measuring-frame.ts';

	/** A frame that no one sees, in which pages are measured; without allow-scripts, as on the stage. */
	const { onReady }: { onReady: (frame: MeasuringFrame) => void } = $props();
	let frame = $state<HTMLIFrameElement | undefined>();
</script>

<iframe
	bind:this={frame}
	title="Measuring"
	aria-hidden="true"
	tabindex="-1"
	sandbox="allow-same-origin"
	src="/stage"
	onload={() => frame && onReady(new MeasuringFrame(frame))}
></iframe>

<style>
	iframe {
		/* Fixed: however tall a screen is measured, there is nothing to scroll to. */
		position: fixed;
		left: -4000px;
		top: 0;
		width: 1280px;
		height: 800px;
		border: 0;
		visibility: hidden;
		pointer-events: none;
	}
</style>
