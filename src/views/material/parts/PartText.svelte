<script lang="ts">
	import type { PartView } from '$core/view-models/material/part-view.ts';
	import type { Command } from '$core/model/command.ts';
	import { commands } from '$store/commands.svelte.ts';
	import PanelField from '$views/shell/controls/PanelField.svelte';
	import PartLines from './PartLines.svelte';

	/** What a part is given, its variants, its markup and style. */
	const { part }: { part: PartView } = $props();

	const name = $derived(part.name);
	/** What is written of it in several lines, and how that is said anew. */
	const texts = $derived([
		{
			label: 'Markup',
			text: part.markup,
			rows: 8,
			command: (markup: string): Command => ({ kind: 'set-part-markup', name, markup })
		},
		{
			label: 'Style',
			text: part.style,
			rows: 6,
			command: (css: string): Command => ({ kind: 'set-part-style', name, css })
		}
	]);

	function addVariants(text: string): Promise<string | undefined> {
		const [parameter = '', values = ''] = text.split(':');
		return commands.attempt({
			kind: 'add-parameter',
			part: name,
			name: parameter.trim(),
			values: values
				.split(/[,|]/)
				.map((value) => value.trim())
				.filter((value) => value !== '')
		});
	}
</script>

<PanelField
	label="parameters"
	value={part.parameters}
	mono
	placeholder="title, tone = plain | ripe"
	take={(text) => commands.attempt({ kind: 'set-parameters', name, text })}
	hint="Names; with = what holds where nothing is given; several with | are its variants."
/>
{#each part.list as parameter (parameter.name)}
	{#if parameter.values.length > 0}
		<PanelField
			label="another {parameter.name}"
			value=""
			mono
			placeholder="beside {parameter.values.join(', ')}"
			take={(value) =>
				commands.attempt({ kind: 'add-variant', part: name, parameter: parameter.name, value })}
		/>
	{/if}
{/each}
<PanelField
	label="new variants"
	value=""
	mono
	placeholder="size: small, large"
	take={addVariants}
	hint="A name and what it can be, the first where nothing is said. In the markup it stands in braces, such as in a class."
/>
{#each texts as one (one.label)}
	<PartLines {...one} of={name} />
{/each}
