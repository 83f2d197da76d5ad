<script lang="ts">
	import { page as address } from '$app/state';
	import type { AccessCell, AccessRow, AccessTable } from '$core/view-models/access.ts';
	import { counted } from '$core/messages/wording.ts';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { saveFile, slugOf } from '$store/files/download.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { windowed } from '$views/shell/windowed.ts';

	/** Every route by every role: who may open what, and by which line of the text. */

	const rowHeight = 30;
	let table = $state.raw<AccessTable | undefined>();
	let scrolled = $state(0);
	let height = $state(600);
	/** The cell that is looked at. */
	let at = $state<{ readonly row: number; readonly column: number }>({ row: 0, column: 0 });
	let refused = $state('');
	let body = $state<HTMLElement | undefined>();

	const query = $derived(placeQuery(readPlace(address.url)));
	const rows = $derived(table?.rows ?? []);
	const roles = $derived(table?.roles ?? []);
	const shown = $derived(windowed(rows.length, rowHeight, scrolled, height));
	const row = $derived(rows[at.row]);
	const cell = $derived(row?.cells[at.column]);
	const closedCount = $derived(
		rows.filter(({ cells }) => cells.some(({ opens }) => !opens)).length
	);

	$effect(() => {
		void store.site;
		void store.core.answers.access().then((found) => {
			table = found;
			at = { row: Math.min(at.row, Math.max(0, (found?.rows.length ?? 1) - 1)), column: at.column };
		});
	});

	async function change(which: AccessRow | undefined, one: AccessCell | undefined): Promise<void> {
		if (!which || !one) return;
		refused =
			(await commands.attempt({
				kind: 'change-access',
				route: which.route,
				role: one.role,
				opens: !one.opens
			})) ?? '';
	}

	/** Arrows go from cell to cell, Enter and the space bar open or close it. */
	function onKey(event: KeyboardEvent): void {
		const [down = 0, right = 0] = {
			ArrowDown: [1, 0],
			ArrowUp: [-1, 0],
			ArrowRight: [0, 1],
			ArrowLeft: [0, -1],
			PageDown: [15, 0],
			PageUp: [-15, 0]
		}[event.key] ?? [0, 0];
		if (down === 0 && right === 0) return;
		event.preventDefault();
		const next = {
			row: Math.max(0, Math.min(rows.length - 1, at.row + down)),
			column: Math.max(0, Math.min(roles.length - 1, at.column + right))
		};
		choose(next.row, next.column);
		const top = next.row * rowHeight;
		if (body && top < body.scrollTop) body.scrollTop = top;
		else if (body && top + 2 * rowHeight > body.scrollTop + height) {
			body.scrollTop = top + 2 * rowHeight - height;
		}
		requestAnimationFrame(() => body?.querySelector<HTMLElement>('[data-at]')?.focus());
	}

	function choose(rowAt: number, column: number): void {
		at = { row: rowAt, column };
		refused = '';
	}

	async function save(): Promise<void> {
		const csv = await store.core.answers.accessCsv();
		saveFile(`${slugOf(store.site?.name)}-access.csv`, new Blob([csv], { type: 'text/csv' }));
	}
</script>

