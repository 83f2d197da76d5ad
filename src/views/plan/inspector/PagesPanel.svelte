<script lang="ts">
	import { forEach, type Command, type LayerRef } from '$core/model/command.ts';
	import type { ManyLayers } from '$core/view-models/chosen/many-layers.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import PanelField from '$views/shell/controls/PanelField.svelte';
	import { askMovePages, removePages } from '../../commands/asking-pages.ts';
	import { choice } from '../choice.svelte.ts';

	/** Several pages at once: what they have in common, and what is done to all of them. */
	const { pages }: { pages: readonly LayerRef[] } = $props();

	let many = $state.raw<ManyLayers | undefined>();
	const mixed = 'mixed';

	$effect(() => {
		const [asked] = [pages, store.site];
		let isWanted = true;
		void store.core.answers.manyLayers(asked).then((found) => {
			if (!isWanted) return;
			many = found;
			// One of them is gone.
			if (!found) choice.pick(choice.place);
		});
		return () => (isWanted = false);
	});

	function under(value: string): Promise<string | undefined> {
		if (value === mixed) return Promise.resolve(undefined);
		return commands.attempt(
			forEach(pages, `under ${value || 'what covers it'}`, (layer): Command => {
				return { kind: 'set-under', layer, under: value === '' ? undefined : value };
			})
		);
	}

	function admit(role: string, on: boolean): void {
		const command = forEach(
			many?.routes ?? [],
			on ? `let ${role} in` : `${role} not by name`,
			({ ref: layer, admits }): Command => {
				const others = admits.filter((one) => one !== role);
				return { kind: 'set-admit', layer, roles: on ? [...others, role] : others };
			}
		);
		void commands.make(command);
	}

	const remove = $derived(removePages(pages));
</script>

<div class="panel">
	<p>
		<b>{pages.length} pages</b>
		<span class="mono small">{pages.map(({ name }) => name).join(', ')}</span>
	</p>
	<p class="small">
		What is set below is set for all of them, in one step; dragged in the roofline, they go
		together.
	</p>
	{#if many}
		<PanelField
			label="under"
			value={many.under ?? mixed}
			placeholder="what covers it"
			options={[
				...(many.under === undefined ? [mixed] : []),
				'',
				'none',
				...store.roofline.layouts.map(({ name }) => name)
			]}
			take={under}
		/>
		{#if many.admits.length > 0 && many.routes.length > 0}
			<fieldset class="small">
				<legend>admit by name</legend>
				{#each many.admits as { role, by } (role)}
					<label
						><input
							type="checkbox"
							checked={by === 'all'}
							indeterminate={by === 'some'}
							onchange={(event) => admit(role, event.currentTarget.checked)}
						/>
						<span class="mono">{role}</span>{by === 'some' ? ', some of them' : ''}</label
					>
				{/each}
			</fieldset>
		{/if}
	{/if}
	<div class="actions">
		<button class="act" onclick={() => askMovePages(pages)}>Move below …</button>
		<button
			class="act"
			onpointerenter={() => commands.look(remove)}
			onpointerleave={() => commands.forget()}
			onclick={() => void commands.make(remove)}>Remove them</button
		>
		<button class="act" onclick={() => choice.pickPages(pages.slice(0, 1))}>Only the first</button>
	</div>
</div>

<style>
	.panel {
		padding: 8px 10px 6px;
	}
	b {
		font-weight: 600;
		color: var(--cedar);
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		padding: 4px 0;
		border: 0;
	}
</style>
