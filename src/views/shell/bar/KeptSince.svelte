<script lang="ts">
	import { download } from '$store/files/download.ts';
	import { busy } from '$store/ways/busy.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import BusyLine from './BusyLine.svelte';

	let now = $state(Date.now());

	$effect(() => {
		const timer = setInterval(() => (now = Date.now()), 1000);
		return () => clearInterval(timer);
	});

	const words = $derived.by(() => {
		const { keptAt } = store.keeper;
		if (store.keeper.pending) return 'keeping …';
		if (keptAt === undefined) return '';
		const seconds = Math.max(0, Math.round((now - keptAt) / 1000));
		if (seconds < 2) return 'kept';
		if (seconds < 60) return `kept ${seconds} s ago`;
		const minutes = Math.floor(seconds / 60);
		return minutes < 60 ? `kept ${minutes} min ago` : 'kept in this browser';
	});
</script>

<span class="keeping">
	<span class="since" class:behind={busy.working}>
		{#if !store.writes}
			<span class="kept">edited in another tab</span>
		{:else if store.keeper.fault !== undefined}
			<span
				class="fault"
				role="alert"
				title="The browser refused to keep the site: {store.keeper
					.fault}. It is tried again by itself."
			>
				not kept
			</span>
		{:else}
			<span class="kept" title="Everything is kept in this browser as you go.">{words}</span>
		{/if}
	</span>
	{#if busy.working}<BusyLine />{/if}
</span>
{#if !store.writes}
	<button class="act" onclick={() => void store.takeOver()}>Edit it here</button>
{:else if store.keeper.fault !== undefined}
	<button class="act" onclick={() => void download('source')}>Save to a file</button>
{/if}

<style>
	/* What works is said in place of the words, which keep their room: no control comes over another, none moves. */
	.keeping {
		display: grid;
		align-items: center;
		min-width: 88px;
		font-size: var(--text-small);
		/* The words grow to the right, so that none of them moves. */
		text-align: left;
	}
	.keeping > :global(*) {
		grid-area: 1 / 1;
	}
	.behind {
		visibility: hidden;
	}
	.kept {
		color: var(--fine);
	}
	.fault {
		color: var(--fault);
	}
</style>
