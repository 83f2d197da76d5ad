<script lang="ts">
	import type { Trace } from '$core/model/trace.ts';
	import type { HolderRef } from '$core/model/command.ts';
	import { store } from '$store/site.svelte.ts';
	import { idle } from '$store/ways/quiet.ts';
	import FoldButton from '$views/shell/controls/FoldButton.svelte';
	import type { PlaceView } from '$workers/messages.ts';
	import { choice, placeOf, traceOf, type CellFacts } from '../choice.svelte.ts';
	import PieceEditor from './PieceEditor.svelte';

	/** The text of what is chosen, beside the page; or the markup of the chosen pieces. */
	const { facts }: { facts: CellFacts | undefined } = $props();

	let place = $state.raw<PlaceView | undefined>();
	/** What the cursor chose: that does not move the cursor again. */
	let followed = '';

	/** The page is drawn first: an editor is more than all else that is loaded for it. */
	async function loadEditor() {
		await idle();
		return import('$views/source/SourceEditor.svelte');
	}

	const subject = $derived(choice.subject);
	const holder = $derived.by((): HolderRef | undefined =>
		subject.kind === 'piece' ? subject.piece.holder : facts?.holder
	);
	const title = $derived.by(() => {
		if (!holder) return 'Pieces';
		return `${holder.layer.name}${holder.region ? `, in ${holder.region.region}` : ''}`;
	});
	const file = $derived(
		place && store.texts.has(place.file) ? place.file : [...store.texts.keys()][0]
	);
	const trace = $derived.by((): Trace | undefined => {
		switch (subject.kind) {
			case 'piece': {
				const { layer } = subject.piece.holder;
				return {
					kind: layer.kind,
					layer: layer.name,
					region: undefined,
					piece: subject.piece.piece
				};
			}
			case 'layer':
				return {
					kind: subject.layer.kind,
					layer: subject.layer.name,
					region: undefined,
					piece: undefined
				};
			case 'box':
				return {
					kind: 'layout',
					layer: subject.box.layout,
					region: subject.box.box,
					piece: undefined
				};
			case 'site':
				return undefined;
			case 'place':
				return facts && traceOf(facts);
		}
	});
	const key = $derived(JSON.stringify(trace));

	$effect(() => {
		if (key === followed) return;
		followed = '';
		const asked = trace;
		if (!asked) return;
		void store.core.places.placeOf(asked).then((found) => {
			if (found && JSON.stringify(asked) === key) place = found;
		});
	});

	/** What the cursor stands in is chosen on the drawings. */
	async function follow(offset: number): Promise<void> {
		if (file === undefined) return;
		const found = await store.core.places.traceOf(file, offset);
		const { page } = store;
		const at = found && page && placeOf(page.section, found);
		if (!found || JSON.stringify(found) === key) return;
		if (at) choice.pick(at);
		else if (found.region === undefined && found.piece === undefined) {
			choice.pickLayer({ kind: found.kind, name: found.layer });
		}
		followed = key;
	}
</script>

<section aria-label="Text">
	<header>
		<div role="tablist" aria-label="What the text is of">
			<button
				role="tab"
				aria-selected={choice.textPane === 'source'}
				onclick={() => (choice.textPane = 'source')}>Text</button
			>
			<button
				role="tab"
				aria-selected={choice.textPane === 'pieces'}
				onclick={() => (choice.textPane = 'pieces')}>Pieces</button
			>
		</div>
		<span class="small mono where" title={choice.textPane === 'source' ? file : title}
			>{choice.textPane === 'source' ? file : title}</span
		>
		<FoldButton pane="text" label="the text" />
	</header>
	<div class="body">
		{#if choice.textPane === 'pieces'}
			{#if holder}
				<PieceEditor {holder} />
			{:else}
				<p class="small none">Nothing that is chosen has pieces.</p>
			{/if}
		{:else if file !== undefined}
			{#await loadEditor() then { default: SourceEditor }}
				<SourceEditor
					{file}
					text={store.texts.get(file) ?? ''}
					problems={store.site?.problems ?? []}
					mark={undefined}
					cursor={place}
					quiet
					onCursor={(offset) => void follow(offset)}
				/>
			{/await}
		{/if}
	</div>
</section>

<style>
	section {
		display: flex;
		flex-direction: column;
		height: 100%;
	}
	header {
		display: flex;
		align-items: center;
		gap: 8px;
		height: 28px;
		flex: none;
		padding: 0 6px 0 8px;
		border-bottom: 1px solid var(--hair);
	}
	header > div {
		display: flex;
		gap: 8px;
	}
	[role='tab'] {
		font-size: var(--text-small);
		color: var(--ink-2);
		border-bottom: 2px solid transparent;
	}
	[role='tab'][aria-selected='true'] {
		color: var(--ink);
		font-weight: 600;
		border-color: var(--cedar);
	}
	.where {
		flex: 1;
		min-width: 0;
		text-align: right;
		font-size: var(--text-small);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.body {
		flex: 1;
		min-height: 0;
		overflow: auto;
	}
	.none {
		padding: 10px;
	}
</style>
