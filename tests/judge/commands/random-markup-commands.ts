import type { CheckedSite } from '../../../src/core/check/checked-site.ts';
import type { Command } from '../../../src/core/model/command.ts';
import { layersOf, markupsOf } from '../../../src/core/model/site.ts';
import { valueFormats } from '../../../src/core/model/template.ts';
import {
	putAround,
	putBehind,
	setAttribute,
	setTag,
	setWords,
	takeAway,
	type MarkupEdit
} from '../../../src/core/outline/element-edits.ts';
import { outlineOf, type OutlineNode } from '../../../src/core/outline/outline.ts';
import { forText, ifText, useText, valueText } from '../../../src/core/outline/tag-text.ts';
import { partBook } from '../../../src/core/resolve/content/parts.ts';
import { piecesIn } from '../../../src/core/resolve/content/pieces.ts';
import type { Random } from '../fuzz/random.ts';

/** Commands for something in the markup of a site, with texts that suit and texts that do not. */

const texts = ['Seed & <b>', 'a "b" {c}', '', '{page.title}', '"""', '{', '}', '\\{', 'é\u00a0ü'];
const attributes = ['class', 'href', 'alt', 'hidden', 'onclick'];
const paths = ['page.title', 'site.name', 'data.none', 'item', 'x.y', ''];

/** An element, list, condition or part of a random piece or part; undefined where the site has none. */
function someNode(random: Random, { site, reading }: CheckedSite): OutlineNode | undefined {
	const templates = [
		...layersOf(site).flatMap((layer) => piecesIn(layer).flatMap(markupsOf)),
		...site.parts.map(({ markup }) => markup)
	];
	if (templates.length === 0) return undefined;
	const template = random.of(templates);
	const file = reading.files.texts.get(template.span.file) ?? '';
	const nodes = outlineOf({ template, file, book: partBook(site.parts) });
	return nodes.length === 0 ? undefined : random.of(nodes);
}

function someEdit(random: Random, site: CheckedSite, node: OutlineNode): MarkupEdit {
	const path = random.of(paths);
	const part = random.of([...site.site.parts.map(({ name }) => name.text), 'none']);
	const use = useText(part, [{ name: 'title', kind: random.of(['text', 'path'] as const), said: random.of(texts) }]); // prettier-ignore
	const list = forText(random.of(['x', 'page', '']), path);
	const test = ifText([{ path, how: random.of(['there', 'contains'] as const), text: random.of(texts) }]); // prettier-ignore
	if (random.once(5)) return takeAway(node);
	if (random.once(5)) return putBehind(node, random.of([use, '<hr>', '</p>']));
	if (random.once(5)) return putAround(node, random.of([test, list, use]));
	if (node.kind === 'block') return setTag(node, random.of([test, list, use]));
	if (random.once(2)) {
		const said = random.of([...texts, valueText({ path: path.split('.'), format: random.maybe(valueFormats), otherwise: random.maybe(texts) })]); // prettier-ignore
		const field = node.words.length > 0 ? random.of(node.words) : undefined;
		return setWords(node, field, said);
	}
	return setAttribute(node, random.of(attributes), random.maybe(texts));
}

export function randomMarkupCommand(random: Random, site: CheckedSite): Command | undefined {
	const node = someNode(random, site);
	if (!node) return undefined;
	if (node.kind === 'block' && random.once(3)) {
		return { kind: 'open-block', of: 'it', place: node.span, before: node.written };
	}
	return { kind: 'write-markup', of: 'it', ...someEdit(random, site, node) };
}
