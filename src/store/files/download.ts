import { releaseUrl } from './object-url.ts';
import { look } from '../ways/look.svelte.ts';
import { store } from '../site.svelte.ts';

/** The site's name as the name of a file. */
export function slugOf(name: string | undefined): string {
	const slug = (name ?? '')
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^-|-$/g, '');
	return slug || 'site';
}

/** Hands the site, or its source, over as a file. Gives whether there was something to hand over. */
export async function download(kind: 'site' | 'source'): Promise<boolean> {
	const zip =
		kind === 'site'
			? await store.core.handingOver.siteZip(look.handOver)
			: await store.core.handingOver.sourceZip();
	if (!zip) return false;
	saveFile(`${slugOf(store.site?.name)}${kind === 'site' ? '' : '-source'}.zip`, zip);
	return true;
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
