<script lang="ts">
	import type { TokenView } from '$core/view-models/material/material-view.ts';
	import { counted } from '$core/messages/wording.ts';
	import { ask } from '$store/ways/ask.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import { downloadTokens } from '$store/files/download.ts';
	import { store } from '$store/site.svelte.ts';
	import MaterialSection from './MaterialSection.svelte';
	import type { RowAct } from '$views/shell/controls/row-act.ts';
	import RowActs from '$views/shell/controls/RowActs.svelte';
	import Empty from './Empty.svelte';
	import Uses from './Uses.svelte';

	interface Props {
		bands: readonly string[];
		tokens: readonly TokenView[];
		/** What a link asks for. */
		wanted: string;
	}
	const { bands, tokens, wanted }: Props = $props();

	let refused = $state.raw<Readonly<Record<string, string>>>({});

	/** A colour that the browser knows: it gets a swatch. */
	function colourOf(value: string | undefined): string | undefined {
		return value !== undefined && CSS.supports('color', value) ? value : undefined;
	}

	/** A colour as a picker has it: six digits. */
	function hexOf(value: string): string {
		const context = document.createElement('canvas').getContext('2d');
		if (!context) return '#000000';
		context.fillStyle = value;
		return context.fillStyle.startsWith('#') ? context.fillStyle : '#000000';
	}

	async function set(name: string, band: string, text: string): Promise<boolean> {
		const value = text.trim() === '' ? undefined : text.trim();
		const sentence = await commands.attempt({ kind: 'set-token', name, value, band });
		refused = { ...refused, [`${name} ${band}`]: sentence ?? '' };
		return sentence === undefined;
	}

	function holds(token: TokenView, place: number): string | undefined {
		return token.values.slice(0, place + 1).findLast((value) => value !== undefined);
	}

	function askNew(): void {
		ask.question = {
			title: 'Add a token',
			says: 'A custom property that all settings and styles can use, such as --gutter for a size or --leaf for a colour.',
			fields: [
				{ label: 'Name', value: '--', mono: true },
				{ label: 'Value', value: '', mono: true }
			],
			act: 'Add it',
			answer: ([name = '', value = '']) =>
				commands.attempt({ kind: 'set-token', name, value, band: bands[0] ?? 'all' })
		};
	}

	/** A file is chosen; what it comes to is shown before it is made. */
	function askFile(): void {
		const input = document.createElement('input');
		input.type = 'file';
		input.accept = '.json,.tokens,application/json';
		input.onchange = () => {
			const [file] = input.files ?? [];
			if (file) void file.text().then(takeFile);
		};
		input.click();
	}

	async function takeFile(text: string): Promise<void> {
		const sentence = await commands.attempt({ kind: 'take-tokens', text });
		if (sentence) store.say(`${sentence} The tokens are as they were.`);
	}

	function actsOf({ name, uses }: TokenView): readonly RowAct[] {
		const isUsed = uses.length > 0;
		const title = isUsed ? 'It is used: put something else there first' : 'Nothing uses it';
		return [
			{ name: 'Rename', run: () => askRename(name) },
			{ name: 'Remove', title, run: () => void commands.make({ kind: 'remove-token', name }) }
		];
	}

	function askRename(name: string): void {
		ask.question = {
			title: `Rename ${name}`,
			says: 'Every setting, style and piece of markup that uses it is changed with it.',
			fields: [{ label: 'New name', value: name, mono: true }],
			act: 'Rename it',
			answer: ([to = '']) => commands.attempt({ kind: 'rename-token', name, to })
		};
	}
</script>

<MaterialSection
	title="Tokens"
	says="{counted(tokens.length, 'token')}; a value holds from its band on"
	scrolls="Tokens and their values"
