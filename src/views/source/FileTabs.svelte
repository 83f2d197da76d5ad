<script lang="ts">
	import { isSheetFile } from '$core/model/files.ts';
	import { counted } from '$core/messages/wording.ts';
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';

	interface Props {
		files: readonly string[];
		file: string;
		choose: (file: string) => void;
	}
	const { files, file, choose }: Props = $props();

	const texts = $derived(files.filter((path) => !isSheetFile(path)));
	let adding = $state(false);
	let name = $state('');

	const folders = $derived([...new Set(files.map(folderOf))]);
	const counts = $derived.by(() => {
		const errors = store.site?.problems.filter((problem) => problem.severity === 'error') ?? [];
		return new Map(files.map((path) => [path, errors.filter((one) => one.file === path).length]));
	});

	function folderOf(path: string): string {
		return path.split('/').slice(0, -1).join('/');
	}

	async function add(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		const path = name.trim().replace(/(\.eave)?$/, '.eave');
		const usable = /^[\w-][\w. -]*(\/[\w-][\w. -]*)*\.eave$/.test(path);
		if (!usable || files.includes(path)) {
			const sentence = usable
				? `There is a file ${path} already.`
				: `${path} cannot be the name of a file of the site.`;
			store.notice = { kind: 'fault', sentence };
			return;
		}
		await store.apply([{ kind: 'add', file: path, text: '' }], `Add ${path}`);
		adding = false;
		name = '';
		choose(path);
	}

	async function tidy(): Promise<void> {
		const sentence = await commands.attempt({ kind: 'tidy-text', file });
		if (sentence) store.notice = { kind: 'refused', sentence };
	}
</script>

<div class="tabs">
	<Menu
		onSelect={({ value }) => choose(value)}
		positioning={{ placement: 'bottom-start', strategy: 'fixed' }}
	>
		<Menu.Trigger class="field mono">
			{file || 'no file'} <span class="small" aria-hidden="true">▾</span>
		</Menu.Trigger>
		<Menu.Positioner>
			<Menu.Content class="menu">
				{#each folders as folder (folder)}
					<Menu.ItemGroup>
						{#if folder}
							<Menu.ItemGroupLabel class="small menu-item">{folder}</Menu.ItemGroupLabel>
						{/if}
						{#each files.filter((path) => folderOf(path) === folder) as path (path)}
							<Menu.Item class="menu-item mono" value={path}>
								<Menu.ItemText>{path.split('/').at(-1)}</Menu.ItemText>
								{#if counts.get(path)}
									<span class="errors">{counts.get(path)} errors</span>
								{/if}
							</Menu.Item>
						{/each}
					</Menu.ItemGroup>
				{/each}
			</Menu.Content>
		</Menu.Positioner>
	</Menu>
	<span class="small">{counted(files.length, 'file')}</span>
	{#if adding}
		<form onsubmit={add}>
			<input
				class="field mono"
				aria-label="Name of the new file"
				placeholder="pages/about.eave"
				bind:value={name}
				{@attach (field) => field.focus()}
				onkeydown={(event) => event.key === 'Escape' && (adding = false)}
			/>
			<button class="act" type="submit">Add</button>
		</form>
	{:else}
		<button
			class="act end"
			title={isSheetFile(file)
				? 'A style sheet stays as it is written'
				: 'Indentation, one statement a line, settings in their order; what stands in quotes stays as it is'}
			disabled={isSheetFile(file)}
			onclick={tidy}
		>
			Tidy the text
		</button>
		<button class="act" onclick={() => (adding = true)}>Add file</button>
		<button
			class="act"
			disabled={files.length < 2 || (!isSheetFile(file) && texts.length < 2)}
			onclick={() => void store.apply([{ kind: 'drop', file }], `Remove ${file}`)}
		>
			Remove file
		</button>
	{/if}
</div>

<style>
	.tabs {
		display: flex;
		align-items: center;
		gap: 8px;
		height: 38px;
		padding: 0 10px;
		border-bottom: 1px solid var(--hair);
		flex: none;
	}
	.end,
	form {
		margin-left: auto;
	}
	.errors {
		color: var(--fault);
	}
</style>
