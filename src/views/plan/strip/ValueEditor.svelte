<script lang="ts">
	import type { SettingWords } from '$core/view-models/chosen/box-view.ts';
	import type { SettingKind } from '$core/model/setting.ts';
	import {
		blankOf,
		controlOf,
		exampleOf,
		neededBy,
		startingValue,
		valueWords,
		wayOf,
		type FormPlace
	} from '$core/settings/form.ts';
	import { forEach, type SizedRef, type Command } from '$core/model/command.ts';
	import { commands } from '$store/commands.svelte.ts';
	import SizeInput from './SizeInput.svelte';

	interface Props {
		/** What it is of; all get the value. */
		boxes: readonly SizedRef[];
		words: SettingWords;
		/** The band that the value is for. */
		band: string;
		/** What is written for the band; undefined where a narrower one holds, or nothing. */
		value: string | undefined;
		/** What holds there now. */
		holds: string | undefined;
	}
	const { boxes, words, band, value, holds }: Props = $props();

	const control = $derived(controlOf(words.form));
	let refused = $state('');
	/** What is typed or chosen and not taken yet. */
	let draft = $state<string | undefined>();

	const shown = $derived(draft ?? value ?? '');
	const way = $derived(
		control.kind === 'ways'
			? (wayOf(control.ways, shown) ?? chosenWay(shown, control.ways))
			: undefined
	);

	/** What is edited, as a word: the page may be drawn anew while one types, and then it is still the same. */
	const edited = $derived(JSON.stringify([words.setting, band, value, boxes]));

	$effect(() => {
		// Another value, or another place: nothing of the last one stays.
		void edited;
		draft = undefined;
		refused = '';
	});

	function commandFor(text: string): Command {
		const said = text === '' && words.setting !== 'new-row' ? undefined : text;
		const { setting } = words;
		return forEach(boxes, `${setting} ${said ?? 'as narrower'} at ${band}`, (box) => {
			return { kind: 'set-setting', box, setting, value: said, band };
		});
	}

	/** What it would do is shown while one looks at it. */
	function look(text: string): void {
		if (text !== '' || words.setting === 'new-row') commands.look(commandFor(text));
	}

	function typed(text: string): void {
		draft = text;
		refused = '';
		look(text);
	}

	async function take(text: string): Promise<void> {
		if (text === (value ?? '') && words.setting !== ('new-row' satisfies SettingKind)) {
			draft = undefined;
			commands.forget();
			return;
		}
		const sentence = await commands.attempt(commandFor(text));
		if (sentence === undefined) draft = undefined;
		refused = sentence ?? '';
	}

	function cancel(): void {
		draft = undefined;
		refused = '';
		commands.forget();
	}

	/** The way whose first word a value has, however incomplete it is. */
	function chosenWay(text: string, ways: readonly (readonly FormPlace[])[]): number | undefined {
		const [first] = valueWords(text);
		const index = ways.findIndex((places) => places[0]?.choices.includes(first ?? ''));
		return index === -1 ? (ways.length === 1 ? 0 : undefined) : index;
	}

	function nameOf(places: readonly FormPlace[]): string {
		const [first] = places[0]?.choices ?? [];
		if (first === undefined) return '';
		return blankOf(first) === undefined ? first : 'a size';
	}

	function startOf(places: readonly FormPlace[]): string {
		const [first = ''] = places[0]?.choices ?? [];
		return blankOf(first) === undefined ? first : '';
	}

	/** What a way begins with is a whole value, to be changed from there; a size alone is typed. */
	function chooseWay(places: readonly FormPlace[]): void {
		const ways = control.kind === 'ways' ? control.ways : [];
		if (value !== undefined && wayOf(ways, value) === ways.indexOf(places)) return;
		const needed = places.filter(({ optional }) => !optional).length;
		if (needed > 1 || startOf(places) !== '') void take(beginOf(places));
		else {
			draft = '';
			refused = '';
		}
	}

	function beginOf(places: readonly FormPlace[]): string {
		const { first } = words;
		const ways = control.kind === 'ways' ? control.ways : [];
		const isFirst = first !== undefined && wayOf(ways, first) === ways.indexOf(places);
		return isFirst ? first : startingValue(places);
	}

	/** The value with one of its places changed. */
	function withPlace(places: readonly FormPlace[], at: number, word: string): string {
		const now = valueWords(shown);
		const next = places.map((place, index) => {
			if (index === at) return word;
			const fixed = place.choices.length === 1 && blankOf(place.choices[0] ?? '') === undefined;
			return now[index] ?? (fixed && !place.optional ? (place.choices[0] ?? '') : '');
		});
		// A word such as "close" stands only before what it introduces.
		const kept = next.map((one, index) => {
			const place = places[index];
			const introduces =
				place?.optional &&
				place.choices.length === 1 &&
				blankOf(place.choices[0] ?? '') === undefined &&
				index + 1 < places.length;
			return introduces ? (next[index + 1] ? (place.choices[0] ?? '') : '') : one;
		});
		return kept.filter((one) => one !== '').join(' ');
	}

	function isFixed(place: FormPlace): boolean {
		return place.choices.length === 1 && blankOf(place.choices[0] ?? '') === undefined;
	}

	function isText(place: FormPlace): boolean {
		return place.choices.some((word) => blankOf(word) === 'TEXT');
	}

	function plain(word: string | undefined): string {
		return (word ?? '').replace(/^"|"$/g, '').replaceAll('\\"', '"');
	}

	function quoted(text: string): string {
		return text === '' ? '' : `"${text.replaceAll('"', '\\"')}"`;
	}

	/** What is put into a place is called by the word that introduces it, where there is one. */
	function placeName(place: FormPlace, before?: FormPlace): string {
		const [first = ''] = place.choices;
		if (before && isFixed(before) && before.optional) return before.choices[0] ?? '';
		if (isText(place)) return plain(first);
		return blankOf(first) === undefined ? 'side' : first.toLowerCase();
	}
