/** The views of the application, in the order of the bar. */
export const views = [
	{ path: '/plan', name: 'Plan' },
	{ path: '/source', name: 'Source' },
	{ path: '/material', name: 'Material' },
	{ path: '/access', name: 'Access' },
	{ path: '/deliver', name: 'Deliver' }
] as const;
