import { mkdir, mkdtemp, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parse, type DefaultTreeAdapterTypes as Tree, serialize } from 'parse5';
import { root } from '../../scripts/lib/setup.js';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { answer } from '../../src/core/answer/answer.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { decodeUtf8 } from '../../src/core/lib/utf8.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';

/** What delivered pages bring into shells, found by laying one over the other; nothing of how shells are made is used. */

/** A program of the documents, as a file that can be imported. */
export async function documented(name: string): Promise<string> {
	const text = await readFile(join(root, 'docs/shells.md'), 'utf8');
	const code = [...text.matchAll(/```js\n([^]*?)```/g)].map(([, one = '']) => one);
	const found = code.find((one) => one.startsWith(`// ${name}\n`));
	if (found === undefined) throw new Error(`docs/shells.md has no ${name}.`);
	const cache = join(root, 'node_modules/.cache');
	await mkdir(cache, { recursive: true });
	const file = join(await mkdtemp(join(cache, 'shells-')), name);
	await writeFile(file, found);
	return file;
}

export async function demoSite(): Promise<CheckedSite> {
	return checkSite(readSiteFiles(await readSitePath(join(root, 'demo'))));
}

/** A page as the site answers with it. */
export function answered(resolved: CheckedSite, target: string, role: string | undefined): string {
	const site = { resolved, base: '/', changed: 0, failed: new Set<string>(), headLines: [] };
	const time = Date.UTC(2026, 5, 1);
	const { body } = answer(site, { method: 'GET', target, role, time, headers: {} });
	return body ? decodeUtf8(body) : '';
}

type Node = Tree.ChildNode;

function childrenOf(node: Node | Tree.Document): Node[] {
	return 'childNodes' in node ? node.childNodes : [];
}

const isBlank = (node: Node): boolean =>
	node.nodeName === '#text' && 'value' in node && node.value.trim() === '';

/** What stands in a page where the shell has its slots: what is in front and behind there is the same in both. */
export function fillsOf(shell: string, page: string): Record<string, string> {
	const fills: Record<string, string> = {};
	const walk = (one: readonly Node[], other: readonly Node[]): void => {
		const [left, right] = [one, other].map((nodes) => nodes.filter((node) => !isBlank(node)));
		if (!left || !right) return;
		const at = left.findIndex(({ nodeName }) => nodeName === 'slot');
		if (at === -1) {
			left.forEach((node, index) => {
				const there = right[index];
				if (there) walk(childrenOf(node), childrenOf(there));
			});
			return;
		}
		const slot = left[at];
		const name =
			slot && 'attrs' in slot ? slot.attrs.find((each) => each.name === 'name')?.value : '';
		const behind = left.length - at - 1;
		const first = right[at];
		const last = right[right.length - behind];
		const from = first ? other.indexOf(first) : other.length;
		const to = last ? other.indexOf(last) : other.length;
		const content = from < to ? other.slice(from, to) : [];
		fills[name ?? ''] = content.map((node) => htmlOf(node)).join('');
		left.slice(0, at).forEach((node, index) => {
			const there = right[index];
			if (there) walk(childrenOf(node), childrenOf(there));
		});
	};
	walk(childrenOf(parse(shell)), childrenOf(parse(page)));
	return fills;
}

function htmlOf(node: Node): string {
	const fragment: Tree.DocumentFragment = { nodeName: '#document-fragment', childNodes: [node] };
	return serialize(fragment);
}

/**
 * A page as what it is: elements in their order, their attributes, their words. In which order sheets are linked does
 * not matter, since their layers are named first.
 */
export function treeOf(html: string): string[] {
	const lines: string[] = [];
	const walk = (node: Node, depth: number): void => {
		if ('value' in node) {
			const words = node.value.replaceAll(/\s+/g, ' ').trim();
			if (words !== '') lines.push(`${' '.repeat(depth)}"${words}"`);
			return;
		}
		const attrs = 'attrs' in node ? node.attrs : [];
		const said = attrs.map(({ name, value }) => ` ${name}="${value}"`).sort();
		lines.push(`${' '.repeat(depth)}<${node.nodeName}${said.join('')}>`);
		for (const child of childrenOf(node)) walk(child, depth + 1);
	};
	for (const node of childrenOf(parse(html))) walk(node, 0);
	const isSheet = (line: string): boolean => line.includes('rel="stylesheet"');
	const first = lines.findIndex(isSheet);
	const sheets = lines.filter(isSheet).sort();
	return lines.filter((line) => !isSheet(line)).toSpliced(first, 0, ...sheets);
}
