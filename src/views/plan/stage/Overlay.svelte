<script lang="ts">
	import type { MeasuredBox, OverlayBox } from '$core/view-models/overlay.ts';
	import type { Trace } from '$core/model/trace.ts';
	import type { LabelPlace } from '$browser/labels.ts';

	interface Props {
		boxes: readonly OverlayBox[];
		/** Where the name of each box finds room, px of the page; undefined where it would cover words. */
		labels: readonly (LabelPlace | undefined)[];
		/** Screen px for one px of the page. */
		scale: number;
		isLit: (trace: Trace) => boolean;
		fateOf: (trace: Trace) => string | undefined;
		/** Names can be dragged. */
		handles: boolean;
		/** Tracks are drawn too, and say their own sizes. */
		tracks: boolean;
		onDragStart: (event: PointerEvent, box: MeasuredBox) => void;
	}
	const { boxes, labels, scale, isLit, fateOf, handles, tracks, onDragStart }: Props = $props();
</script>

<div class="overlay on-page" aria-hidden="true">
	{#each boxes as box, index (index)}
		{@const lit = isLit(box.trace)}
		{@const fate = box.kind === 'region' ? fateOf(box.trace) : undefined}
		{@const place = labels[index]}
		<div
			class="box {box.kind}"
			class:lit
			class:kept={fate === 'kept'}
			data-hue={box.mark?.hue ?? 0}
			data-name={box.name}
			style:left="{box.x * scale}px"
			style:top="{box.y * scale}px"
			style:width="{box.width * scale}px"
			style:height="{box.height * scale}px"
		></div>
		{#if lit || (place && (box.kind === 'region' || !tracks))}
			{@const at = place ?? { x: box.x, y: box.y - 14 / scale }}
			<span
				class="box-name"
				class:lit
				class:handle={handles}
				data-hue={box.mark?.hue ?? 0}
				role="presentation"
				title={handles
					? `Drag ${box.name} onto another ${box.kind === 'region' ? 'region' : 'piece'} to change places, or to one of its sides`
					: undefined}
				style:left="{Math.max(0, at.x * scale)}px"
				style:top="{Math.max(0, at.y * scale)}px"
				onpointerdown={(event) => {
					if (handles) onDragStart(event, box);
				}}
			>
				{box.name}{fate ? `, ${fate}` : ''}
				{#if lit || (box.kind === 'region' && place?.roomy && !tracks)}<i>{box.size}</i>{/if}
			</span>
		{/if}
	{/each}
</div>

<style>
	.overlay {
		position: absolute;
		inset: 0;
		pointer-events: none;
		overflow: hidden;
	}
	.box,
	.box-name {
		position: absolute;
	}
	.region {
		box-shadow: inset 0 0 0 1.5px var(--hue);
	}
	.guest {
		box-shadow: inset 0 0 0 1.5px var(--hue);
		background: color-mix(in srgb, var(--hue) 7%, transparent);
	}
	.kept {
		background: repeating-linear-gradient(
			135deg,
			color-mix(in srgb, var(--hue) 22%, transparent) 0 2px,
			transparent 2px 9px
		);
	}
	.box.lit {
		box-shadow: inset 0 0 0 3px var(--cedar);
		background: color-mix(in srgb, var(--cedar) 10%, transparent);
		z-index: 1;
	}
	.box-name {
		font: 500 9px/11px var(--mono);
		padding: 0 3px;
		background: var(--hue);
		color: var(--on-layer);
		white-space: nowrap;
		z-index: 1;
	}
	.handle {
		pointer-events: auto;
		cursor: grab;
		user-select: none;
	}
	.box-name.lit {
		background: var(--cedar);
		color: var(--on-cedar);
		z-index: 3;
	}
	i {
		font-style: normal;
		font-weight: 400;
		padding-left: 3px;
	}
</style>
