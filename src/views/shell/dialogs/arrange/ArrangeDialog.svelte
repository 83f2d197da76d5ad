<script lang="ts">
	import { untrack } from 'svelte';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { isSame } from '$core/arranging/part-shift.ts';
	import { arrangingFrame } from '$store/ways/arranging.svelte.ts';
	import UnseenFrame from '$views/frame/UnseenFrame.svelte';
	import Question from '../Question.svelte';
	import ArrangedStage from './ArrangedStage.svelte';
	import WhatIsRead from './WhatIsRead.svelte';
	import WidthShifts from './WidthShifts.svelte';

	/** A frame of own markup becomes boxes: what is proposed is drawn over what is there before it is taken. */
	let frame = $state.raw<HTMLIFrameElement | undefined>();
	/** px; the width that is drawn. */
	let chosen = $state<number | undefined>();

	const { layout, proposal, shifts, refused, read } = $derived(arrangingFrame);
	const others = $derived(shifts.filter((one) => !isSame(one)));
	const missing = $derived(others.find((one) => one.missing !== undefined));
	const most = $derived(others.reduce((by, one) => Math.max(by, one.by), 0));
	/** px; where all is the same, a usual screen is as good as any. */
	const usual = 1280;
	const width = $derived(
		chosen ??
			(
				missing ??
				others.find(({ by }) => by === most) ??
				shifts.find((one) => one.width >= usual) ??
				shifts.at(-1)
			)?.width
	);

	$effect(() => {
		const { page, only, opened } = arrangingFrame;
		void [only, opened];
		const shown = frame;
		if (shown && page) untrack(() => void arrangingFrame.go(shown));
	});
</script>

<Question
	open={layout !== undefined}
	room="wide"
	title="Arrange {layout ?? ''} here"
	says="Its frame becomes boxes that this tool arranges. They are read from the page as this browser shows it at all widths; your sheets go on painting them."
	onClose={() => {
		arrangingFrame.close();
		chosen = frame = undefined;
	}}
>
	{#if layout !== undefined}
		<div class="body">
			<div class="sides">
				<div class="list">
					<WhatIsRead />
					{#if refused !== ''}
						<p class="refused" role="alert">{refused}</p>
					{:else if proposal}
						<p role="status">
							{#if others.length === 0}
								At all {shifts.length} widths that were tried everything lies where it lay, within half
								a px.
							{:else if missing}
								At {missing.width} px <span class="mono">{missing.missing}</span> is seen in one of the
								two alone. What lies elsewhere is told for each width.
							{:else}
								The greatest difference is <b>{Math.round(most * 10) / 10} px</b>. What lies
								elsewhere is told for each width.
							{/if}
						</p>
						<WidthShifts {shifts} chosen={width} choose={(one) => (chosen = one)} />
						{#if proposal.leftOut.length > 0}
							<p>
								Left out, since nothing of it is seen at any width:
								<span class="mono">{proposal.leftOut.join(', ')}</span>.
							</p>
						{/if}
						{#if proposal.command.around}
							<p>
								What is around it stays a frame of its own markup,
								<span class="mono">{proposal.command.around.name}</span>, which
								<span class="mono">{layout}</span> sits under.
							</p>
						{/if}
						{#if proposal.command.bands.length > 0}
							<p>
								The site gets
								{#each proposal.command.bands as band, at (band.name)}{at > 0 ? ', ' : ''}the band
									<span class="mono">{band.name}</span>, from {band.from} px{/each}.
							</p>
						{/if}
						<details>
							<summary class="cap">what would be written</summary>
							<pre class="mono">{proposal.command.lines.join('\n')}</pre>
						</details>
					{:else}
						<p role="status">
							{read === 0 ? 'Showing the page …' : `Read at ${read} widths …`}
						</p>
						<progress aria-label="Reading the frame"></progress>
					{/if}
				</div>
				<div class="look">
					{#if proposal && width !== undefined}
						<ArrangedStage before={proposal.before} after={proposal.after} {width} />
					{/if}
				</div>
			</div>
			<div class="buttons">
				<button class="primary" disabled={!proposal} onclick={() => void arrangingFrame.take()}
					>Arrange it here</button
				>
				<Dialog.CloseTrigger class="act">Cancel</Dialog.CloseTrigger>
				<span class="small">It is one step: undo takes all of it back.</span>
			</div>
		</div>
		<UnseenFrame title="Reading a frame" onReady={(one) => (frame = one)} />
	{/if}
</Question>

<style>
	.body {
		display: grid;
		grid-template-rows: 1fr auto;
		gap: 14px;
		margin-top: 12px;
		height: calc(100% - 58px);
	}
	.sides {
		display: grid;
		grid-template-columns: minmax(280px, 2fr) 5fr;
		gap: 20px;
		min-height: 0;
	}
	.list {
		overflow-y: auto;
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		/* Room for what marks the focus. */
		padding: 3px;
		gap: 12px;
		align-content: start;
	}
	.look {
		display: grid;
		min-height: 0;
		min-width: 0;
	}
	summary {
		cursor: pointer;
	}
	pre {
		margin-top: 6px;
		overflow-x: auto;
	}
	progress {
		width: 100%;
		accent-color: var(--cedar);
	}
	.buttons {
		display: flex;
		gap: 12px;
		align-items: center;
	}
</style>
