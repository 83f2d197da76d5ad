<script lang="ts">
	import type { DataTable, DataView } from '$core/view-models/material/data-view.ts';
	import { counted } from '$core/messages/wording.ts';
	import { ask } from '$store/ways/ask.svelte.ts';
	import { valueActions } from './value-actions.ts';

	/** A list as a table: a row a member, a column a value. */
	interface Props {
		source: DataView;
		table: DataTable;
	}
	const { source, table }: Props = $props();

	let refused = $state('');

	async function set(row: number, column: string, before: unknown, text: string): Promise<void> {
		const kind =
			typeof before === 'number' ? 'number' : typeof before === 'boolean' ? 'boolean' : 'text';
		const value = text === '' && before === undefined ? undefined : valueActions.read(kind, text);
		refused = (await valueActions.set(source, [...table.path, row, column], value)) ?? '';
	}

	function askColumn(column?: string): void {
		ask.question = {
			title: column === undefined ? 'Add a column' : `Rename the column ${column}`,
			says:
				column === undefined
					? `Each member of data.${table.label} gets a value of that name, to be filled.`
					: source.isUrl
						? 'It is renamed at its source; what shows it here keeps the old name until you change it.'
						: 'Wherever it is shown is changed with it.',
			fields: [{ label: 'Name', value: column ?? '', mono: true }],
			act: column === undefined ? 'Add it' : 'Rename it',
			answer: ([to = '']) =>
				valueActions.column(
					source,
					table.path,
					column === undefined
						? { kind: 'add-column', column: to }
						: { kind: 'rename-column', column, to }
				)
		};
	}

	async function removeColumn(column: string): Promise<void> {
		refused =
			(await valueActions.column(source, table.path, { kind: 'remove-column', column })) ?? '';
	}
</script>

<p class="small">
	{counted(table.cells.length, 'member')} of data.{table.label}{#if table.pages.length > 0}; each is
		a page of <a class="mono" href="/plan?route={table.pages[0]}">{table.pages[0]}</a>{/if}
</p>
{#if refused}<p class="small refused" role="alert">{refused}</p>{/if}
<div class="scroll">
	<table aria-label="data.{table.label}">
		<thead>
			<tr>
				{#each table.columns as column (column)}
					<th class="mono"
						><button title="Rename the column {column}" onclick={() => askColumn(column)}
							>{column}</button
						>
						<button
							class="act small"
							aria-label="Remove the column {column}"
							title="Remove the column {column}"
							onclick={() => void removeColumn(column)}>−</button
						></th
					>
				{/each}
				<th><span class="unseen">What can be done</span></th>
			</tr>
		</thead>
		<tbody>
			{#each table.cells as cells, row (row)}
				<tr>
					{#each cells as cell, at (at)}
						{@const column = table.columns[at] ?? ''}
						<td>
							<input
								class="mono"
								aria-label="{column} of member {row + 1}"
								value={cell === undefined || cell === null ? '' : String(cell)}
								placeholder={cell === undefined ? 'none' : ''}
								onchange={(event) => void set(row, column, cell, event.currentTarget.value)}
							/>
						</td>
					{/each}
					<td
						><button
							class="act small"
							aria-label="Remove member {row + 1}"
							onclick={() => void valueActions.set(source, [...table.path, row], undefined)}
							>Remove</button
						></td
					>
				</tr>
			{/each}
		</tbody>
	</table>
</div>
<button class="act" onclick={() => void valueActions.add(source, table.path)}>Add a member</button>
<button class="act" onclick={() => askColumn()}>Add a column …</button>

<style>
	.scroll {
		overflow-x: auto;
		margin: 4px 0;
	}
	table {
		border-collapse: collapse;
	}
	th {
		text-align: left;
		font-weight: 500;
		padding: 2px 6px;
		border-bottom: 1px solid var(--rule);
	}
	td {
		border: 1px solid var(--hair);
	}
	input {
		width: 150px;
		padding: 3px 6px;
		background: transparent;
		color: inherit;
	}
	a {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	.refused {
		color: var(--fault);
	}
</style>
