import { putAround, putBehind } from '$core/outline/element-edits.ts';
import type { OutlineNode } from '$core/outline/outline.ts';
import { useText } from '$core/outline/tag-text.ts';
import { firstGiven } from '$core/view-models/markup/outline-view.ts';
import { ask } from '$store/ways/ask.svelte.ts';
import { choice } from '../plan/choice.svelte.ts';
import { chosenNode } from '../plan/chosen-node.svelte.ts';

/** A part is put behind something in markup; one that wraps is put around it. What it is given is chosen then. */
export function askPart(node: OutlineNode): void {
	const parts = chosenNode.outline?.parts ?? [];
	const says = parts.some((one) => one.wraps)
		? 'It comes behind what is chosen; a part that wraps something comes around it.'
		: 'It comes behind what is chosen.';
	ask.question = {
		title: 'Use a part',
		says: `${says} What it is given is chosen next, with a value for each.`,
		fields: [
			{
				label: 'Part',
				value: parts[0]?.name ?? '',
				mono: true,
				options: parts.map((one) => one.name)
			}
		],
		act: 'Use it',
		answer: async ([name = '']) => {
			const part = parts.find((one) => one.name === name);
			if (!part) return `There is no part ${name} here.`;
			const tag = useText(name, firstGiven(part, chosenNode.scope));
			const edit = part.wraps ? putAround(node, tag) : putBehind(node, tag);
			const before = chosenNode.outline?.nodes ?? [];
			const at = before.findIndex((one) => one.node === node);
			const within = before.filter(
				(one, index) => index > at && one.node.span.from < node.span.to
			).length;
			const sentence = await chosenNode.write(edit);
			const place = part.wraps ? at : at + within + 1;
			if (sentence === undefined) choice.node = { part: choice.node?.part, at: place };
			return sentence;
		}
	};
}
