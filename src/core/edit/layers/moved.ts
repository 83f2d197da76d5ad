import { listWords } from '../../messages/wording.ts';
import { hasSameParameters, parameterNames, type Pattern } from '../../model/pattern.ts';
import type { Route } from '../../model/site.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { readMoved } from '../../source/read/layers/moved.ts';
import { findRoute } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import { quoted } from '../site/settings.ts';
import type { Surgery } from '../surgery.ts';

/** Says at which addresses a route was once. Throws a CommandRefused where one of them can be none. */
export function setMoved(
	resolved: ResolvedSite,
	surgery: Surgery,
	pattern: string,
	addresses: readonly string[]
): void {
	const route = findRoute(resolved, pattern);
	for (const address of addresses) {
		const read = readMoved(address);
		if (typeof read === 'string') throw new CommandRefused(`${address} is no address: ${read}.`);
		if (!hasSameParameters(read, route.pattern)) {
			const wanted = listWords(parameterNames(route.pattern));
			throw new CommandRefused(
				`${address} has to have the parameters of ${pattern}, and no others: ${wanted}.`
			);
		}
	}
	writeMoved(surgery, route, addresses);
}

/**
 * What a route that goes to another pattern says of addresses of once: their parameters are called as they are there,
 * and where it goes back to one, nothing leads on from that. `leaveBehind`: its own is one of them from now on. Gives
 * those that can lead on no more, since the route has other parameters than they have.
 */
export function carryMoved(
	surgery: Surgery,
	route: Route,
	to: Pattern,
	leaveBehind: boolean
): string[] {
	const texts = route.moved.map(({ text }) => text);
	const all = leaveBehind ? [...new Set([...texts, route.pattern.text])] : texts;
	const [before, after] = [parameterNames(route.pattern), parameterNames(to)];
	if (before.length !== after.length || before.includes('rest') !== after.includes('rest')) {
		if (texts.length > 0) writeMoved(surgery, route, []);
		return all;
	}
	const names = new Map(before.map((name, index) => [name, after[index] ?? name]));
	const renamed = all.map((text) =>
		text.replace(/(?<=\/):([A-Za-z][\w-]*)/g, (_, name: string) => `:${names.get(name) ?? name}`)
	);
	const kept = renamed.filter((text) => {
		const read = readMoved(text);
		return typeof read === 'string' || read.key !== to.key || text.endsWith('.html');
	});
	if (kept.join(' ') !== texts.join(' ')) writeMoved(surgery, route, kept);
	return [];
}

function writeMoved(surgery: Surgery, { span }: Route, addresses: readonly string[]): void {
	const line = addresses.length === 0 ? undefined : `moved ${addresses.map(quoted).join(' ')}`;
	surgery.setInnerFirst(span, 'moved', line);
}
