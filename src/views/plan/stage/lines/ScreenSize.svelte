<script lang="ts">
	import { counted } from '$core/messages/wording.ts';
	import {
		clampHeight,
		clampWidth,
		leastHeight,
		leastWidth,
		mostHeight,
		mostWidth
	} from '$store/address.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import type { BandView } from '$workers/messages.ts';

	interface Props {
		bands: readonly BandView[];
		/** Widths at which something on the page jumps, px; undefined while they are worked out. */
		jumps: readonly number[] | undefined;
		/** Screen px for one px of the page. */
		scale: number;
	}
	const { bands, jumps, scale }: Props = $props();

	/** Width and height of screens as they are held upright, px. */
	const screens: readonly (readonly [number, number])[] = [
		[320, 568],
		[360, 800],
		[390, 844],
		[430, 932],
		[768, 1024],
		[820, 1180],
		[1024, 1366],
		[720, 1280],
		[900, 1440],
		[1080, 1920]
	];

	const chosen = $derived(
		screens.findIndex(
			([width, height]) =>
				(width === look.width && height === look.height) ||
				(height === look.width && width === look.height)
		)
	);
	const breakpoints = $derived(bands.map((band) => band.from).filter((from) => from > 0));

	function choose(event: Event & { currentTarget: HTMLSelectElement }): void {
		const screen = screens[Number(event.currentTarget.value)];
		if (!screen || event.currentTarget.value === '') {
			look.height = undefined;
			return;
		}
		[look.width, look.height] = screen;
	}

	function turn(): void {
		if (look.height === undefined) return;
		[look.width, look.height] = [clampWidth(look.height), look.width];
	}

	function setHeight(event: Event & { currentTarget: HTMLInputElement }): void {
		const height = event.currentTarget.valueAsNumber;
		look.height = Number.isFinite(height) ? clampHeight(height) : undefined;
		event.currentTarget.value = String(look.height ?? '');
	}

	function setWidth(event: Event & { currentTarget: HTMLInputElement }): void {
		const width = event.currentTarget.valueAsNumber;
		if (Number.isFinite(width)) look.width = clampWidth(width);
		event.currentTarget.value = String(look.width);
	}

	function go(widths: readonly number[], direction: -1 | 1): void {
		const target =
			direction === 1
				? widths.find((width) => width > look.width)
				: widths.findLast((width) => width < look.width);
		if (target !== undefined) look.width = clampWidth(target);
	}
</script>

<div class="sizes" role="group" aria-label="Size of the screen">
	<label class="small"
		><span class="word">width</span>
		<input
			class="field mono width"
			type="number"
			min={leastWidth}
			max={mostWidth}
			aria-label="Width of the page in px"
			value={look.width}
			onchange={setWidth}
		/></label
	>
	<label class="small">
		<span class="word">height</span>
		<input
			class="field mono"
			type="number"
			min={leastHeight}
			max={mostHeight}
			placeholder="fit"
			aria-label="Height of the screen in px"
			value={look.height ?? ''}
			onchange={setHeight}
		/>
	</label>
	<span class="small scale" title="How large the page is drawn here"
		>{Math.round(scale * 100)} %</span
	>
	<select
		class="field"
		aria-label="Common screen sizes"
		value={chosen === -1 ? '' : String(chosen)}
		onchange={choose}
	>
		<option value="">any screen</option>
		{#each screens as [width, height], index (index)}
			<option value={String(index)}>{width} × {height}</option>
		{/each}
	</select>
	<button
		class="field"
		disabled={look.height === undefined}
		title="Portrait or landscape"
		onclick={turn}>Turn</button
	>
	<span class="small word">breakpoint</span>
	<button
		class="field"
		aria-label="Breakpoint before"
		title="Page Down on the edge"
		onclick={() => go(breakpoints, -1)}>◂</button
	>
	<button
		class="field"
		aria-label="Next breakpoint"
		title="Page Up on the edge"
		onclick={() => go(breakpoints, 1)}>▸</button
	>
	<span
		class="small jumps"
		title="Where a region or wrapper comes, goes, or changes its place or width at once"
	>
		{jumps === undefined ? 'jumps …' : counted(jumps.length, 'jump')}
	</span>
	<button
		class="field"
		aria-label="Jump before"
		disabled={!jumps?.length}
		onclick={() => go(jumps ?? [], -1)}>◂</button
	>
	<button
		class="field"
		aria-label="Next jump"
		disabled={!jumps?.length}
		onclick={() => go(jumps ?? [], 1)}>▸</button
	>
</div>

<style>
	.sizes {
		display: flex;
		align-items: center;
		gap: 5px;
		flex: none;
		margin-left: auto;
		padding: 2px 0 2px 16px;
		white-space: nowrap;
	}
	.sizes :global(.field) {
		padding: 1px 6px;
		font-size: var(--text-small);
	}
	input {
		width: 44px;
		appearance: textfield;
	}
	input::-webkit-inner-spin-button {
		display: none;
	}
	.width {
		color: var(--cedar);
		font-weight: 500;
	}
	/* As wide as its longest words, so that nothing beside it moves. */
	.jumps {
		width: 50px;
	}
	.scale {
		width: 38px;
		text-align: right;
	}
	select {
		width: 92px;
	}
	@container below (max-width: 760px) {
		.word {
			display: none;
		}
	}
	button:disabled {
		opacity: 0.5;
	}
</style>
