<script lang="ts">
	import { busy } from '$store/ways/busy.svelte.ts';
	import { store } from '$store/site.svelte.ts';
</script>

{#if busy.working}
	<span class="busy small" role="status">
		<span class="moving" aria-hidden="true"></span>
		working …
		<button class="act" onclick={() => store.stop()}>Stop</button>
	</span>
{/if}

<style>
	/* It lies below the bar, over the view: what comes and goes moves nothing. */
	.busy {
		position: absolute;
		inset-block-start: calc(var(--bar) - 1px);
		inset-inline-end: 14px;
		z-index: 5;
		display: flex;
		align-items: center;
		gap: 6px;
		padding: 3px 9px;
		background: var(--sheet);
		border: 1px solid var(--hair);
		border-end-start-radius: var(--radius);
		border-end-end-radius: var(--radius);
		color: var(--ink-2);
	}
	.moving {
		width: 22px;
		height: 3px;
		background: linear-gradient(90deg, var(--cedar) 40%, var(--hair) 0);
		background-size: 200% 100%;
		animation: move 1.2s linear infinite;
	}
	@keyframes move {
		to {
			background-position: -200% 0;
		}
	}
	@media (prefers-reduced-motion: reduce) {
		.moving {
			animation: none;
		}
	}
</style>
