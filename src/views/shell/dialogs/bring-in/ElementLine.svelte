<script lang="ts">
	import { elementParts } from '$core/bring-in/choosing/choice.ts';
	import { isWords, partWords } from '$core/bring-in/choosing/choice-words.ts';
	import { bringing } from '$store/ways/bringing.svelte.ts';

	/** What the element is that one has clicked, with those around it, and what it could be. */

	const { choosing } = bringing;
	const { around, element, refused, parts } = $derived(choosing);
</script>

<div class="line">
	{#if element}
		<p class="way small">
			{#each around as one, index (index)}
				{#if index > 0}›{/if}
				<button
					class="mono act"
					aria-current={one === element ? 'true' : undefined}
					onclick={() => void choosing.point(one.at)}>{one.name}</button
				>
			{/each}
		</p>
		<p>
			<b class="mono">{element.name}</b>
			{isWords(element)}
			{#if element.text}<span class="small">“{element.text}”</span>{/if}
		</p>
		<div class="says" role="group" aria-label="What {element.name} is">
			{#each elementParts as part (part)}
				{@const isNow = element.part === part && !(part === 'frame' && element.isMixed)}
				<button class="field" aria-pressed={isNow} onclick={() => void choosing.say(part)}
					>{partWords[part]}</button
				>
			{/each}
		</div>
	{:else}
		<p class="small">
			Click an element of the page, or choose one:
			<select
				class="field"
				aria-label="An element of the page"
				onchange={(event) => {
					const part = parts[event.currentTarget.selectedIndex - 1];
					if (part) void choosing.point(part.at);
				}}
			>
				<option>…</option>
				{#each parts as { at, name, text } (at.join())}
					<option>{'\u00a0'.repeat(at.length - 1)}{name} {text.slice(0, 24)}</option>
				{/each}
			</select>
		</p>
	{/if}
	{#if refused !== ''}<p class="refused" role="alert">{refused}</p>{/if}
</div>

<style>
	.line {
		display: grid;
		gap: 6px;
		align-content: start;
		min-height: 104px;
	}
	.way {
		display: flex;
		flex-wrap: wrap;
		gap: 2px;
		align-items: baseline;
	}
	.way [aria-current] {
		font-weight: 650;
	}
	.says {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.says button {
		padding: 4px 12px;
	}
	.says [aria-pressed='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
</style>
