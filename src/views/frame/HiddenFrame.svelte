<script lang="ts">
	import { MeasuringFrame } from './measuring-frame.ts';
	import UnseenFrame from './UnseenFrame.svelte';

	/** A frame in which pages are measured. */
	const { onReady }: { onReady: (frame: MeasuringFrame) => void } = $props();
</script>

<UnseenFrame title="Measuring" onReady={(frame) => onReady(new MeasuringFrame(frame))} />
