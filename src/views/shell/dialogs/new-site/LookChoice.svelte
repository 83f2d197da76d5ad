<script lang="ts">
	import { starterLooks, tokensAt, type LookId } from '$core/starter/looks.ts';

	/** The styles a new site can begin with, each shown by a page in it, half by day and half by night. */
	let { chosen = $bindable() }: { chosen: LookId } = $props();
</script>

<fieldset>
	<legend class="cap">A style to begin with</legend>
	<div class="looks">
		{#each starterLooks as look (look.id)}
			<label class:chosen={chosen === look.id} title={look.says}>
				<input type="radio" name="look" value={look.id} bind:group={chosen} />
				<span class="halves" aria-hidden="true">
					{#each [false, true] as isNight (isNight)}
						<span class="page" class:bare={look.id === 'bare'} style={tokensAt(look, isNight)}>
							<span class="head" class:ground={look.ground !== 'none'}>Beds</span>
							<b>Aa</b>
							<i></i><i></i><i class="short"></i>
							<u>link</u>
						</span>
					{/each}
				</span>
				<span class="name">{look.label}</span>
			</label>
		{/each}
	</div>
	<p class="small">{starterLooks.find(({ id }) => id === chosen)?.says}</p>
</fieldset>

<style>
	fieldset {
		min-width: 0;
		border: 0;
		padding: 0;
	}
	.looks {
		display: grid;
		grid-template-columns: repeat(4, minmax(0, 1fr));
		gap: 10px;
		margin: 4px 0;
	}
	label {
		position: relative;
		display: grid;
		gap: 2px;
		padding: 4px;
		border: 1px solid var(--hair);
		border-radius: var(--radius);
		cursor: pointer;
	}
	label.chosen {
		border-color: var(--cedar);
		background: var(--cedar-wash);
	}
	label:focus-within {
		outline: 2px solid var(--cedar);
		outline-offset: 1px;
	}
	input {
		position: absolute;
		opacity: 0;
	}
	.name {
		font-weight: 500;
	}
	.halves {
		display: grid;
		grid-template-columns: 1fr 1fr;
	}
	/* A page in the style that is shown: in its own tokens, not in ours. */
	.page {
		display: grid;
		align-content: start;
		gap: 4px;
		height: 74px;
		padding: 0 5px 4px;
		overflow: hidden;
		font: var(--type);
		font-size: var(--text-small);
		color: var(--ink);
		background: var(--paper);
	}
	.page b {
		font-size: 16px;
		line-height: 1.1;
	}
	.head {
		margin: 0 -5px;
		padding: 1px 5px;
	}
	.ground {
		background: var(--raised);
		border-bottom: 1px solid var(--line);
	}
	.page i {
		height: 2px;
		background: var(--soft, currentColor);
	}
	.page .short {
		width: 60%;
	}
	.page u {
		color: var(--accent);
		line-height: 1;
	}
	.bare {
		font-family: serif;
	}
</style>
