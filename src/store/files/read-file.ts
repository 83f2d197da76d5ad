import { reasonOf } from '$core/messages/wording.ts';
import { store } from '../site.svelte.ts';

/** The bytes of a file that the user chose; where it cannot be read, because it is gone by now or closed, that is said. */
export async function bytesOf(file: File): Promise<Uint8Array | undefined> {
	try {
		return new Uint8Array(await file.arrayBuffer());
	} catch (failure) {
		store.say(`${file.name} could not be read: ${reasonOf(failure)}.`);
		return undefined;
	}
}
