<script lang="ts">
	import Term from '$views/shell/marks/Term.svelte';
	import { forEach, type Command, type SizedRef } from '$core/model/command.ts';
	import type {
		BoxView,
		Overhang,
		StripRow,
		UnsaidSetting
	} from '$core/view-models/chosen/box-view.ts';
	import type { SettingKind } from '$core/model/setting.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { untrack } from 'svelte';
	import SameAs from './SameAs.svelte';
	import ValueEditor from './ValueEditor.svelte';

	interface Props {
		view: BoxView;
		/** What it is of; where they are several, all get a value in one edit. */
		boxes: readonly SizedRef[];
	}
	const { view, boxes }: Props = $props();

	/** The value that is being chosen, and a setting that was asked for and has no value yet. */
	let at = $state.raw<{ readonly setting: SettingKind; readonly place: number } | undefined>();
	let added = $state.raw<UnsaidSetting | undefined>();
	let editor = $state<HTMLElement>();

	const key = $derived(JSON.stringify(view.ref));
	const rows = $derived<readonly StripRow[]>(
		added && view.unsaid.some(({ setting }) => setting === added?.setting)
			? [...view.strip, { ...added, overhangs: [] }]
			: view.strip
	);
	const places = $derived(view.bands.map((name, place) => ({ name, place })));
	const current = $derived(rows.find((row) => row.setting === at?.setting));

	$effect(() => {
		void key;
		untrack(() => {
			at = undefined;
			added = undefined;
		});
	});

	function bandName(place: number): string {
		return view.bands[place] ?? '';
	}

	function overhangAt(row: StripRow, place: number): Overhang | undefined {
		return row.overhangs.find((one) => one.from <= place && place < one.to);
	}

	/** Whether a value is set for a band itself, by what the strip is of. */
	function startsAt(row: StripRow, place: number): boolean {
		const overhang = overhangAt(row, place);
		return overhang?.from === place && overhang.by === undefined;
	}

	function freeing(setting: SettingKind, place: number): Command {
		const band = bandName(place);
		return forEach(boxes, `no ${setting}`, (box) => {
			return { kind: 'set-setting', box, setting, value: undefined, band };
		});
	}

	function free(setting: SettingKind, place: number): void {
		void commands.make(freeing(setting, place));
	}

	function lookFree(setting: SettingKind, place: number): void {
		commands.look(freeing(setting, place));
	}

	function choose(setting: SettingKind, place: number, edit: boolean): void {
		at = { setting, place };
		if (!edit) return;
		requestAnimationFrame(() => {
			const field = editor?.querySelector<HTMLElement>('input, button, select');
			field?.focus();
			if (field instanceof HTMLInputElement) field.select();
		});
	}

	function move(setting: SettingKind, from: number, to: number): void {
		const target = view.bands[to];
		if (target === undefined || from === to) return;
		void commands.make(
			forEach(boxes, `${setting} from ${target} on`, (box) => {
				return { kind: 'move-setting', box, setting, from: bandName(from), to: target };
			})
		);
	}

	function onKey(event: KeyboardEvent, row: StripRow, place: number): void {
		const { setting } = row;
		const starts = startsAt(row, place);
		const index = rows.indexOf(row);
		const direction = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
		if (event.altKey && direction !== undefined && starts) move(setting, place, place + direction);
		else if (direction !== undefined) focusCell(setting, place + direction);
		else if (step !== undefined) focusCell(rows[index + step]?.setting, place);
		else if ((event.key === 'Delete' || event.key === 'Backspace') && starts) free(setting, place);
		else if (event.key === 'Enter' || event.key === ' ') choose(setting, place, true);
		else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey) {
			choose(setting, place, true);
			return;
		} else return;
		event.preventDefault();
		event.stopPropagation();
	}

	let grid: HTMLElement;
	function focusCell(setting: SettingKind | undefined, place: number): void {
		grid.querySelector<HTMLElement>(`[data-value="${setting ?? ''} ${place}"]`)?.focus();
	}

	/** The band whose column lies under the pointer. */
	function bandUnder(event: PointerEvent): number | undefined {
		for (const element of document.elementsFromPoint(event.clientX, event.clientY)) {
			if (element instanceof HTMLElement && element.dataset['place'] !== undefined) {
				return Number(element.dataset['place']);
			}
		}
		return undefined;
	}

	function add(event: Event & { currentTarget: HTMLSelectElement }): void {
		added = view.unsaid.find(({ setting }) => setting === event.currentTarget.value);
		event.currentTarget.value = '';
		if (added) choose(added.setting, 0, true);
	}
