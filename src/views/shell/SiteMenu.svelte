<script lang="ts">
	import { Menu, Portal } from '@skeletonlabs/skeleton-svelte';
	import { store } from '$store/site.svelte.ts';
	import NewSite from './NewSite.svelte';

	let fileInput: HTMLInputElement;
	let asking = $state(false);

	const others = $derived(store.sites.filter((site) => site.id !== store.id));

	function choose(value: string): void {
		if (value === 'new') asking = true;
		else if (value === 'open') fileInput.click();
		else if (value === 'demo') void store.openDemo();
		else if (value.startsWith('site ')) void store.switchTo(value.slice(5));
	}

	async function openChosen(): Promise<void> {
		const [file] = fileInput.files ?? [];
		if (file) await store.openFile(file);
		fileInput.value = '';
	}
</script>

<div class="site">
	<Menu onSelect={({ value }) => choose(value)} positioning={{ placement: 'bottom-start' }}>
		<Menu.Trigger class="site-name">
			{store.site?.name || 'Site'}
			<span class="small" aria-hidden="true">▾</span>
		</Menu.Trigger>
		<Portal>
			<Menu.Positioner>
				<Menu.Content class="menu">
					<Menu.Item class="menu-item" value="new">
						<Menu.ItemText>New site …</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="open">
						<Menu.ItemText>Open a file (.eave or .zip) …</Menu.ItemText>
					</Menu.Item>
					<Menu.Item class="menu-item" value="demo">
						<Menu.ItemText>Open the demo site</Menu.ItemText>
					</Menu.Item>
					{#if others.length > 0}
						<Menu.ItemGroup>
							<Menu.ItemGroupLabel class="small menu-item">Kept in this browser</Menu.ItemGroupLabel
							>
							{#each others as site (site.id)}
								<Menu.Item class="menu-item" value="site {site.id}">
									<Menu.ItemText>{site.name}</Menu.ItemText>
									<span class="small">{new Date(site.changed).toLocaleString()}</span>
								</Menu.Item>
							{/each}
						</Menu.ItemGroup>
					{/if}
				</Menu.Content>
			</Menu.Positioner>
		</Portal>
	</Menu>
	<input
		bind:this={fileInput}
		type="file"
		accept=".eave,.zip"
		aria-label="Open a file"
		hidden
		onchange={() => void openChosen()}
	/>
</div>

<NewSite bind:open={asking} />

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
