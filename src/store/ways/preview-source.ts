/** Whatever one points at or types in to have something previewed. */
const controls = 'button, input, select, textarea, [role]';

/**
 * What a preview came from: the control under the pointer, or the one that has the focus. Where it goes, nobody will
 * leave it any more, and the preview would stay for ever.
 */
export class PreviewSource {
	private sources: readonly Element[] = [];
	private observer: MutationObserver | undefined;

	constructor(private readonly onGone: () => void) {}

	/** A preview was asked for just now. */
	follow(): void {
		if (typeof document === 'undefined') return;
		const pointed = [...document.querySelectorAll(':hover')].at(-1);
		this.sources = [pointed, document.activeElement].flatMap(
			(element) => element?.closest(controls) ?? []
		);
		this.observer ??= new MutationObserver(() => this.look());
		this.observer.observe(document.body, { childList: true, subtree: true });
	}

	/** Nothing is previewed any more. */
	leave(): void {
		this.sources = [];
		this.observer?.disconnect();
	}

	private look(): void {
		if (this.sources.some((element) => !element.isConnected)) this.onGone();
	}
}