</script>

<div bind:this={editor} class="value-editor">
	{#if at && current}
		{@const place = current.everywhere ? 0 : at.place}
		{@const overhang = overhangAt(current, place)}
		<ValueEditor
			{boxes}
			words={current}
			band={bandName(place)}
			value={startsAt(current, place) && !overhang?.isMixed ? overhang?.value : undefined}
			holds={overhang?.value}
		/>
	{:else}
		<div class="idle">
			<select class="field" aria-label="Add a setting to {view.name}" onchange={add}>
				<option value="">Add a setting …</option>
				{#each view.unsaid as { setting, says, idle } (setting)}
					<option value={setting} title={idle}
						>{setting}: {says}{idle ? ' (nothing here)' : ''}</option
					>
				{/each}
			</select>
			<p class="small">
				{#if rows.length > 0}Choose a value below to change it. It holds from its <Term word="band"
						>band</Term
					> on.{:else}{view.name} sets nothing yet.{/if}
			</p>
		</div>
	{/if}
</div>
<div
	class="strip"
	style:--bands={view.bands.length}
	role="group"
	aria-label="Sizes of {view.name} by band"
	bind:this={grid}
>
	<span class="head small"
		>{#if at}<button class="act small back" onclick={() => (at = undefined)}>Add …</button
			>{:else}{view.bySpace ? 'by its space' : ''}{/if}</span
	>
	{#each places as { name, place } (name)}
		{@const mark = place === view.band ? undefined : commands.markOf(name)}
		<span
			class="head small"
			class:here={place === view.band}
			class:also={mark}
			title={mark ? `${name} ${mark} too` : name}
			>{name}<b aria-live="polite">{mark ? `${mark} too` : ''}</b></span
		>
	{/each}
	{#each rows as row (row.setting)}
		{@const shown = overhangAt(row, view.band)}
		<span class="name small" class:nothing={row.idle} title={row.idle ?? row.says}
			>{row.setting}<i
				>{shown === undefined
					? 'not set'
					: row.everywhere
						? 'at every width'
						: shown.by !== undefined
							? `from ${shown.by}`
							: shown.from === view.band
								? 'set here'
								: `from ${bandName(shown.from)}`}</i
			></span
		>
		{#each places as { name, place } (name)}
			{@const overhang = overhangAt(row, place)}
			{@const begins = overhang?.from === place}
			{@const starts = startsAt(row, place)}
			<span
				class="cell"
				class:here={place === view.band}
				class:held={overhang}
				class:starts={begins}
				class:outer={overhang?.by !== undefined}
				data-place={place}
			>
				{#if starts && overhang && !row.everywhere}
					<span
						class="end"
						role="presentation"
						title="Drag to let it hold from another band on"
						onpointerdown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
						onpointerup={(event) => move(row.setting, place, bandUnder(event) ?? place)}
					></span>
				{/if}
				{#if !row.everywhere || place === 0}
					<button
						class="value mono"
						class:at={at?.setting === row.setting && at.place === place}
						data-value="{row.setting} {place}"
						aria-label="{row.setting} of {view.name} at {name}: {starts
							? overhang?.value || 'on'
							: overhang
								? `${overhang.value || 'on'}, from ${overhang.by ?? bandName(overhang.from)}`
								: 'not set'}"
						title={row.everywhere
							? `It holds at every width: ${row.form}.`
							: starts
								? `Set here: ${row.form}. Alt with an arrow key lets it hold from another band on, Delete frees it.`
								: `Choose to set it here: ${row.form}.`}
						onclick={() => choose(row.setting, place, true)}
						onkeydown={(event) => onKey(event, row, place)}
						><span
							style:width={begins && overhang
								? `calc(${(overhang.to - overhang.from) * 100}% - 4px)`
								: undefined}>{begins ? overhang?.value || 'on' : ''}</span
						></button
					>
				{/if}
				{#if starts}
					<button
						class="free"
						tabindex="-1"
						aria-label="Free {row.setting} at {name}"
						title="Free it here: the narrower band’s value holds again"
						onpointerenter={() => lookFree(row.setting, place)}
						onpointerleave={() => commands.forget()}
						onclick={() => free(row.setting, place)}>×</button
					>
				{/if}
			</span>
		{/each}
	{/each}
</div>
<SameAs {view} {boxes} />

<style>
	.idle {
		min-height: 92px;
		padding: 8px 10px;
		border-block: 1px solid var(--hair);
		background: var(--paper);
	}
	.idle select {
		width: 100%;
		font-size: var(--text-small);
	}
	.idle p {
		margin-top: 6px;
		line-height: 1.35;
	}
	.strip {
		display: grid;
		grid-template-columns: 66px repeat(var(--bands), minmax(0, 1fr));
		padding: 0 8px 6px 10px;
	}
	.head {
		height: 30px;
		padding: 1px 1px 1px 3px;
		font-size: var(--text-small);
		font-stretch: 78%;
		line-height: 15px;
		border-left: 1px solid var(--hair);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.head:first-child {
		border: 0;
		padding: 1px 0;
	}
	.head.here {
		color: var(--cedar);
		font-weight: 600;
		background: var(--cedar-wash);
	}
	.head.also {
		box-shadow: inset 0 -2px var(--cedar);
	}
	.head b {
		display: block;
		height: 13px;
		font-size: 9.5px;
		line-height: 13px;
		color: var(--cedar);
	}
	.back {
		padding: 0;
	}
	.name {
		padding: 2px 4px 0 0;
		line-height: 12px;
		color: var(--ink);
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.nothing {
		text-decoration: line-through;
		text-decoration-color: var(--warn);
	}
	.name i {
		display: block;
		font-size: var(--text-small);
		font-style: normal;
		color: var(--ink-2);
		white-space: nowrap;
	}
	.cell {
		position: relative;
		height: 27px;
		border-left: 1px solid var(--hair);
	}
	.cell.here {
		background: color-mix(in srgb, var(--cedar-wash) 45%, transparent);
	}
	/* The eave: a short slope where a value begins, then a line for as long as it holds. */
	.held::before {
		content: '';
		position: absolute;
		inset: 4px 0 auto 0;
		height: 2px;
		background: var(--cedar);
	}
	/* What is said further out is overhung by what is said here. */
	.outer::before,
	.outer::after {
		background: var(--rule) !important;
	}
	.starts {
		z-index: 1;
	}
	.starts::before {
		left: 5px;
	}
	.starts::after {
		content: '';
		position: absolute;
		left: 0;
		top: 4px;
		width: 7px;
		height: 2px;
		background: var(--cedar);
		transform-origin: 100% 0;
		transform: rotate(-50deg);
	}
	.end {
		position: absolute;
		left: -3px;
		top: 0;
		width: 12px;
		height: 12px;
		cursor: ew-resize;
		z-index: 2;
		touch-action: none;
	}
	.value {
		position: absolute;
		inset: 6px 0 0 1px;
		padding: 0 3px;
		text-align: left;
		font-size: 10.5px;
		border: 1px solid transparent;
		border-radius: var(--radius);
	}
	/* The value is written over all the bands it holds in. */
	.value span {
		position: absolute;
		left: 4px;
		bottom: 1px;
		line-height: 16px;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		pointer-events: none;
	}
	.value:hover {
		border-color: var(--rule);
	}
	.value.at {
		border-color: var(--cedar);
		background: var(--cedar-wash);
	}
	.free {
		position: absolute;
		right: 0;
		bottom: 2px;
		z-index: 3;
		width: 14px;
		line-height: 16px;
		color: var(--ink-2);
		background: var(--sheet);
		opacity: 0;
	}
	.cell:hover .free,
	.free:focus-visible {
		opacity: 1;
	}
</style>
