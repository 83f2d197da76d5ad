<script lang="ts">
	import { listWords } from '$core/messages/wording.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import type { FindingView } from '$workers/findings.ts';
	import type { MendLook } from '$workers/desk/findings-desk.ts';
	import { drawingWay } from './drawing-way.ts';
	import SvgDrawing from '$views/sheet/SvgDrawing.svelte';

	/** What would mend a finding: the text, the pages and the drawing before and after, and then the action. */
	interface Props {
		code: string;
		mend: NonNullable<FindingView['mend']>;
		/** The page it is looked at on; empty where it is about none. */
		page: string;
		width: number;
	}
	const { code, mend, page, width }: Props = $props();

	let looked = $state.raw<MendLook | undefined>();
	let touched = $state.raw<readonly string[] | undefined>();
	let refused = $state('');
	const named = 6;

	$effect(() => {
		void store.site;
		let gone = false;
		const { command } = mend;
		void store.core.findings
			.lookAtMend(command, code, page, width, drawingWay(width, 250))
			.then(async (found) => {
				if (gone) return;
				looked = found;
				const { pages } = await store.core.proposals.touches(command).catch(() => ({ pages: [] }));
				if (!gone) touched = pages;
			});
		return () => (gone = true);
	});

	const touchedWords = $derived.by(() => {
		if (!touched) return 'Which pages it touches is being worked out …';
		if (touched.length === 0) return 'No page comes out differently.';
		const some = touched.slice(0, named);
		const more = touched.length > named ? [`${touched.length - named} more`] : [];
		return `${touched.length === 1 ? 'One page comes' : `${touched.length} pages come`} out differently: ${listWords([...some, ...more])}.`;
	});

	async function make(): Promise<void> {
		refused = (await commands.attempt(mend.command)) ?? '';
	}
</script>

<section class="mend" aria-label="The fix">
	<h3 class="cap">fix: {mend.label}</h3>
	{#if looked?.refused !== undefined}
		<p class="refused">It cannot be made: {looked.refused}</p>
	{:else if looked}
		{#each looked.lines as { file, line, before, after } (file)}
			<p class="small mono">{file}, line {line}</p>
			<div class="lines">
				{#each before as text, index (index)}<p class="mono gone">− {text.trim()}</p>{/each}
				{#each after as text, index (index)}<p class="mono come">+ {text.trim()}</p>{/each}
			</div>
		{/each}
		<p class="small">{touchedWords}</p>
		{#if looked.left > 0}<p class="small">Something of this kind would be left on {page}.</p>{/if}
		<p><button class="primary" onclick={() => void make()}>Fix it</button></p>
		{#if refused}<p class="refused" role="alert">{refused}</p>{/if}
		{#if looked.drawings.length === 2}
			<div class="drawings">
				{#each looked.drawings as drawing, index (index)}
					<figure>
						<SvgDrawing svg={drawing} />
						<figcaption class="small">
							{page} at {width} px, {index === 0 ? 'as it is' : 'fixed'}
						</figcaption>
					</figure>
				{/each}
			</div>
		{/if}
	{:else}
		<p class="small" role="status">What it would do is being worked out …</p>
	{/if}
</section>

<style>
	.mend {
		margin: 12px 0;
		padding: 10px 14px 12px;
		background: var(--sheet);
		border: 1px solid var(--hair);
	}
	.lines {
		margin: 3px 0 6px;
		overflow-wrap: anywhere;
	}
	.gone {
		color: var(--fault);
	}
	.come {
		color: var(--fine);
	}
	.primary {
		margin: 8px 0 4px;
	}
	.refused {
		color: var(--fault);
	}
	.drawings {
		display: flex;
		flex-wrap: wrap;
		gap: 14px 26px;
		margin-top: 8px;
	}
	.drawings :global(svg) {
		display: block;
		transition: none;
	}
</style>
