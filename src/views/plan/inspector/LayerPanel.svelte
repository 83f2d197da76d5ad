<script lang="ts">
	import { page as address } from '$app/state';
	import type { LayerView } from '$core/view-models/chosen/layer-view.ts';
	import { counted } from '$core/messages/wording.ts';
	import type { LayerRef, PagesChoice, Command } from '$core/model/command.ts';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import LayerMark from '$views/shell/marks/LayerMark.svelte';
	import { arrangingFrame } from '$store/ways/arranging.svelte.ts';
	import PanelField from '$views/shell/controls/PanelField.svelte';
	import { askMoveRoute, askNewRegion, askRenameLayout } from '../../commands/asking.ts';
	import { choice } from '../choice.svelte.ts';
	import { chosenBox } from '../chosen-box.svelte.ts';
	import BoxPanel from './BoxPanel.svelte';
	import DocumentPanel from './DocumentPanel.svelte';

	/** What a layout, route or state says of itself. */
	const { layer }: { layer: LayerRef } = $props();

	let view = $state.raw<LayerView | undefined>();
	const mark = $derived(store.roofline.layouts.find(({ name }) => name === layer.name)?.mark);
	const box = $derived(
		layer.kind === 'layout' &&
			chosenBox.view?.kind === 'layout' &&
			chosenBox.view.name === layer.name
			? chosenBox.view
			: undefined
	);

	$effect(() => {
		const [asked] = [layer, store.site];
		void store.core.answers.layerView(asked).then((found) => {
			if (asked === layer) view = found;
		});
	});

	const make = (command: Command): Promise<string | undefined> => commands.attempt(command);

	function setWords(part: 'title' | 'description', text: string): Promise<string | undefined> {
		return make({ kind: 'set-words', layer, part, value: text === '' ? undefined : text });
	}

	function setPages(pages: PagesChoice): Promise<string | undefined> {
		return make({ kind: 'set-pages', pattern: layer.name, pages });
	}

	function pagesKind(kind: string): Promise<string | undefined> {
		if (kind === 'samples') return setPages({ kind: 'samples', values: ['one'] });
		if (kind === 'each') return setPages({ kind: 'each', data: lists[0] ?? '', field: 'id' });
		return setPages({ kind: 'one' });
	}

	const lists = $derived((store.site?.data ?? []).map((name) => `data.${name}`));

	function setMoved(text: string): Promise<string | undefined> {
		const addresses = text.split(/[\s,]+/).filter(Boolean);
		return make({ kind: 'set-moved', pattern: layer.name, addresses });
	}

	function setSkip(text: string): Promise<string | undefined> {
		const value = text === '' ? undefined : `"${text.replaceAll('"', '\\"')}"`;
		const ref = { layout: layer.name, box: undefined };
		const band = store.site?.bands[0]?.name ?? 'all';
		return make({ kind: 'set-setting', box: ref, setting: 'skip', value, band });
	}

	function admit(role: string, on: boolean): void {
		const roles = (view?.roles ?? []).filter((one) =>
			one === role ? on : view?.admits.includes(one)
		);
		void commands.make({ kind: 'set-admit', layer, roles });
	}
</script>

