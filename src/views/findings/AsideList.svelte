<script lang="ts">
	import { page as address } from '$app/state';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { commands } from '$store/commands.svelte.ts';
	import type { AsideView } from '$workers/findings.ts';

	/** Findings that the text says to ignore, with the reasons. */
	const { aside }: { aside: readonly AsideView[] } = $props();

	const query = $derived(placeQuery(readPlace(address.url)));
</script>

<section aria-label="Ignored, with a reason">
	<h2 class="cap">ignored, with a reason</h2>
	<ul>
		{#each aside as one (`${one.file} ${one.from}`)}
			<li>
				<p>
					<span class="mono">{one.code}</span> in {one.where}: “{one.reason}”
				</p>
				<p class="small" title={one.sentences.join('\n')}>
					{one.sentences.length === 1 ? one.sentences[0] : `${one.sentences.length} findings`}
				</p>
				<p class="small actions">
					<a class="mono" href="/source?file={one.file}&at={one.from}&{query}"
						>{one.file}:{one.line}</a
					>
					<button
						class="act"
						aria-label="Stop ignoring {one.code} in {one.where}"
						onclick={() => void commands.make({ kind: 'tell-again', code: one.code, in: one.in })}
						>Stop ignoring</button
					>
				</p>
			</li>
		{/each}
	</ul>
</section>

<style>
	section {
		padding: 14px 16px 0;
	}
	li {
		padding: 6px 0 6px 21px;
		border-bottom: 1px solid var(--hair);
	}
	.actions {
		display: flex;
		gap: 14px;
		align-items: baseline;
	}
	.actions a {
		text-decoration: underline;
	}
</style>
