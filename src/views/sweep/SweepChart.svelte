<script lang="ts">
	import { onMount } from 'svelte';
	import type { EChartsType } from 'echarts/core';
	import { clampWidth } from '$store/address.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { spreadLabels } from '$core/sweep/spread-labels.ts';
	import {
		chartOption,
		lineEnds,
		openChart,
		readColours,
		room,
		type Charted,
		type LineEnd
	} from './chart.ts';

	/** What each region gets at every width, with the width of the stage as a line that can be dragged. */
	const charted: Charted = $props();
	const sweep = $derived(charted.sweep);

	let holder = $state<HTMLElement | undefined>();
	let chart = $state.raw<EChartsType | undefined>();
	let width = $state(800);
	let height = $state(360);
	let dragging = $state(false);

	const span = $derived(Math.max(1, width - room.left - room.right));
	const inRange = $derived(Math.max(sweep.from, Math.min(sweep.to, look.width)));
	const at = $derived(room.left + ((inRange - sweep.from) / (sweep.to - sweep.from)) * span);

	onMount(() => {
		if (!holder) return;
		const opened = openChart(holder);
		chart = opened;
		return () => opened.dispose();
	});

	$effect(() => {
		const size = { width, height };
		void look.mode;
		if (!chart || !holder || size.width === 0 || size.height === 0) return;
		chart.resize(size);
		const colours = readColours(holder);
		chart.setOption(chartOption({ ...charted }, colours), true);
		labels = labelsOf(chart, lineEnds({ ...charted }, colours));
	});

	/** The names of lines, each beside the end of its line and none over another. */
	let labels = $state.raw<readonly (LineEnd & { x: number; y: number; drawnTo: number })[]>([]);
	/** As much of a name as there is room for; all of it stands beside the chart. */
	const shortened = (name: string): string => (name.length > 13 ? `${name.slice(0, 12)}…` : name);
	/** px of a line of text */
	const line = 15;

	/** Those of lines that end together are moved apart; one that ends earlier stands by itself. */
	function labelsOf(from: EChartsType, ends: readonly LineEnd[]): typeof labels {
		const placed = ends.map((end) => {
			const [x = 0, y = 0] = from.convertToPixel({ gridIndex: 0 }, [end.screen, end.value]);
			return { ...end, x, y };
		});
		const columns = Map.groupBy(placed, ({ x }) => Math.round(x));
		return [...columns.values()].flatMap((column) => {
			const sorted = column.toSorted((a, b) => a.y - b.y);
			const ys = spreadLabels(
				sorted.map(({ y }) => y),
				line,
				{ from: room.top + line / 2, to: height - room.bottom - line / 2 }
			);
			return sorted.map((one, index) => ({ ...one, y: ys[index] ?? one.y, drawnTo: one.y }));
		});
	}

	function widthAt(event: PointerEvent): number {
		const left = holder?.getBoundingClientRect().left ?? 0;
		const share = (event.clientX - left - room.left) / span;
		return clampWidth(
			Math.max(sweep.from, Math.min(sweep.to, sweep.from + share * (sweep.to - sweep.from)))
		);
	}

	function drag(event: PointerEvent & { currentTarget: HTMLElement }): void {
		if (event.type === 'pointerdown') {
			dragging = true;
			event.currentTarget.setPointerCapture(event.pointerId);
		}
		if (dragging) look.width = widthAt(event);
	}

	function onKey(event: KeyboardEvent): void {
		const direction = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		const jumps = sweep.jumps.map((jump) => jump.width);
		if (direction !== undefined)
			look.width = clampWidth(look.width + direction * (event.shiftKey ? 10 : 1));
		else if (event.key === 'PageUp')
			look.width = jumps.find((one) => one > look.width) ?? look.width;
		else if (event.key === 'PageDown')
			look.width = jumps.findLast((one) => one < look.width) ?? look.width;
		else return;
		event.preventDefault();
	}
</script>

<div class="chart" data-tour="chart" bind:clientWidth={width} bind:clientHeight={height}>
	<div class="drawn" bind:this={holder} aria-hidden="true"></div>
	<svg class="drawn" aria-hidden="true">
		{#each labels as { key, name, colour, x, y, drawnTo } (key)}
			<path d="M{x + 1} {drawnTo} L{x + 9} {y}" style:stroke={colour} />
			<text x={x + 12} {y} dy="0.35em" style:fill={colour}>{shortened(name)}</text>
		{/each}
	</svg>
	<div
		class="surface"
		role="slider"
		tabindex="0"
		aria-label="Width of the screen"
		aria-valuemin={sweep.from}
		aria-valuemax={sweep.to}
		aria-valuenow={look.width}
		aria-valuetext="{look.width} px"
		title="Drag, or use the arrow keys: 1 px, with Shift 10 px; Page Up and Page Down go to where something jumps"
		onpointerdown={drag}
		onpointermove={drag}
		onpointerup={() => (dragging = false)}
		onpointercancel={() => (dragging = false)}
		onkeydown={onKey}
	>
		<span class="cursor" style:left="{at}px"></span>
		<span class="value mono" style:left="{at}px">{look.width} px</span>
	</div>
</div>

<style>
	.chart {
		position: relative;
		flex: 1;
		min-height: 180px;
		background: var(--sheet);
	}
	.drawn,
	.surface {
		position: absolute;
		inset: 0;
	}
	svg {
		width: 100%;
		height: 100%;
		overflow: hidden;
		font-size: var(--text-small);
	}
	text {
		paint-order: stroke;
		stroke: var(--sheet);
		stroke-width: 3px;
	}
	.surface {
		cursor: ew-resize;
		touch-action: none;
	}
	.cursor {
		position: absolute;
		top: 24px;
		bottom: 24px;
		width: 2px;
		margin-left: -1px;
		background: var(--cedar);
	}
	.value {
		position: absolute;
		top: 2px;
		line-height: 20px;
		transform: translateX(-50%);
		padding: 0 8px;
		border-radius: var(--radius);
		background: var(--cedar);
		color: var(--on-cedar);
	}
</style>
