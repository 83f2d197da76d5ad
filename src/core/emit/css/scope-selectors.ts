import type { StyleScope } from '../style-scope.ts';

/** How a sheet says to what a style is held (Selectors 4). */
export interface ScopeSelectors {
	/** What is put behind the subject of each selector: it holds for what belongs to the scope, and adds no weight. */
	readonly test: string;
	/** The outermost elements, in the place of `:scope`, as heavy as that is. */
	readonly root: string;
	/** The same without weight, in the place of an outermost `&` (CSS Nesting 1, section 3.1). */
	readonly weightlessRoot: string;
}

export function scopeSelectors(scope: StyleScope): ScopeSelectors {
	const starts = scope.flatMap((range) => range.starts);
	const isOneClass = starts.length === 1 && /^\.[\w-]+$/.test(starts[0] ?? '');
	return {
		test: testOf(scope),
		root: isOneClass ? (starts[0] ?? '') : `:is(${starts.join(', ')})`,
		weightlessRoot: `:where(${starts.join(', ')})`
	};
}

function testOf(scope: StyleScope): string {
	const [only] = scope;
	if (only && scope.length === 1) {
		const end = only.limits.length === 0 ? '' : `:where(:not(${withAllIn(only.limits)}))`;
		return `:where(${withAllIn(only.starts)})${end}`;
	}
	const ranges = scope.map(({ starts, limits }) => {
		const end = limits.length === 0 ? '' : `:not(${withAllIn(limits)})`;
		return `:is(${withAllIn(starts)})${end}`;
	});
	return `:where(${ranges.join(', ')})`;
}

/** Elements that selectors name, with all that is in them. */
function withAllIn(selectors: readonly string[]): string {
	return selectors
		.flatMap((one) => (one.endsWith(' > *') ? [one.replace(/ > \*$/, ' *')] : [one, `${one} *`]))
		.join(', ');
}