{#if view}
	<div class="panel">
		<p class="what">
			{#if layer.kind === 'layout'}<LayerMark {mark} />{/if}
			<b class="mono">{layer.name}</b>
			<span class="small">{layer.kind}</span>
		</p>
		{#if view.layout}
			{@const layout = view.layout}
			<PanelField
				label="stands at"
				value={layout.at}
				mono
				take={(at) => make({ kind: 'move-layout', name: layer.name, at })}
			/>
			<PanelField
				label="covers"
				value={layout.onRequest ? 'on request' : 'its branch'}
				options={['its branch', 'on request']}
				take={(word) =>
					make({ kind: 'set-on-request', name: layer.name, on: word === 'on request' })}
				hint={layout.onRequest
					? layout.asked.length > 0
						? `Asked for by ${layout.asked.join(', ')}.`
						: 'No page asks for it yet.'
					: undefined}
			/>
			{#if layout.framed}
				<p class="small">
					A frame of its own markup: its boxes lie as the sheets of the page say, and are measured.
					Its regions are places in its text.
				</p>
				<button class="act" onclick={() => void arrangingFrame.ask(layer.name)}
					>Arrange it here …</button
				>
			{:else}
				<PanelField
					label="bands by"
					value={layout.measure}
					options={['screen', 'space']}
					take={(by) =>
						make({
							kind: 'set-measure',
							name: layer.name,
							by: by === 'space' ? 'space' : 'screen'
						})}
					hint={layout.measure === 'space'
						? 'Its bands go by the width that it gets itself, as container queries do.'
						: undefined}
				/>
				{#if layout.hasSheets}
					<PanelField
						label="own sheets"
						value={layout.sheets}
						options={['move', 'paint']}
						take={(word) =>
							make({
								kind: 'set-sheets',
								name: layer.name,
								do: word === 'paint' ? 'paint' : 'move'
							})}
						hint={layout.sheets === 'paint'
							? 'They say how its boxes look. How those lie is up to their settings.'
							: 'What they say of how its boxes lie wins over settings.'}
					/>
				{/if}
			{/if}
		{/if}
		<PanelField
			label="under"
			value={view.under ?? ''}
			placeholder="what covers it"
			options={[
				'',
				'none',
				...store.roofline.layouts.map(({ name }) => name).filter((name) => name !== layer.name)
			]}
			take={(under) => make({ kind: 'set-under', layer, under: under === '' ? undefined : under })}
		/>
		<PanelField
			label="title"
			value={view.title ?? ''}
			placeholder={layer.kind === 'layout' ? '{page.title} | {site.name}' : 'none'}
			take={(text) => setWords('title', text)}
			hint={layer.kind === 'layout'
				? 'The pattern for pages inside: {page.title} is their own.'
				: undefined}
		/>
		<PanelField
			label="description"
			value={view.description ?? ''}
			placeholder="from the nearest layer"
			take={(text) => setWords('description', text)}
		/>
		{#if view.layout && !view.layout.framed}
			<PanelField
				label="skip link"
				value={view.layout.skip ?? ''}
				placeholder="none"
				take={setSkip}
				hint="For those who use a keyboard, to its slot, such as: Skip to the content."
			/>
		{/if}
		{#if view.pages && (view.isPattern || view.pages.kind !== 'one')}
			{@const pages = view.pages}
			<PanelField
				label="pages"
				value={pages.kind}
				options={['one', 'samples', 'each']}
				take={pagesKind}
				hint={pages.kind === 'one'
					? 'One page, with the name of the parameter in its place.'
					: undefined}
			/>
			{#if pages.kind === 'samples'}
				<PanelField
					label="samples"
					value={pages.values.join(', ')}
					mono
					take={(text) =>
						setPages({
							kind: 'samples',
							values: text
								.split(',')
								.map((one) => one.trim())
								.filter(Boolean)
						})}
				/>
			{:else if pages.kind === 'each'}
				<PanelField
					label="list"
					value={pages.data}
					mono
					options={[...new Set([pages.data, ...lists])]}
					take={(data) => setPages({ ...pages, data })}
				/>
				<PanelField
					label="named by"
					value={pages.field}
					mono
					take={(field) => setPages({ ...pages, field })}
				/>
			{/if}
		{/if}
		{#if layer.kind === 'route'}
			<PanelField
				label="was at"
				value={view.moved.join(', ')}
				placeholder={view.isPattern ? `/old/${layer.name.split('/').at(-1)}` : '/old-address'}
				mono
				take={setMoved}
				hint={view.moved.length > 0
					? 'Visitors of these addresses are redirected to this page (308), and links to them lead here.'
					: undefined}
			/>
		{/if}
		{#if layer.kind !== 'state'}
			<fieldset class="small">
				<legend>admits {view.admits.length === 0 ? 'everyone' : 'only'}</legend>
				{#each view.roles as role (role)}
					<label
						><input
							type="checkbox"
							checked={view.admits.includes(role)}
							onchange={(event) => admit(role, event.currentTarget.checked)}
						/>
						<span class="mono">{role}</span></label
					>
				{:else}
					<button class="act" onclick={() => choice.pickSite()}>Add roles to the site</button>
				{/each}
			</fieldset>
		{/if}
		<DocumentPanel {layer} />
		<div class="actions">
			{#if layer.kind === 'layout'}
				<button class="act" onclick={() => askRenameLayout(layer.name)}>Rename</button>
				{#if !view.layout?.framed}
					<button class="act" onclick={() => askNewRegion(layer.name)}>Add region …</button>
				{/if}
				<button
					class="act"
					onpointerenter={() => commands.look({ kind: 'remove-layout', name: layer.name })}
					onpointerleave={() => commands.forget()}
					onclick={() => void commands.make({ kind: 'remove-layout', name: layer.name })}
					>Remove</button
				>
			{:else if layer.kind === 'route'}
				<button class="act" onclick={() => askMoveRoute(layer.name)}>Rename or move</button>
				<button
					class="act"
					onpointerenter={() => commands.look({ kind: 'remove-route', pattern: layer.name })}
					onpointerleave={() => commands.forget()}
					onclick={() => void commands.make({ kind: 'remove-route', pattern: layer.name })}
					>Remove</button
				>
			{:else}
				<button
					class="act"
					onpointerenter={() => commands.look({ kind: 'remove-state', name: layer.name })}
					onpointerleave={() => commands.forget()}
					onclick={() => void commands.make({ kind: 'remove-state', name: layer.name })}
					>Remove</button
				>
			{/if}
		</div>
		{#if view.layout}
			<p class="small boxes">
				{counted(view.layout.regions.length, 'region')}: {#each [...view.layout.regions, ...view.layout.wrappers] as name (name)}
					<button
						class="mono link"
						onclick={() => choice.pickBox({ layout: layer.name, box: name })}>{name}</button
					>
				{/each}
			</p>
		{/if}
		{#if view.place}
			<p class="small">
				Written in <a
					class="mono link"
					href="/source?{placeQuery(readPlace(address.url))}&file={view.place.file}&at={view.place
						.from}">{view.place.file}, line {view.place.line}</a
				>
			</p>
		{/if}
	</div>
	{#if box && !view.layout?.framed}<BoxPanel view={box} />{/if}
{:else}
	<p class="small none">There is no {layer.kind} {layer.name} any more.</p>
{/if}

<style>
	.panel {
		padding: 8px 10px;
	}
	.what {
		display: flex;
		gap: 6px;
		align-items: center;
	}
	b {
		font-weight: 600;
		color: var(--cedar);
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		margin-top: 8px;
	}
	legend {
		float: left;
		width: 80px;
	}
	.link {
		text-decoration: underline;
		text-underline-offset: 3px;
		font-size: var(--text-small);
	}
	.boxes .link {
		margin-right: 6px;
	}
	.boxes {
		margin-bottom: 4px;
	}
	.none {
		padding: 12px;
	}
</style>
