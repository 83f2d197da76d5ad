<script lang="ts">
	import { Menu } from '@skeletonlabs/skeleton-svelte';
	import { filesOfFolder } from '$store/files/chosen-files.ts';
	import { openDemo, openFile, openFolder, switchTo } from '$store/opening.ts';
	import { workOnFolder } from '$store/starting.ts';
	import { states } from '$store/states.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { beginning } from '$store/ways/beginning.svelte.ts';
	import { tour } from '$store/ways/tour.svelte.ts';
	import ExamplesDialog from '../dialogs/ExamplesDialog.svelte';
	import { bringing } from '$store/ways/bringing.svelte.ts';
	import KeptSites from '../dialogs/KeptSites.svelte';
	import DeviceDialog from '../dialogs/DeviceDialog.svelte';
	import LaterDialog from '../dialogs/LaterDialog.svelte';

	let fileInput: HTMLInputElement;
	let folderInput: HTMLInputElement;
	let choosing = $state(false);
	let listing = $state(false);
	let onDevice = $state(false);
	/** It has been opened: what is in it is made then. */
	let isMade = $state(false);
	/** As many as are quickly looked through; the others are in the list of all. */
	const most = 5;

	const others = $derived(store.sites.filter((site) => site.id !== store.id));

	function choose(value: string): void {
		if (value === 'new') beginning.asked = true;
		else if (value === 'open') fileInput.click();
		else if (value === 'folder') folderInput.click();
		else if (value === 'work-on-folder') void workOnFolder();
		else if (value === 'bring-in') bringing.ask();
		else if (value === 'list') listing = true;
		else if (value === 'states') void states.open();
		else if (value === 'device') onDevice = true;
		else if (value === 'demo') void openDemo();
		else if (value === 'example') choosing = true;
		else if (value === 'tour') tour.take();
		else if (value.startsWith('site ')) void switchTo(value.slice(5));
	}

	async function openChosen(): Promise<void> {
		const [file] = fileInput.files ?? [];
		if (file) await openFile(file);
		fileInput.value = '';
	}

	async function openChosenFolder(): Promise<void> {
		const chosen = [...(folderInput.files ?? [])];
		folderInput.value = '';
		const files = await filesOfFolder(chosen);
		if (files && files.size > 0) await openFolder(files);
	}
</script>

<div class="site">
	<Menu
		onSelect={({ value }) => choose(value)}
		onOpenChange={({ open }) => (isMade ||= open)}
		positioning={{ placement: 'bottom-start', strategy: 'fixed' }}
	>
		<Menu.Trigger class="site-name">
			{store.site?.name || 'Site'}
			<span class="small" aria-hidden="true">▾</span>
		</Menu.Trigger>
		<Menu.Positioner>
			<Menu.Content class="menu">
				{#if isMade}
					<Menu.Item class="menu-item" value="new">
						<Menu.ItemText>New site …</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="device">
						<Menu.ItemText>Open on a device …</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="open">
						<Menu.ItemText>Open a file (.eave or .zip) …</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="folder">
						<Menu.ItemText>Open a folder …</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="work-on-folder">
						<Menu.ItemText>Work on a folder …</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="bring-in">
						<Menu.ItemText>Bring in pages (HTML) …</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="demo">
						<Menu.ItemText>Open the demo site</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="example">
						<Menu.ItemText>Open an example …</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="tour">
						<Menu.ItemText>Take the tour: six questions</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="states">
						<Menu.ItemText>States of this site …</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="list">
						<Menu.ItemText>All sites kept in this browser …</Menu.ItemText>
					</Menu.Item>
					{#if others.length > 0}
						<Menu.ItemGroup>
							<Menu.ItemGroupLabel class="small menu-item">Kept in this browser</Menu.ItemGroupLabel
							>
							{#each others.slice(0, most) as site (site.id)}
								<Menu.Item class="menu-item" value="site {site.id}">
									<Menu.ItemText>{site.name}</Menu.ItemText>
									<span class="small">{new Date(site.changed).toLocaleString()}</span>
								</Menu.Item>
							{/each}
						</Menu.ItemGroup>
					{/if}
				{/if}
			</Menu.Content>
		</Menu.Positioner>
	</Menu>
	<input
		bind:this={fileInput}
		type="file"
		accept=".eave,.zip"
		aria-label="Open a file"
		hidden
		onchange={() => void openChosen()}
	/>
	<input
		bind:this={folderInput}
		type="file"
		webkitdirectory
		aria-label="Open a folder"
		hidden
		onchange={() => void openChosenFolder()}
	/>
</div>

<LaterDialog of="newSite" isAsked={beginning.asked} giveUp={() => (beginning.asked = false)} />
<ExamplesDialog bind:open={choosing} />
<LaterDialog of="bringIn" isAsked={bringing.isOpen} giveUp={() => bringing.close()} />
<DeviceDialog open={onDevice} onClose={() => (onDevice = false)} />
<KeptSites bind:open={listing} />
<LaterDialog of="states" isAsked={states.shown} giveUp={() => (states.shown = false)} />

<style>
	.site {
		padding-left: 16px;
		border-left: 1px solid var(--hair);
		font-weight: 500;
	}
	.site :global(.site-name) {
		padding: 4px 6px;
		border-radius: var(--radius);
		max-width: 260px;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.site :global(.site-name:hover) {
		background: var(--paper);
	}
</style>
