/** A node of a page that is brought in. Equal nodes have the same word: whatever they hold is equal, too. */
export type BroughtNode = BroughtElement | BroughtText | BroughtComment;

export interface BroughtElement {
	readonly kind: 'element';
	readonly tag: string;
	readonly attributes: readonly BroughtAttribute[];
	readonly children: readonly BroughtNode[];
	readonly word: number;
	/** Bytes, roughly, that its markup takes. */
	readonly size: number;
}

export interface BroughtAttribute {
	readonly name: string;
	readonly value: string;
}

export interface BroughtText {
	readonly kind: 'text';
	readonly text: string;
	readonly word: number;
	readonly size: number;
}

export interface BroughtComment {
	readonly kind: 'comment';
	readonly text: string;
	readonly word: number;
	readonly size: number;
}

export function attributeOf(
	element: Pick<BroughtElement, 'attributes'>,
	name: string
): string | undefined {
	return element.attributes.find((one) => one.name === name)?.value;
}

/** The text in an element, with one blank where there is any white space, and none around. */
export function textIn({ children }: BroughtElement): string {
	return plain(children.map(textOf).join(''));
}

/** The text of a node, with white space as it is. */
export function textOf(node: BroughtNode): string {
	if (node.kind === 'text') return node.text;
	return node.kind === 'element' ? node.children.map(textOf).join('') : '';
}

/** Text with one blank where there is any white space, and none around; blanks that do not break a line stay. */
export function plain(text: string): string {
	return text.replace(/[ \t\n\f\r]+/g, ' ').replace(/^ | $/g, '');
}

/** Text that shows nothing between elements. */
export function isBlank(node: BroughtNode | undefined): boolean {
	// A blank that does not break a line is a character like others.
	return node?.kind === 'text' && /^[ \t\n\f\r]*$/.test(node.text);
}

/** Nodes without blank text and comments at their ends. */
export function trimmed(nodes: readonly BroughtNode[]): readonly BroughtNode[] {
	let [from, to] = [0, nodes.length];
	while (from < to && isBlank(nodes[from])) from++;
	while (to > from && isBlank(nodes[to - 1])) to--;
	return from === 0 && to === nodes.length ? nodes : nodes.slice(from, to);
}

/** One word for a list of nodes. */
export function wordOf(nodes: readonly BroughtNode[]): string {
	return nodes.map(({ word }) => word).join(' ');
}

export function sizeOf(nodes: readonly BroughtNode[]): number {
	return nodes.reduce((sum, { size }) => sum + size, 0);
}

/** Gives words to what nodes are: the same for the same. */
export class Words {
	private readonly known = new Map<string, number>();

	of(what: string): number {
		const known = this.known.get(what);
		if (known !== undefined) return known;
		this.known.set(what, this.known.size);
		return this.known.size - 1;
	}
}
