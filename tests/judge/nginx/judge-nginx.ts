import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { answer } from '../../../src/core/answer/answer.ts';
import { deliveryProblems } from '../../../src/core/check/delivery.ts';
import { checkSite } from '../../../src/core/check/site.ts';
import type { CheckedSite } from '../../../src/core/check/checked-site.ts';
import { decodeUtf8, encodeUtf8 } from '../../../src/core/lib/utf8.ts';
import { readSiteFiles } from '../../../src/core/source/read.ts';
import { closedSites, type ClosedSite } from './random-closed-site.ts';
import { startNginx, startSignIn, type Answered } from './run-nginx.ts';

/** Whether nginx, with the configuration that is handed over, answers every address as the site does by itself. */

export interface NginxResult {
	readonly sites: number;
	readonly asked: number;
	/** Answers by their status. */
	readonly statuses: ReadonlyMap<number, number>;
	/** The smallest site that is answered otherwise. */
	readonly failure: { readonly text: string; readonly says: string } | undefined;
}

const roles = [undefined, 'member', 'keeper'];

export async function judgeNginx(runs: number, seed: number): Promise<NginxResult> {
	const signIn = await startSignIn();
	const statuses = new Map<number, number>();
	let [sites, asked] = [0, 0];
	let says = '';
	try {
		const agrees = fc.asyncProperty(closedSites, async (site) => {
			const resolved = resolvedSite(site);
			fc.pre(resolved !== undefined);
			if (!resolved) return true;
			sites++;
			const found = await judgeOne(resolved, site, signIn.port, (status) => {
				asked++;
				statuses.set(status, (statuses.get(status) ?? 0) + 1);
			});
			says = found ?? says;
			return found === undefined;
		});
		const { counterexample } = await fc.check(agrees, { numRuns: runs, seed, maxSkipsPerRun: 100 });
		const [smallest] = counterexample ?? [];
		return { sites, asked, statuses, failure: smallest && { text: smallest.text, says } };
	} finally {
		signIn.stop();
	}
}

/** Undefined where what is drawn contradicts itself, so that there is nothing to serve. */
function resolvedSite({ text, assets }: ClosedSite): CheckedSite | undefined {
	const resolved = checkSite(
		readSiteFiles({
			texts: new Map([['site.eave', text]]),
			assets: new Map(assets.map((path) => [path, encodeUtf8(`file ${path}`)]))
		})
	);
	return deliveryProblems(resolved, 2026).some(({ severity }) => severity === 'error')
		? undefined
		: resolved;
}

/** What differs first, as a sentence. */
async function judgeOne(
	resolved: CheckedSite,
	{ addresses }: ClosedSite,
	signIn: number,
	count: (status: number) => void
): Promise<string | undefined> {
	const folder = await mkdtemp(join(tmpdir(), 'eave-nginx-'));
	try {
		const nginx = await startNginx(resolved, folder, signIn);
		try {
			for (const address of addresses) {
				for (const role of roles) {
					const [here, there] = [asked(resolved, address, role), await nginx.ask(address, role)];
					count(here.status);
					if (saysOf(here) === saysOf(there)) continue;
					return `${address} as ${role ?? 'visitor'}: the site answers ${saysOf(here)}, nginx ${saysOf(there)}`;
				}
			}
		} finally {
			await nginx.stop();
		}
	} catch (reason) {
		return String(reason);
	} finally {
		await rm(folder, { recursive: true });
	}
	return undefined;
}

function asked(resolved: CheckedSite, target: string, role: string | undefined): Answered {
	const site = { resolved, base: '/', changed: 0, failed: new Set<string>(), headLines: [] };
	const { status, headers, body } = answer(site, {
		method: 'GET',
		target,
		role,
		time: 0,
		headers: {}
	});
	return { status, headers, text: body ? decodeUtf8(body) : '' };
}

/** What can be compared: links of a page are written otherwise for a folder than for a server. */
function saysOf({ status, headers, text }: Answered): string {
	if (status === 301 || status === 308)
		return `${status} to ${decodeURIComponent(headers['location'] ?? '')}`;
	const words = text
		.replaceAll(/<[^>]*>/g, ' ')
		.replaceAll(/\s+/g, ' ')
		.trim();
	return `${status} "${words}"`;
}
