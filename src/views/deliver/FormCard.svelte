<script lang="ts">
	import type { Snippet } from 'svelte';
	import { counted } from '$core/messages/wording.ts';
	import { download, zipName } from '$store/files/download.ts';
	import { look, type HandedForm } from '$store/ways/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { reasonOf } from '$core/messages/wording.ts';
	import type { DeliveredView } from '$workers/messages.ts';
	import { sizeText } from '$views/shell/size-text.ts';

	/** One form in which the site is handed over: what it is for, what is in it, and how large that is. */
	interface Props {
		form: HandedForm;
		name: string;
		/** Undefined while it is worked out. */
		files: readonly DeliveredView[] | undefined;
		/** Why it could not be worked out. */
		failed: string | undefined;
		children: Snippet;
	}
	const { form, name, files, failed, children }: Props = $props();

	let busy = $state(false);
	const id = $props.id();
	const total = $derived((files ?? []).reduce((sum, file) => sum + file.size, 0));
	/** The source is there whatever else is. */
	const isWaiting = $derived(form !== 'source' && !files);
	const isChosen = $derived(look.form === form);

	function choose(): void {
		look.form = form;
		look.keep();
	}

	async function handOver(): Promise<void> {
		choose();
		busy = true;
		try {
			await download(form);
		} catch (failure) {
			store.say(`Nothing was downloaded: ${reasonOf(failure)}`);
		} finally {
			busy = false;
		}
	}
</script>

<section class:chosen={isChosen} aria-labelledby={id}>
	<h2 {id}>{name}</h2>
	{@render children()}
	<div class="end">
		<button
			class="primary"
			disabled={busy || isWaiting || files?.length === 0}
			onclick={() => void handOver()}
		>
			Download {zipName(form)}
		</button>
		<p class="small">
			{#if failed !== undefined}
				The files could not be worked out: {failed}
			{:else if !files}
				Working out the files …
			{:else if files.length === 0}
				Fix the errors first: a site with errors is not delivered.
			{:else}
				<button class="act" aria-pressed={isChosen} onclick={choose}
					>{counted(files.length, 'file')}</button
				>
				of {sizeText(total)} in all, before packing
			{/if}
		</p>
	</div>
</section>

<style>
	section {
		display: flex;
		flex-direction: column;
		background: var(--sheet);
		padding: 19px 24px 16px;
		border-top: 3px solid transparent;
	}
	/* The eave of the form whose files are listed below. */
	.chosen {
		border-top-color: var(--cedar);
	}
	h2 {
		font-size: 17px;
		font-weight: 650;
	}
	section :global(p) {
		max-width: 56ch;
		margin: 6px 0 10px;
	}
	.end {
		margin-top: auto;
		padding-top: 6px;
	}
	.end p {
		margin: 6px 0 0;
	}
	.end .act {
		padding-left: 0;
	}
</style>
