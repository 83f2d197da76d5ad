import { expose } from 'comlink';
import localforage from 'localforage';
import { Desk } from './desk/desk.ts';
import { SizeKeeper } from './kept-sizes.ts';

const desk = new Desk(new Date().getFullYear());
const place = localforage.createInstance({
	name: 'long-eave-sizes',
	storeName: 'sizes',
	driver: localforage.INDEXEDDB
});
const keeper = new SizeKeeper(desk.sizes, place, navigator.userAgent);
void keeper.fetch();
desk.onSettled = () => keeper.keepSoon();
expose(desk);
