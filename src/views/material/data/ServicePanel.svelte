<script lang="ts">
	import type { DataView } from '$core/view-models/material/data-view.ts';
	import { sources, type Behaviour } from '$store/sources.svelte.ts';
	import FreshLine from './FreshLine.svelte';

	/** A source from elsewhere: the copy that pages show, what the source says now, and how it can fail. */
	const { source }: { source: DataView } = $props();
	const { name } = $derived(source);

	let atSource = $state<string | undefined>();
	let behaviour = $state<Behaviour>({ delay: 0, failure: 'none', cacheControl: 'max-age=0' });
	let refused = $state('');
	/** ms since 1970; notices are told by how long they lie back. */
	let now = $state(Date.now());

	const known = $derived(sources.states.find((one) => one.name === name));
	const shown = $derived(known?.copy ?? source.text);
	const differs = $derived(
		atSource !== undefined && shown !== undefined && flat(atSource) !== flat(shown)
	);

	const failures: readonly (readonly [Behaviour['failure'], string])[] = [
		['none', 'answers'],
		['error', 'answers 500'],
		['no-json', 'answers what is not JSON'],
		['too-large', 'answers 100 MB'],
		['redirects', 'redirects in a circle'],
		['silent', 'does not answer']
	];

	function flat(text: string): string {
		try {
			return JSON.stringify(JSON.parse(text));
		} catch {
			return text;
		}
	}

	// Ages go on by themselves, and the source may change at any time.
	$effect(() => {
		const asked = name;
		const look = async (): Promise<void> => {
			await sources.look();
			now = Date.now();
			const found = await sources.atSource(asked);
			if (asked === name) atSource = found;
		};
		void look();
		void sources.behaviourOf(asked).then((found) => {
			if (found && asked === name) behaviour = found;
		});
		const timer = setInterval(() => void look(), 1000);
		return () => clearInterval(timer);
	});

	async function behave(change: Partial<Behaviour>): Promise<void> {
		behaviour = { ...behaviour, ...change };
		refused = (await sources.behave(name, change)) ?? '';
	}
</script>

<div class="service" role="group" aria-label="The service behind {name}">
	<p>
		{#if known?.asking}
			It is being asked …
		{:else if known?.failure}
			<b class="wrong">It could not be had: {known.failure}.</b>
			{source.failed === 'last'
				? 'Pages show the last copy.'
				: 'Pages show the nearest state failed.'}
		{:else if known?.age !== undefined}
			The copy is <b>{Math.round(known.age)} s</b> old
			{known.isDue ? 'and will be asked for again when a page shows it' : 'and good enough'};
			{known.answered === 'nothing changed'
				? 'the source said that nothing changed (304)'
				: 'the source gave it anew (200)'}.
		{:else}
			Pages show the copy that lies in the site, {source.file}: the source has not been asked yet.
		{/if}
		{#if source.fresh === 'notice'}
			{known?.noticed === undefined
				? 'It has not said yet that anything changed.'
				: `It said ${Math.round((now - known.noticed) / 1000)} s ago that something changed.`}
		{/if}
		{#if differs}<b class="wrong">The source says something else by now.</b>{/if}
	</p>
	<button class="field" disabled={known?.asking} onclick={() => void sources.ask(name)}
		>Ask again</button
	>
	{#if source.fresh === 'notice'}
		<button class="field" onclick={() => void sources.notice(name)}>Give notice</button>
	{/if}
	{#if differs && atSource !== undefined && shown !== undefined}
		<div class="two">
			<div>
				<span class="cap">what pages show</span>
				<pre class="mono">{shown}</pre>
			</div>
			<div>
				<span class="cap">what the source says</span>
				<pre class="mono">{atSource}</pre>
			</div>
		</div>
	{/if}
	<div class="line small">
		<span>The stub service</span>
		<select
			class="field"
			aria-label="What the stub service does"
			value={behaviour.failure}
			onchange={(event) => {
				const chosen = failures.find(([one]) => one === event.currentTarget.value)?.[0];
				if (chosen) void behave({ failure: chosen });
			}}
		>
			{#each failures as [value, says] (value)}<option {value}>{says}</option>{/each}
		</select>
		<label
			>after <input
				class="field mono"
				type="number"
				min="0"
				max="30000"
				step="500"
				value={behaviour.delay}
				onchange={(event) => void behave({ delay: Number(event.currentTarget.value) })}
			/> ms</label
		>
		<label
			>and says <span class="mono">Cache-Control:</span>
			<input
				class="field mono wide"
				value={behaviour.cacheControl}
				onchange={(event) => void behave({ cacheControl: event.currentTarget.value })}
			/></label
		>
		{#if refused}<span class="wrong" role="alert">{refused}</span>{/if}
	</div>
	<FreshLine fresh={source.fresh} cacheControl={behaviour.cacheControl} />
</div>

<style>
	.service {
		margin-top: 10px;
		padding: 10px 12px;
		border: 1px solid var(--hair);
		background: var(--paper);
	}
	.service p {
		display: inline;
		margin-right: 10px;
	}
	.service > .field {
		padding: 2px 8px;
		font-size: var(--text-small);
	}
	.wrong {
		color: var(--warn);
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 12px;
		margin-top: 8px;
	}
	pre {
		max-height: 130px;
		overflow: auto;
		padding: 6px 8px;
		background: var(--sheet);
		white-space: pre-wrap;
	}
	.line {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 10px;
		align-items: center;
		margin-top: 8px;
	}
	.line .field {
		padding: 1px 6px;
		font-size: var(--text-small);
	}
	input[type='number'] {
		width: 74px;
	}
	.wide {
		width: 170px;
	}
</style>
