<script lang="ts">
	import type { SiteWordsView } from '$core/view-models/chosen/layer-view.ts';
	import { counted } from '$core/messages/wording.ts';
	import type { SitePart, Command } from '$core/model/command.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import PanelField from '$views/shell/controls/PanelField.svelte';
	import DocumentPanel from './DocumentPanel.svelte';
	import { askNewBand, askNewRole } from '../../commands/asking.ts';

	/** What a site says of itself: its words, its bands, its roles, and the patterns of titles. */
	let words = $state.raw<SiteWordsView | undefined>();

	$effect(() => {
		void store.site;
		void store.core.answers.siteWords().then((found) => (words = found));
	});

	const make = (command: Command): Promise<string | undefined> => commands.attempt(command);

	function set(part: SitePart): (value: string) => Promise<string | undefined> {
		return (value) => make({ kind: 'set-site', part, value: value === '' ? undefined : value });
	}

	function setWords(
		layout: string,
		part: 'title' | 'description'
	): (text: string) => Promise<string | undefined> {
		const layer = { kind: 'layout', name: layout } as const;
		return (text) =>
			make({ kind: 'set-words', layer, part, value: text === '' ? undefined : text });
	}
</script>

{#if words}
	<div class="panel">
		<p><b>The site</b></p>
		<PanelField label="name" value={words.parts.name} take={set('name')} />
		<PanelField
			label="language"
			value={words.parts.lang}
			mono
			take={set('lang')}
			hint="As in HTML, such as en, de or ar."
		/>
		<PanelField
			label="lines run"
			value={words.parts.dir}
			mono
			options={['ltr', 'rtl']}
			take={set('dir')}
		/>
		<PanelField
			label="address"
			value={words.parts.address}
			mono
			placeholder="https://…/"
			take={set('address')}
			hint="The address of the finished site, for sitemap.xml and links in full."
		/>
		<PanelField
			label="pages are"
			value={words.parts.urls}
			options={['folders', 'files']}
			take={set('urls')}
		/>
		<section aria-label="Bands">
			<p class="small head"><b>Bands</b>, narrowest first</p>
			{#each words.bands as band, index (band.name)}
				<div class="row">
					<input
						class="field mono"
						aria-label="Name of the band {band.name}"
						value={band.name}
						onchange={(event) => {
							const input = event.currentTarget;
							void commands
								.make({ kind: 'rename-band', band: band.name, to: input.value.trim() })
								.then((done) => done || (input.value = band.name));
						}}
					/>
					<span class="small">from</span>
					<input
						class="field mono px"
						type="number"
						disabled={index === 0}
						aria-label="Where {band.name} starts, px"
						value={band.from}
						onchange={(event) => {
							const input = event.currentTarget;
							void commands
								.make({ kind: 'set-breakpoint', band: band.name, from: input.valueAsNumber })
								.then((done) => done || (input.value = String(band.from)));
						}}
					/>
					<span class="small">px</span>
					<button
						class="act"
						aria-label="Remove the band {band.name}"
						title={band.said > 0
							? `${counted(band.said, 'value')} said for it would go with it`
							: 'Nothing is said for it'}
						onclick={() => void commands.make({ kind: 'remove-band', band: band.name })}>×</button
					>
				</div>
			{/each}
			<button class="act" onclick={() => askNewBand()}>Add a band …</button>
		</section>
		<section aria-label="Roles">
			<p class="small head"><b>Roles</b>, the first is whoever has not signed in</p>
			{#each words.roles as role (role.name)}
				<div class="row">
					<input
						class="field mono"
						aria-label="Name of the role {role.name}"
						value={role.name}
						onchange={(event) => {
							const input = event.currentTarget;
							void commands
								.make({ kind: 'rename-role', name: role.name, to: input.value.trim() })
								.then((done) => done || (input.value = role.name));
						}}
					/>
					<span class="small admitted" title={role.admittedBy.join(', ')}
						>{role.admittedBy.length > 0
							? `let in by ${counted(role.admittedBy.length, 'layer')}`
							: ''}</span
					>
					<button
						class="act"
						aria-label="Remove the role {role.name}"
						onclick={() => void commands.make({ kind: 'remove-role', name: role.name })}>×</button
					>
				</div>
			{/each}
			<button class="act" onclick={() => askNewRole()}>Add a role …</button>
		</section>
		<section aria-label="Titles and descriptions">
			<p class="small head"><b>Titles</b>, by layout</p>
			{#each words.patterns as pattern (pattern.layout)}
				<PanelField
					label={pattern.layout}
					value={pattern.title ?? ''}
					placeholder="no pattern"
					take={setWords(pattern.layout, 'title')}
				/>
			{/each}
			<p class="small head"><b>Descriptions</b>, by layout</p>
			{#each words.patterns as pattern (pattern.layout)}
				<PanelField
					label={pattern.layout}
					value={pattern.description ?? ''}
					placeholder="none"
					take={setWords(pattern.layout, 'description')}
				/>
			{/each}
		</section>
		<DocumentPanel layer={undefined} />
	</div>
{/if}

<style>
	.panel {
		padding: 8px 10px 14px;
	}
	b {
		font-weight: 600;
		color: var(--ink);
	}
	section {
		margin-top: 12px;
		padding-top: 6px;
		border-top: 1px solid var(--hair);
	}
	.head {
		margin: 4px 0 2px;
	}
	.row {
		display: flex;
		align-items: center;
		gap: 4px;
		margin-bottom: 3px;
	}
	.row input {
		flex: 1 1 60px;
		min-width: 0;
		padding: 1px 5px;
		font-size: var(--text-small);
	}
	.row .px {
		flex: 0 1 62px;
	}
	.admitted {
		flex: 1 1 60px;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.act {
		font-size: var(--text-small);
	}
</style>
