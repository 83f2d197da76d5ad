<script lang="ts">
	import { counted, reasonOf } from '$core/messages/wording.ts';
	import { look, type HandedForm } from '$store/ways/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import type { DeliveredView, DeliveryView } from '$workers/messages.ts';
	import ProblemList from '$views/shell/ProblemList.svelte';
	import FileList from './FileList.svelte';
	import FormCard from './FormCard.svelte';
	import Remains from './Remains.svelte';
	import ScriptLine from './ScriptLine.svelte';

	let delivery = $state.raw<DeliveryView | undefined>();
	let shells = $state.raw<readonly DeliveredView[] | undefined>();
	let source = $state.raw<readonly DeliveredView[] | undefined>();
	/** It could not be worked out: why. */
	let failed = $state<string | undefined>();

	const kinds = [
		{ kind: 'page', name: 'Pages' },
		{ kind: 'shell', name: 'Shells' },
		{ kind: 'text', name: 'Texts of the site' },
		{ kind: 'moved', name: 'Redirects, at the old addresses of pages' },
		{ kind: 'style', name: 'Style sheets' },
		{ kind: 'asset', name: 'Other files' }
	] as const;

	const files = $derived<Record<HandedForm, readonly DeliveredView[] | undefined>>({
		site: delivery?.files,
		shells,
		source
	});
	const listed = $derived(files[look.form] ?? []);

	$effect(() => {
		// Asked again whenever the site's text is another.
		if (!store.site) return;
		let current = true;
		const { handingOver } = store.core;
		Promise.all([handingOver.delivery(look.handOver), handingOver.shells(), handingOver.source()])
			.then((found) => {
				if (current) [delivery, shells, source] = found;
				failed = undefined;
			})
			.catch((failure: unknown) => {
				if (current) failed = reasonOf(failure);
			});
		return () => (current = false);
	});
</script>

<div class="deliver">
	{#if delivery?.files.length === 0}
		<ProblemList problems={delivery.problems} current={true} />
	{/if}
	<Remains />
	{#if !delivery && failed === undefined}
		<!-- Nothing is to be pressed that moves as soon as it is known. -->
		<p class="waiting" role="status">Working out the files …</p>
	{:else}
		<div class="ways" data-tour="forms">
			<FormCard form="site" name="The static site" files={files.site} {failed}>
				<p>
					HTML, a page a file, and CSS, a file a layout.
					{#if delivery?.links === 'folders'}
						Links lead to <span class="mono">visit/</span>, as a server has it at the address of the
						site, and <span class="mono">sitemap.xml</span> names the pages that everyone may open. Without
						that address links lead to files, and work from a folder, too.
					{:else}
						Unpack it and open <span class="mono">index.html</span>: links lead to files, so they
						work with and without a server. Give the site its address for links such as
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
			</FormCard>
			<FormCard form="shells" name="The shells" files={files.shells} {failed}>
				<p>
					For pages that come from a server of your own: the frame of each kind of page as one HTML
					document, in which every place that a page fills is a
					<span class="mono">&lt;slot&gt;</span>. <span class="mono">shells.json</span> says which route
					takes which, and what it puts where.
				</p>
				<p>With the sheets as they are delivered. No page is in it.</p>
			</FormCard>
			<FormCard form="source" name="The source" files={files.source} {failed}>
				<p>
					The site’s <span class="mono">.eave</span> files and everything beside them, as a folder that
					can be reviewed in version control and opened here again.
				</p>
			</FormCard>
		</div>
	{/if}
	{#if listed.length > 0}
		<div class="lists">
			{#each kinds as { kind, name } (kind)}
				{@const some = listed.filter((file) => file.kind === kind)}
				{#if some.length > 0}<FileList {name} files={some} />{/if}
			{/each}
		</div>
	{/if}
</div>

<style>
	.deliver {
		height: 100%;
		overflow-y: auto;
	}
	.waiting {
		padding: 24px;
	}
	.ways {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
		gap: 1px;
		background: var(--hair);
		border-bottom: 1px solid var(--hair);
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
