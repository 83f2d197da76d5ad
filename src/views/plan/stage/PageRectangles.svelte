<script lang="ts">
	import type { Rect } from '$browser/labels.ts';
	import type { Pointed } from '$browser/pointed.ts';
	import type { DropZone } from './region-drag.svelte.ts';

	/** Rectangles over the page: what is chosen together, what is being drawn, and where a drag would put something. */
	interface Props {
		/** All px of the page. */
		also: readonly Rect[];
		/** The element that is chosen in the markup of a piece, wherever it shows. */
		node: readonly Rect[];
		drawn: Rect | undefined;
		zone: DropZone | undefined;
		/** Where what is dragged over the page would come to stand. */
		edge: Pointed['edge'] | undefined;
		/** Screen px for one px of the page. */
		scale: number;
	}
	const { also, node, drawn, zone, edge, scale }: Props = $props();

	function place({ x, y, width, height }: Rect): string {
		const px = (value: number): string => `${value * scale}px`;
		return `left: ${px(x)}; top: ${px(y)}; width: ${px(width)}; height: ${px(height)}`;
	}
</script>

{#each also as rect, index (index)}
	<span class="also on-page" style={place(rect)}></span>
{/each}
{#each node as rect, index (index)}
	<span class="node on-page" style={place(rect)}></span>
{/each}
{#if drawn}<span class="drawn on-page" style={place(drawn)}></span>{/if}
{#if edge}<span class="edge on-page" style={place({ ...edge, height: 0 })}></span>{/if}
{#if zone}
	<span class="zone on-page" role="status" style={place(zone)}><b>{zone.words}</b></span>
{/if}

<style>
	span {
		position: absolute;
		z-index: 3;
		border: 2px solid var(--cedar);
		pointer-events: none;
	}
	.node {
		border-style: dotted;
	}
	.drawn {
		border: 1px dashed var(--cedar);
		background: color-mix(in srgb, var(--cedar) 8%, transparent);
	}
	.edge {
		z-index: 5;
		border-width: 2px 0;
	}
	.zone {
		z-index: 5;
		background: color-mix(in srgb, var(--cedar) 18%, transparent);
	}
	.zone b {
		position: absolute;
		left: 0;
		bottom: 100%;
		padding: 1px 6px;
		font-size: var(--text-small);
		white-space: nowrap;
		background: var(--cedar);
		color: var(--on-cedar);
	}
</style>
