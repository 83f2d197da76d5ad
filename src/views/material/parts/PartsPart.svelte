<script lang="ts">
	import { page as address } from '$app/state';
	import type { PartView } from '$core/view-models/material/part-view.ts';
	import { counted } from '$core/messages/wording.ts';
	import { ask } from '$store/ways/ask.svelte.ts';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { commands } from '$store/commands.svelte.ts';
	import Empty from '../Empty.svelte';
	import MaterialSection from '../MaterialSection.svelte';
	import LongSelect from '$views/shell/controls/LongSelect.svelte';
	import RowActs from '$views/shell/controls/RowActs.svelte';
	import Uses from '../Uses.svelte';
	import PartPicture from './PartPicture.svelte';
	import PartText from './PartText.svelte';

	/** Every part in each of its variants at three widths. */
	interface Props {
		parts: readonly PartView[];
		/** What a link asks for: `part seed-card`. */
		wanted: string;
		/** Draws a part as on another page. */
		drawOn: (part: string, page: string) => void;
	}
	const { parts, wanted, drawOn }: Props = $props();

	/** px: a column of a phone, of a narrow and of a wide page. */
	const widths = [200, 320, 480];
	let editing = $state<string | undefined>();
	const query = $derived(placeQuery(readPlace(address.url)));

	function askNew(): void {
		ask.question = {
			title: 'Add a part',
			says: 'What is written once and used in many places, as {use NAME title="…"}. A piece on the drawings can be made a part, too.',
			fields: [{ label: 'Name', value: 'card', mono: true }],
			act: 'Add it',
			answer: ([name = '']) => commands.attempt({ kind: 'add-part', name })
		};
	}

	function rename(
		title: string,
		value: string,
		send: (to: string) => Promise<string | undefined>
	): void {
		ask.question = {
			title,
			says: 'Every place that uses it is changed with it.',
			fields: [{ label: 'New name', value, mono: true }],
			act: 'Rename it',
			answer: ([to = '']) => send(to)
		};
	}
</script>

<MaterialSection
	title="Parts"
	says="{counted(parts.length, 'part')}; each variant at {widths.join(', ')} px"
	scrolls="Parts of the site"
>
	{#snippet acts()}<button class="act" onclick={askNew}>Add part …</button>{/snippet}
	{#each parts as part (part.name)}
		<article
			id="part {part.name}"
			data-row
			class:wanted={wanted === `part ${part.name}`}
			aria-label="Part {part.name}"
		>
			<div class="line">
				<b class="mono">{part.name}</b>
				<Uses uses={part.uses} />
				<button
					class="act small"
					aria-expanded={editing === part.name}
					onclick={() => (editing = editing === part.name ? undefined : part.name)}>Edit it</button
				>
				<a class="small" href="/source?{query}&file={part.file}&at={part.from}">in Source</a>
				<RowActs
					of={part.name}
					acts={[
						{
							name: 'Rename',
							run: () =>
								rename(`Rename ${part.name}`, part.name, (to) =>
									commands.attempt({ kind: 'rename-part', name: part.name, to })
								)
						},
						{
							name: 'Remove',
							run: () => void commands.make({ kind: 'remove-part', name: part.name })
						}
					]}
				/>
				<span class="on small">
					{#if part.on !== undefined}
						drawn as on
						<LongSelect
							label="The page as on which {part.name} is drawn"
							value={part.on}
							options={part.pages}
							choose={(page) => drawOn(part.name, page)}
						/>
					{:else}
						no page shows it, so it is drawn with the styles of the site alone
					{/if}
				</span>
			</div>
			<p class="small given">
				{part.list.length === 0 ? 'It takes no parameters' : 'Its parameters:'}
				{#each part.list as parameter, at (parameter.name)}{at > 0 ? ', ' : ' '}
					<button
						class="mono link"
						title="Rename {parameter.name}"
						onclick={() =>
							rename(`Rename ${parameter.name} of ${part.name}`, parameter.name, (to) =>
								commands.attempt({
									kind: 'rename-parameter',
									part: part.name,
									name: parameter.name,
									to
								})
							)}>{parameter.name}</button
					>{#if parameter.values.length > 0}:{#each parameter.values as value, place (value)}{place >
							0
								? ', '
								: ' '}<button
								class="mono link"
								title="Rename {value}"
								onclick={() =>
									rename(`Rename ${value} of ${part.name}`, value, (to) =>
										commands.attempt({
											kind: 'rename-variant',
											part: part.name,
											parameter: parameter.name,
											value,
											to
										})
									)}>{value}</button
							>{/each}{/if}{/each}{part.wraps
					? '; it wraps what stands between it and its {end}.'
					: '.'}
			</p>
			{#if editing === part.name}<PartText {part} />{/if}
			<div class="pictures">
				{#each part.variants as variant (variant.label)}
					<div class="variant">
						<span class="cap">{variant.label || 'as it is'}</span>
						<div class="row">
							{#each widths as width (width)}
								<PartPicture html={variant.html} {width} label="{part.name} {variant.label}" />
							{/each}
						</div>
					</div>
				{/each}
			</div>
		</article>
	{:else}
		<Empty
			says="This site has no parts yet. A part is markup that is written once and used in many places, such as a card. Where the same markup stands in several places already, choose one of them in Plan and make a part of it: what differs becomes what the part is given."
			act="Add the first part …"
			run={askNew}
		/>
	{/each}
</MaterialSection>

<style>
	article {
		padding: 10px 0 14px;
		border-bottom: 1px solid var(--hair);
	}
	.wanted {
		background: var(--cedar-wash);
	}
	.line {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 14px;
		align-items: baseline;
	}
	b {
		font-weight: 600;
	}
	.on {
		display: flex;
		align-items: baseline;
		gap: 6px;
		margin-left: auto;
	}
	a {
		text-decoration: underline;
	}
	.link {
		text-decoration: underline dotted;
	}
	.given {
		margin: 4px 0 8px;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: flex-start;
		margin: 2px 0 10px;
	}
</style>
