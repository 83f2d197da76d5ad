<script lang="ts">
	import type { BroughtView, FrameView } from '$core/bring-in/brought-view.ts';
	import { bringing } from '$store/ways/bringing.svelte.ts';

	/** What can be done with a frame that was found: look at its pages, join it with another, part it, drop it. */
	interface Props {
		frame: FrameView;
		found: BroughtView;
	}
	const { frame, found }: Props = $props();
	const { choosing } = bringing;

	const isOutermost = $derived(frame.folder === undefined);
	const others = $derived(found.frames.filter((one) => one !== frame && one.folder === undefined));
	const page = $derived(frame.pages.find((path) => path === choosing.page) ?? frame.pages[0] ?? '');
	function inFolder(folder: string): string[] {
		return frame.pages.filter((path) => path.startsWith(`${folder}/`));
	}

	function part(word: string): void {
		const pages = word === 'this page' ? [page] : inFolder(word);
		void choosing.choose({ kind: 'part', pages });
	}
</script>

<div class="actions small">
	<label
		>look at
		<select
			class="field mono"
			value={frame.pages.includes(choosing.page ?? '') ? choosing.page : ''}
			onchange={(event) => void choosing.look(event.currentTarget.value)}
		>
			<option value="" disabled>a page …</option>
			{#each frame.pages as path (path)}<option value={path}>{path}</option>{/each}
		</select>
	</label>
	{#if isOutermost && others.length > 0}
		<select
			class="field"
			aria-label="Join {frame.name} with another frame"
			value=""
			onchange={(event) => {
				const other = others.find(({ name }) => name === event.currentTarget.value);
				void choosing.choose({ kind: 'join', page, with: other?.pages[0] ?? '' });
			}}
		>
			<option value="">join with …</option>
			{#each others as { name } (name)}<option value={name}>{name}</option>{/each}
		</select>
	{/if}
	{#if isOutermost && frame.pages.length > 1}
		<select
			class="field"
			aria-label="Split off some pages of {frame.name}"
			value=""
			onchange={(event) => part(event.currentTarget.value)}
		>
			<option value="">split off …</option>
			<option value="this page">{page} alone</option>
			{#each frame.folders as folder (folder)}<option value={folder}>{folder}/</option>{/each}
		</select>
	{/if}
	<button
		class="act"
		onclick={() => void choosing.choose({ kind: 'drop', page, folder: frame.folder })}
		>Drop this frame</button
	>
</div>

<style>
	.actions {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		align-items: center;
	}
	select {
		max-width: 150px;
		font-size: var(--text-small);
	}
</style>
