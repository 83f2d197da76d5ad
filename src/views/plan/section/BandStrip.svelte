<script lang="ts">
	import type { BoxView, Overhang, StripRow, UnsaidSetting } from '$core/drawing/box-view.ts';
	import type { Wish } from '$core/model/wish.ts';
	import type { SettingKind } from '$core/model/setting.ts';
	import { arrangementKinds } from '$core/settings/arrangements/list.ts';
	import { wishes } from '$store/wishes.svelte.ts';

	interface Props {
		view: BoxView;
	}
	const { view }: Props = $props();

	/** A setting that was asked for and has no value yet. */
	let added = $state.raw<{ readonly box: string; readonly unsaid: UnsaidSetting } | undefined>();

	const key = $derived(`${view.ref.layout}.${view.ref.box ?? ''}`);
	const rows = $derived<readonly StripRow[]>(
		added?.box === key && view.unsaid.some(({ setting }) => setting === added?.unsaid.setting)
			? [...view.strip, { ...added.unsaid, overhangs: [] }]
			: view.strip
	);
	const places = $derived(view.bands.map((name, place) => ({ name, place })));

	function bandName(place: number): string {
		return view.bands[place] ?? '';
	}

	function overhangAt(row: StripRow, place: number): Overhang | undefined {
		return row.overhangs.find((one) => one.from <= place && place < one.to);
	}

	async function set(
		setting: SettingKind,
		place: number,
		input: HTMLInputElement,
		before: string
	): Promise<void> {
		const value = input.value.trim();
		if (value === before) return;
		if (!(await wishes.make(wishFor(setting, place, value)))) input.value = before;
	}

	/** No value frees the setting: the narrower band's holds again. */
	function wishFor(setting: SettingKind, place: number, text: string): Wish {
		const value = text.trim() || undefined;
		return { kind: 'set-setting', box: view.ref, setting, value, band: bandName(place) };
	}

	function onKey(event: KeyboardEvent, setting: SettingKind, place: number): void {
		const direction = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		if (!event.altKey || direction === undefined) return;
		const to = view.bands[place + direction];
		event.preventDefault();
		if (to === undefined) return;
		const from = bandName(place);
		void wishes.make({ kind: 'move-setting', box: view.ref, setting, from, to });
	}

	/** The band whose column lies under the pointer. */
	function bandUnder(event: PointerEvent): string | undefined {
		for (const element of document.elementsFromPoint(event.clientX, event.clientY)) {
			if (element instanceof HTMLElement && element.dataset['place'] !== undefined) {
				return view.bands[Number(element.dataset['place'])];
			}
		}
		return undefined;
	}

	function dropEnd(event: PointerEvent, setting: SettingKind, place: number): void {
		const to = bandUnder(event);
		const from = bandName(place);
		if (to === undefined || to === from) return;
		void wishes.make({ kind: 'move-setting', box: view.ref, setting, from, to });
	}

	/** What holds where nothing is set for this band. */
	const inherited = $derived(
		view.arrangement && !view.arrangement.here
			? `${view.arrangement.kind}, from ${view.arrangement.band}`
			: view.arrangement && view.band > 0
				? 'as narrower'
				: 'one below the other'
	);

	async function arrange(event: Event & { currentTarget: HTMLSelectElement }): Promise<void> {
		const select = event.currentTarget;
		const arrangement = arrangementKinds.find((kind) => kind === select.value);
		const band = bandName(view.band);
		const wish = { kind: 'set-arrangement', box: view.ref, arrangement, band } as const;
		if (!(await wishes.make(wish))) {
			select.value = view.arrangement?.here ? view.arrangement.kind : '';
		}
	}

	function add(event: Event & { currentTarget: HTMLSelectElement }): void {
		const unsaid = view.unsaid.find(({ setting }) => setting === event.currentTarget.value);
		event.currentTarget.value = '';
		if (!unsaid) return;
		const { setting, first: value } = unsaid;
		if (value === undefined) {
			added = { box: key, unsaid };
			return;
		}
		void wishes.make({ kind: 'set-setting', box: view.ref, setting, value, band: bandName(0) });
	}
</script>

<div
	class="strip"
	style:--bands={view.bands.length}
	role="group"
	aria-label="Sizes of {view.name} by band"
