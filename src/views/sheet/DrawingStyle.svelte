<script lang="ts">
	import { drawingStyle, hatchPatterns } from '$core/sheet/svg-style.ts';
	import { themePalette } from './palette.ts';

	/** The style of small drawings, and the hatches that they are filled with: once in a view that has any. */
</script>

<svelte:element this={"style"}>{drawingStyle(themePalette)}</svelte:element>
<svg width="0" height="0" aria-hidden="true">
	<!-- eslint-disable-next-line svelte/no-at-html-tags -- made by the core, with nothing of the site in it -->
	<defs>{@html hatchPatterns(themePalette)}</defs>
</svg>

<style>
	svg {
		position: absolute;
	}
</style>
