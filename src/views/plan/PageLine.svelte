<script lang="ts">
	import type { RooflineLayout } from '$core/drawing/roofline.ts';
	import { look } from '$store/look.svelte.ts';
	import { clampWidth } from '$store/address.ts';
	import { store } from '$store/site.svelte.ts';
	import type { PageView } from '$workers/messages.ts';
	import LayerMark from './LayerMark.svelte';

	interface Props {
		page: PageView;
		layouts: readonly RooflineLayout[];
	}
	const { page, layouts }: Props = $props();

	const marks = $derived(new Map(layouts.map((layout) => [layout.name, layout.mark])));

	function onWidth(event: Event & { currentTarget: HTMLInputElement }): void {
		const width = event.currentTarget.valueAsNumber;
		if (Number.isFinite(width)) look.width = clampWidth(width);
		event.currentTarget.value = String(look.width);
	}
</script>

<div class="line">
	<span class="mono name">{page.page}</span>
	{#if page.chain.length === 0}
		<span class="small">sits under nothing: it is bare</span>
	{:else}
		<span class="small">sits under</span>
		{#each page.chain as name, index (name)}
			{#if index > 0}<span class="small">then</span>{/if}
			<span class="mono layer"><LayerMark mark={marks.get(name)} />{name}</span>
		{/each}
	{/if}
	<span class="end">
		{#if page.addresses.length > 1}
			<label>
				<span class="small">as</span>
				<select
					class="field mono"
					value={page.address}
					onchange={(event) =>
						void store.goTo({ page: page.page, address: event.currentTarget.value })}
				>
					{#each page.addresses as address (address)}
						<option value={address}>{address}</option>
					{/each}
				</select>
			</label>
		{/if}
		<label>
			<span class="small">width</span>
			<input
				class="field mono width"
				type="number"
				min="280"
				max="2560"
				value={look.width}
				onchange={onWidth}
			/>
			<span class="small">px</span>
		</label>
	</span>
</div>

<style>
	.line {
		display: flex;
		align-items: center;
		flex-wrap: wrap;
		gap: 4px 10px;
		padding: 8px 16px 6px;
	}
	.name {
		font-weight: 500;
	}
	.layer {
		display: inline-flex;
		align-items: center;
		gap: 6px;
	}
	.end {
		margin-left: auto;
		display: flex;
		gap: 14px;
	}
	label {
		display: inline-flex;
		gap: 6px;
		align-items: baseline;
	}
	select {
		max-width: 240px;
	}
	.width {
		width: 78px;
	}
</style>
