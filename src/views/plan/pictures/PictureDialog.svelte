<script lang="ts">
	import { untrack } from 'svelte';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { loadsOf } from '$core/pictures/loads.ts';
	import { isPicturePath, largestOf } from '$core/pictures/picture.ts';
	import { pictureMarkup } from '$core/pictures/picture-markup.ts';
	import { sizeRules, sizesText } from '$core/pictures/sizes.ts';
	import { releaseUrl } from '$store/files/object-url.ts';
	import { store } from '$store/site.svelte.ts';
	import { commands } from '$store/commands.svelte.ts';
	import Question from '$views/shell/dialogs/Question.svelte';
	import type { PictureAt } from '$workers/desk/places.ts';
	import { putPicture, readPictures } from './put-picture.svelte.ts';

	/** What a picture shows, and how large it is on which screen, before it is put into a page. */
	const { asked } = $derived(putPicture);

	let found = $state.raw<PictureAt>();
	let refused = $state('');
	let alt = $state('');
	let decorative = $state(false);
	let most = $state(0);
	/** The rule that keeps it within its place is written with it. */
	let keeps = $state(true);
	let input: HTMLInputElement | undefined = $state();

	const inSite = $derived([...store.assets.keys()].filter(isPicturePath));
	const rules = $derived(found ? sizeRules(found.room, most) : []);
	const loads = $derived(found ? loadsOf(found.picture, rules) : []);
	const first = $derived(asked?.pictures[0]);
	const source = $derived.by(() => {
		const bytes = first && (first.bytes ?? store.assets.get(first.path));
		if (!bytes) return undefined;
		const type = first.path.endsWith('.svg') ? { type: 'image/svg+xml' } : {};
		return URL.createObjectURL(new Blob([bytes.slice()], type));
	});

	$effect(() => {
		const url = source;
		return () => {
			if (url !== undefined) releaseUrl(url);
		};
	});

	$effect(() => {
		if (!asked) return;
		const { at, pictures } = asked;
		untrack(() => {
			found = undefined;
			refused = '';
			alt = '';
			decorative = false;
		});
		if (pictures.length === 0) return;
		const page = untrack(() => store.page);
		if (!page) return;
		const request = { page: page.page, address: page.address, ...untrack(() => store.seeing) };
		let isWanted = true;
		void store.core.places.pictureAt(request, at, pictures).then((answer) => {
			if (!isWanted) return;
			if ('kind' in answer) refused = answer.sentence;
			else {
				found = answer;
				most = Math.round(largestOf(answer.picture).width ?? 300);
			}
		});
		return () => (isWanted = false);
	});

	function close(): void {
		putPicture.asked = undefined;
	}

	async function chooseFiles(files: FileList | null): Promise<void> {
		if (!asked || !files) return;
		putPicture.asked = { at: asked.at, pictures: await readPictures([...files]) };
	}

	function chooseOfSite(path: string): void {
		if (asked && path !== '')
			putPicture.asked = { at: asked.at, pictures: [{ path, bytes: undefined }] };
	}

	async function put(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		if (!found || !asked) return;
		if (!decorative && alt.trim() === '') {
			refused = 'Say what it shows, or that it shows nothing that matters.';
			return;
		}
		const markup = pictureMarkup(found.picture, decorative ? '' : alt.trim(), rules, most);
		const { place, before, lead, trail, of } = found;
		const files = asked.pictures.flatMap(({ path, bytes }) =>
			bytes ? [{ file: path, bytes }] : []
		);
		const after = `${lead}${markup}${trail}`;
		const picture = { kind: 'put-picture', name: of.name, place, before, after, files } as const;
		const label = `Put a picture into ${of.name}`;
		const rule = keeps && found.rule && ({ kind: 'add-rule', label, ...found.rule } as const);
		const sentence = await commands.attempt(
			rule ? { kind: 'several', label, commands: [picture, rule] } : picture
		);
		if (sentence === undefined) close();
		else refused = sentence;
	}

	const percent = (share: number): string => `${Math.abs(Math.round(share * 100))} %`;
</script>

<Question
	open={asked !== undefined && commands.asking === undefined}
	title={found ? `A picture in ${found.of.name}` : 'A picture'}
	says="Several sizes of one picture become one picture, of which each screen loads the one it needs."
	onClose={() => {
		if (!commands.asking) close();
	}}
