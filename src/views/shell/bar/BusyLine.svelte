<script lang="ts">
	import { store } from '$store/site.svelte.ts';
</script>

<span class="busy" role="status">
	<span class="moving" aria-hidden="true"></span>
	working
	<button
		class="act"
		title="Ends what is being worked out; the site stays as it is"
		onclick={() => store.stop()}>Stop</button
	>
</span>

<style>
	.busy {
		display: flex;
		align-items: baseline;
		gap: 5px;
		color: var(--ink-2);
	}
	/* Along the lower edge of the bar, where nothing is pressed. */
	.moving {
		position: absolute;
		inset-inline: 0;
		inset-block-start: calc(var(--bar) - 2px);
		height: 3px;
		pointer-events: none;
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
