import { parse, walk } from 'css-tree';
import { nestingOf } from '../../size/css-tokens.ts';
import { deepestNesting } from '../../size/css-value.ts';

/** CSS with each `url()` as `link` has it. What cannot be parsed stays as it is. */
export function withUrls(css: string, link: (url: string) => string): string {
	if (!/url\(/i.test(css) || nestingOf(css) > deepestNesting) return css;
	const found: { from: number; to: number; url: string }[] = [];
	walk(parse(css, { positions: true }), {
		visit: 'Url',
		enter(node) {
			if (node.loc) {
				found.push({ from: node.loc.start.offset, to: node.loc.end.offset, url: node.value });
			}
		}
	});
	return found.reduceRight((text, { from, to, url }) => {
		const linked = link(url);
		if (linked === url) return text;
		return `${text.slice(0, from)}url('${linked.replaceAll("'", '%27')}')${text.slice(to)}`;
	}, css);
}
