<script lang="ts">
	import type { Mark } from '$core/view-models/marks.ts';

	/** The small square that stands for a layer wherever it is named; graphite for a page. */
	const { mark }: { mark: Mark | undefined } = $props();
</script>

<i class="layer-fill" data-hue={mark?.hue ?? 0} data-hatch={mark?.hatch} aria-hidden="true"></i>

<style>
	i {
		display: inline-block;
		flex: none;
		width: 13px;
		height: 13px;
	}
</style>
