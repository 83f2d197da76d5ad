import { error } from '../../../messages/problem.ts';
import { isRegionElement } from '../../../model/site.ts';
import type { Named } from '../../../model/span.ts';
import type { Cursor } from '../cursor.ts';

/** An HTML element that can be a region or wrapper. */
export function takeElement(cursor: Cursor, what: string): Named | undefined {
	const element = cursor.takeName(what);
	if (element && !isRegionElement(element.text)) {
		cursor.problems.push(error('element-invalid', element.span, element.text));
	}
	return element;
}
