<script lang="ts">
	import ControlsLine from '$views/shell/ControlsLine.svelte';
	import { untrack } from 'svelte';
	import { changeWords } from '$core/changes/site-changes.ts';
	import type { Column } from '$core/sheet/columns.ts';
	import type { DrawingWay } from '$core/sheet/svg.ts';
	import { counted, reasonOf } from '$core/messages/problem.ts';
	import type { SiteFiles } from '$core/model/files.ts';
	import { downloadPatch } from '$store/files/download.ts';
	import { filesBefore } from '$store/keep/history.ts';
	import { store } from '$store/site.svelte.ts';
	import HiddenFrame from '$views/frame/HiddenFrame.svelte';
	import { Settler } from '$views/frame/settler.ts';
	import { windowed } from '$views/shell/windowed.ts';
	import type { SheetRequest } from '$workers/sheets.ts';
	import { Changes } from './changes.svelte.ts';
	import SvgDrawing from '$views/sheet/SvgDrawing.svelte';

	/** Before and after: the pages that two states of the site draw differently, both laid over each other. */
	interface Props {
		request: SheetRequest;
		way: DrawingWay;
		columns: readonly Column[];
		/** Where each drawing has room, px. */
		widths: readonly number[];
		rowHeight: number;
		linkTo: (page: string, width: number) => string;
		go: (page: string, width: number) => void;
		close: () => void;
	}
	const { request, way, columns, widths, rowHeight, linkTo, go, close }: Props = $props();

	const changes = new Changes();
	let settler = $state.raw<Settler | undefined>();
	/** Steps that one can go back by in the menus. */
	const mostOffered = 60;
	/** How many steps back the two states are; a file in place of the first. */
	let back = $state(1);
	let until = $state(0);
	let file = $state.raw<{ name: string; files: SiteFiles } | undefined>();
	let scrolled = $state(0);
	let height = $state(600);

	const past = $derived(store.history.past);
	const steps = $derived(
		past
			.slice(-mostOffered)
			.toReversed()
			.map(({ label }, index) => ({ steps: index + 1, label }))
	);
	const shown = $derived(windowed(changes.found.length, rowHeight, scrolled, height));
	const inSight = $derived(changes.found.slice(shown.from, shown.to));
	const summary = $derived(summaryWords());

	function summaryWords(): string {
		const { gone, total, done } = changes.progress;
		if (changes.fault !== '') return changes.fault;
		if (past.length === 0 && !file)
			return 'Nothing was changed here yet: choose a file to compare with.';
		if (!done) return `${gone} of ${counted(total, 'page')} compared`;
		const { length } = changes.found;
		if (length === 0) return `All ${counted(total, 'page')} are drawn alike before and after.`;
		const guessed = changes.estimated;
		const rest =
			guessed > 0 ? `; ${guessed} of them by guessed sizes, until they are measured` : '';
		return `${length} of ${counted(total, 'page')} changed${rest}; what moved has its old place dashed, its new one in full`;
	}

	/** The two states that are compared; without `before` there is nothing to compare. */
	function states(): { before: SiteFiles | undefined; after: SiteFiles | undefined } {
		const { texts, assets, history } = store.work;
		const steps = Math.min(back, history.past.length);
		const earlier = steps > 0 ? filesBefore({ texts, assets }, history, steps) : undefined;
		const after = until > 0 ? filesBefore({ texts, assets }, history, until) : undefined;
		return { before: file?.files ?? earlier, after };
	}

	async function savePatch(): Promise<void> {
		const { before, after } = states();
		if (before) await downloadPatch(before, after);
	}

	$effect(() => {
		const asked = request;
		const { before, after } = states();
		void store.site;
		untrack(() => {
			if (before) void changes.compare(before, after, asked);
		});
	});

	$effect(() => {
		const pages = inSight.map(({ page }) => page);
		const drawnAs = way;
		untrack(() => void changes.draw(pages, request, drawnAs));
	});

	// By guesses something may seem to move that does not, and the other way round.
	$effect(() => {
		const settles = settler;
		const asked = request;
		if (!settles || !changes.progress.done) return;
		const given = new AbortController();
		void untrack(() => changes.measure(settles, asked, given.signal)).catch((failure: unknown) => {
			store.sayFailure('The pages that changed could not be measured', failure);
		});
		return () => given.abort();
	});

	async function takeFile(chosen: File | undefined): Promise<void> {
		if (!chosen) return;
		try {
			const taken = await store.core.takeIn(
				chosen.name,
				new Uint8Array(await chosen.arrayBuffer())
			);
			if ('refused' in taken) store.say(taken.refused);
			else file = { name: chosen.name, files: taken };
		} catch (failure) {
			store.say(`${chosen.name} cannot be read: ${reasonOf(failure)}.`);
		}
	}
