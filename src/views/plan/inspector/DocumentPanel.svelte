<script lang="ts">
	import { page as address } from '$app/state';
	import type { DocumentView } from '$core/view-models/chosen/document-view.ts';
	import type { Command, DocumentFile, DocumentPart, LayerRef } from '$core/model/command.ts';
	import { headKindOf } from '$core/model/files.ts';
	import { counted } from '$core/messages/wording.ts';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import PanelField from '$views/shell/controls/PanelField.svelte';

	/** What a layer, or the site, says of the document around the body: sheets, scripts, head, attributes. */
	const { layer }: { layer: LayerRef | undefined } = $props();

	let view = $state.raw<DocumentView | undefined>();
	let refused = $state('');
	let from = $state('');
	const says = $derived(
		view
			? view.files.length + Object.values(view.texts).filter((text) => text !== undefined).length
			: 0
	);

	$effect(() => {
		const asked = layer;
		void store.site;
		void store.core.answers.documentView(asked).then((found) => {
			if (asked === layer) view = found;
		});
	});

	const examples = {
		html: 'class="no-js"',
		body: 'class="home"',
		head: '<link rel="icon" href="favicon.svg">'
	};
	const lies = {
		here: '',
		elsewhere: 'from elsewhere: never asked for here',
		nowhere: 'not there'
	};

	async function make(command: Command): Promise<string | undefined> {
		return (refused = (await commands.attempt(command)) ?? '') || undefined;
	}

	function set(file: DocumentFile): Promise<string | undefined> {
		return make({ kind: 'set-document-file', layer, file });
	}

	function setText(part: DocumentPart): (text: string) => Promise<string | undefined> {
		return (text) =>
			make({ kind: 'set-document-text', layer, part, text: text.trim() === '' ? undefined : text });
	}

	async function add(name: string): Promise<void> {
		if (name.trim() === '') return;
		const file: DocumentFile =
			headKindOf(name.trim()) === 'script'
				? { kind: 'script', from: name.trim(), words: ['defer'] }
				: { kind: 'sheet', from: name.trim(), media: undefined };
		if ((await set(file)) === undefined) from = '';
	}

	function word(file: DocumentFile & { kind: 'script' }, one: 'module' | 'defer' | 'async'): void {
		const words = file.words.includes(one)
			? file.words.filter((other) => other !== one)
			: [...file.words, one];
		void set({ ...file, words });
	}
</script>

{#if view}
	<details open={says > 0}>
		<summary class="cap">
			the document: {says === 0 ? 'sheets, scripts, head' : counted(says, 'statement')}
		</summary>
		<ul aria-label="Sheets and scripts">
			{#each view.files as { file, path, lies: where } (file.kind + file.from)}
				<li>
					<p>
						<span class="small">{file.kind}</span>
						{#if file.kind === 'sheet' && where === 'here'}
							<a class="mono link" href="/source?{placeQuery(readPlace(address.url))}&file={path}"
								>{file.from}</a
							>
						{:else}
							<span class="mono">{file.from}</span>
						{/if}
						<button
							class="act"
							aria-label="Remove {file.from}"
							onclick={() => void make({ kind: 'remove-document-file', layer, file })}
							>Remove</button
						>
					</p>
					{#if lies[where] !== ''}<p class="small" class:gone={where === 'nowhere'}>
							{lies[where]}
						</p>{/if}
					{#if file.kind === 'sheet'}
						<PanelField
							label="media"
							value={file.media ?? ''}
							placeholder="all"
							mono
							take={(media) => set({ ...file, media: media === '' ? undefined : media })}
						/>
					{:else}
						<p class="words small">
							{#each ['module', 'defer', 'async'] as const as one (one)}
								<label>
									<input
										type="checkbox"
										checked={file.words.includes(one)}
										onchange={() => word(file, one)}
									/>
									<span class="mono">{one}</span>
								</label>
							{/each}
							never run here
						</p>
					{/if}
				</li>
			{/each}
		</ul>
		<form
			onsubmit={(event) => {
				event.preventDefault();
				void add(from);
			}}
		>
			<input
				class="field mono"
				aria-label="A sheet or script to add"
				list="document-files"
				placeholder="css/site.css"
				bind:value={from}
			/>
			<datalist id="document-files">
				{#each view.more as one (one.from)}<option value={one.from}></option>{/each}
			</datalist>
			<button class="act" disabled={from.trim() === ''}>Add</button>
		</form>
		<PanelField
			label="html has"
			value={view.texts.html ?? ''}
			placeholder={examples.html}
			mono
			take={setText('html')}
		/>
		<PanelField
			label="body has"
			value={view.texts.body ?? ''}
			placeholder={examples.body}
			mono
			take={setText('body')}
		/>
		<label class="head">
			<span class="small">in the head</span>
			<textarea
				class="field mono"
				rows={Math.min(8, (view.texts.head ?? '').split('\n').length + 1)}
				value={view.texts.head ?? ''}
				placeholder={examples.head}
				onchange={(event) => void setText('head')(event.currentTarget.value)}></textarea>
		</label>
		{#if refused !== ''}<p class="gone small" role="alert">{refused}</p>{/if}
	</details>
{/if}

<style>
	details {
		margin: 8px 0;
		padding-top: 6px;
		border-top: 1px solid var(--hair);
	}
	summary {
		cursor: pointer;
	}
	li {
		padding: 4px 0;
		border-bottom: 1px solid var(--hair);
	}
	li p {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		align-items: baseline;
		overflow-wrap: anywhere;
	}
	.link {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	.gone {
		color: var(--fault);
	}
	.words label {
		display: inline-flex;
		gap: 3px;
		align-items: center;
	}
	form {
		display: flex;
		gap: 8px;
		margin: 6px 0;
	}
	form input {
		flex: 1;
		min-width: 0;
	}
	.head {
		display: grid;
		gap: 4px;
		margin-top: 6px;
	}
</style>
