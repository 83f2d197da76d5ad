<script lang="ts">
	import { store } from '$store/site.svelte.ts';
	import type { DeliveredView } from '$workers/messages.ts';
	import ProblemList from '$views/shell/ProblemList.svelte';

	let files = $state.raw<readonly DeliveredView[] | undefined>();
	/** What is handed over has been worked out, or cannot be. */
	let known = $state(false);
	let busy = $state(false);

	const kinds = [
		{ kind: 'page', name: 'Pages' },
		{ kind: 'style', name: 'Style sheets' },
		{ kind: 'asset', name: 'Other files of the site' }
	] as const;
	const slug = $derived(
		(store.site?.name ?? 'site')
			.toLowerCase()
			.replace(/[^a-z0-9]+/g, '-')
			.replace(/^-|-$/g, '') || 'site'
	);
	const total = $derived((files ?? []).reduce((sum, file) => sum + file.size, 0));

	$effect(() => {
		// Asked again whenever the site's text is another.
		if (!store.site) return;
		void store.core.delivery().then((found) => {
			files = found;
			known = true;
		});
	});

	function size(bytes: number): string {
		return bytes < 1024 ? `${bytes} B` : `${(bytes / 1024).toFixed(1)} kB`;
	}

	async function download(kind: 'site' | 'source'): Promise<void> {
		busy = true;
		const bytes = kind === 'site' ? await store.core.siteZip() : await store.core.sourceZip();
		busy = false;
		if (!bytes) return;
		const url = URL.createObjectURL(new Blob([bytes], { type: 'application/zip' }));
		const link = document.createElement('a');
		link.href = url;
		link.download = kind === 'site' ? `${slug}.zip` : `${slug}-source.zip`;
		link.click();
		setTimeout(() => URL.revokeObjectURL(url), 10_000);
	}
</script>

<div class="deliver">
	{#if store.site && known && !files}
		<ProblemList problems={store.site.problems} current={true} />
	{/if}
	<div class="ways">
		<section>
			<h2>The static site</h2>
			<p>
				HTML, a page a file, and CSS, a file a layout. No script. Unpack it and open
				<span class="mono">index.html</span>: links work with and without a server.
			</p>
			<button class="primary" disabled={!files || busy} onclick={() => void download('site')}>
				Download {slug}.zip
			</button>
			<p class="small">
				{#if files}
					{files.length} files, {size(total)} before packing
				{:else if !known}
					Working out what there is to hand over …
				{:else}
					Mend the errors above first; nothing is handed over by halves.
				{/if}
			</p>
		</section>
		<section>
			<h2>The source</h2>
			<p>
				The site’s <span class="mono">.eave</span> files and everything beside them, as a folder that
				can be reviewed in version control and opened here again.
			</p>
			<button class="primary" disabled={busy} onclick={() => void download('source')}>
				Download {slug}-source.zip
			</button>
			<p class="small">{store.texts.size} text files, {store.assets.size} others</p>
		</section>
	</div>
	{#if files}
		<div class="lists">
			{#each kinds as { kind, name } (kind)}
				{@const list = files.filter((file) => file.kind === kind)}
				<table>
					<caption class="cap">{name}, {list.length}</caption>
					<tbody>
						{#each list as file (file.path)}
							<tr><td class="mono">{file.path}</td><td class="mono size">{size(file.size)}</td></tr>
						{/each}
					</tbody>
				</table>
			{/each}
		</div>
	{/if}
</div>

<style>
	.deliver {
		height: 100%;
		overflow-y: auto;
	}
	.ways {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
		gap: 1px;
		background: var(--hair);
		border-bottom: 1px solid var(--hair);
	}
	section {
		background: var(--sheet);
		padding: 22px 28px;
	}
	h2 {
		font-size: 17px;
		font-weight: 650;
	}
	section p {
		max-width: 56ch;
		margin: 6px 0 12px;
	}
	section .small {
		margin: 8px 0 0;
	}
	.lists {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
		gap: 0 40px;
		padding: 16px 28px 40px;
		align-items: start;
	}
	caption {
		text-align: left;
		padding: 6px 0;
	}
	td {
		border-bottom: 1px solid var(--hair);
		padding: 3px 0;
	}
	table {
		width: 100%;
	}
	.size {
		text-align: right;
		color: var(--ink-2);
	}
</style>