>
	<form onsubmit={(event) => void put(event)}>
		{#if asked && asked.pictures.length === 0}
			<div class="choose">
				<button type="button" class="field" onclick={() => input?.click()}>Choose files …</button>
				<input
					bind:this={input}
					type="file"
					accept="image/*"
					multiple
					hidden
					aria-label="Files of the picture"
					onchange={(event) => void chooseFiles(event.currentTarget.files)}
				/>
				{#if inSite.length > 0}
					<label class="small"
						>or one of the site
						<select
							class="field mono"
							onchange={(event) => chooseOfSite(event.currentTarget.value)}
						>
							<option value=""></option>
							{#each inSite as path (path)}<option value={path}>{path}</option>{/each}
						</select></label
					>
				{/if}
			</div>
		{:else}
			<div class="what">
				{#if source}<img src={source} alt="" />{/if}
				<div class="said">
					<label>
						<span class="cap">What it shows, in words</span>
						<input class="field" bind:value={alt} disabled={decorative} />
					</label>
					<label class="small"
						><input type="checkbox" bind:checked={decorative} /> It shows nothing that matters</label
					>
					<p class="small">
						{#each asked?.pictures ?? [] as { path }, at (path)}{at > 0 ? ', ' : ''}<span
								class="mono">{path}</span
							>{/each}
					</p>
				</div>
			</div>
			{#if found}
				<label class="small"
					>As wide as its place, and no wider than <input
						class="field mono number"
						type="number"
						min="1"
						bind:value={most}
						aria-label="No wider than, px"
					/> px</label
				>
				<table>
					<thead>
						<tr>
							<th scope="col">Screen</th><th scope="col">shown</th><th scope="col">needs</th>
							<th scope="col">loads</th><th scope="col">more than needed</th>
						</tr>
					</thead>
					<tbody>
						{#each loads as { screen, shown, needed, file, over, isShort } (screen.width)}
							<tr>
								<td
									>{screen.width} px{screen.density === 1
										? ''
										: `, ${screen.density} dots each`}</td
								>
								<td>{Math.round(shown)} px</td>
								<td>{Math.round(needed)}</td>
								<td class="mono"
									>{file.isVector ? file.path : `${file.width} wide`},
									{Math.ceil(file.bytes / 1024)} kB</td
								>
								<td class:few={isShort}
									>{file.isVector
										? 'a vector'
										: isShort
											? `${percent(over)} too few`
											: percent(over)}</td
								>
							</tr>
						{/each}
					</tbody>
				</table>
				{#if found.picture.files.length > 1}
					<p class="small mono sizes">sizes="{sizesText(rules)}"</p>
				{/if}
				{#if found.rule}
					<label class="small"
						><input type="checkbox" bind:checked={keeps} /> with a rule in
						<span class="mono">{found.rule.in.name}</span> that keeps pictures within their place:
						<span class="mono">{found.rule.css}</span></label
					>
				{/if}
				<p class="small">
					Worked out from the boxes around it. A style of yours that makes it narrower still is not
					in it; where a box is as wide as its words, those are guessed.
				</p>
			{/if}
		{/if}
		{#if refused}<p class="small refused" role="alert">{refused}</p>{/if}
		<div class="buttons">
			<button class="primary" type="submit" disabled={!found}>Put it there</button>
			<Dialog.CloseTrigger class="act">Cancel</Dialog.CloseTrigger>
		</div>
	</form>
</Question>

<style>
	.what {
		display: grid;
		grid-template-columns: 120px minmax(0, 1fr);
		gap: 14px;
	}
	.what img {
		max-width: 120px;
		max-height: 100px;
		object-fit: contain;
		border: 1px solid var(--hair);
		background: var(--paper);
	}
	.said {
		display: grid;
		gap: 4px;
		align-content: start;
	}
	.said label:first-child {
		display: grid;
		gap: 4px;
	}
	.choose {
		display: flex;
		gap: 14px;
		align-items: center;
	}
	.number {
		width: 76px;
		padding: 1px 6px;
	}
	table {
		border-collapse: collapse;
		font-size: var(--text-small);
		font-variant-numeric: tabular-nums;
	}
	th {
		font-weight: 500;
		color: var(--ink-2);
	}
	th,
	td {
		padding: 3px 8px 3px 0;
		border-bottom: 1px solid var(--hair);
		text-align: start;
	}
	.few {
		color: var(--warn);
	}
	.sizes {
		overflow-wrap: anywhere;
	}
</style>
