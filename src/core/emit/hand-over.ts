import type { ResolvedSite } from '../resolve/site.ts';
import { publicView } from './access-file.ts';
import { deliverEach, deliveredPlaces, type DeliveredFile, type KnownLinks } from './delivery.ts';
import { nginxConf, nginxPath } from './nginx.ts';

/** What is handed over. */
export interface HandOver {
	/** Each element says what made it. */
	readonly marks: boolean;
	/** Pages that not everyone may open, too; without, only what whoever has not signed in may see. */
	readonly closed: boolean;
	/** A configuration for nginx, which keeps closed pages closed; it needs them, so they are there. */
	readonly nginx: boolean;
}

export const plainHandOver: HandOver = { marks: false, closed: false, nginx: false };

/** The files of a delivery, one after the other. */
export function handOver(
	resolved: ResolvedSite,
	year: number,
	what: HandOver
): Generator<DeliveredFile> {
	return handOverOthers(resolved, year, what, () => undefined);
}

/** The same without pages that are known already. */
export function* handOverOthers(
	resolved: ResolvedSite,
	year: number,
	{ marks, closed, nginx }: HandOver,
	known: KnownLinks
): Generator<DeliveredFile> {
	const seen = closed || nginx ? resolved : publicView(resolved);
	for (const file of deliverEach(seen, year, marks ? 'all' : 'none', known)) {
		// What leads on from where pages were is a matter of the server where one is configured.
		if (!nginx || file.kind !== 'moved') yield file;
	}
	if (!nginx) return;
	const places = deliveredPlaces(resolved, year).filter(({ kind }) => kind !== 'moved');
	const content = nginxConf(resolved, places);
	yield { path: nginxPath, kind: 'asset', content };
}
