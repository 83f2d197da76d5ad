<script lang="ts">
	import { goto } from '$app/navigation';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { store } from '$store/site.svelte.ts';
	import { bringing } from '$store/ways/bringing.svelte.ts';

	/** What becomes of what was found: a site of its own, or a part of the open one. */
	type Way = 'pages' | 'frames';
	const name = $derived(store.site?.name || 'the open site');
	let isInto = $state(false);
	let way = $state<Way>('frames');
	let folder = $state('');

	async function take(): Promise<void> {
		await bringing.take();
		await goto('/plan');
	}

	function add(event: Event): void {
		event.preventDefault();
		const inner = folder.trim().replace(/^\/+|\/+$/g, '');
		void bringing.addToSite(inner, way === 'pages');
	}
</script>

{#if isInto}
	<form onsubmit={add}>
		<label>
			<span class="small">Add to {name}</span>
			<select class="field" bind:value={way}>
				<option value="frames">the frame alone</option>
				<option value="pages">the frame with its pages</option>
			</select>
		</label>
		<label>
			<span class="small">in the folder</span>
			<input class="field mono" bind:value={folder} placeholder="of the site itself" />
		</label>
		<button class="primary">Add</button>
		<button type="button" class="act" onclick={() => (isInto = false)}>Back</button>
	</form>
	{#if bringing.notAdded !== ''}<p class="refused" role="alert">{bringing.notAdded}</p>{/if}
{:else}
	<div class="buttons">
		<button class="primary" onclick={() => void take()}>Open as a site</button>
		<button class="act" onclick={() => (isInto = true)}>Add to {name} …</button>
		<Dialog.CloseTrigger class="act">Not now</Dialog.CloseTrigger>
	</div>
{/if}

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: center;
		margin: 0;
	}
	label {
		display: flex;
		gap: 8px;
		align-items: center;
	}
</style>
