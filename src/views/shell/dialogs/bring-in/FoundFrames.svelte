<script lang="ts">
	import type { BroughtView, FrameView } from '$core/bring-in/brought-view.ts';
	import { counted } from '$core/messages/wording.ts';
	import FrameActions from './FrameActions.svelte';
	import { sizeText } from '$views/shell/size-text.ts';

	/** The frames that were found, each an eave as long as its share of the pages. */

	interface Props {
		found: BroughtView;
		hueOf: (frame: string | undefined) => number;
	}
	const { found, hueOf }: Props = $props();

	function places({ regions }: FrameView): string {
		return regions.map(({ name, filled }) => `${name} (${filled})`).join(', ');
	}
</script>

<ul aria-label="Frames found">
	{#each found.frames as frame (frame.name)}
		<li style="--depth: {frame.depth}">
			<i
				class="eave layer-fill"
				data-hue={hueOf(frame.name)}
				data-hatch="1"
				style="width: {Math.max(4, (100 * frame.pages.length) / found.pages)}%"
				aria-hidden="true"
			></i>
			<span class="name">
				<b>{frame.name}</b>
				<span class="mono">{frame.at}</span>
				<span
					>around {counted(frame.pages.length, 'page')}{frame.covers
						? ''
						: ', which ask for it'}</span
				>
				<span class="small">{sizeText(frame.saved)} said once</span>
			</span>
			{#if frame.regions.length > 0}
				<span class="small places">
					Places beside the content, and how many pages have something of their own there:
					{places(frame)}
				</span>
			{/if}
			<FrameActions {frame} {found} />
		</li>
	{/each}
	{#if found.alone.length > 0}
		<li style="--depth: 0">
			<i class="eave none" style="width: 4%" aria-hidden="true"></i>
			<span class="name">
				<b>no frame</b>
				<span>{counted(found.alone.length, 'page')} with nothing in common with others</span>
			</span>
			<span class="small places mono"
				>{found.alone.slice(0, 6).join(', ')}{found.alone.length > 6 ? ' …' : ''}</span
			>
		</li>
	{/if}
	{#each found.notTaken as { path, why } (path)}
		<li class="small" style="--depth: 0">
			<span class="mono">{path}</span>
			{why}; it stays a file.
		</li>
	{/each}
	{#if found.inQuirks.length > 0}
		<li class="small" style="--depth: 0">
			{counted(found.inQuirks.length, 'page')} without a doctype of today: with the one that pages get,
			boxes may lie elsewhere.
			<span class="mono"
				>{found.inQuirks.slice(0, 6).join(', ')}{found.inQuirks.length > 6 ? ' …' : ''}</span
			>
		</li>
	{/if}
</ul>

<style>
	ul {
		display: grid;
		gap: 10px;
		border-bottom: 1px solid var(--hair);
		padding-bottom: 10px;
	}
	li {
		display: grid;
		gap: 3px;
		margin-left: calc(var(--depth) * 24px);
	}
	.eave {
		display: block;
		height: 7px;
	}
	.none {
		border: 1px dashed var(--rule);
	}
	.name {
		display: flex;
		flex-wrap: wrap;
		gap: 10px;
		align-items: baseline;
	}
	.places {
		overflow-wrap: anywhere;
	}
</style>
