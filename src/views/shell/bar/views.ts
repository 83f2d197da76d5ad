interface ViewLink {
	readonly path: string;
	readonly name: string;
	/** What one sees there, in a few words. */
	readonly about: string;
	/** Another path that belongs to it. */
	readonly also?: string;
}

/** The views of the application, in the order of the bar. */
export const views: readonly ViewLink[] = [
	{ path: '/plan', name: 'Plan', about: 'one page, its frames and where all on it comes from' },
	{ path: '/sheet', name: 'Sheet', about: 'all pages on several screens' },
	{ path: '/sweep', name: 'Sweep', about: 'a page at every width' },
	{ path: '/source', name: 'Source', about: 'the text, and what comes of it' },
	{ path: '/material', name: 'Material', about: 'data, parts, files and tokens' },
	{ path: '/findings', name: 'Findings', about: 'what is wrong or doubtful', also: '/access' },
	{ path: '/deliver', name: 'Deliver', about: 'HTML and CSS to take away' }
];

/** Whether a view is open at an address. */
export function isAt({ path, also }: ViewLink, pathname: string): boolean {
	return pathname.startsWith(path) || (also !== undefined && pathname.startsWith(also));
}
