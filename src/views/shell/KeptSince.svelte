<script lang="ts">
	import { store } from '$store/site.svelte.ts';

	let now = $state(Date.now());

	$effect(() => {
		const timer = setInterval(() => (now = Date.now()), 1000);
		return () => clearInterval(timer);
	});

	const words = $derived.by(() => {
		if (store.keptAt === undefined) return '';
		const seconds = Math.max(0, Math.round((now - store.keptAt) / 1000));
		if (seconds < 2) return 'kept';
		if (seconds < 60) return `kept ${seconds} s ago`;
		const minutes = Math.floor(seconds / 60);
		return minutes < 60 ? `kept ${minutes} min ago` : 'kept in this browser';
	});
</script>

{#if store.keepFault}
	<span class="fault" role="alert" title={store.keepFault}>not kept: the browser refused</span>
{:else}
	<span class="kept" title="Everything is kept in this browser as you go.">{words}</span>
{/if}

<style>
	span {
		font-size: var(--text-small);
		min-width: 88px;
		text-align: right;
	}
	.kept {
		color: var(--fine);
	}
	.fault {
		color: var(--fault);
	}
</style>
