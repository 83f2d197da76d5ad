import type { ScopeRange, StyleScope } from '../../style-scope.ts';

/** How a sheet says to what a style is held (Selectors 4). */
export interface ScopeSelectors {
	/** What is put behind the subject of a selector: it holds for what belongs to the scope, and adds no weight. */
	test(subject: Subject): string;
	/** The outermost elements, in the place of `:scope`, as heavy as that is. */
	readonly root: string;
	/** The same without weight, in the place of an outermost `&` (CSS Nesting 1, section 3.1). */
	readonly weightlessRoot: string;
}

/** What the last compound of a selector says of the elements that it names. */
export interface Subject {
	/** The name of the element, in small letters. */
	readonly element: string | undefined;
	readonly hasClass: boolean;
}

export function scopeSelectors(scope: StyleScope): ScopeSelectors {
	const starts = scope.flatMap((range) => range.starts);
	const isOneClass = starts.length === 1 && /^\.[\w-]+$/.test(starts[0] ?? '');
	return {
		test: (subject) => testOf(scope, subject),
		root: isOneClass ? (starts[0] ?? '') : `:is(${starts.join(', ')})`,
		weightlessRoot: `:where(${starts.join(', ')})`
	};
}

function testOf(scope: StyleScope, subject: Subject): string {
	const [only] = scope;
	if (only && scope.length === 1) {
		const end = only.limits.length === 0 ? '' : `:where(:not(${withAllIn(only.limits)}))`;
		return (only.isPage && isInBody(subject) ? '' : startOf(only, subject)) + end;
	}
	const ranges = scope.map(({ starts, limits }) => {
		const end = limits.length === 0 ? '' : `:not(${withAllIn(limits)})`;
		return `:is(${withAllIn(starts)})${end}`;
	});
	return `:where(${ranges.join(', ')})`;
}

/** What a selector names that names another element than the outermost ones is in them. */
function startOf({ starts, elements }: ScopeRange, subject: Subject): string {
	const isInside = elements && subject.element !== undefined && !elements.includes(subject.element);
	return `:where(${isInside ? starts.map((one) => `${one} *`).join(', ') : withAllIn(starts)})`;
}

/** Around the body of a page stand only elements without classes, and of these names. */
function isInBody({ element, hasClass }: Subject): boolean {
	if (element === undefined) return hasClass;
	return !/^(?:html|head|meta|title|link|style|script|base|noscript|template)$/.test(element);
}

/** Elements that selectors name, with all that is in them. */
function withAllIn(selectors: readonly string[]): string {
	return selectors
		.flatMap((one) => (one.endsWith(' > *') ? [one.replace(/ > \*$/, ' *')] : [one, `${one} *`]))
		.join(', ');
}
