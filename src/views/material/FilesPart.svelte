<script lang="ts">
	import mime from 'mime';
	import type { FileView } from '$core/view-models/material/material-view.ts';
	import { counted } from '$core/messages/wording.ts';
	import { ask } from '$store/ways/ask.svelte.ts';
	import { addFiles, replaceFile } from '$store/files/files.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { sizeText } from '$views/shell/size-text.ts';
	import MaterialSection from './MaterialSection.svelte';
	import Picture from './Picture.svelte';
	import type { RowAct } from '$views/shell/controls/row-act.ts';
	import RowActs from '$views/shell/controls/RowActs.svelte';
	import Empty from './Empty.svelte';
	import Uses from './Uses.svelte';

	interface Props {
		files: readonly FileView[];
		/** What a link asks for. */
		wanted: string;
	}
	const { files, wanted }: Props = $props();

	let picker: HTMLInputElement;
	let other: HTMLInputElement;
	/** The file that another one is to take the place of. */
	let replaced = '';

	async function add(): Promise<void> {
		await addFiles([...(picker.files ?? [])]);
		picker.value = '';
	}

	async function replace(): Promise<void> {
		const [file] = other.files ?? [];
		if (file) await replaceFile(replaced, file);
		other.value = '';
	}

	function isPicture(path: string): boolean {
		return mime.getType(path)?.startsWith('image/') ?? false;
	}

	function actsOf(file: FileView): readonly RowAct[] {
		const { path } = file;
		const copy = { name: 'Copy for a piece', run: () => void copyTag(path) };
		return [
			{
				name: 'Replace',
				run: () => {
					replaced = path;
					other.click();
				}
			},
			{ name: 'Rename', run: () => askRename(file) },
			...(isPicture(path) ? [copy] : []),
			{ name: 'Remove', run: () => void commands.make({ kind: 'remove-file', file: path }) }
		];
	}

	function askRename(file: FileView): void {
		ask.question = {
			title: `Rename ${file.path}`,
			says: `Its path from the folder of the site. ${counted(file.uses.length, 'place')} that name${file.uses.length === 1 ? 's' : ''} it would be changed with it.`,
			fields: [{ label: 'New path', value: file.path, mono: true }],
			act: 'Rename it',
			answer: ([to = '']) => commands.attempt({ kind: 'rename-file', file: file.path, to })
		};
	}

	async function copyTag(path: string): Promise<void> {
		const tag = `<img src="${path}" alt="">`;
		const done = await navigator.clipboard.writeText(tag).then(
			() => true,
			() => false
		);
		store.notice = done
			? { kind: 'fine', sentence: `${tag} can be pasted into a piece; say in alt what it shows.` }
			: { kind: 'fault', sentence: `The browser did not let it be copied. It is ${tag}` };
	}
</script>

<MaterialSection
	title="Files"
	says="{counted(files.length, 'file')}; drop or paste them anywhere"
	scrolls="Files of the site"
>
	{#snippet acts()}<button class="act" onclick={() => picker.click()}>Add files …</button>{/snippet}
	<input
		bind:this={picker}
		type="file"
		multiple
		hidden
		aria-label="Files to add"
		onchange={() => void add()}
	/>
	<input
		bind:this={other}
		type="file"
		hidden
		aria-label="The file to take its place"
		onchange={() => void replace()}
	/>
	{#each files as file (file.path)}
		<article
			class:wanted={wanted === `file ${file.path}`}
			id="file {file.path}"
			data-row
			aria-label="File {file.path}"
		>
			<span class="picture">
				{#if isPicture(file.path)}<Picture path={file.path} />{/if}
			</span>
			<div class="what">
				<b class="mono" title={file.path}>{file.path}</b>
				<span class="small">{sizeText(file.size)}</span>
				<div class="acts">
					<Uses uses={file.uses} />
					<RowActs of={file.path} acts={actsOf(file)} />
				</div>
			</div>
		</article>
	{:else}
		<Empty
			says="This site has no pictures or other files yet. Drop one anywhere in the window, paste it, or add it here; markup names it by its path, such as images/pod.svg."
			act="Add files …"
			run={() => picker.click()}
		/>
	{/each}
</MaterialSection>

<style>
	article {
		display: grid;
		grid-template-columns: 52px minmax(0, 1fr);
		gap: 12px;
		padding: 8px 0;
		border-bottom: 1px solid var(--hair);
	}
	.wanted {
		background: var(--cedar-wash);
	}
	.picture {
		width: 52px;
		height: 44px;
		background: var(--sunk);
		border-radius: var(--radius);
		overflow: hidden;
	}
	.what {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 2px 10px;
	}
	b {
		font-weight: 500;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.acts {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		gap: 2px 14px;
		align-items: baseline;
	}
</style>
