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
	<div class="notice" class:fault={notice.kind === 'fault'} role="alert">
		<span>{notice.sentence}</span>
		<span class="acts">
			{#if notice.act}<button class="act" onclick={act}>{notice.act.label}</button>{/if}
			<button class="act" onclick={() => (store.notice = undefined)}>Close this message</button>
		</span>
	</div>
{/if}

<style>
	.notice {
		display: flex;
		justify-content: space-between;
		gap: 16px;
		padding: 6px 16px;
		background: var(--sheet);
		border-bottom: 1px solid var(--hair);
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
