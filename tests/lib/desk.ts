import type { FilesMessage } from '../../src/workers/messages.ts';

/** A site of one file as the application hands it to its worker. */
export function filesOf(text: string): FilesMessage {
	return { texts: new Map([['site.eave', text]]), assets: new Map() };
}
