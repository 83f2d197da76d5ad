<script lang="ts">
	import { filesChosen, filesOfFolder } from '$store/files/chosen-files.ts';
	import { bringing } from '$store/ways/bringing.svelte.ts';

	/** Where the pages come from: a folder, a zip or some files, or the markup of one. */

	let folder: HTMLInputElement;
	let files: HTMLInputElement;
	let pasted = $state('');

	async function take(input: HTMLInputElement, isFolder: boolean): Promise<void> {
		const chosen = [...(input.files ?? [])];
		input.value = '';
		const read = await (isFolder ? filesOfFolder(chosen) : filesChosen(chosen));
		const [first] = read?.keys() ?? [];
		if (!read || first === undefined) return;
		await bringing.begin(isFolder ? (first.split('/')[0] ?? '') : first, read);
	}
</script>

<div class="ways">
	<button class="way" onclick={() => folder.click()}>
		<b>A folder of pages …</b>
		<span class="small">With their sheets, scripts and pictures: all of it stays.</span>
	</button>
	<button class="way" onclick={() => files.click()}>
		<b>A zip, or some pages …</b>
		<span class="small">Files whose names end with .zip, .html or .htm.</span>
	</button>
</div>
<form
	onsubmit={(event) => {
		event.preventDefault();
		void bringing.beginText(pasted);
	}}
>
	<label>
		<span class="cap">Or paste the HTML of a page</span>
		<textarea class="field mono" rows="5" bind:value={pasted} placeholder="<!DOCTYPE html> …"
		></textarea>
	</label>
	<button class="act" type="submit" disabled={pasted.trim() === ''}>Bring this page in</button>
</form>
<input
	bind:this={folder}
	type="file"
	webkitdirectory
	aria-label="A folder of pages"
	hidden
	onchange={() => void take(folder, true)}
/>
<input
	bind:this={files}
	type="file"
	multiple
	accept=".zip,.html,.htm"
	aria-label="A zip or pages"
	hidden
	onchange={() => void take(files, false)}
/>

<style>
	.ways {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 12px;
	}
	.way {
		display: grid;
		gap: 4px;
		padding: 12px 14px;
		text-align: left;
		border: 1px solid var(--hair);
		border-top: 3px solid var(--ink);
		background: var(--paper);
	}
	.way:hover {
		border-color: var(--ink);
	}
	form {
		display: grid;
		gap: 8px;
		justify-items: start;
	}
	label {
		display: grid;
		gap: 4px;
		width: 100%;
	}
</style>
