import ts from 'typescript';
import { packageTypes } from './package-types.js';

/** The page of documentation of the package: every function and type with what its docstring says. */
export function packageDocument(): string {
	const declared = packageTypes();
	const [functions = [], types = []] = ['index.d.ts', 'types.d.ts'].map((name) =>
		declarationsIn(declared.get(name) ?? '')
	);
	return [
		'# The package',
		'',
		'Made from the docstrings in `src/package` by `npm run package-docs`. Install the package (`npm pack` makes it) and call it from a build of your own:',
		'',
		'```js',
		"import { build, check, readSite } from 'long-eave';",
		'',
		"const site = await readSite('site');",
		'for (const { file, line, sentence } of await check(site)) console.error(`${file}:${line}: ${sentence}`);',
		'for (const { path, content } of build(site)) await write(path, content);',
		'```',
		'',
		'## Functions',
		'',
		...functions.flatMap(entry),
		'## Types',
		'',
		...types.flatMap(entry)
	].join('\n');
}

interface Declaration {
	readonly name: string;
	readonly says: string;
	readonly text: string;
}

function declarationsIn(text: string): Declaration[] {
	const file = ts.createSourceFile('declared.ts', text, ts.ScriptTarget.ES2023, true);
	return file.statements.flatMap((one): Declaration[] => {
		const isNamed =
			ts.isFunctionDeclaration(one) ||
			ts.isInterfaceDeclaration(one) ||
			ts.isTypeAliasDeclaration(one);
		if (!isNamed || !one.name) return [];
		const says = ts
			.getJSDocCommentsAndTags(one)
			.map(({ comment }) => (typeof comment === 'string' ? comment : ''))
			.join(' ');
		const written = one.getText(file).replace(/^export (declare )?/, '');
		return [{ name: one.name.text, says: says.replaceAll(/\s+/g, ' '), text: written }];
	});
}

function entry({ name, says, text }: Declaration): string[] {
	return [`### ${name}`, '', says, '', '```ts', text.replaceAll('    ', '\t'), '```', ''];
}
