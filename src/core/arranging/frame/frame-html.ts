import type { DefaultTreeAdapterTypes as Tree } from 'parse5';
import { templateText, type Tag, type Template } from '../../model/template.ts';

/** The markup of a frame as HTML, in which each tag between braces is a comment with its number. */

/** A template as it is written in a block: braces that are text are told from tags. */
export function writtenText(template: Template): string {
	return templateText({
		...template,
		parts: template.parts.map((part) => (typeof part === 'string' ? escaped(part) : part))
	});
}

export const places = { sourceCodeLocationInfo: true } as const;
const tagWord = 'tag:';
const tagComments = new RegExp(`<!--${tagWord}(\\d+)-->`);

/** Markup as HTML, in which each tag is a comment with its number. */
export interface AsHtml {
	readonly text: string;
	readonly tags: readonly Tag[];
}

/** Markup as HTML. */
export function asHtml({ parts }: Template): AsHtml {
	const tags: Tag[] = [];
	const text = parts
		.map((part) => (typeof part === 'string' ? part : `<!--${tagWord}${tags.push(part) - 1}-->`))
		.join('');
	return { text, tags };
}

function escaped(text: string): string {
	return text.replaceAll('{', '\\{');
}

/** HTML with its tags as they are written. */
export function withTags(
	html: string,
	tags: readonly Tag[],
	written: (tag: Tag) => string = ({ text }) => `{${text}}`
): string {
	return html
		.split(tagComments)
		.map((one, index) => {
			if (index % 2 === 0) return escaped(one);
			const tag = tags[Number(one)];
			return tag ? written(tag) : '';
		})
		.join('');
}

/** All elements in one, in the order of the markup. */
export function elementsIn(parent: Tree.ParentNode): Tree.Element[] {
	return parent.childNodes.flatMap((child) =>
		'tagName' in child ? [child, ...elementsIn(child)] : []
	);
}

/** Where the name of an element ends in its tag; undefined of one that nobody wrote, such as the body of a table. */
export function behindName({ sourceCodeLocation, tagName }: Tree.Element): number | undefined {
	const start = sourceCodeLocation?.startTag ?? sourceCodeLocation;
	return start ? start.startOffset + 1 + tagName.length : undefined;
}
