<script lang="ts">
	import { stageOf, showInFrame } from '$browser/frame.ts';

	/** A part by itself in a frame of some width, drawn by the browser. */
	interface Props {
		html: string;
		/** px */
		width: number;
		label: string;
	}
	const { html, width, label }: Props = $props();

	let frame = $state<HTMLIFrameElement | undefined>();
	let loaded = $state(false);
	let height = $state(60);

	$effect(() => {
		if (!frame || !loaded || !showInFrame(frame, html, '/')) return;
		const document = stageOf(frame);
		const body = document?.body;
		if (!body) return;
		const measure = (): void => {
			height = Math.min(600, Math.max(24, Math.ceil(body.getBoundingClientRect().height)));
		};
		measure();
		const again = setTimeout(measure, 120);
		return () => clearTimeout(again);
	});
</script>

<figure style:width="{width}px">
	<iframe
		bind:this={frame}
		title="{label} at {width} px"
		sandbox="allow-same-origin"
		src="/stage"
		tabindex="-1"
		style:height="{height}px"
		onload={() => (loaded = true)}
	></iframe>
	<figcaption class="small mono">{width}</figcaption>
</figure>

<style>
	figure {
		flex: none;
	}
	iframe {
		display: block;
		width: 100%;
		border: 1px solid var(--hair);
		background: white;
		pointer-events: none;
	}
	figcaption {
		font-size: var(--text-small);
		border-top: 1px solid var(--rule);
		margin-top: 4px;
		text-align: center;
	}
</style>
