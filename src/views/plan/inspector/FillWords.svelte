<script lang="ts">
	import type { ValueInScope } from '$core/view-models/markup/in-scope.ts';

	/** The words of an element, and what stands in their place: each chosen from the values in scope. */
	interface Props {
		words: readonly string[];
		/** Undefined for words that stay as they are. */
		texts: readonly (string | undefined)[];
		/** What was found for words by itself. */
		likely: readonly (string | undefined)[];
		values: readonly ValueInScope[];
		/** How values are written; empty: as they are. */
		format: string;
		/** Empty: they stay as they are. */
		choose: (index: number, text: string) => void;
	}
	const { words, texts, likely, values, format, choose }: Props = $props();

	function tag(path: string): string {
		return format === '' ? `{${path}}` : `{${path} as ${format}}`;
	}
</script>

<table aria-label="Its words">
	<thead><tr><th scope="col">its words</th><th scope="col">become</th></tr></thead>
	<tbody>
		{#each words as word, index (index)}
			{@const own = likely[index]}
			<tr>
				<td>{word}</td>
				<td>
					<select
						class="field mono"
						aria-label="What {word} becomes"
						value={texts[index] ?? ''}
						onchange={(event) => choose(index, event.currentTarget.value)}
					>
						<option value="">as they are</option>
						{#if own !== undefined}<option value={own}>{own}</option>{/if}
						{#each values.filter(({ path }) => tag(path) !== own) as { path, says } (path)}
							<option value={tag(path)}>{path}, now "{says.slice(0, 40)}"</option>
						{/each}
					</select>
				</td>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		border-collapse: collapse;
		font-size: var(--text-small);
		table-layout: fixed;
	}
	th {
		width: 34%;
		padding-right: 8px;
		font-weight: 500;
		color: var(--ink-2);
		text-align: start;
	}
	td {
		padding: 2px 8px 2px 0;
		border-top: 1px solid var(--hair);
		overflow-wrap: anywhere;
	}
	td select {
		width: 100%;
		padding: 1px 6px;
		font-size: var(--text-small);
	}
</style>
