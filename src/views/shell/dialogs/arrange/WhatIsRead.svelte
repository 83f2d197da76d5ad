<script lang="ts">
	import { arrangingFrame } from '$store/ways/arranging.svelte.ts';

	/** From which page a frame is read, which of its elements becomes boxes, and which are looked into. */
	const { pages, page, elements, only, opened } = $derived(arrangingFrame);
	const around = $derived(elements.filter(({ hasSlot }) => hasSlot));
	const closed = $derived(elements.filter(({ hasSlot }) => !hasSlot));
	const id = $props.id();
</script>

{#if pages.length > 1}
	<p class="line">
		<label class="small" for="{id}-page">read from</label>
		<select
			id="{id}-page"
			class="field mono"
			value={page?.page}
			onchange={(event) => {
				const { value } = event.currentTarget;
				arrangingFrame.page = pages.find((one) => one.page === value);
			}}
		>
			{#each pages as one (one.page)}<option value={one.page}>{one.page}</option>{/each}
		</select>
	</p>
{/if}
{#if around.length > 0}
	<p class="line">
		<label class="small" for="{id}-only">arrange</label>
		<select
			id="{id}-only"
			class="field"
			value={only === undefined ? '' : `${only}`}
			onchange={(event) => {
				const { value } = event.currentTarget;
				arrangingFrame.only = value === '' ? undefined : Number(value);
			}}
		>
			<option value="">all of the frame</option>
			{#each around as { number, name } (number)}
				<option value={`${number}`}>only {name}, and what is in it</option>
			{/each}
		</select>
	</p>
{/if}
{#if closed.length > 0}
	<fieldset>
		<legend class="small">look into elements that hold no place, too:</legend>
		{#each closed as { number, name } (number)}
			<label>
				<input
					type="checkbox"
					checked={opened.includes(number)}
					onchange={(event) => arrangingFrame.lookInto(number, event.currentTarget.checked)}
				/>
				<span class="mono">{name}</span>
			</label>
		{/each}
	</fieldset>
{/if}

<style>
	.line {
		display: flex;
		gap: 8px;
		align-items: baseline;
	}
	select {
		flex: 1;
		min-width: 0;
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 14px;
	}
	label {
		display: inline-flex;
		gap: 4px;
		align-items: center;
	}
</style>
