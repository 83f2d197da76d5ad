<script lang="ts">
	import { isSame, type PartShift } from '$core/arranging/part-shift.ts';

	/** The greatest difference between what is there and what would be, at each width that was tried. */
	interface Props {
		shifts: readonly PartShift[];
		/** px of the width that is drawn. */
		chosen: number | undefined;
		choose: (width: number) => void;
	}
	const { shifts, chosen, choose }: Props = $props();
	const most = $derived(Math.max(1, ...shifts.map(({ by }) => by)));
</script>

<table>
	<thead>
		<tr>
			<th class="small" scope="col">screen</th>
			<th class="small" scope="col">greatest difference</th>
			<th class="small" scope="col">of</th>
		</tr>
	</thead>
	<tbody>
		{#each shifts as shift (shift.width)}
			{@const { width, by, name, missing } = shift}
			<tr class:chosen={width === chosen}>
				<td>
					<button
						class="mono"
						aria-pressed={width === chosen}
						aria-label="Draw it at {width} px"
						onclick={() => choose(width)}>{width} px</button
					>
				</td>
				<td class="mono">
					<i style="width: {(by / most) * 60}px"></i>
					{isSame(shift) ? 'none' : missing ? 'not in both' : `${Math.round(by * 10) / 10} px`}
				</td>
				<td class="mono name">{isSame(shift) ? '' : (missing ?? name ?? '')}</td>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
	}
	th {
		text-align: start;
		font-weight: 400;
	}
	tr {
		border-bottom: 1px solid var(--hair);
	}
	.chosen {
		background: color-mix(in srgb, var(--cedar) 12%, transparent);
	}
	button {
		padding: 2px 4px;
	}
	i {
		display: inline-block;
		height: 8px;
		margin-right: 4px;
		background: var(--fault);
	}
	.name {
		overflow-wrap: anywhere;
	}
</style>
