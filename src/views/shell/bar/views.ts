interface ViewLink {
	readonly path: string;
	readonly name: string;
	/** Another path that belongs to it. */
	readonly also?: string;
}

/** The views of the application, in the order of the bar. */
export const views: readonly ViewLink[] = [
	{ path: '/plan', name: 'Plan' },
	{ path: '/sheet', name: 'Sheet' },
	{ path: '/sweep', name: 'Sweep' },
	{ path: '/source', name: 'Source' },
	{ path: '/material', name: 'Material' },
	{ path: '/findings', name: 'Findings', also: '/access' },
	{ path: '/deliver', name: 'Deliver' }
];

/** Whether a view is open at an address. */
export function isAt({ path, also }: ViewLink, pathname: string): boolean {
	return pathname.startsWith(path) || (also !== undefined && pathname.startsWith(also));
}
