<script lang="ts">
	/** A drawing of the core, as SVG. Nothing of a site gets into it unescaped. */
	const { svg }: { svg: string } = $props();
</script>

<!-- eslint-disable-next-line svelte/no-at-html-tags -- written by the core, which escapes every name -->
{@html svg}
