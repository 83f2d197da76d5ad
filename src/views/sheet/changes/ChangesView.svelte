<script lang="ts">
	import ControlsLine from '$views/shell/controls/ControlsLine.svelte';
	import { untrack } from 'svelte';
	import { changeWords } from '$core/changes/site-changes.ts';
	import type { Column } from '$core/sheet/columns.ts';
	import type { DrawingWay } from '$core/sheet/svg.ts';
	import { counted } from '$core/messages/wording.ts';
	import { downloadPatch } from '$store/files/download.ts';
	import { states } from '$store/states.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { comparing } from '$store/ways/comparing.svelte.ts';
	import Choices from '$views/shell/controls/Choices.svelte';
	import HiddenFrame from '$views/frame/HiddenFrame.svelte';
	import { Settler } from '$views/frame/settler.ts';
	import { windowed } from '$views/shell/windowed.ts';
	import type { SheetRequest } from '$workers/sheets.ts';
	import { Changes } from './changes.svelte.ts';
	import RouteChanges from './RouteChanges.svelte';
	import StateChoice from './StateChoice.svelte';
	import TextChanges from './TextChanges.svelte';
	import SvgDrawing from '$views/sheet/SvgDrawing.svelte';

	/** As what it is shown that two states differ. */
	type Form = 'drawings' | 'routes' | 'text';

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
	let scrolled = $state(0);
	let height = $state(600);
	let form = $state<Form>('drawings');
	const forms: readonly { value: Form; name: string }[] = [
		{ value: 'drawings', name: 'drawings' },
		{ value: 'routes', name: 'routes' },
		{ value: 'text', name: 'text' }
	];

	const { past } = $derived(store.history);
	const nothing = $derived(
		past.length === 0 && comparing.before.startsWith('step ') ? 'nothing' : undefined
	);
	const shown = $derived(windowed(changes.found.length, rowHeight, scrolled, height));
	const inSight = $derived(changes.found.slice(shown.from, shown.to));
	const summary = $derived(summaryWords());

	function summaryWords(): string {
		const { gone, total, done } = changes.progress;
		if (changes.fault !== '') return changes.fault;
		if (nothing) return 'Nothing was changed here yet: choose a state or a file to compare with.';
		if (!done) return `${gone} of ${counted(total, 'page')} compared`;
		const { length } = changes.found;
		if (length === 0) return `All ${counted(total, 'page')} are drawn alike before and after.`;
		const guessed = changes.estimated;
		const rest =
			guessed > 0 ? `; ${guessed} of them by guessed sizes, until they are measured` : '';
		const how =
			form === 'drawings' ? '; what moved has its old place dashed, its new one in full' : '';
		return `${length} of ${counted(total, 'page')} changed${rest}${how}`;
	}

	async function savePatch(): Promise<void> {
		const { before, after } = await comparing.both();
		if (before) await downloadPatch(before, after);
	}

	$effect(() => {
		void store.id;
		untrack(() => void states.look());
	});

	let round = 0;
	$effect(() => {
		const asked = request;
		void [store.site, comparing.before, comparing.after, comparing.file];
		const own = ++round;
		untrack(async () => {
			const { before, after } = await comparing.both();
			if (own !== round) return;
			if (before) await changes.compare(before, after, asked);
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
</script>

<HiddenFrame onReady={(frame) => (settler = new Settler(frame))} />
<ControlsLine {summary}>
	<label>
		before
		<StateChoice bind:value={comparing.before} />
	</label>
	<label class="field file">
		or a file
		<input
			class="unseen"
			type="file"
			accept=".zip,.eave"
			onchange={(event) => {
				const [file] = event.currentTarget.files ?? [];
				if (file) void comparing.takeFile(file);
			}}
		/>
	</label>
	<label>
		after
		<StateChoice bind:value={comparing.after} />
	</label>
	<Choices label="as" options={forms} value={form} choose={(value) => (form = value)} />
	<button
		class="act"
		title="What the texts differ in, for version control: git apply takes it"
		onclick={() => void savePatch()}>Save as patch</button
	>
	<button class="act" onclick={close}>Back to the sheet</button>
</ControlsLine>
{#if form === 'text'}
	<TextChanges />
{:else if form === 'routes'}
	<RouteChanges {changes} />
{:else}
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
{/if}

<style>
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
