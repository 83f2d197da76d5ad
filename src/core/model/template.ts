import type { Span } from './span.ts';

/** A path into the page's values, such as `site.name`, as written between braces. */
export interface Expression {
	readonly path: readonly string[];
	readonly span: Span;
}

/** Text with expressions in it: literal stretches and the expressions between them, in order. */
export interface Template {
	readonly parts: readonly (string | Expression)[];
	readonly span: Span;
}

/** A template as the author wrote it, for headings and lists. */
export function templateText(template: Template): string {
	return template.parts
		.map((part) => (typeof part === 'string' ? part : `{${part.path.join('.')}}`))
		.join('');
}
