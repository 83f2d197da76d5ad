<script lang="ts">
	import { bringing } from '$store/ways/bringing.svelte.ts';

	/** What was chosen so far, and a way back. */
	const { choosing } = bringing;
</script>

{#if choosing.made.length > 0}
	<section aria-label="Chosen by you">
		<p class="cap">chosen by you</p>
		<ol>
			{#each choosing.made as { words }, index (index)}<li class="small">{words}</li>{/each}
		</ol>
		<button class="act" onclick={() => void choosing.takeBack()}>Take the last one back</button>
	</section>
{/if}

<style>
	ol {
		list-style: decimal;
		padding-left: 20px;
		overflow-wrap: anywhere;
	}
</style>
