import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';

/**
 * The body of a page as an outline: a line for each element with its classes and the attributes that
 * are asked for, indented by depth, and the text in it behind a colon.
 */
export function outlineOf(html: string, ...attributes: readonly string[]): string[] {
	const lines: string[] = [];
	const visit = (node: Tree.ChildNode, depth: number): void => {
		if (!('tagName' in node)) return;
		const value = (name: string): string | undefined =>
			node.attrs.find((one) => one.name === name)?.value;
		const classes = (value('class') ?? '').split(' ').filter(Boolean);
		const said = attributes.flatMap((name) => {
			const found = value(name);
			return found === undefined ? [] : [`[${name}${found && `=${found}`}]`];
		});
		const text = node.childNodes
			.map((child) => ('value' in child ? child.value.trim() : ''))
			.filter(Boolean)
			.join(' ');
		const name = [node.tagName, ...classes].join('.') + said.join('');
		lines.push('  '.repeat(depth) + name + (text && `: ${text}`));
		for (const child of node.childNodes) visit(child, depth + 1);
	};
	const root = parse(html).childNodes.find((node) => node.nodeName === 'html');
	const body =
		root && 'childNodes' in root
			? root.childNodes.find((one) => one.nodeName === 'body')
			: undefined;
	if (body) visit(body, 0);
	return lines;
}
