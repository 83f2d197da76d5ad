/** Attributes that elements of a kind are mostly given, which a form offers before they are written. */
const byElement: ReadonlyMap<string, readonly string[]> = new Map([
	['a', ['href']],
	['img', ['src', 'alt']],
	['input', ['type', 'name', 'value']],
	['button', ['type']],
	['label', ['for']],
	['form', ['action', 'method']],
	['select', ['name']],
	['textarea', ['name']],
	['iframe', ['src', 'title']],
	['video', ['src', 'controls']],
	['audio', ['src', 'controls']],
	['source', ['srcset', 'type']],
	['time', ['datetime']],
	['th', ['scope']],
	['blockquote', ['cite']]
]);

export function usualAttributes(element: string): readonly string[] {
	return [...(byElement.get(element) ?? []), 'class'];
}

/** Others that any element can have (HTML standard, section 3.2.6), to choose from. */
const otherAttributes: readonly string[] = [
	'id',
	'title',
	'lang',
	'dir',
	'hidden',
	'role',
	'aria-label',
	'aria-hidden',
	'width',
	'height',
	'loading',
	'target',
	'rel'
];

/** Attributes that could be added to an element, those first that it is mostly given. */
export function furtherAttributes(name: string, has: readonly string[]): string[] {
	const all = [...new Set([...usualAttributes(name), ...otherAttributes])];
	return all.filter((one) => !has.includes(one));
}
