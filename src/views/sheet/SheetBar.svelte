<script lang="ts">
	import { groupings } from '$core/sheet/groups.ts';
	import { clampWidth } from '$store/address.ts';
	import ControlsLine from '$views/shell/controls/ControlsLine.svelte';
	import Choices from '$views/shell/controls/Choices.svelte';
	import TrialMenu from '$views/trial/TrialMenu.svelte';
	import { colourings, sizes, type SheetChoices } from './sheet-choices.ts';

	/** What of the sheet is shown, how, and what it can be saved as. */
	interface Props {
		choices: SheetChoices;
		/** What is said of the whole. */
		summary: string;
		regions: readonly string[];
		choose: (choices: SheetChoices) => void;
		save: (kind: 'svg' | 'png' | 'print') => void;
		/** Goes to what changed. */
		compare: () => void;
		/** What is being made of it. */
		saving: string;
	}
	const { choices, summary, regions, choose, save, compare, saving }: Props = $props();

	const groupNames = { chain: 'chain', route: 'route', found: 'what was found' } as const;
	const colourNames = {
		layouts: 'of the layouts',
		day: 'of the pages',
		night: 'of the pages by night'
	} as const;
	let width = $state('');
	/** What it can be saved as is shown. */
	let canSave = $state(false);

	/** What can be saved is put away once one is elsewhere. */
	function closeOutside(event: FocusEvent & { currentTarget: HTMLDetailsElement }): void {
		const { currentTarget: menu, relatedTarget: to } = event;
		if (!(to instanceof Node && menu.contains(to))) canSave = false;
	}

	function closeOnEscape(event: KeyboardEvent): void {
		if (event.key === 'Escape') canSave = false;
	}

	function addWidth(): void {
		const px = Math.round(Number(width));
		width = '';
		if (!(px > 0)) return;
		const widths = [...new Set([...choices.widths, clampWidth(px)])].sort((a, b) => a - b);
		choose({ ...choices, widths });
	}
</script>

<svelte:window onkeydown={closeOnEscape} />

<ControlsLine summary={saving || summary}>
	{#snippet actions()}
		<TrialMenu />
		<button class="act" onclick={compare}>Before and after</button>
		<details class="save" bind:open={canSave} onfocusout={closeOutside}>
			<summary class="field">save</summary>
			<div class="menu">
				{#each [['svg', 'As SVG'], ['png', 'As PNG'], ['print', 'Print it']] as const as [kind, name] (kind)}
					<button
						class="menu-item"
						onclick={() => {
							canSave = false;
							save(kind);
						}}>{name}</button
					>
				{/each}
			</div>
		</details>
	{/snippet}
	<input
		class="field find"
		type="search"
		aria-label="Show only pages whose route, title or layouts have these words"
		placeholder="route, title or layout"
		value={choices.words}
		oninput={(event) => choose({ ...choices, words: event.currentTarget.value })}
	/>
	<Choices
		label="group by"
		options={groupings.map((value) => ({ value, name: groupNames[value] }))}
		value={choices.by}
		choose={(by) => choose({ ...choices, by })}
	/>
	<Choices
		label="drawings"
		options={sizes.map(({ name }) => ({ value: name, name }))}
		value={choices.size}
		choose={(size) => choose({ ...choices, size })}
	/>
	<label class="small">
		single out
		<select
			class="field mono"
			value={choices.only}
			onchange={(event) => choose({ ...choices, only: event.currentTarget.value })}
		>
			<option value="">any region</option>
			{#each regions as region (region)}<option value={region}>{region}</option>{/each}
		</select>
	</label>
	<label class="small">
		colours
		<select
			class="field"
			value={choices.colours}
			onchange={(event) => {
				const { value } = event.currentTarget;
				const colours = colourings.find((one) => one === value) ?? 'layouts';
				choose({ ...choices, colours });
			}}
		>
			{#each colourings as colours (colours)}
				<option value={colours}>{colourNames[colours]}</option>
			{/each}
		</select>
	</label>
	<form
		class="small"
		onsubmit={(event) => {
			event.preventDefault();
			addWidth();
		}}
	>
		<label>
			also at
			<input
				class="field mono width"
				inputmode="numeric"
				aria-label="Another width, px"
				placeholder="px"
				bind:value={width}
			/>
		</label>
		<button class="act" disabled={width === ''}>Add</button>
	</form>
	{#each choices.widths as one (one)}
		<button
			class="field small"
			aria-label="Leave out {one} px"
			title="Leave out {one} px"
			onclick={() =>
				choose({ ...choices, widths: choices.widths.filter((width) => width !== one) })}
			>{one} px ×</button
		>
	{/each}
</ControlsLine>

<style>
	.find {
		width: 160px;
	}
	.width {
		width: 62px;
	}
	form {
		display: flex;
		align-items: center;
	}
	.save {
		position: relative;
	}
	.save summary {
		list-style: none;
		cursor: pointer;
	}
	.save .menu {
		position: absolute;
		right: 0;
		top: calc(100% + 4px);
		min-width: 130px;
	}
	.menu-item {
		width: 100%;
	}
	.menu-item:hover {
		background: var(--cedar-wash);
	}
</style>