</script>

<div class="editor" role="group" aria-label="{words.setting} at {band}">
	<p class="small head">
		<b class="mono">{words.setting}</b>
		{words.everywhere ? 'at every width' : `from ${band} on`}{value === undefined
			? holds === undefined
				? ', not set'
				: `; ${holds || 'on'} holds`
			: ''}
	</p>
	{#if control.kind === 'choice'}
		<div class="choices">
			{#each control.choices as choice (choice.value)}
				<button
					class="choice"
					aria-pressed={value === choice.value || (value === 'on' && choice.value === '')}
					onpointerenter={() => look(choice.value)}
					onpointerleave={() => commands.forget()}
					onfocus={() => look(choice.value)}
					onblur={() => commands.forget()}
					onclick={() => void take(choice.value)}>{choice.name}</button
				>
			{/each}
		</div>
	{:else if control.kind === 'typed'}
		<SizeInput
			label="{words.setting} at {band}"
			value={shown}
			placeholder={holds ?? `such as ${neededBy(words.form, []).example}`}
			words={control.words}
			sizes={control.sizes}
			{typed}
			take={(text) => void take(text)}
			{cancel}
		/>
	{:else}
		{#if control.ways.length > 1}
			<div class="choices">
				{#each control.ways as places, index (index)}
					<button
						class="choice"
						aria-pressed={way === index}
						onpointerenter={() => {
							if (startOf(places) !== '' || places.length > 1) look(beginOf(places));
						}}
						onpointerleave={() => draft === undefined && commands.forget()}
						onclick={() => chooseWay(places)}>{nameOf(places)}</button
					>
				{/each}
			</div>
		{/if}
		{@const places = way === undefined ? undefined : control.ways[way]}
		{#if places}
			<div class="places">
				{#each places as place, at (at)}
					{@const now = valueWords(shown)[at]}
					{#if isText(place)}
						<label class="small">
							{placeName(place, places[at - 1])}
							<SizeInput
								label="{words.setting}: {placeName(place, places[at - 1])}"
								value={plain(now)}
								typed={(text) => typed(withPlace(places, at, quoted(text)))}
								take={(text) => void take(withPlace(places, at, quoted(text)))}
								{cancel}
							/>
						</label>
					{:else if !isFixed(place) && place.choices.every((word) => blankOf(word) === undefined)}
						<label class="small">
							<span class="unseen">{placeName(place)}</span>
							<select
								class="field"
								aria-label="{words.setting}: word {at + 1}"
								value={now ?? ''}
								onchange={(event) => {
									const text = withPlace(places, at, event.currentTarget.value);
									if (wayOf(control.ways, text) === undefined) typed(text);
									else void take(text);
								}}
							>
								<option value="">…</option>
								{#each place.choices as choice (choice)}<option>{choice}</option>{/each}
							</select>
						</label>
					{:else if !isFixed(place)}
						<label class="small">
							<span class="unseen">{placeName(place)}</span>
							<SizeInput
								label="{words.setting}: {placeName(place)}"
								value={now ?? ''}
								placeholder={exampleOf(place)}
								sizes
								typed={(text) => typed(withPlace(places, at, text))}
								take={(text) => {
									const whole = withPlace(places, at, text);
									if (wayOf(control.ways, whole) === undefined) typed(whole);
									else void take(whole);
								}}
								{cancel}
							/>
						</label>
					{/if}
				{/each}
				{#if draft !== undefined}
					<button class="act" onclick={() => void take(draft ?? '')}>Take it</button>
				{/if}
			</div>
		{/if}
	{/if}
	<p class="small said" class:refused role={refused ? 'alert' : undefined}>
		{refused || commands.preview?.refused || words.idle
			? refused || commands.preview?.refused || `It does nothing here: ${words.idle}.`
			: `${words.says}.`}
	</p>
</div>

<style>
	.editor {
		min-height: 92px;
		padding: 5px 10px 4px;
		border-block: 1px solid var(--hair);
		background: var(--cedar-wash);
	}
	.head {
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		margin-bottom: 2px;
	}
	b {
		color: var(--cedar);
		font-weight: 500;
	}
	.choices,
	.places {
		display: flex;
		flex-wrap: wrap;
		gap: 3px;
		align-items: center;
	}
	.places {
		margin-top: 3px;
	}
	.places label {
		display: flex;
		align-items: center;
		gap: 4px;
		flex: 1 1 72px;
	}
	.choice {
		padding: 1px 7px;
		border: 1px solid var(--rule);
		border-radius: var(--radius);
		background: var(--sheet);
		font-size: var(--text-small);
	}
	.choice:hover {
		border-color: var(--cedar);
	}
	.choice[aria-pressed='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	select {
		padding: 1px 4px;
		font-size: var(--text-small);
	}
	.said {
		margin-top: 3px;
		line-height: 1.3;
	}
	.refused {
		color: var(--fault);
	}
</style>
