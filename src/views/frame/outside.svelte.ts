import { siteOrigin } from '../../browser/frame.ts';

/** What the page on the stage would load from outside the site, and does not. */
class Outside {
	/** URLs, each once, in the order in which they were asked for. */
	missing = $state.raw<readonly string[]>([]);

	/** Notes what a frame's policy kept from loading; only what lies on another host is of interest. */
	note(url: string): void {
		if (!/^(https?|wss?):/.test(url) || new URL(url).origin === siteOrigin) return;
		if (!this.missing.includes(url)) {
			this.missing = [...this.missing, url];
		}
	}

	clear(): void {
		if (this.missing.length > 0) this.missing = [];
	}
}

export const outside = new Outside();
