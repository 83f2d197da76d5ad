import { generate, parse, type Declaration } from './css-syntax.ts';

/** A property and its value, as an author said them. */
export interface CssDeclaration {
	readonly property: string;
	/** With single blanks, without `!important`. */
	readonly value: string;
	/** It says `!important`. */
	readonly isImportant: boolean;
}

/** A declaration as it stands in a style; undefined where it is none. */
export function parseDeclaration(text: string): CssDeclaration | undefined {
	const node = declarationNode(text);
	if (!node) return undefined;
	const { property, value, important } = node;
	return { property, value: generate(value), isImportant: Boolean(important) };
}

/** The tree of a declaration, with places from `at` on; undefined where it is none. Never throws. */
export function declarationNode(text: string, at = 0): Declaration | undefined {
	const options = { context: 'declaration', positions: true, offset: at };
	try {
		const node = parse(text.replace(/;\s*$/, ''), options);
		return node.type === 'Declaration' ? node : undefined;
	} catch {
		return undefined;
	}
}
