import type { Agreed } from '$core/in-step/content.ts';
import { InStep } from '$core/in-step/in-step.ts';
import type { Place } from '$core/in-step/place.ts';
import { HandlePlace } from './handle-place.ts';
import { StoreSide } from './store-side.ts';

/** What is loaded only where a site has a folder. */

export function handlePlace(folder: FileSystemDirectoryHandle): HandlePlace {
	return new HandlePlace(folder);
}

/** The open site and a folder, to be kept in step; `agreed` is what both had last. */
export function pairOf(place: Place, id: string, agreed: ReadonlyMap<string, Agreed>): InStep {
	return new InStep(place, new StoreSide(id), agreed);
}
