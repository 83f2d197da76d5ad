import { error } from '../../../messages/problem.ts';
import { encodeSegment, withoutFile } from '../../../model/address.ts';
import { hasSameParameters, readPattern, type Pattern } from '../../../model/pattern.ts';
import type { Moved } from '../../../model/site.ts';
import { plainText } from '../../text/template.ts';
import type { Cursor } from '../cursor.ts';

/** `moved "/find-us" "/old/visit.html"`: where the pages of a route were once. */
export class MovedReader {
	readonly addresses: Moved[] = [];

	constructor(private readonly route: Pattern) {}

	readonly read = (cursor: Cursor): void => {
		do this.readOne(cursor);
		while (cursor.peek()?.kind === 'text');
		cursor.finish();
	};

	private readOne(cursor: Cursor): void {
		const atom = cursor.takeText('What moved');
		if (!atom) return;
		const { span } = atom;
		const text = plainText(atom).trim();
		const pattern = readMoved(text);
		const { problems } = cursor;
		if (typeof pattern === 'string') problems.push(error('route-invalid', span, text, pattern));
		else if (!hasSameParameters(pattern, this.route))
			problems.push(error('moved-parameters', span, text, this.route.text));
		else if (this.addresses.some((one) => one.text === text))
			problems.push(error('listed-twice', span, 'The old address', text));
		else this.addresses.push({ text, pattern, span });
	}
}

/** The pattern of an address as others wrote it: with a slash at its end, the name of a file, or bare characters. */
export function readMoved(text: string): Pattern | string {
	const escaped = text.replace(/[^A-Za-z0-9_.~%:*?#/-]/gu, encodeSegment);
	return readPattern(withoutFile(escaped.replace(/(.)\/$/, '$1')));
}
