<script lang="ts">
	import { SvelteSet } from 'svelte/reactivity';
	import { untrack } from 'svelte';
	import { plainHeight } from '$core/sheet/columns.ts';
	import { misfitWords } from '$core/check/fit/misfits.ts';
	import { pointAt } from '$core/sweep/region-lines.ts';
	import { sweepCsv, sweepSentences } from '$core/sweep/sweep-view.ts';
	import { roomAt, roomCsv, roomSentences } from '$core/sweep/room-lines.ts';
	import { clampWidth } from '$store/address.ts';
	import { saveFile, slugOf } from '$store/files/download.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import HiddenFrame from '$views/frame/HiddenFrame.svelte';
	import { screenOf, Settler } from '$views/frame/settler.ts';
	import Choices from '$views/shell/controls/Choices.svelte';
	import LayerMark from '$views/shell/marks/LayerMark.svelte';
	import ScrollBox from '$views/shell/controls/ScrollBox.svelte';
	import LongSelect from '$views/shell/controls/LongSelect.svelte';
	import TrialMenu from '$views/trial/TrialMenu.svelte';
	import { measures, type Measure } from './chart.ts';
	import FoundOnPage from './FoundOnPage.svelte';
	import MendList from './MendList.svelte';
	import Strips from './Strips.svelte';
	import SweepChart from './SweepChart.svelte';
	import { Swept, type Mend } from './sweep.svelte.ts';

	/** One page at every width: what each region gets, where something jumps, what does not fit, and what would mend it. */

	let swept = $state.raw<Swept | undefined>();
	let measure = $state<Measure>('widths');
	let looked = $state.raw<Mend | undefined>();
	let refused = $state('');
	let asTable = $state(false);
	const hidden = new SvelteSet<string>();

	const page = $derived(store.page);
	const bands = $derived(store.site?.bands ?? []);
	const screen = $derived(screenOf(look.height ?? plainHeight));
	const sweep = $derived(swept?.sweep);
	const drawn = $derived(looked?.sweep ?? sweep);
	const keys = $derived(drawn?.regions.map(({ key }) => key) ?? []);
	const shown = $derived(new Set(keys.filter((key) => !hidden.has(key))));
	const pages = $derived(store.roofline.rows.map((row) => row.page));
	const others = $derived(pages.join('\n'));

	// The page is worked out anew after each edit.
	$effect(() => {
		const worked = swept;
		const kind = screen;
		const name = page?.page;
		const address = page?.address;
		const { seeing } = store;
		void store.site;
		if (!worked || name === undefined) return;
		const given = new AbortController();
		untrack(() => {
			// What was made is what was shown, until it is worked out anew.
			if (making) worked.sweep = making.sweep;
			looked = undefined;
			worked.mends = [];
			void worked.work({ page: name, address, ...seeing }, kind, given.signal);
		});
		return () => given.abort();
	});

	// How much of screens is left is worked out where one looks at it.
	$effect(() => {
		const worked = swept;
		const kind = screen;
		const name = page?.page;
		const address = page?.address;
		const { seeing } = store;
		void store.site;
		if (!worked || name === undefined || measure !== 'room left') return;
		const given = new AbortController();
		untrack(() => {
			worked.room = undefined;
			void worked.workRoom({ page: name, address, ...seeing }, kind, given.signal);
		});
		return () => given.abort();
	});

	// Then all others.
	$effect(() => {
		const worked = swept;
		const kind = screen;
		const names = others.split('\n');
		void store.site;
		const { seeing } = store;
		if (!worked) return;
		const given = new AbortController();
		untrack(() => worked.doubtOthers());
		const timer = setTimeout(() => {
			void worked.workOthers(names, kind, seeing, given.signal);
		}, 1200);
		return () => {
			clearTimeout(timer);
			given.abort();
		};
	});

	function go(name: string, width: number | undefined): void {
		if (width !== undefined) look.width = clampWidth(width);
		void store.goTo({ page: name, address: undefined });
	}

	/** The mend that is being made. */
	let making: Mend | undefined;

	async function make(mend: Mend): Promise<void> {
		making = mend;
		refused = (await commands.attempt(mend.command)) ?? '';
		making = undefined;
		if (refused === '') looked = undefined;
	}

	function saveCsv(): void {
		if (!sweep || !page) return;
		const name = `${slugOf(store.site?.name)}-${slugOf(page.page)}-widths.csv`;
		const text = measure === 'room left' && swept?.room ? roomCsv(swept.room) : sweepCsv(sweep);
		saveFile(name, new Blob([text], { type: 'text/csv' }));
	}

	function toggle(key: string): void {
		if (!hidden.delete(key)) hidden.add(key);
	}
