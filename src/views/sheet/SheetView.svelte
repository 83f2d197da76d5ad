<script lang="ts">
	import { goto } from '$app/navigation';
	import { page as address } from '$app/state';
	import { onMount, untrack } from 'svelte';
	import { SvelteSet } from 'svelte/reactivity';
	import { columnsOf, papers, plainHeight, type Column } from '$core/sheet/columns.ts';
	import { groupRows, rowsWith } from '$core/sheet/groups.ts';
	import type { DrawingWay } from '$core/sheet/svg.ts';
	import { counted, reasonOf } from '$core/messages/wording.ts';
	import type { SheetRow } from '$core/sheet/sheet-row.ts';
	import { linesHeight, tileLines, type TileLine } from '$core/sheet/tile-words.ts';
	import { tilePadding, tilesIn } from '$core/sheet/tiles.ts';
	import { found } from '$store/findings.svelte.ts';
	import { clampWidth, placeQuery } from '$store/address.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { comparing } from '$store/ways/comparing.svelte.ts';
	import HiddenFrame from '$views/frame/HiddenFrame.svelte';
	import { screenOf, Settler } from '$views/frame/settler.ts';
	import LayerMark from '$views/shell/marks/LayerMark.svelte';
	import ChangesView from './changes/ChangesView.svelte';
	import DrawingStyle from './DrawingStyle.svelte';
	import HeldDrawings from './HeldDrawings.svelte';
	import { onDrawingKey } from './drawing-keys.ts';
	import { saveSheet } from './save.ts';
	import { keeping } from './keeping.ts';
	import SheetBar from './SheetBar.svelte';
	import { readChoices, sizes, withChoices, type SheetChoices } from './sheet-choices.ts';
	import { groupHeight, itemsIn, itemsOf } from '$core/sheet/sheet-items.ts';
	import SheetRowView from './SheetRowView.svelte';
	import { Sheet } from './sheet.svelte.ts';

	/** Every page at every band, small: drawn from computed boxes, never by loading pages. */

	const sheet = new Sheet();
	/** px: what stands above drawings and around them. */
	const around = 9 + 22 + 18 + 7 + 9;
	/** px; of the sheet as it is, from which the scrollbar goes off. Nothing is drawn before it is known. */
	let whole = $state(0);
	const scrollbar = 16;
	const room = $derived(Math.max(0, whole - scrollbar));

	const keepColumns = keeping<readonly Column[]>();
	const keepWay = keeping<DrawingWay>();
	const choices = $derived(readChoices(address.url));
	const bands = $derived(store.site?.bands ?? []);
	/** The same list as long as the same is in it: what is drawn stays then. */
	const columns = $derived(
		keepColumns(store.trial.printed ? papers : columnsOf(bands, choices.widths))
	);
	const fold = $derived(look.height ?? plainHeight);
	const asked = $derived(sizes.find(({ name }) => name === choices.size)?.scale ?? sizes[1].scale);
	/** px: what stands beside the drawings of a page that changed, its name and what is different. */
	const besideChanges = 560;
	const tiling = $derived(
		comparing.open
			? tilesIn(Math.max(0, room - besideChanges), columns, asked, 1)
			: tilesIn(room, columns, asked)
	);
	const way = $derived(
		keepWay({
			scale: tiling.scale,
			depth: fold * 1.25,
			fold,
			...(choices.only !== '' && { single: choices.only }),
			...(choices.colours !== 'layouts' && { painted: choices.colours })
		})
	);
	const request = $derived({ columns, screen: screenOf(fold), ...store.seeing });
	const unfolded = new SvelteSet<string>();
	const rows = $derived(rowsWith(sheet.rows, choices.words));
	const groups = $derived(groupRows(rows, choices.by));
	const drawingHeight = $derived(Math.round(way.depth * way.scale));
	const linesOf = (row: SheetRow, behind: readonly SheetRow[]): readonly TileLine[] =>
		tileLines(row, behind, (page) => found.on(page));
	const items = $derived(
		itemsOf(groups, unfolded, tiling.perLine, (row, behind) => {
			const words = linesHeight(linesOf(row, behind), tiling.width - 2 * tilePadding);
			return around + drawingHeight + words;
		})
	);
	const total = $derived(items.at(-1)); // the list ends where its last item does
	const regions = $derived([...new Set(sheet.rows.flatMap((row) => row.regions))]);
	const marks = $derived(new Map(store.roofline.layouts.map((one) => [one.name, one.mark])));

	let body = $state<HTMLElement | undefined>();
	let scrolled = $state(0);
	let height = $state(600);
	let settler = $state.raw<Settler | undefined>();
	let held = $state.raw<readonly { page: string; width: number }[]>([]);
	let saving = $state('');

	const shown = $derived(itemsIn(items, scrolled, height));
	const inSight = $derived(shown.flatMap((item) => (item.kind === 'row' ? [item.row.page] : [])));
	const inSightWord = $derived(inSight.join('\n'));
	const estimated = $derived(rows.filter((row) => isEstimated(row.page)).length);
	const summary = $derived(summaryWords());

	function isEstimated(page: string): boolean {
		return sheet.drawn.get(page)?.row.estimated ?? !measured.has(page);
	}
	/** Pages that have been measured since the last edit. */
	const measured = new SvelteSet<string>();

	function summaryWords(): string {
		const { progress } = sheet;
		if (progress) return `${progress.done} of ${counted(progress.total, 'page')} laid out`;
		if (!sheet.known) return 'pages are laid out …';
		const at = counted(columns.length, 'width');
		const rest =
			estimated > 0 ? `; ${estimated} rest on estimates and are drawn lighter until measured` : '';
		const framed = rows.filter((row) => row.framed).length;
		const boxes =
			framed === 0
				? 'computed boxes'
				: framed === rows.length
					? 'measured boxes, since frames of own markup are around all of them'
					: `computed boxes, ${framed} of them from measured ones in frames of own markup`;
		return `${counted(rows.length, 'page')} at ${at}, drawn from ${boxes}${rest}`;
	}

	// Whoever comes back to the sheet sees all of it.
	onMount(() => () => (comparing.open = false));

	// All rows, again after each edit; those that it did not touch are known.
	$effect(() => {
		const asked = request;
		void store.site;
		untrack(() => {
			measured.clear();
			void sheet.readAll(asked);
		});
	});

	// Drawings in another way are others.
	$effect(() => {
		void [way, columns];
		untrack(() => sheet.forgetDrawings());
	});

	// What is in sight is drawn, at once after an edit; what that changed is marked for a moment.
	$effect(() => {
		const [asked, drawnAs] = [request, way];
		void room;
		const site = store.site;
		const pages = inSightWord === '' ? [] : inSightWord.split('\n');
		const given = new AbortController();
		untrack(() => {
			const isEdit = site !== lastSite;
			lastSite = site;
			if (room === 0) return;
			const open = isEdit ? pages : pages.filter((page) => !sheet.drawn.has(page));
			void drawInTurn(open, asked, drawnAs, isEdit, given.signal);
		});
		return () => given.abort();
	});
	let lastSite: unknown;

	/** A few at a time, so that the first are seen at once. */
	async function drawInTurn(
		pages: readonly string[],
		asked: typeof request,
		drawnAs: typeof way,
		marks: boolean,
		signal: AbortSignal
	): Promise<void> {
		const atOnce = 4;
		for (let from = 0; from < pages.length && !signal.aborted; from += atOnce) {
			await sheet.draw(pages.slice(from, from + atOnce), asked, drawnAs, marks, signal);
		}
	}

	// What rests on estimates is measured: what is in sight first.
	$effect(() => {
		const settles = settler;
		const [asked, drawnAs] = [request, way];
		const pages = inSightWord === '' ? [] : inSightWord.split('\n');
		void store.site;
		if (!settles || sheet.progress) return;
		const given = new AbortController();
		const { signal } = given;
		const timer = setTimeout(() => {
			const others = untrack(() => sheet.rows).map((row) => row.page);
			const all = [...new Set([...pages, ...others])].filter((page) => !measured.has(page));
			const screens = asked.columns.map(({ width }) => width);
			const onMeasured = (page: string): void => {
				measured.add(page);
				if (sheet.drawn.has(page)) void sheet.draw([page], asked, drawnAs, false, signal);
			};
			void settles.measureAll(all, screens, asked.screen, signal, onMeasured, store.seeing);
		}, 300);
		return () => {
			clearTimeout(timer);
			given.abort();
		};
	});

	function choose(next: SheetChoices): void {
		const to = withChoices(address.url, next);
		void goto(to, { replaceState: true, keepFocus: true, noScroll: true });
	}

	function linkTo(page: string, width: number): string {
		const place = {
			request: { page, address: undefined },
			...store.seeing,
			width,
			height: look.height
		};
		return `/plan?${placeQuery(place)}`;
	}

	function go(page: string, width: number): void {
		look.width = clampWidth(width);
		void store.goTo({ page, address: undefined });
	}

	function isHeld(page: string, width: number): boolean {
		return held.some((one) => one.page === page && one.width === width);
	}

	function hold(page: string, width: number): void {
		held = isHeld(page, width)
			? held.filter((one) => one.page !== page || one.width !== width)
			: [...held, { page, width }];
	}

	function unfold(page: string): void {
		if (!unfolded.delete(page)) unfolded.add(page);
	}

	async function save(kind: 'svg' | 'png' | 'print'): Promise<void> {
		const pages = items.flatMap((item) =>
			item.kind === 'row'
				? [{ page: item.row.page, alike: item.open ? 0 : item.behind.length }]
				: []
		);
		try {
			await saveSheet(
				kind,
				store.site?.name ?? '',
				pages,
				request,
				way,
				(words) => (saving = words)
			);
		} catch (failure) {
			store.say(`The sheet could not be saved: ${reasonOf(failure)}.`);
		}
		saving = '';
	}

	/** What is at the upper edge, and how far it is scrolled past: it stays there when what is above it grows. */
	let anchor: { readonly key: string; readonly past: number } | undefined;

	function onScroll({ currentTarget }: { currentTarget: HTMLElement }): void {
		scrolled = currentTarget.scrollTop;
		const first = items.find(({ top, height: high }) => top + high > scrolled);
		anchor = first && { key: first.key, past: scrolled - first.top };
	}

	$effect(() => {
		const held = anchor && items.find(({ key }) => key === anchor?.key);
		if (held && anchor && body) body.scrollTop = held.top + anchor.past;
	});
