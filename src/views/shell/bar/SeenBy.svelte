<script lang="ts">
	import { store } from '$store/site.svelte.ts';

	/** Whom the whole application shows the site to. */
	const roles = $derived(store.site?.roles ?? []);
	/** What an address names may be no role of this site. */
	const current = $derived(roles.includes(store.seenBy ?? '') ? store.seenBy : '');
</script>

{#if roles.length > 0}
	<label class="small" title="All views show the site as this visitor gets it">
		<span>seen by</span>
		<select
			aria-label="Seen by"
			class="field"
			class:some={current !== ''}
			value={current}
			onchange={(event) => void store.seeAs(event.currentTarget.value || undefined)}
		>
			<option value="">everything</option>
			{#each roles as role, index (role)}
				<option value={role}>{role}{index === 0 ? ', not signed in' : ''}</option>
			{/each}
		</select>
	</label>
{/if}

<style>
	label {
		display: flex;
		align-items: center;
		gap: 6px;
	}
	select {
		max-width: 150px;
		padding: 2px 6px;
		font-size: var(--text-small);
	}
	@media (max-width: 1340px) {
		span {
			display: none;
		}
	}
	@media (max-width: 1180px) {
		select {
			max-width: 92px;
		}
	}
	.some {
		border-color: var(--cedar);
		color: var(--cedar);
	}
</style>
