<script lang="ts">
	import { store } from '$store/site.svelte.ts';
</script>

{#if store.notice}
	<div class="notice" class:fault={store.notice.kind === 'fault'} role="alert">
		<span>{store.notice.sentence}</span>
		<button class="act" onclick={() => (store.notice = undefined)}>Close this message</button>
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
	.fault {
		background: var(--fault-wash);
		color: var(--fault);
	}
</style>