<div class="access">
	<header>
		<h1>Who may open what</h1>
		{#if table && roles.length > 0}
			<p class="small">
				{counted(rows.length, 'route')}, {closedCount} not for everyone. What lets in only some holds
				for everything below it, whatever that sits under.
			</p>
			<button class="act" onclick={() => void save()}>Save as CSV</button>
		{/if}
	</header>
	{#if table && roles.length === 0}
		<p class="empty">
			This site has no roles, so every page is for everyone. Name who visitors can be in Plan, in
			the panel of the site: the first role is whoever has not signed in. Then layouts and routes
			can let in only some.
		</p>
	{:else if table}
		<div
			class="body"
			bind:this={body}
			bind:clientHeight={height}
			onscroll={(event) => (scrolled = event.currentTarget.scrollTop)}
		>
			<div
				class="table"
				role="grid"
				tabindex="-1"
				aria-label="Access"
				aria-rowcount={rows.length + 1}
				aria-colcount={roles.length + 1}
				onkeydown={onKey}
				style:grid-template-columns="minmax(240px, 1.4fr) repeat({roles.length}, minmax(120px, 1fr))"
			>
				<div class="row head" role="row">
					<span role="columnheader" class="cap">route</span>
					{#each roles as role, index (role)}
						<span role="columnheader" class="cap" class:seen={role === store.seenBy}
							>{role}{index === 0 ? ', not signed in' : ''}</span
						>
					{/each}
				</div>
				<div class="row" role="presentation" style:height="{shown.before}px"></div>
				{#each rows.slice(shown.from, shown.to) as one, offset (one.route)}
					{@const index = shown.from + offset}
					<div class="row" role="row" aria-rowindex={index + 2} style:height="{rowHeight}px">
						<span
							role="rowheader"
							class="route"
							style:padding-left="{8 + Math.max(0, one.depth - 1) * 12}px"
						>
							<a class="mono" href="/plan?route={one.route}" title="Show {one.route} in Plan"
								>{one.route}</a
							>
							{#if one.pages > 1}<span class="small">{one.pages} pages</span>{/if}
						</span>
						{#each one.cells as each, column (each.role)}
							{@const here = at.row === index && at.column === column}
							<button
								role="gridcell"
								class="cell"
								class:closed={!each.opens}
								class:here
								data-at={here ? '' : undefined}
								tabindex={here ? 0 : -1}
								aria-selected={here}
								aria-label="{one.route}, {each.role}: {each.opens ? 'opens' : '403'}{each.by
									? ` ${each.by.layer.name} (${each.by.says})`
									: ''}"
								onclick={() => choose(index, column)}
								ondblclick={() => void change(one, each)}
							>
								<b>{each.opens ? 'opens' : '403'}</b>{#if each.by}<span class="small mono"
										>{` ${each.by.layer.name}`}</span
									>{/if}
							</button>
						{/each}
					</div>
				{/each}
				<div class="row" role="presentation" style:height="{shown.after}px"></div>
			</div>
		</div>
		{#if row && cell}
			<footer aria-live="polite">
				<p>
					<b class="mono">{row.route}</b>
					{cell.opens ? 'opens for' : 'is closed for'} <b>{cell.role}</b>{#if cell.by}, by
						<span class="mono">{cell.by.says}</span> of
						<a class="mono" href="/source?{query}&file={cell.by.span.file}&at={cell.by.span.from}"
							>{cell.by.layer.kind} {cell.by.layer.name}</a
						>{:else}, since nothing around it says who is let in{/if}.
					{#if !cell.opens}
						{cell.shows
							? `The answer is 403 with ${cell.shows}.`
							: 'The answer is 403 with a plain sentence: there is no state denied here.'}
					{/if}
				</p>
				<button class="field" onclick={() => void change(row, cell)}
					>{cell.opens ? `Close it for ${cell.role}` : `Open it to ${cell.role}`}</button
				>
				{#if refused}<p class="refused" role="alert">{refused}</p>{/if}
			</footer>
		{/if}
	{/if}
</div>

<style>
	.access {
		display: flex;
		flex-direction: column;
		height: 100%;
		background: var(--sheet);
	}
	header {
		display: flex;
		align-items: baseline;
		gap: 18px;
		padding: 12px 20px;
		border-bottom: 1px solid var(--hair);
	}
	h1 {
		font-size: 16px;
		font-weight: 650;
	}
	header .act {
		margin-left: auto;
	}
	.empty {
		padding: 24px;
		max-width: 62ch;
	}
	.body {
		flex: 1;
		min-height: 0;
		overflow: auto;
	}
	.table {
		display: grid;
		min-width: min-content;
		padding: 0 20px 20px;
	}
	.row {
		display: grid;
		grid-column: 1 / -1;
		grid-template-columns: subgrid;
		align-items: stretch;
	}
	.head {
		position: sticky;
		top: 0;
		z-index: 2;
		height: 30px;
		align-items: end;
		background: var(--sheet);
		border-bottom: 1px solid var(--rule);
	}
	.head span {
		padding: 0 8px 4px;
	}
	.seen {
		color: var(--cedar);
	}
	.route {
		display: flex;
		align-items: center;
		gap: 8px;
		overflow: hidden;
		white-space: nowrap;
		text-overflow: ellipsis;
		border-bottom: 1px solid var(--hair);
	}
	.route a:hover {
		text-decoration: underline;
	}
	.cell {
		display: flex;
		align-items: center;
		gap: 8px;
		padding: 0 8px;
		text-align: left;
		border-bottom: 1px solid var(--hair);
		border-left: 1px solid var(--hair);
		overflow: hidden;
		white-space: nowrap;
	}
	.cell b {
		font-weight: 500;
	}
	.cell:hover {
		background: color-mix(in srgb, var(--cedar-wash) 45%, transparent);
	}
	/* What is closed is hatched, so that it is seen without reading and without hue. */
	.closed {
		background: repeating-linear-gradient(
			-45deg,
			color-mix(in srgb, var(--warn) 14%, transparent) 0 4px,
			transparent 4px 8px
		);
	}
	.closed b {
		color: var(--warn);
		background: var(--sheet);
		padding: 0 3px;
	}
	.closed .small {
		background: var(--sheet);
		padding: 0 3px;
	}
	.here {
		outline: 2px solid var(--cedar);
		outline-offset: -2px;
	}
	footer {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px 16px;
		min-height: 52px;
		padding: 9px 20px;
		border-top: 1px solid var(--hair);
		background: var(--paper);
	}
	footer a {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	.refused {
		flex-basis: 100%;
		color: var(--fault);
	}
</style>
