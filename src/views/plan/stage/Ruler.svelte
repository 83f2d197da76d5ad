<script lang="ts">
	import { joinedWidths } from '$core/check/subject/occurrence.ts';
	import { sweepFrom, sweepTo } from '$core/geometry/widths/jumps.ts';
	import { breakpointNear } from '$core/resolve/bands.ts';
	import { clampHeight, clampWidth } from '$store/address.ts';
	import { devices } from '$store/devices.svelte.ts';
	import { found } from '$store/findings.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import type { BandView } from '$workers/messages.ts';

	interface Props {
		bands: readonly BandView[];
		/** Width of the stage, px of the page. */
		width: number;
		/** Screen px for one px of the page. */
		scale: number;
		/** Length of the ruler, px of the page. */
		reach: number;
	}
	const { bands, width, scale, reach }: Props = $props();

	/** A breakpoint that is being moved, and where it is now, px. */
	let moving = $state.raw<{ readonly band: string; readonly from: number } | undefined>();

	const spans = $derived(
		bands.map((band, index) => ({
			name: band.name,
			index,
			from: startOf(band),
			to: bands[index + 1] ? startOf(bands[index + 1] ?? band) : Infinity
		}))
	);
	/** Where something is found on the page that is shown, but not at all widths. */
	const runs = $derived.by(() => {
		const page = store.page?.page ?? '';
		const all = found
			.on(page)
			.flatMap(({ on }) => on.find((one) => one.page === page)?.widths ?? []);
		return joinedWidths(all.filter(({ from, to }) => from > sweepFrom || to < sweepTo));
	});
	const step = $derived(scale < 0.45 ? 50 : 20);
	const ticks = $derived(Array.from({ length: Math.floor(reach / step) + 1 }, (_, i) => i * step));

	function isHere(span: { readonly from: number; readonly to: number }): boolean {
		return width >= span.from && width < span.to;
	}

	/** What an edit does in a band that is not the one that is looked at. */
	function alsoAt(span: (typeof spans)[number]): string | undefined {
		const mark = commands.markOf(span.name);
		return mark && !isHere(span) ? `${mark} too` : undefined;
	}

	function startOf(band: BandView): number {
		return moving?.band === band.name ? moving.from : band.from;
	}

	function start(event: PointerEvent & { currentTarget: HTMLElement }, band: BandView): void {
		moving = { band: band.name, from: band.from };
		event.currentTarget.setPointerCapture(event.pointerId);
	}

	function drag(event: PointerEvent & { currentTarget: HTMLElement }, index: number): void {
		if (!moving) return;
		const left = event.currentTarget.parentElement?.getBoundingClientRect().left ?? 0;
		moving = { ...moving, from: breakpointNear(bands, index, (event.clientX - left) / scale) };
		commands.look({ kind: 'set-breakpoint', ...moving });
	}

	function cancel(): void {
		moving = undefined;
		commands.forget();
	}

	async function drop(): Promise<void> {
		const moved = moving;
		const before = bands.find((band) => band.name === moved?.band);
		if (moved && before && moved.from !== before.from) {
			await commands.make({ kind: 'set-breakpoint', band: moved.band, from: moved.from });
		}
		cancel();
	}

	function onKey(event: KeyboardEvent, index: number, from: number): void {
		const direction = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		const band = bands[index];
		if (direction === undefined || !band) return;
		event.preventDefault();
		const to = breakpointNear(bands, index, from + direction * (event.shiftKey ? 10 : 1));
		void commands.make({ kind: 'set-breakpoint', band: band.name, from: to });
	}
</script>

