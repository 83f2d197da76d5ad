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
	/** States of sites with a name, their files, and what is in those that are no text. */
	states: place('states'),
	stateFiles: place('state-files'),
	stateBytes: place('state-bytes'),
	/** Which folder a site is kept in step with, and what both had when they last agreed. */
	ties: place('folders'),
	agreements: place('agreed'),
	/** Where an earlier version kept the history; it kept texts and files together in `sites`. */
	oldHistories: place('histories')
};
