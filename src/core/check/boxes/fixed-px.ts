import { isLength, parseLength } from '../../size/length.ts';
import { substitute } from '../../size/tokens.ts';

/** px of a length that is the same on every screen; undefined for all others. */
export function fixedPx(text: string, tokens: ReadonlyMap<string, string>): number | undefined {
	const put = substitute(text, (name) => tokens.get(name));
	const length = put === undefined ? undefined : parseLength(put);
	if (!length || !isLength(length) || length.share || length.viewport) return undefined;
	return length.at(0, { width: 0, height: 0 });
}
