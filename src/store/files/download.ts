import type { SiteFiles } from '$core/model/files.ts';
import { releaseUrl } from './object-url.ts';
import { look, type HandedForm } from '../ways/look.svelte.ts';
import { store } from '../site.svelte.ts';

/** The site's name as the name of a file. */
export function slugOf(name: string | undefined): string {
	const slug = (name ?? '')
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^-|-$/g, '');
	return slug || 'site';
}

/** The name of the file as which a form is handed over. */
export function zipName(form: HandedForm): string {
	return `${slugOf(store.site?.name)}${form === 'site' ? '' : `-${form}`}.zip`;
}

/** Hands the site over in a form, as a file. Gives whether there was something to hand over. */
export async function download(form: HandedForm): Promise<boolean> {
	const zip = await zipOf(form);
	if (!zip) return false;
	saveFile(zipName(form), zip);
	return true;
}

function zipOf(form: HandedForm): Promise<Blob | undefined> {
	const { handingOver } = store.core;
	switch (form) {
		case 'site':
			return handingOver.siteZip(look.handOver);
		case 'shells':
			return handingOver.shellsZip();
		case 'source':
			return handingOver.sourceZip();
	}
}

/** Hands the tokens over, as JSON or as a sheet. */
export async function downloadTokens(form: 'json' | 'css'): Promise<void> {
	const name = `${slugOf(store.site?.name)}-tokens.${form}`;
	saveFile(name, await store.core.handingOver.tokens(form));
}

/** Hands over what changed in the files, as a patch; says what it cannot hold. */
export async function downloadPatch(
	before: SiteFiles,
	after: SiteFiles | undefined
): Promise<void> {
	const { text, leftOut } = await store.core.handingOver.patch(before, after);
	if (text !== '')
		saveFile(`${slugOf(store.site?.name)}.patch`, new Blob([text], { type: 'text/x-diff' }));
	if (leftOut.length > 0)
		store.say(`The patch has no word of ${leftOut.join(', ')}: what is no text it cannot hold.`);
	else if (text === '') store.say('The files are the same, so there is nothing to save.');
}

/** Lets the browser save a file under a name. */
export function saveFile(name: string, content: Blob): void {
	const url = URL.createObjectURL(content);
	const link = document.createElement('a');
	link.href = url;
	link.download = name;
	link.click();
	releaseUrl(url);
}
