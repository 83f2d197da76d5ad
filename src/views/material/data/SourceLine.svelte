<script lang="ts">
	import type { DataView } from '$core/view-models/material/data-view.ts';
	import { ask } from '$store/ways/ask.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import PanelField from '$views/shell/controls/PanelField.svelte';
	import FreshField from './FreshField.svelte';
	import Uses from '../Uses.svelte';

	/** What a source says of itself. */
	interface Props {
		source: DataView;
		renamed: (name: string) => void;
	}
	const { source, renamed }: Props = $props();
	const { name } = $derived(source);

	function set(
		part: 'from' | 'fresh' | 'failed' | 'shape'
	): (value: string) => Promise<string | undefined> {
		return (value) =>
			commands.attempt({ kind: 'set-data', name, part, value: value === '' ? undefined : value });
	}

	function askRename(): void {
		ask.question = {
			title: `Rename data.${name}`,
			says: 'Every place that names it is changed with it.',
			fields: [{ label: 'New name', value: name, mono: true }],
			act: 'Rename it',
			async answer([to = '']) {
				const refused = await commands.attempt({ kind: 'rename-data', name, to });
				if (refused === undefined) renamed(to);
				return refused;
			}
		};
	}
</script>

<div class="line">
	<b class="mono">data.{name}</b>
	<Uses uses={source.uses} />
	<button class="act small" onclick={askRename}>Rename</button>
	<button class="act small" onclick={() => void commands.make({ kind: 'remove-data', name })}
		>Remove</button
	>
</div>
<div class="fields">
	<div><PanelField label="from" value={source.from} mono take={set('from')} /></div>
	{#if source.isUrl}
		<div>
			<FreshField fresh={source.fresh} take={set('fresh')} />
		</div>
		<div>
			<PanelField
				label="when it fails"
				value={source.failed}
				options={['last', 'shown']}
				take={set('failed')}
				hint={source.failed === 'last'
					? 'The last copy is shown.'
					: 'The nearest state failed is shown.'}
			/>
		</div>
	{/if}
</div>
{#if source.mismatches.length > 0}
	<p class="small wrong">It does not keep to {source.shape}: {source.mismatches[0]}</p>
{/if}

<style>
	.line {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 14px;
		align-items: baseline;
	}
	b {
		font-weight: 600;
	}
	.fields {
		display: grid;
		grid-template-columns: minmax(0, 4fr) minmax(0, 3fr) minmax(0, 3fr);
		gap: 0 20px;
		max-width: 1000px;
		margin-top: 4px;
	}
	.wrong {
		color: var(--fault);
	}
</style>