</script>

<HiddenFrame onReady={(frame) => (settler = new Settler(frame))} />
<ControlsLine {summary}>
	<label>
		before
		{#if file}
			<span class="mono">{file.name}</span>
			<button class="act" onclick={() => (file = undefined)}>Not the file</button>
		{:else}
			<select class="field" bind:value={back} disabled={past.length === 0}>
				{#each steps as { steps: count, label } (count)}
					<option value={count}>before “{label}”, {counted(count, 'step')} back</option>
				{/each}
			</select>
		{/if}
	</label>
	<label class="field file">
		or a file
		<input
			class="unseen"
			type="file"
			accept=".zip,.eave"
			onchange={(event) => void takeFile(event.currentTarget.files?.[0])}
		/>
	</label>
	<label>
		after
		<select class="field" bind:value={until}>
			<option value={0}>as it is now</option>
			{#each steps.filter((one) => file || one.steps < back) as { steps: count, label } (count)}
				<option value={count}>before “{label}”, {counted(count, 'step')} back</option>
			{/each}
		</select>
	</label>
	<button
		class="act"
		title="What the texts differ in, for version control: git apply takes it"
		onclick={() => void savePatch()}>Save as patch</button
	>
	<button class="act" onclick={close}>Back to the sheet</button>
</ControlsLine>
<div
	class="body"
	bind:clientHeight={height}
	onscroll={(event) => (scrolled = event.currentTarget.scrollTop)}
	role="region"
	aria-label="Pages that changed"
>
	<div style:height="{shown.before}px"></div>
	{#each inSight as change (change.page)}
		<article style:height="{rowHeight}px" aria-label={change.page}>
			<div class="name">
				<span class="mono">{change.page}</span>
				<span class="small">{change.chain.join(', ') || 'bare'}</span>
			</div>
			{#each columns as { width }, index (width)}
				<div style:width="{widths[index]}px" class="cell">
					<a href={linkTo(change.page, width)} onclick={() => go(change.page, width)}>
						<SvgDrawing svg={changes.drawn.get(change.page)?.[index] ?? ''} />
					</a>
				</div>
			{/each}
			<div class="words">
				{#each changeWords(change) as words (words)}<p>{words}</p>{/each}
			</div>
		</article>
	{/each}
	<div style:height="{shown.after}px"></div>
</div>

<style>
	select {
		max-width: 260px;
	}
	.file:focus-within {
		outline: 2px solid var(--cedar);
	}
	.body {
		flex: 1;
		min-height: 0;
		overflow: auto;
	}
	article {
		display: flex;
		gap: 16px;
		padding: 9px 16px 0;
		border-bottom: 1px solid var(--hair);
		overflow: hidden;
	}
	.name {
		display: flex;
		flex-direction: column;
		width: 196px;
		flex: none;
	}
	.cell {
		flex: none;
	}
	.words {
		flex: 1;
		min-width: 200px;
		font-size: var(--text-small);
	}
</style>
