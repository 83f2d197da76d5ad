<script lang="ts">
	/** A frame that no one sees, in which pages are laid out; without allow-scripts, as on the stage. */
	interface Props {
		title: string;
		/** Its document is there. */
		onReady: (frame: HTMLIFrameElement) => void;
	}
	const { title, onReady }: Props = $props();
	let frame = $state<HTMLIFrameElement | undefined>();
</script>

<iframe
	bind:this={frame}
	{title}
	aria-hidden="true"
	tabindex="-1"
	sandbox="allow-same-origin"
	src="/stage"
	onload={() => frame && onReady(frame)}
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