>
	{#snippet acts()}
		<button class="act" onclick={askFile}>Take tokens of a file …</button>
		{#if tokens.length > 0}
			<button
				class="act"
				title="In the community’s format for design tokens, with bands and night as extensions"
				onclick={() => void downloadTokens('json')}>Save as JSON</button
			>
			<button
				class="act"
				title="Custom properties, for pages that are not of this site"
				onclick={() => void downloadTokens('css')}>Save as CSS</button
			>
		{/if}
		<button class="act" onclick={askNew}>Add token …</button>
	{/snippet}
	{#if tokens.length > 0}
		<div class="row head small" style:--bands={bands.length}>
			<span></span>
			{#each bands as band (band)}<span>{band}</span>{/each}
		</div>
	{/if}
	{#each tokens as token (token.name)}
		<article
			class:wanted={wanted === `token ${token.name}`}
			id="token {token.name}"
			data-row
			aria-label="Token {token.name}"
		>
			<div class="row" style:--bands={bands.length}>
				<b class="mono" title={token.name}>{token.name}</b>
				{#each bands as band, place (band)}
					{@const value = token.values[place]}
					{@const colour = colourOf(holds(token, place))}
					<span class="value" class:starts={value !== undefined}>
						{#if colour}
							<input
								class="swatch"
								type="color"
								aria-label="Colour of {token.name} at {band}"
								value={hexOf(colour)}
								oninput={(event) =>
									commands.look({
										kind: 'set-token',
										name: token.name,
										value: event.currentTarget.value,
										band
									})}
								onchange={(event) => void set(token.name, band, event.currentTarget.value)}
							/>
						{/if}
						<input
							class="field mono"
							aria-label="{token.name} at {band}"
							placeholder={holds(token, place)}
							value={value ?? ''}
							onchange={(event) => {
								const input = event.currentTarget;
								if (input.value.trim() === (value ?? '')) return;
								void set(token.name, band, input.value);
							}}
						/>
					</span>
				{/each}
			</div>
			{#each bands as band (band)}
				{#if refused[`${token.name} ${band}`]}
					<p class="small refused" role="alert">{band}: {refused[`${token.name} ${band}`]}</p>
				{/if}
			{/each}
			<div class="below">
				<Uses uses={token.uses} />
				<RowActs of={token.name} acts={actsOf(token)} />
			</div>
		</article>
	{:else}
		<Empty
			says="This site has no tokens yet. A token is a size or a colour with a name, such as --gutter or --leaf: said once, used in many places, and it can differ from breakpoint to breakpoint and by night."
			act="Add the first token …"
			run={askNew}
		/>
	{/each}
</MaterialSection>

<style>
	.row {
		display: grid;
		grid-template-columns: 118px repeat(var(--bands), minmax(0, 1fr));
		gap: 6px;
		align-items: center;
	}
	.head {
		padding: 2px 0;
	}
	b {
		font-weight: 500;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	article {
		padding: 7px 0 4px;
		border-top: 1px solid var(--hair);
	}
	.wanted {
		background: var(--cedar-wash);
	}
	.value {
		position: relative;
		display: flex;
		gap: 4px;
		align-items: center;
		padding-top: 5px;
	}
	/* The eave: a value begins here and holds on. */
	.value::before {
		content: '';
		position: absolute;
		inset: 0 -6px auto 0;
		height: 2px;
		background: var(--rule);
		opacity: 0.35;
	}
	.starts::before {
		left: 4px;
		opacity: 1;
	}
	.starts::after {
		content: '';
		position: absolute;
		left: -1px;
		top: 0;
		width: 7px;
		height: 2px;
		background: var(--rule);
		transform-origin: 100% 0;
		transform: rotate(-50deg);
	}
	.field {
		width: 100%;
		min-width: 0;
		padding: 2px 6px;
	}
	.swatch {
		width: 22px;
		height: 22px;
		flex: none;
		padding: 0;
		border: 1px solid var(--rule);
		border-radius: var(--radius);
		background: none;
	}
	.below {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 14px;
		align-items: baseline;
		margin-top: 3px;
	}
	.refused {
		color: var(--fault);
	}
</style>
