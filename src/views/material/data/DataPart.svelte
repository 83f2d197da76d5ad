<script lang="ts">
	import type { DataView } from '$core/view-models/material/data-view.ts';
	import { counted } from '$core/messages/wording.ts';
	import { ask } from '$store/ways/ask.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import Empty from '../Empty.svelte';
	import MaterialSection from '../MaterialSection.svelte';
	import JsonText from './JsonText.svelte';
	import ListTable from './ListTable.svelte';
	import SourceLine from './SourceLine.svelte';
	import ServicePanel from './ServicePanel.svelte';
	import ValueTree from './ValueTree.svelte';
	import ScrollBox from '$views/shell/controls/ScrollBox.svelte';

	interface Props {
		sources: readonly DataView[];
		/** What a link asks for: `data opening.today`. */
		wanted: string;
	}
	const { sources, wanted }: Props = $props();

	let picked = $state<string | undefined>();
	/** Undefined until one is chosen: a list of objects is a table at first, but for a link to one of its values. */
	let way = $state<'values' | 'table' | 'text' | 'shape' | undefined>();

	const asked = $derived(/^data ([^. ]+)/.exec(wanted)?.[1]);
	const source = $derived(sources.find(({ name }) => name === (picked ?? asked)) ?? sources[0]);
	const ways = $derived(
		source && source.tables.length > 0
			? (['values', 'table', 'text', 'shape'] as const)
			: (['values', 'text', 'shape'] as const)
	);
	const first = $derived(wanted.includes('.') || source?.tables.length === 0 ? 'values' : 'table');
	const shown = $derived(ways.find((one) => one === (way ?? first)) ?? 'values');
	const idle = $derived(source?.rows.filter((row) => row.idle && row.kind !== 'group').length ?? 0);

	function askNew(): void {
		ask.question = {
			title: 'Add shared data',
			says: 'Its name stands in markup as data.NAME. It comes from a JSON file of the site, which is made where it is not there yet, or from a URL.',
			fields: [
				{ label: 'Name', value: 'news', mono: true },
				{ label: 'File or URL', value: 'data/news.json', mono: true },
				{ label: 'Columns of a table to be filled, such as name, town', value: '', mono: true },
				{
					label: 'Or its members, pasted: a table with names in its first row, or a text a line',
					value: '',
					lines: true
				}
			],
			act: 'Add it',
			async answer([name = '', from = '', said = '', pasted = '']) {
				const columns = said.split(/[\s,]+/).filter((column) => column !== '');
				const refused = await commands.attempt({ kind: 'add-data', name, from, pasted, columns });
				if (refused === undefined) picked = name;
				return refused;
			}
		};
	}
</script>

<MaterialSection title="Data" says="{counted(sources.length, 'source')}; in markup as data.NAME">
	{#snippet acts()}<button class="act" onclick={askNew}>Add data …</button>{/snippet}
	{#if source}
		<div class="body">
			<ul class="sources" aria-label="Sources">
				{#each sources as one (one.name)}
					<li>
						<button
							class:chosen={one === source}
							aria-current={one === source ? 'true' : undefined}
							onclick={() => (picked = one.name)}
						>
							<b class="mono">{one.name}</b>
							<span class="small"
								>{one.isUrl ? `from elsewhere, fresh ${one.fresh}` : one.from}</span
							>
							<span class="small"
								>{one.uses.length === 0
									? 'nothing uses it'
									: `used in ${counted(one.uses.length, 'place')}`}</span
							>
						</button>
					</li>
				{/each}
			</ul>
			<ScrollBox label="The data {source.name}">
				<div class="one">
					<SourceLine {source} renamed={(name) => (picked = name)} />
					{#if source.isUrl}<ServicePanel {source} />{/if}
					<div class="ways" role="group" aria-label="How it is shown">
						{#each ways as one (one)}
							<button class="field" aria-pressed={shown === one} onclick={() => (way = one)}
								>{one}</button
							>
						{/each}
						{#if idle > 0}<span class="small idle">{counted(idle, 'value')} that nothing uses</span
							>{/if}
					</div>
					{#if shown === 'values'}
						<ValueTree {source} {wanted} />
					{:else if shown === 'table'}
						{#each source.tables as table (table.label)}<ListTable {source} {table} />{/each}
					{:else if shown === 'text'}
						<JsonText {source} />
					{:else}
						<p class="small says">
							{source.shape
								? `Values are checked against ${source.shape}.`
								: 'This is the shape that it has now, as JSON Schema. Keep it in the site, and every new value is checked against it.'}
						</p>
						{#each source.mismatches as mismatch (mismatch)}<p class="small wrong">
								{mismatch}
							</p>{/each}
						<button
							class="act"
							onclick={() => void commands.make({ kind: 'keep-shape', name: source.name })}
							>{source.shape ? 'Keep the shape it has now' : 'Keep this shape'}</button
						>
						{#if source.shape}
							<button
								class="act"
								onclick={() =>
									void commands.make({
										kind: 'set-data',
										name: source.name,
										part: 'shape',
										value: undefined
									})}>Stop checking the shape</button
							>
						{/if}
						<pre class="mono">{source.inferred}</pre>
					{/if}
				</div>
			</ScrollBox>
		</div>
	{:else}
		<Empty
			says="This site has no shared data yet. What many pages show and no page owns, such as opening hours or a list of kinds, stands here once: in a JSON file of the site, or from a URL."
			act="Add the first data …"
			run={askNew}
		/>
	{/if}
</MaterialSection>

<style>
	.body {
		flex: 1;
		display: grid;
		grid-template-columns: 210px minmax(0, 1fr);
		min-height: 0;
	}
	.sources {
		border-right: 1px solid var(--hair);
		overflow-y: auto;
	}
	.sources button {
		display: grid;
		width: 100%;
		padding: 8px 14px;
		text-align: left;
		border-bottom: 1px solid var(--hair);
		border-left: 3px solid transparent;
	}
	.sources button:hover {
		background: color-mix(in srgb, var(--cedar-wash) 45%, transparent);
	}
	.sources .chosen {
		border-left-color: var(--cedar);
		background: var(--cedar-wash);
	}
	.sources span {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.one {
		padding: 10px 16px 24px;
	}
	.ways {
		display: flex;
		gap: 4px;
		align-items: baseline;
		margin: 10px 0 6px;
	}
	.ways .field {
		padding: 2px 8px;
		font-size: var(--text-small);
	}
	[aria-pressed='true'] {
		border-color: var(--cedar);
		color: var(--cedar);
	}
	.idle {
		margin-left: 10px;
		color: var(--warn);
	}
	.says {
		max-width: 70ch;
		margin: 6px 0;
	}
	.wrong {
		color: var(--fault);
	}
	pre {
		margin-top: 6px;
		padding: 8px 12px;
		background: var(--paper);
		white-space: pre-wrap;
	}
</style>