>
	<span class="head small">{view.bySpace ? 'by its space' : ''}</span>
	{#each places as { name, place } (name)}
		{@const mark = place === view.band ? undefined : wishes.markOf(name)}
		<span class="head small" class:here={place === view.band} class:also={mark}
			>{name}{#if mark}<b>{mark} too</b>{/if}</span
		>
	{/each}
	{#each rows as row (row.setting)}
		{@const shown = overhangAt(row, view.band)}
		<span class="name small"
			>{row.setting}<i
				>{shown === undefined
					? 'not set'
					: row.everywhere
						? 'at every width'
						: shown.from === view.band
							? 'set here'
							: `from ${bandName(shown.from)}`}</i
			></span
		>
		{#each places as { name, place } (name)}
			{@const overhang = overhangAt(row, place)}
			{@const starts = overhang?.from === place}
			<span
				class="cell"
				class:here={place === view.band}
				class:held={overhang}
				class:starts
				data-place={place}
			>
				{#if starts && overhang && !row.everywhere}
					<span
						class="end"
						role="presentation"
						title="Drag to let it hold from another band on"
						onpointerdown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
						onpointerup={(event) => dropEnd(event, row.setting, place)}
					></span>
				{/if}
				{#if starts && overhang}
					<span
						class="value mono"
						aria-hidden="true"
						style:width={`calc(${(overhang.to - overhang.from) * 100}% - 6px)`}
						>{overhang.value || 'on'}</span
					>
				{/if}
				{#if !row.everywhere || place === 0}
					<input
						class="mono"
						aria-label="{row.setting} of {view.name} at {name}"
						placeholder={overhang ? undefined : row.form}
						title={row.everywhere
							? `It holds at every width: ${row.form}.`
							: starts
								? `Set here: ${row.form}. Alt with an arrow key lets it hold from another band on.`
								: overhang
									? `From ${bandName(overhang.from)}: ${overhang.value}. Type to set it here: ${row.form}.`
									: `Not set. Type to set it here: ${row.form}.`}
						value={starts ? overhang?.value : ''}
						onkeydown={(event) => {
							if (!row.everywhere) onKey(event, row.setting, place);
						}}
						oninput={(event) =>
							wishes.previewSoon(wishFor(row.setting, place, event.currentTarget.value))}
						onblur={() => wishes.forget()}
						onchange={(event) =>
							void set(
								row.setting,
								place,
								event.currentTarget,
								starts ? (overhang?.value ?? '') : ''
							)}
					/>
				{/if}
				{#if starts}
					<button
						class="free"
						aria-label="Free {row.setting} at {name}"
						title="Free it here: the narrower band’s value holds again"
						onpointerenter={() => wishes.previewSoon(wishFor(row.setting, place, ''))}
						onpointerleave={() => wishes.forget()}
						onclick={() => void wishes.make(wishFor(row.setting, place, ''))}>×</button
					>
				{/if}
			</span>
		{/each}
	{/each}
</div>
<div class="choices">
	<label class="small"
		>arranged
		<select
			class="field add"
			aria-label="How {view.name} arranges at {bandName(view.band)}"
			value={view.arrangement?.here ? view.arrangement.kind : ''}
			onchange={arrange}
		>
			<option value="">{inherited}</option>
			{#each arrangementKinds as kind (kind)}
				<option value={kind}>{kind}, set here</option>
			{/each}
		</select>
	</label>
	<select class="field add" aria-label="Add a setting to {view.name}" onchange={add}>
		<option value="">Add a setting …</option>
		{#each view.unsaid as { setting, form } (setting)}
			<option value={setting}>{setting} {form}</option>
		{/each}
	</select>
</div>

<style>
	.strip {
		display: grid;
		grid-template-columns: 66px repeat(var(--bands), minmax(0, 1fr));
		margin: 4px 0 6px;
	}
	.head {
		padding: 1px 5px;
		border-left: 1px solid var(--hair);
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
		line-height: 12px;
		color: var(--cedar);
	}
	.name {
		padding: 2px 4px 0 0;
		line-height: 12px;
		color: var(--ink);
	}
	.name i {
		display: block;
		font-size: 9.5px;
		font-style: normal;
		color: var(--ink-2);
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
		z-index: 1;
		touch-action: none;
	}
	input {
		position: absolute;
		left: 3px;
		right: 0;
		bottom: 0;
		width: calc(100% - 3px);
		height: 20px;
		padding: 0 3px;
		border: 1px solid transparent;
		border-radius: var(--radius);
		background: none;
		font-size: 11px;
	}
	/* The value is written over all the bands it holds in; each band keeps a field of its own under it. */
	.value {
		position: absolute;
		left: 6px;
		bottom: 2px;
		line-height: 17px;
		font-size: 11px;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		pointer-events: none;
	}
	.starts input:not(:focus) {
		color: transparent;
	}
	.starts:focus-within .value {
		opacity: 0;
	}
	.starts:focus-within input {
		width: max(100%, 110px);
		padding-right: 16px;
		z-index: 2;
	}
	input:hover,
	input:focus {
		border-color: var(--rule);
		background: var(--sheet);
	}
	.free {
		position: absolute;
		right: 1px;
		bottom: 2px;
		z-index: 3;
		width: 15px;
		line-height: 17px;
		color: var(--ink-2);
		background: var(--sheet);
		opacity: 0;
	}
	.cell:hover .free,
	.free:focus-visible {
		opacity: 1;
	}
	/* At the end of the field while one types, which is wider then. */
	.starts:focus-within .free {
		right: auto;
		left: calc(max(100%, 110px) - 14px);
		opacity: 1;
	}
	.choices {
		display: flex;
		align-items: center;
		gap: 8px;
	}
	.choices > .add {
		flex: 1;
	}
	.add {
		min-width: 0;
		font-size: 11.5px;
		padding: 2px 4px;
	}
</style>