<div class="ruler">
	{#each spans.filter((span) => span.from < reach) as span (span.name)}
		<span
			class="band"
			class:here={isHere(span)}
			class:also={alsoAt(span)}
			title="{span.name} from {span.from} px"
			style:left="{span.from * scale}px"
			style:width="{(Math.min(span.to, reach) - span.from) * scale - 1}px"
		>
			{span.name}{(Math.min(span.to, reach) - span.from) * scale > 96
				? ` from ${span.from}`
				: ''}{#if alsoAt(span)}<b>{alsoAt(span)}</b>{/if}
		</span>
	{/each}
	<svg width={reach * scale} height="19" aria-hidden="true">
		{#each ticks as tick (tick)}
			<path
				d="M{tick * scale + 0.5} 19V{tick % 200 === 0 ? 6 : tick % 100 === 0 ? 11 : 15}"
				stroke="var(--rule)"
			/>
			{#if tick % 200 === 0 && tick > 0}
				<text x={tick * scale + 4} y="11">{tick}</text>
			{/if}
		{/each}
	</svg>
	{#each runs.filter(({ from }) => from < reach) as { from, to } (from)}
		<span
			class="found"
			title="Something is found on this page from {from} to {to} px"
			style:left="{from * scale}px"
			style:width="{Math.max(2, (Math.min(to, reach) - from) * scale)}px"
		></span>
	{/each}
	{#each devices.list.filter((device) => device.width < reach) as device (device.id)}
		<button
			class="device"
			aria-label="A device of {device.width} by {device.height} px: draw the stage at its size"
			title="A device has the site open: {device.width} × {device.height} px, {device.ratio}×, text {device.text} px"
			style:left="{device.width * scale}px"
			onclick={() => {
				look.width = clampWidth(device.width);
				look.height = clampHeight(device.height);
			}}>▮</button
		>
	{/each}
	{#each spans.filter((span) => span.index > 0 && span.from < reach) as span (span.name)}
		{@const band = bands[span.index]}
		{#if band}
			<span
				class="breakpoint"
				class:moving={moving?.band === span.name}
				role="slider"
				tabindex="0"
				aria-label="Where {span.name} starts"
				aria-valuemin={breakpointNear(bands, span.index, 0)}
				aria-valuemax={breakpointNear(bands, span.index, Infinity)}
				aria-valuenow={span.from}
				aria-valuetext="{span.from} px"
				title="{span.name} starts at {span.from} px: drag, or use the arrow keys, with Shift 10 px"
				style:left="{span.from * scale}px"
				onpointerdown={(event) => start(event, band)}
				onpointermove={(event) => drag(event, span.index)}
				onpointerup={() => void drop()}
				onpointercancel={cancel}
				onkeydown={(event) => onKey(event, span.index, span.from)}
			></span>
		{/if}
	{/each}
</div>

<style>
	.found {
		position: absolute;
		bottom: 0;
		height: 3px;
		background: var(--warn);
	}
	.device {
		position: absolute;
		bottom: 0;
		z-index: 3;
		width: 14px;
		margin-left: -7px;
		color: var(--cedar);
		font-size: 12px;
		line-height: 16px;
	}
	.ruler {
		position: relative;
		height: 34px;
		overflow: hidden;
	}
	.band {
		position: absolute;
		top: 0;
		height: 15px;
		padding-left: 7px;
		font-size: var(--text-small);
		line-height: 15px;
		background: var(--sunk);
		color: var(--ink-2);
		overflow: hidden;
		white-space: nowrap;
	}
	.here {
		background: var(--cedar-wash);
		color: var(--cedar);
		font-weight: 600;
	}
	.also {
		box-shadow: inset 0 -2px var(--cedar);
	}
	b {
		margin-left: 6px;
		font-weight: 600;
		color: var(--cedar);
	}
	svg {
		position: absolute;
		top: 15px;
		left: 0;
	}
	text {
		font: 9.5px var(--mono);
		fill: var(--ink-2);
	}
	.breakpoint {
		position: absolute;
		top: 0;
		width: 11px;
		height: 34px;
		margin-left: -6px;
		cursor: col-resize;
		touch-action: none;
	}
	.breakpoint::before {
		content: '';
		position: absolute;
		left: 5px;
		top: 0;
		width: 1px;
		height: 34px;
		background: var(--ink-2);
	}
	.breakpoint:hover::before,
	.breakpoint:focus-visible::before,
	.moving::before {
		width: 2px;
		background: var(--cedar);
	}
</style>
