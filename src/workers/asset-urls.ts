import mime from 'mime';

/** Types that a browser would run or read markup of, were they opened in a tab of their own. */
const active = /html|xml|svg/;
/** bytes; larger pictures of such types are not shown. */
const mostActive = 2 * 1024 * 1024;

/**
 * URLs under which the stage finds the other files of a site, each made when it is first asked for.
 * Files that could run script never get a URL of the application's own origin: they become `data:`
 * URLs, whose origin is no one's (HTML standard, section 7.1.1), and browsers open none in a tab.
 */
export class AssetUrls {
	private readonly known = new Map<string, string>();
	/** Those of files that are no longer there: a page that was drawn with them may still be loading them. */
	private leaving: string[] = [];

	private assets: ReadonlyMap<string, Uint8Array> = new Map();

	/** The URL of a file; undefined where the site has none of that path. */
	get(path: string): string | undefined {
		const known = this.known.get(path);
		if (known !== undefined) return known;
		const bytes = this.assets.get(path);
		if (!bytes) return undefined;
		const type = mime.getType(path) ?? 'application/octet-stream';
		const url = active.test(type)
			? dataUrl(type, bytes)
			: URL.createObjectURL(new Blob([new Uint8Array(bytes)], { type }));
		this.known.set(path, url);
		return url;
	}

	/** Other files take the place of these; a file that stays keeps its URL. */
	changeTo(assets: ReadonlyMap<string, Uint8Array>): void {
		for (const url of this.leaving.splice(0)) URL.revokeObjectURL(url);
		for (const [path, url] of this.known) {
			if (assets.get(path) === this.assets.get(path)) continue;
			this.known.delete(path);
			if (url.startsWith('blob:')) this.leaving.push(url);
		}
		this.assets = assets;
	}
}

function dataUrl(type: string, bytes: Uint8Array): string {
	if (bytes.length > mostActive) return 'data:,';
	let text = '';
	for (let at = 0; at < bytes.length; at += 8192) {
		text += String.fromCharCode(...bytes.subarray(at, at + 8192));
	}
	return `data:${type};base64,${btoa(text)}`;
}
