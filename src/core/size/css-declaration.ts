import { generate, parse, type Declaration } from './css-syntax.ts';

/** A property and its value, as an author said them. */
export interface CssDeclaration {
	readonly property: string;
	/** With single blanks, without `!important`. */
	readonly value: string;
}

/** A declaration as it stands in a style; undefined where it is none. */
export function parseDeclaration(text: string): CssDeclaration | undefined {
	const node = declarationNode(text);
	return node && { property: node.property, value: generate(node.value) };
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
