import type { KeptSizes, SizeStore } from '$core/measure/size-store.ts';

/** Where something is kept under a name. */
interface Place {
	getItem(name: string): Promise<unknown>;
	setItem(name: string, value: unknown): Promise<unknown>;
}

/** ms without anything new after which sizes are kept. */
const rest = 4000;
/** Contents whose sizes are kept from one start of the application to the next. */
const mostKept = 3000;

/**
 * Keeps sizes that were measured over a reload. They are found by all that they follow from, so none is older
 * than what it is of; another browser, or another scale of the screen, rounds in another way and has its own.
 */
export class SizeKeeper {
	private timer: ReturnType<typeof setTimeout> | undefined;

	constructor(
		private readonly store: SizeStore,
		private readonly place: Place,
		private readonly name: string
	) {}

	/** Takes in what was kept; where it cannot be read, everything is measured again. */
	async fetch(): Promise<void> {
		const kept: unknown = await this.place.getItem(this.name).catch(() => undefined);
		if (isKept(kept)) this.store.takeIn(kept);
	}

	/** Keeps what is known, once nothing more has come for a while. */
	keepSoon(): void {
		clearTimeout(this.timer);
		this.timer = setTimeout(() => {
			// Without room for it nothing is lost but time.
			void this.place.setItem(this.name, this.store.kept(mostKept)).catch(() => undefined);
		}, rest);
	}
}

/** What is kept is written by this very class; a record of another form is as good as none. */
function isKept(value: unknown): value is KeptSizes {
	return (
		Array.isArray(value) &&
		value.every(
			(one: unknown) => Array.isArray(one) && typeof one[0] === 'string' && isSize(one[1])
		)
	);
}

function isSize(value: unknown): boolean {
	return (
		typeof value === 'object' &&
		value !== null &&
		['dependence', 'byClass', 'widthsByScreen', 'points', 'endMargin', 'cuts', 'ways'].every(
			(name) => name in value
		)
	);
}
