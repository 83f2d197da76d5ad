<script lang="ts">
	import { store } from '$store/site.svelte.ts';

	const { notice } = $derived(store);
	const stopped = $derived(store.reader.stopped);

	function act(): void {
		const run = notice?.act?.run;
		store.notice = undefined;
		run?.();
	}
</script>

{#if stopped !== undefined}
	<div class="notice fault" role="alert">
		<span>
			Reading the site stopped: {stopped}. Its text is in Source, and the drawings are as they were.
		</span>
		<button class="act" onclick={() => void store.readAgain()}>Read it again</button>
	</div>
{:else if notice}
	<div class="notice" class:fault={notice.kind !== 'fine'} role="alert">
		<span>{notice.sentence}</span>
		<span class="acts">
			{#if notice.act}<button class="act" onclick={act}>{notice.act.label}</button>{/if}
			<button class="act" onclick={() => (store.notice = undefined)}>Close this message</button>
		</span>
	</div>
{/if}

<style>
	/* Over everything at the foot of the window, so that nothing moves when it comes or goes. */
	.notice {
		position: absolute;
		left: 50%;
		bottom: 10px;
		transform: translateX(-50%);
		width: max-content;
		max-width: min(900px, 94%);
		z-index: 45;
		border: 1px solid var(--rule);
		border-radius: var(--radius);
		box-shadow: 0 6px 18px rgb(0 0 0 / 0.14);
		display: flex;
		justify-content: space-between;
		gap: 16px;
		padding: 6px 16px;
		background: var(--sheet);
		color: var(--fine);
	}
	.acts {
		display: flex;
		flex: none;
		gap: 14px;
	}
	.fault {
		background: var(--fault-wash);
		color: var(--fault);
	}
</style>
