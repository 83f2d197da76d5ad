<script lang="ts">
	interface Props {
		/** What it is about, such as "for". */
		legend: string;
		roles: readonly string[];
		chosen: readonly string[];
		take: (roles: readonly string[]) => void;
	}
	const { legend, roles, chosen, take }: Props = $props();

	function set(role: string, on: boolean): void {
		take(roles.filter((one) => (one === role ? on : chosen.includes(one))));
	}
</script>

<fieldset>
	<legend class="small">{legend} {chosen.length === 0 ? 'everyone' : 'only'}</legend>
	{#each roles as role (role)}
		<label class="small">
			<input
				type="checkbox"
				checked={chosen.includes(role)}
				onchange={(event) => set(role, event.currentTarget.checked)}
			/>
			{role}
		</label>
	{/each}
</fieldset>

<style>
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		align-items: baseline;
		margin: 4px 0;
	}
	legend {
		float: left;
		margin-right: 8px;
	}
	label {
		display: flex;
		gap: 4px;
		align-items: baseline;
	}
</style>
