import type { Agreed } from '$core/in-step/content.ts';
import type { Side } from '$core/in-step/in-step.ts';
import { PlaceFailure } from '$core/in-step/place.ts';
import type { SiteFiles } from '$core/model/files.ts';
import type { Change } from '$core/source/change.ts';
import { store } from '../site.svelte.ts';
import { keepAgreed } from './ties.ts';

/** The open site as one side of a pair; once another one is open, it is none any more. */
export class StoreSide implements Side {
	/** What both have by now, but is not kept yet. */
	private unkept = new Map<string, Agreed | undefined>();

	constructor(private readonly id: string) {}

	files(): SiteFiles {
		this.check();
		return store.work;
	}

	take(changes: readonly Change[], label: string): Promise<void> {
		this.check();
		const { number } = store.work;
		const drawn = store.apply(changes, label);
		if (store.work.number !== number) return drawn;
		drawn.catch(() => undefined);
		throw new PlaceFailure('refused', 'What the folder has could not be taken over here.');
	}

	async remember(agreed: ReadonlyMap<string, Agreed | undefined>): Promise<void> {
		for (const [path, one] of agreed) this.unkept.set(path, one);
		await store.keeper.flush();
		if (store.id !== this.id || store.keeper.pending || store.keeper.fault !== undefined) return;
		const keeping = this.unkept;
		this.unkept = new Map();
		try {
			await keepAgreed(this.id, keeping);
		} catch {
			this.unkept = new Map([...keeping, ...this.unkept]);
		}
	}

	private check(): void {
		if (store.id === this.id && store.writes) return;
		throw new PlaceFailure(
			'refused',
			'The site is edited in another tab, which writes the folder.'
		);
	}
}