</script>

<div class="sweep" data-swept={sweep ? page?.page : undefined} data-others={swept?.misfits.size}>
	<header>
		<LongSelect
			label="Page"
			value={page?.page ?? ''}
			options={pages}
			choose={(name) => go(name, undefined)}
		/>
		<p class="small">
			{sweep?.framed
				? 'every width from 280 to 1760 px; a frame of own markup is around this page, so its boxes are measured in the browser'
				: 'every width from 280 to 1760 px, worked out from computed boxes'}
		</p>
		<div class="controls">
			<Choices
				label="measure"
				options={measures.map((value) => ({ value, name: value }))}
				value={measure}
				choose={(value) => (measure = value)}
			/>
			<TrialMenu />
			<button class="act turn" aria-pressed={asTable} onclick={() => (asTable = !asTable)}
				>{asTable ? 'As a chart' : 'In words'}</button
			>
			<button class="act" disabled={!sweep} onclick={saveCsv}>Save as CSV</button>
		</div>
	</header>
	<div class="middle">
		{#if drawn && asTable}
			<ScrollBox label="The widths in words">
				<div class="words">
					{#each [...roomSentences(swept?.room ?? []), ...sweepSentences(drawn)] as sentence (sentence)}<p
						>
							{sentence}
						</p>{/each}
					<table>
						<caption class="cap"
							>Sizes in px, at each width where a size starts or stops changing</caption
						>
						<thead>
							<tr>
								<th scope="col">region</th>
								<th scope="col">screen</th>
								<th scope="col">width</th>
								<th scope="col">height</th>
							</tr>
						</thead>
						<tbody>
							{#each drawn.regions as { key, region, runs } (key)}
								{#each runs.flat() as point, index (index)}
									<tr>
										<th scope="row">{region}</th>
										<td>{point.screen} px</td>
										<td>{Math.round(point.width)} px</td>
										<td>{Math.round(point.height)} px</td>
									</tr>
								{/each}
							{/each}
						</tbody>
					</table>
				</div>
			</ScrollBox>
		{:else if drawn?.regions.length === 0}
			<p class="waiting">
				{page?.page} sits under no layout, so there is no region whose size could be drawn over widths.
			</p>
		{:else if drawn}
			<SweepChart
				sweep={drawn}
				before={looked ? sweep : undefined}
				{bands}
				{measure}
				{shown}
				roomLines={swept?.room ?? []}
			/>
		{:else}
			<p class="waiting" aria-live="polite">
				{page
					? `${page.page} is measured at every width …`
					: 'This site has no pages yet. Add a route in Plan.'}
			</p>
		{/if}
		<aside aria-label="At the width of the stage">
			{#if drawn}
				<h2 class="cap">at {look.width} px</h2>
				{#if measure === 'room left'}
					{#each swept?.room ?? [] as line (line.height)}
						{@const left = roomAt(line, look.width)}
						<p class="region">
							<span>on {line.height} px of height</span>
							<span class="mono px"
								>{left === undefined
									? 'not there'
									: `${Math.round(left)} px, ${Math.round((left / line.height) * 100)} %`}</span
							>
						</p>
					{:else}
						<p class="small" aria-live="polite">How much is left is being worked out …</p>
					{/each}
					<p class="small">
						The share of the screen’s height that is left for content once sticky boxes are taken
						off, halfway down the page.
					</p>
				{/if}
				{#each measure === 'room left' ? [] : drawn.regions as region (region.key)}
					{@const point = pointAt(region, look.width)}
					<label class="region" class:away={!point}>
						<input
							type="checkbox"
							aria-label="Draw {region.region}"
							checked={!hidden.has(region.key)}
							onchange={() => toggle(region.key)}
						/>
						<LayerMark mark={region.own ? undefined : region.mark} />
						<span class="mono">{region.region}</span>
						<span class="mono px"
							>{point
								? `${Math.round(point.width)} × ${Math.round(point.height)} px`
								: 'not there'}</span
						>
					</label>
				{/each}
				{#if drawn.misfits.length > 0}
					<h2 class="cap">what does not fit</h2>
					{#each drawn.misfits as misfit (misfit.key + misfit.from + misfit.box)}
						<button class="misfit" onclick={() => (look.width = clampWidth(misfit.from))}
							>{misfitWords(misfit)}</button
						>
					{/each}
				{/if}
				<MendList
					mends={swept?.mends ?? []}
					trying={swept?.trying ?? false}
					{looked}
					look={(mend) => (looked = mend)}
					make={(mend) => void make(mend)}
					{refused}
				/>
				<FoundOnPage page={page?.page ?? ''} />
				<h2 class="cap">where something jumps</h2>
				{#each drawn.jumps as { width, words } (width)}
					<button class="jump" onclick={() => (look.width = clampWidth(width))}>
						<b class="mono">{width}</b> <span>{words}</span>
					</button>
				{:else}
					<p class="small">Nothing jumps at any width.</p>
				{/each}
			{/if}
		</aside>
	</div>
	<Strips
		{pages}
		misfits={swept?.misfits ?? new Map()}
		roughly={swept?.roughly ?? new Map()}
		current={page?.page ?? ''}
		{go}
	/>
	<HiddenFrame onReady={(frame) => (swept = new Swept(new Settler(frame)))} />
</div>

<style>
	.sweep {
		position: relative;
		display: flex;
		flex-direction: column;
		height: 100%;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px 14px;
		padding: 7px 16px;
		border-bottom: 1px solid var(--hair);
	}
	.controls {
		display: flex;
		align-items: center;
		gap: 14px;
		margin-left: auto;
	}
	/* As wide in both states, so that pressing it moves nothing beside it. */
	.turn {
		min-width: 84px;
	}
	.middle {
		display: flex;
		flex: 1;
		min-height: 0;
	}
	.waiting,
	.words {
		flex: 1;
		padding: 16px;
	}
	.words p {
		max-width: 90ch;
	}
	table {
		margin-top: 14px;
		border-collapse: collapse;
	}
	caption {
		text-align: left;
		padding-bottom: 4px;
	}
	th,
	td {
		padding: 2px 14px 2px 0;
		text-align: left;
		font-weight: 400;
		border-bottom: 1px solid var(--hair);
	}
	td {
		font-family: var(--mono);
		font-size: var(--text-code);
		text-align: right;
	}
	aside {
		flex: none;
		width: 290px;
		padding: 10px 14px;
		overflow-y: auto;
		border-left: 1px solid var(--hair);
	}
	aside h2 {
		margin: 12px 0 3px;
	}
	aside h2:first-child {
		margin-top: 0;
	}
	.region {
		display: flex;
		align-items: center;
		gap: 7px;
		padding: 1px 0;
	}
	.away {
		color: var(--ink-2);
	}
	.px {
		margin-left: auto;
	}
	.misfit {
		display: block;
		text-align: left;
		color: var(--fault);
		padding: 2px 0;
	}
	.jump {
		display: flex;
		gap: 8px;
		text-align: left;
		padding: 2px 0;
		align-items: baseline;
	}
	.misfit:hover,
	.jump:hover {
		text-decoration: underline;
	}
</style>
