import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { changedLayers } from '../../core/changes/changed-layers.ts';
import { patchOf } from '../../core/changes/patch.ts';
import { reviewDocument, type ReviewedPage } from '../../core/changes/review.ts';
import type { PageChange } from '../../core/changes/site-changes.ts';
import { loadLibraries } from '../../core/check/libraries.ts';
import { checkSite } from '../../core/check/site.ts';
import type { CheckedSite } from '../../core/check/checked-site.ts';
import { LookingOver } from '../../core/findings/look-over.ts';
import { reportOf, type ReportedFinding } from '../../core/findings/report.ts';
import { reasonOf } from '../../core/messages/wording.ts';
import { filesOf } from './diff.ts';
import { dayPalette } from '../palette.ts';
import type { Streams } from '../streams.ts';
import { wrote } from '../files/wrote.ts';

/** A state of a site, and where it was read from. */
interface State {
	readonly path: string;
	readonly site: CheckedSite;
}

/** A page that is another, and how it is drawn. */
interface Drawn {
	readonly change: PageChange;
	readonly drawings: readonly string[];
}

/** Writes the document of a review into a folder; says why where it cannot, and gives whether it could. */
export async function reviewed(
	folder: string,
	drawn: readonly Drawn[],
	of: number,
	{ before, after }: { readonly before: State; readonly after: State },
	streams: Streams
): Promise<boolean> {
	const [old, now] = [await findingsOf(before.site), await findingsOf(after.site)];
	const { text, leftOut } = patchOf(await filesOf(before.path), await filesOf(after.path));
	const document = reviewDocument(
		{
			site: after.site.site.settings.name.text,
			pages: together(drawn, before.site, after.site),
			of,
			came: without(now, old),
			went: without(old, now),
			patch: text,
			leftOut,
			estimated: drawn.some(({ change }) => change.estimated)
		},
		dayPalette()
	);
	try {
		await mkdir(folder, { recursive: true });
	} catch (failure) {
		streams.errors(`${folder} cannot be made: ${reasonOf(failure)}\n`);
		return false;
	}
	return wrote(join(folder, 'index.html'), document, streams);
}

/** Pages that differ through the same layers in the same way are shown once. */
function together(
	drawn: readonly Drawn[],
	before: CheckedSite,
	after: CheckedSite
): ReviewedPage[] {
	const byLook = new Map<string, { page: Drawn; through: string[]; alike: string[] }>();
	for (const page of drawn) {
		const { change, drawings } = page;
		const layers = changedLayers(change.page, before, after);
		const through = layers.map((layer) => (layer === change.page ? 'the page itself' : layer));
		const look = drawings.map((svg) => svg.replace(/ aria-label="[^"]*"/, ''));
		const key = JSON.stringify([change.kind, change.chain, through, change.screens, look]);
		const known = byLook.get(key);
		if (known) known.alike.push(change.page);
		else byLook.set(key, { page, through, alike: [] });
	}
	return [...byLook.values()].map(({ page, through, alike }) => ({ ...page, through, alike }));
}

async function findingsOf(site: CheckedSite): Promise<readonly ReportedFinding[]> {
	await loadLibraries();
	const whole = checkSite(site.reading);
	return reportOf(new LookingOver(new Date().getFullYear()).whole(whole), whole).findings;
}

function without(
	some: readonly ReportedFinding[],
	others: readonly ReportedFinding[]
): ReportedFinding[] {
	const known = new Set(others.map(({ fingerprint }) => fingerprint));
	return some.filter(({ fingerprint }) => !known.has(fingerprint));
}
