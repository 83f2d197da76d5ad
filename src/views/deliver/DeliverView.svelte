<script lang="ts">
	import { counted } from '$core/messages/problem.ts';
	import { reasonOf } from '$core/messages/problem.ts';
	import { download, slugOf } from '$store/files/download.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import type { DeliveryView } from '$workers/messages.ts';
	import ProblemList from '$views/shell/ProblemList.svelte';
	import FileList from './FileList.svelte';
	import ScriptLine from './ScriptLine.svelte';
	import { sizeText } from '$views/shell/size-text.ts';

	let delivery = $state.raw<DeliveryView | undefined>();
	/** It could not be worked out: why. */
	let failed = $state<string | undefined>();
	let busy = $state(false);

	const kinds = [
		{ kind: 'page', name: 'Pages' },
		{ kind: 'moved', name: 'Pages that lead on, from where others were once' },
		{ kind: 'style', name: 'Style sheets' },
		{ kind: 'asset', name: 'Other files of the site' }
	] as const;
	const slug = $derived(slugOf(store.site?.name));
	const files = $derived(delivery?.files ?? []);
	const total = $derived(files.reduce((sum, file) => sum + file.size, 0));

	$effect(() => {
		// Asked again whenever the site's text is another.
		if (!store.site) return;
		let current = true;
		store.core.handingOver
			.delivery(look.handOver)
			.then((found) => {
				if (!current) return;
				delivery = found;
				failed = undefined;
			})
			.catch((failure: unknown) => {
				if (current) failed = reasonOf(failure);
			});
		return () => (current = false);
	});

	async function handOver(kind: 'site' | 'source'): Promise<void> {
		busy = true;
		try {
			await download(kind);
		} catch (failure) {
			const why = reasonOf(failure);
			store.say(`Nothing was handed over: ${why}`);
		} finally {
			busy = false;
		}
	}
</script>

<div class="deliver">
	{#if delivery && files.length === 0}
		<ProblemList problems={delivery.problems} current={true} />
	{/if}
	<div class="ways">
		<section>
			<h2>The static site</h2>
			<p>
				HTML, a page a file, and CSS, a file a layout.
				{#if delivery?.links === 'folders'}
					Links lead to <span class="mono">visit/</span>, as a server has it at the address of the
					site, and <span class="mono">sitemap.xml</span> names the pages that everyone may open. Without
					that address links lead to files, and work from a folder, too.
				{:else}
					Unpack it and open <span class="mono">index.html</span>: links lead to files, so they work
					with and without a server. Give the site its address for links such as
					<span class="mono">visit/</span>, and for a
					<span class="mono">sitemap.xml</span>.
				{/if}
			</p>
			<div class="script"><ScriptLine active={delivery?.active ?? []} /></div>
			<label class="marks">
				<input type="checkbox" bind:checked={look.marks} onchange={() => look.keep()} />
				<span
					>Each element says what made it, such as <span class="mono">data-region="head"</span
					></span
				>
			</label>
			{#if delivery && delivery.closed.length > 0}
				<p class="closed">
					A static site keeps no one out: whoever knows an address sees the page.
					{#if look.closed || look.nginx}
						<b>{counted(delivery.closed.length, 'page')}</b> that not everyone may open
						{delivery.closed.length === 1 ? 'is' : 'are'} in it all the same.
					{:else}
						So <b>{counted(delivery.closed.length, 'page')}</b> that not everyone may open
						{delivery.closed.length === 1 ? 'is' : 'are'} left out.
					{/if}
					<span class="mono">access.json</span> says who may open what, for whoever serves it.
				</p>
				<label class="marks">
					<input
						type="checkbox"
						checked={look.closed || look.nginx}
						disabled={look.nginx}
						onchange={(event) => {
							look.closed = event.currentTarget.checked;
							look.keep();
						}}
					/>
					<span>Pages that not everyone may open, too</span>
				</label>
			{/if}
			<label class="marks">
				<input type="checkbox" bind:checked={look.nginx} onchange={() => look.keep()} />
				<span
					>A configuration for a web server, <span class="mono">nginx.conf</span>: addresses,
					missing pages, caching, and closed branches behind your own sign-in</span
				>
			</label>
			<button
				class="primary"
				disabled={files.length === 0 || busy}
				onclick={() => void handOver('site')}
			>
				Download {slug}.zip
			</button>
			<p class="small">
				{#if failed !== undefined}
					What there is to hand over could not be worked out: {failed}
				{:else if files.length > 0}
					{counted(files.length, 'file')}, {sizeText(total)} before packing
				{:else if !delivery}
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
			<button class="primary" disabled={busy} onclick={() => void handOver('source')}>
				Download {slug}-source.zip
			</button>
			<p class="small">
				{counted(store.texts.size, 'text file')}, {counted(store.assets.size, 'other file')}
			</p>
		</section>
	</div>
	{#if files.length > 0}
		<div class="lists">
			{#each kinds as { kind, name } (kind)}
				<FileList {name} files={files.filter((file) => file.kind === kind)} />
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
	.marks {
		display: flex;
		gap: 8px;
		align-items: baseline;
		margin-bottom: 12px;
	}
	.script {
		margin-bottom: 12px;
	}
</style>