</script>

<div
	class="sheet"
	bind:clientWidth={whole}
	data-drawn={sheet.drawings}
	data-made={sheet.made}
	data-measured={measured.size}
	data-scale={tiling.scale}
>
	<DrawingStyle />
	{#if comparing.open}
		<ChangesView
			{request}
			{way}
			{columns}
			widths={tiling.drawings}
			rowHeight={Math.max(104, drawingHeight + 18)}
			{linkTo}
			{go}
			close={() => (comparing.open = false)}
		/>
	{:else}
		<SheetBar
			{choices}
			{summary}
			{regions}
			{saving}
			{choose}
			compare={() => (comparing.open = true)}
			save={(kind) => void save(kind)}
		/>
		<div
			class="body"
			bind:this={body}
			bind:clientHeight={height}
			onscroll={onScroll}
			role="region"
			aria-label="Pages"
			tabindex="-1"
		>
			<div class="all" style:height="{total ? total.top + total.height : 0}px">
				{#each shown as item (item.key)}
					{#if item.kind === 'group'}
						<h2
							class="group"
							class:on={item.goesOn}
							style:top="{item.top}px"
							style:left="{item.place * tiling.width}px"
							style:width="{item.span * tiling.width}px"
							style:height="{groupHeight}px"
						>
							{#each item.group.chain as name (name)}<LayerMark mark={marks.get(name)} />{/each}
							<span class="title" title={item.group.title}>{item.group.title}</span>
							<span class="small">{item.goesOn ? 'goes on' : counted(item.pages, 'page')}</span>
						</h2>
					{:else}
						<SheetRowView
							{item}
							drawn={sheet.drawn.get(item.row.page)}
							{columns}
							{tiling}
							lines={linesOf(sheet.drawn.get(item.row.page)?.row ?? item.row, item.behind)}
							changed={[item.row, ...item.behind].some((row) => sheet.changed.has(row.page))}
							{linkTo}
							{go}
							{isHeld}
							{hold}
							{unfold}
							onKey={(event) => body && onDrawingKey(event, body, hold)}
						/>
					{/if}
				{/each}
			</div>
			{#if sheet.rows.length > 0 && rows.length === 0}
				<p class="empty">
					No page has “{choices.words}” in its route, its title or the names of its layouts.
					<button class="act" onclick={() => choose({ ...choices, words: '' })}>Show all</button>
				</p>
			{:else if sheet.rows.length === 0 && sheet.known && !sheet.progress}
				<p class="empty">This site has no pages yet. Add a route in Plan, and it is drawn here.</p>
			{/if}
		</div>
	{/if}
	{#if held.length > 0}
		<HeldDrawings
			{held}
			{request}
			{fold}
			painted={way.painted}
			{linkTo}
			{go}
			letGo={hold}
			clear={() => (held = [])}
		/>
	{/if}
	<HiddenFrame onReady={(frame) => (settler = new Settler(frame))} />
</div>

<style>
	.sheet {
		position: relative;
		display: flex;
		flex-direction: column;
		height: 100%;
	}
	.body {
		position: relative;
		flex: 1;
		min-height: 0;
		overflow: auto;
		scrollbar-gutter: stable;
	}
	.all {
		position: relative;
	}
	.group {
		position: absolute;
		display: flex;
		align-items: center;
		gap: 7px;
		padding: 8px 16px 0;
		font-size: var(--text);
		font-weight: 600;
		white-space: nowrap;
		border-left: 2px solid var(--rule);
	}
	.group.on {
		border-left-color: transparent;
		font-weight: 400;
		color: var(--ink-2);
	}
	.group .title {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.empty {
		padding: 24px;
		max-width: 62ch;
	}
</style>
