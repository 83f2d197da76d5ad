import localforage from 'localforage';

/** The one database of this browser in which everything is kept; its stores come as they are needed. */
export const databaseName = 'long-eave';

const place = (storeName: string): LocalForage =>
	localforage.createInstance({
		name: databaseName,
		storeName,
		driver: localforage.INDEXEDDB
	});

/** Where this browser keeps what of all sites. */
export const places = {
	sites: place('sites'),
	works: place('works'),
	journal: place('journal'),
	assets: place('assets'),
	settings: place('settings'),
	/** Where an earlier version kept the history; it kept texts and files together in `sites`. */
	oldHistories: place('histories')
};
