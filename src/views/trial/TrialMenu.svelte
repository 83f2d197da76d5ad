<script lang="ts">
	import { Popover } from '@skeletonlabs/skeleton-svelte';
	import { contentLengths, noTrial } from '$core/model/trial.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import Choices from '$views/shell/controls/Choices.svelte';
	import { switches, tryWord } from './trials.ts';

	/** What pages are tried with, in all views: other content, other visitors, paper. */
	const trial = $derived(store.trial);
	const hasNight = $derived(store.site?.hasNight ?? false);
	/** It has been opened: what is in it is made then. */
	let isMade = $state(false);
	const word = $derived(tryWord(trial, hasNight && look.night, look.scrollbars));
</script>

<Popover
	positioning={{ placement: 'bottom-end', strategy: 'fixed' }}
	onOpenChange={({ open }) => (isMade ||= open)}
>
	<Popover.Trigger
		class="field try {word === '' ? '' : 'some'}"
		title="Shows pages with more or less content, mirrored, with large text, on paper, by night"
		>try{#if word}: {word}{:else}<span class="as-written">: as written</span>{/if}</Popover.Trigger
	>
	<Popover.Positioner class="try-place">
		<Popover.Content class="menu try-menu">
			<Popover.Title class="cap">Try the pages with</Popover.Title>
			{#if isMade}
				<Choices
					label="content"
					options={contentLengths.map((value) => ({ value, name: value }))}
					value={trial.content}
					choose={(content) => void store.tryWith({ ...trial, content })}
				/>
				<p class="small">
					A piece can say what is short and long; what it does not say is made: all words 40 %
					longer, and what stands in rows twice; or only the first block.
				</p>
				{#each switches as { key, name, says } (key)}
					<label>
						<input
							type="checkbox"
							checked={trial[key]}
							onchange={() => void store.tryWith({ ...trial, [key]: !trial[key] })}
						/>
						<span>{name}<span class="small">{says}</span></span>
					</label>
				{/each}
				{#if hasNight}
					<label>
						<input type="checkbox" bind:checked={look.night} />
						<span>Night<span class="small">for visitors who prefer dark colours</span></span>
					</label>
				{/if}
				<label>
					<input type="checkbox" bind:checked={look.scrollbars} />
					<span
						>Scrollbars<span class="small">they take 15 px of what scrolls, as on many screens</span
						></span
					>
				</label>
				<button
					class="act"
					disabled={word === ''}
					onclick={() => {
						look.night = look.scrollbars = false;
						void store.tryWith(noTrial);
					}}>All as written</button
				>
			{/if}
		</Popover.Content>
	</Popover.Positioner>
</Popover>

<style>
	:global(.try) {
		max-width: 220px;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	:global(.try.some) {
		border-color: var(--cedar);
		color: var(--cedar);
	}
	:global(.try-place) {
		z-index: 30;
	}
	:global(.try-menu) {
		display: flex;
		flex-direction: column;
		gap: 7px;
		width: 330px;
		padding: 12px 14px;
		white-space: normal;
	}
	label {
		display: flex;
		align-items: baseline;
		gap: 8px;
	}
	label span .small {
		display: block;
	}
	.act {
		align-self: start;
	}
</style>
