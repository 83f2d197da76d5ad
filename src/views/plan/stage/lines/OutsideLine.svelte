<script lang="ts">
	import { listWords } from '$core/messages/wording.ts';
	import { store } from '$store/site.svelte.ts';
	import StageLine from './StageLine.svelte';
	import { outside } from '$views/frame/outside.svelte.ts';

	const most = 3;
	const from = $derived.by(() => {
		const hosts = [...new Set(outside.missing.map((url) => new URL(url).host))];
		const more = hosts.length > most ? [`${hosts.length - most} others`] : [];
		return listWords([...hosts.slice(0, most), ...more]);
	});
</script>

{#if outside.missing.length > 0 || store.outside}
	<StageLine>
		{#if store.outside}
			This page may load from other hosts, for this site only.
			<button class="act" onclick={() => store.allowOutside(false)}>Keep everything inside</button>
		{:else}
			<span title={outside.missing.join('\n')}>
				Not loaded: {outside.missing.length}
				{outside.missing.length === 1 ? 'thing' : 'things'} from {from}.
			</span>
			<button class="act" onclick={() => store.allowOutside(true)}>Load them for this site</button>
		{/if}
	</StageLine>
{/if}
