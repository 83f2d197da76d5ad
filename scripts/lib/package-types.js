// What the package says of its interface: its declarations, made from what is written in its sources.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { root } from './tree.js';

const parts = ['index', 'types'];

/** The declarations by the names of their files; each function there says its types itself. */
export function packageTypes() {
	return new Map(
		parts.map((part) => {
			const text = readFileSync(join(root, `src/package/${part}.ts`), 'utf8');
			const { outputText, diagnostics = [] } = ts.transpileDeclaration(text, {
				fileName: `${part}.ts`,
				reportDiagnostics: true,
				compilerOptions: {
					isolatedDeclarations: true,
					target: ts.ScriptTarget.ES2023,
					module: ts.ModuleKind.ESNext
				}
			});
			const [first] = diagnostics;
			if (first) throw new Error(ts.flattenDiagnosticMessageText(first.messageText, ' '));
			return [`${part}.d.ts`, outputText.replaceAll("'./types.ts'", "'./types.js'")];
		})
	);
}
