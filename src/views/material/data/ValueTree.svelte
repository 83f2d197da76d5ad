<script lang="ts">
	import { page as address } from '$app/state';
	import type { DataRow, DataView } from '$core/view-models/material/data-view.ts';
	import { counted } from '$core/messages/wording.ts';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { valueActions } from './value-actions.ts';

	/** Each value of a source, with which pages and pieces use it. */
	interface Props {
		source: DataView;
		wanted: string;
	}
	const { source, wanted }: Props = $props();

	let open = $state<string | undefined>();
	let refused = $state<{ readonly id: string; readonly sentence: string } | undefined>();
	const query = $derived(placeQuery(readPlace(address.url)));

	function idOf(row: DataRow): string {
		return `data ${[source.name, ...row.path].join('.')}`;
	}

	async function set(row: DataRow, text: string): Promise<void> {
		if (text === row.says) return;
		const sentence = await valueActions.set(source, row.path, valueActions.read(row.kind, text));
		refused = sentence === undefined ? undefined : { id: idOf(row), sentence };
	}
</script>

{#if source.rows.length === 0}
	<p class="small none">There are no values yet: nothing has been given so far.</p>
{/if}
<ul aria-label="Values of {source.name}">
	{#each source.rows as row (idOf(row))}
		{@const id = idOf(row)}
		<li {id} class:wanted={wanted === id} style:padding-left="{row.path.length * 16}px">
			<span class="mono name" class:idle={row.idle}>{row.label}</span>
			{#if row.kind === 'text' || row.kind === 'number'}
				<input
					class="field mono"
					aria-label="data.{[source.name, ...row.path].join('.')}"
					value={row.says}
					onchange={(event) => void set(row, event.currentTarget.value)}
				/>
			{:else if row.kind === 'boolean'}
				<label class="small"
					><input
						type="checkbox"
						checked={row.value === true}
						aria-label="data.{[source.name, ...row.path].join('.')}"
						onchange={(event) => void set(row, String(event.currentTarget.checked))}
					/>
					{row.says}</label
				>
			{:else}
				<span class="small">{row.says}</span>
			{/if}
			{#if row.uses.length > 0}
				<button
					class="act small"
					aria-expanded={open === id}
					onclick={() => (open = open === id ? undefined : id)}
					>{counted(row.uses.length, 'use')}</button
				>
			{:else if row.idle && row.kind !== 'group' && row.kind !== 'list'}
				<span class="small idle">nothing uses it</span>
			{:else}<span></span>{/if}
			{#if row.kind === 'list'}
				<button class="act small" onclick={() => void valueActions.add(source, row.path)}
					>Add a member</button
				>
			{:else if typeof row.path.at(-1) === 'number'}
				<button
					class="act small"
					aria-label="Remove member {row.label}"
					onclick={() => void valueActions.set(source, row.path, undefined)}>Remove</button
				>
			{/if}
			{#if refused?.id === id}<p class="small refused" role="alert">{refused.sentence}</p>{/if}
			{#if open === id}
				<ul class="uses">
					{#each row.uses as use (`${use.file} ${use.from}`)}
						<li class="small">
							{#if use.owner.startsWith('/')}
								<a class="mono" href="/plan?route={use.owner}">{use.owner}</a>
							{:else}<span class="mono">{use.owner}</span>{/if}{use.piece ? `, ${use.piece}` : ''},
							<a class="mono" href="/source?{query}&file={use.file}&at={use.from}"
								>{use.file}, line {use.line}</a
							>
						</li>
					{/each}
				</ul>
			{/if}
		</li>
	{/each}
</ul>
{#if source.more > 0}<p class="small">and {counted(source.more, 'value')} more, in the text</p>{/if}

<style>
	li {
		display: grid;
		grid-template-columns: 120px minmax(120px, 420px) 120px minmax(0, 1fr);
		gap: 2px 12px;
		align-items: center;
		min-height: 27px;
		border-bottom: 1px solid color-mix(in srgb, var(--hair) 60%, transparent);
	}
	.wanted {
		background: var(--cedar-wash);
	}
	.name {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.idle {
		color: var(--warn);
	}
	.field {
		padding: 1px 6px;
		min-width: 0;
	}
	.act {
		justify-self: start;
		padding: 0 2px;
	}
	.uses {
		grid-column: 1 / -1;
		padding: 2px 0 6px 20px;
	}
	.uses li {
		display: block;
		min-height: 0;
		border: 0;
	}
	a {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	.refused {
		grid-column: 1 / -1;
		color: var(--fault);
	}
	.none {
		padding: 8px 0;
	}
</style>
