<script lang="ts">
	import { counted } from '$core/messages/wording.ts';
	import { folder } from '$store/folder/folder.svelte.ts';

	/** How the site and its folder stand to each other, in a few words; the rest is in the window behind it. */
	const asked = $derived(folder.conflicts.length + folder.unreadable.length);
	const says = $derived(words());

	function words(): string {
		if (folder.state.kind === 'apart') return 'not in step';
		if (folder.state.kind === 'opening') return 'opening …';
		return asked > 0 ? `${counted(asked, 'file')} to look at` : 'in step';
	}
</script>

{#if folder.state.kind !== 'none'}
	<button
		class="folder"
		class:fault={folder.state.kind === 'apart' || asked > 0}
		title="The folder {folder.name}: {folder.state.kind === 'apart'
			? folder.state.sentence
			: 'edits go there, and what changes there comes here.'}"
		onclick={() => (folder.shown = true)}
	>
		<svg width="13" height="11" viewBox="0 0 13 11" aria-hidden="true">
			<path d="M0.5 10.5V1.5h4l1.5 2h6.5v7z" />
		</svg>
		{says}
	</button>
{/if}

<style>
	.folder {
		display: flex;
		gap: 5px;
		align-items: center;
		padding: 4px 6px;
		font-size: var(--text-small);
		color: var(--fine);
		border-radius: var(--radius);
	}
	.folder:hover {
		background: var(--paper);
	}
	.fault {
		color: var(--fault);
	}
	path {
		fill: none;
		stroke: currentColor;
		stroke-linejoin: round;
	}
</style>
