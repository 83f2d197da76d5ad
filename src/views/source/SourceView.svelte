<script lang="ts">
	import { page as address } from '$app/state';
	import { isEaveFile, textFiles, textOf } from '$core/model/files.ts';
	import { counted } from '$core/messages/wording.ts';
	import { found } from '$store/findings.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import LongSelect from '$views/shell/controls/LongSelect.svelte';
	import ProblemList from '$views/shell/ProblemList.svelte';
	import type { OutputFile, PageRequest, ProblemView, Stretch } from '$workers/messages.ts';
	import FileTabs from './FileTabs.svelte';
	import OutputViewer from './OutputViewer.svelte';
	import SourceEditor from './SourceEditor.svelte';

	const files = $derived(textFiles(store));
	const asked = $derived(address.url.searchParams.get('file') ?? '');
	const askedAt = $derived(address.url.searchParams.get('at') ?? '');
	let wanted = $state('');
	const file = $derived(files.includes(wanted) ? wanted : (files.find(isEaveFile) ?? ''));
	const text = $derived(textOf(store, file) ?? '');
	let cursor = $state.raw<{ at: number } | undefined>();
	let sourceMark = $state.raw<Stretch | undefined>();
	let outputMark = $state.raw<Stretch | undefined>();
	let outputs = $state.raw<readonly OutputFile[]>([]);
	let outputPath = $state('');

	/** More than that do not fit beside each other: they are in a menu. */
	const mostTabs = 4;
	const pages = $derived(store.roofline.rows.map((row) => row.page));
	const output = $derived(outputs.find((one) => one.path === outputPath) ?? outputs[0]);
	const request = $derived<PageRequest | undefined>(
		store.page && {
			page: store.page.seen.stands ?? store.page.page,
			address: store.page.address,
			role: store.seenBy
		}
	);

	// Where a link asks for a place, the cursor goes there, also on the way back.
	$effect.pre(() => {
		if (asked !== '') wanted = asked;
		const at = Number(askedAt);
		if (askedAt !== '' && Number.isFinite(at)) cursor = { at };
	});

	$effect(() => {
		// The page is another object after each edit, so this follows the text.
		if (request) void store.core.handingOver.output(request).then((found) => (outputs = found));
		else outputs = [];
	});

	/** What is found beside what the reading of each edit finds. */
	const foundHere = $derived.by((): ProblemView[] => {
		const known = new Set(store.site?.problems.map(({ code, from }) => `${code} ${from}`));
		return found
			.inFile(file, text)
			.filter(({ code, from }) => !known.has(`${code} ${from}`))
			.map(({ mend, ...finding }) => ({
				...finding,
				...(mend && {
					mend: { kind: 'command', label: mend.label, command: mend.command } as const
				})
			}));
	});

	async function onSourceCursor(offset: number): Promise<void> {
		sourceMark = undefined;
		if (!request) return;
		outputMark = await store.core.places.traceToOutput(file, offset, request);
		if (outputMark && outputs[0]) outputPath = outputs[0].path;
	}

	async function onOutputCursor(offset: number): Promise<void> {
		if (!request || output?.language !== 'html') return;
		const span = await store.core.places.traceToSource(offset, request);
		outputMark = undefined;
		if (span) wanted = span.file;
		sourceMark = span;
	}

	function show(problem: ProblemView): void {
		wanted = problem.file;
		cursor = { at: problem.from };
	}
</script>

<div class="source">
	<section aria-label="Source">
		<FileTabs {files} {file} choose={(name) => ((wanted = name), (sourceMark = undefined))} />
		{#if store.site && store.site.problems.some((problem) => problem.severity === 'error')}
			<ProblemList problems={store.site.problems} current={store.site.current} pick={show} />
		{/if}
		<div class="fill">
			{#if file}
				<SourceEditor
					{file}
					{text}
					problems={[...(store.site?.problems ?? []), ...foundHere]}
					mark={sourceMark}
					{cursor}
					onCursor={(offset) => void onSourceCursor(offset)}
				/>
			{/if}
		</div>
	</section>
	<section aria-label="What comes out">
		<div class="tabs">
			<label class="small" for="output-page">of</label>
			<LongSelect
				id="output-page"
				label="The page that comes out"
				value={store.page?.page ?? ''}
				options={pages}
				choose={(page) => void store.goTo({ page, address: undefined })}
			/>
			{#if outputs.length > mostTabs}
				<LongSelect
					label="The file that comes out"
					value={output?.path ?? ''}
					options={outputs.map(({ path }) => path)}
					choose={(path) => (outputPath = path)}
				/>
				<span class="small">{counted(outputs.length, 'file')}</span>
			{:else}
				<div class="names" role="tablist" aria-label="Files that come out">
					{#each outputs as one (one.path)}
						<button
							class="mono tab"
							role="tab"
							aria-selected={one === output}
							title={one.path}
							onclick={() => (outputPath = one.path)}>{one.path.split('/').at(-1)}</button
						>
					{/each}
				</div>
			{/if}
		</div>
		<div class="fill">
			{#if output}
				<OutputViewer
					{output}
					mark={output.language === 'html' ? outputMark : undefined}
					onCursor={(offset) => void onOutputCursor(offset)}
				/>
			{/if}
		</div>
	</section>
</div>

<style>
	.source {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		height: 100%;
	}
	section {
		display: flex;
		flex-direction: column;
		min-height: 0;
		min-width: 0;
	}
	section + section {
		border-left: 1px solid var(--hair);
	}
	.fill {
		flex: 1;
		min-height: 0;
	}
	.tabs {
		display: flex;
		align-items: center;
		gap: 8px;
		height: 38px;
		padding: 0 10px;
		border-bottom: 1px solid var(--hair);
	}
	.names {
		display: flex;
		align-self: stretch;
		overflow-x: auto;
		min-width: 0;
	}
	.tab {
		padding: 0 8px;
		color: var(--ink-2);
		border-block: 2px solid transparent;
		white-space: nowrap;
	}
	.tab[aria-selected='true'] {
		color: var(--ink);
		border-bottom-color: var(--cedar);
	}
</style>
