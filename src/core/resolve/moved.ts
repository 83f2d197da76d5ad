import { Memory } from '../lib/memory.ts';
import { canonicalPath, withoutFile } from '../model/address.ts';
import { compareSpecificity, fillPattern, hasParameters, matchPattern } from '../model/pattern.ts';
import type { Moved, Route } from '../model/site.ts';

/** Where an address leads at which a page was once. */
export interface Lead {
	readonly route: Route;
	readonly moved: Moved;
	/** Where the page is now. Whether there is one is not looked at. */
	readonly address: string;
}

/** Where an old address leads, however it is written; undefined where nothing says that it moved. Pages come first. */
export function leadFrom(routes: readonly Route[], path: string): Lead | undefined {
	return leads.get(routes, [], () => new Leads(routes)).from(path);
}

const leads = new Memory<readonly Route[], Leads>();

interface Said {
	readonly route: Route;
	readonly moved: Moved;
}

class Leads {
	/** Those of fixed segments alone, which win over all others, by their keys. */
	private readonly fixed = new Map<string, Said>();
	private readonly open: readonly Said[];

	constructor(routes: readonly Route[]) {
		const all = routes.flatMap((route) => route.moved.map((moved): Said => ({ route, moved })));
		for (const said of all) {
			const { key } = said.moved.pattern;
			if (!hasParameters(said.moved.pattern) && !this.fixed.has(key)) this.fixed.set(key, said);
		}
		this.open = all
			.filter(({ moved }) => hasParameters(moved.pattern))
			.sort((a, b) => compareSpecificity(a.moved.pattern, b.moved.pattern));
	}

	from(path: string): Lead | undefined {
		if (this.fixed.size === 0 && this.open.length === 0) return undefined;
		const plain = withoutFile(path.replace(/(.)\/+$/, '$1'));
		const said = this.fixed.get(canonicalPath(plain));
		if (said) return { ...said, address: fillPattern(said.route.pattern, new Map()) };
		for (const one of this.open) {
			const values = matchPattern(one.moved.pattern, plain);
			if (values) return { ...one, address: fillPattern(one.route.pattern, values) };
		}
		return undefined;
	}
}
