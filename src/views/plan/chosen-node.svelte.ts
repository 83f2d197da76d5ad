import type { MarkupEdit } from '$core/outline/element-edits.ts';
import type { OutlineNode } from '$core/outline/outline.ts';
import { wayTo } from '$core/outline/way-to.ts';
import type { PieceRef } from '$core/model/command.ts';
import type { InScope } from '$core/view-models/markup/in-scope.ts';
import type { NodeView, OutlineAsked, OutlineView } from '$core/view-models/markup/outline-view.ts';
import { commands } from '$store/commands.svelte.ts';
import { store } from '$store/site.svelte.ts';
import { choice } from './choice.svelte.ts';

const nothing: InScope = { lists: [], values: [] };

/** What stands in the markup of the chosen piece, and what of it is chosen. */
class ChosenNode {
	/** Of the piece, or of a part that it shows. */
	outline = $state.raw<OutlineView | undefined>();
	/** What has a name at the chosen place. */
	scope = $state.raw<InScope>(nothing);
	private turn = 0;

	get view(): NodeView | undefined {
		return choice.node && this.outline?.nodes[choice.node.at];
	}

	/** What the chosen stands in, the outermost first, and itself, by their places in the outline. */
	get way(): readonly number[] {
		const { node } = choice;
		return node && this.outline ? wayTo(this.nodes, node.at) : [];
	}

	/** What stands directly in the chosen. */
	get inside(): readonly number[] {
		const { node } = choice;
		const depth = this.view?.node.depth;
		if (!node || depth === undefined) return [];
		const found: number[] = [];
		for (let at = node.at + 1; (this.nodes[at]?.depth ?? -1) > depth; at++) {
			if (this.nodes[at]?.depth === depth + 1) found.push(at);
		}
		return found;
	}

	private get nodes(): readonly OutlineNode[] {
		return this.outline?.nodes.map(({ node }) => node) ?? [];
	}

	/** Asks for what stands in a piece, or in a part; the last one asked for is shown. */
	async ask(piece: PieceRef | undefined, part: string | undefined): Promise<void> {
		const turn = ++this.turn;
		const asked = piece && asking(piece, part);
		const outline = asked && (await store.core.places.outline(this.request, asked));
		const node = choice.node && outline?.nodes[choice.node.at]?.node;
		const scope =
			asked && node
				? await store.core.places.scopeAt(this.request, asked, node.span.from)
				: nothing;
		if (turn !== this.turn) return;
		this.outline = outline;
		this.scope = scope;
		// What was chosen is gone from the markup.
		if (outline && choice.node && !node) choice.node = undefined;
	}

	/** Chooses what an element of the page is written as. */
	async point(element: number): Promise<void> {
		const found = await store.core.places.outline(this.request, { kind: 'element', element });
		if (found?.at === undefined) return;
		const part = found.of.kind === 'part' ? found.of.name : undefined;
		choice.node = { part, at: found.at };
	}

	/** Carries an edit of the markup out; gives the sentence of a refusal. */
	async write(edit: MarkupEdit): Promise<string | undefined> {
		const of = this.outline?.of.name ?? '';
		return commands.attempt({ kind: 'write-markup', of, ...edit });
	}

	private get request(): Parameters<typeof store.core.places.outline>[0] {
		const page = store.page;
		return { page: page?.page ?? '', address: page?.address, ...store.seeing };
	}
}

function asking({ holder, piece }: PieceRef, part: string | undefined): OutlineAsked {
	return part === undefined
		? { kind: 'piece', layer: holder.layer.name, piece }
		: { kind: 'part', part };
}

export const chosenNode = new ChosenNode();
