import type { ChildNode, Element } from 'domhandler';
import { listClass } from '../emit/names.ts';
import { saidIn, type SaidSize } from '../geometry/pieces/said-size.ts';
import type { Saying } from '../geometry/pieces/text-lines.ts';
import { layerName } from '../model/site.ts';
import type { AuthorRule } from '../author-styles/author-rules.ts';
import { namedAmong, subjectsOf } from '../author-styles/page-tree.ts';

/** What our own sheet says of lists of links (`emit/css/sheets.ts`). */
const ownRules = [
	{
		subjects: [`.${listClass}`, `.${listClass} ul`],
		says: saidIn([{ property: 'margin', value: '0', isImportant: false }])
	}
];

/** What stands around all content. */
const isOutside = /:scope|:root|^(html|body)\b/;

/** Rules that say something of the size of content, and a word that is the same for the same rules. */
export interface SayingRules {
	readonly word: string;
	readonly rules: readonly { readonly subjects: readonly string[]; readonly says: SaidSize }[];
}

/**
 * Of the rules that may hold on a page, those that may reach what some layers brought and say something of sizes.
 * Content is looked at by itself, so of a selector only its subject is asked: where that decides too little, the guess
 * is so much further off.
 */
export class ContentRules {
	private readonly byOwners = new Map<string, SayingRules>();

	constructor(private readonly all: readonly AuthorRule[]) {}

	of(owners: readonly string[]): SayingRules {
		const key = owners.join('\n');
		let found = this.byOwners.get(key);
		if (!found) this.byOwners.set(key, (found = this.find(new Set(owners))));
		return found;
	}

	private find(owners: ReadonlySet<string>): SayingRules {
		const rules = this.all.flatMap((rule) => {
			const { owner, within, conditions, declarations } = rule;
			const isOwn = owner.kind === 'part' || owners.has(layerName(owner));
			if (conditions.length > 0 || (within !== undefined && !isOwn)) return [];
			const known = sayingOf(declarations);
			if (!known) return [];
			const subjects = subjectsOf(rule.selectors).flatMap(({ subject, passing, pseudo }) =>
				passing || pseudo !== undefined || isOutside.test(subject) ? [] : [subject]
			);
			return subjects.length > 0 ? [{ subjects, ...known }] : [];
		});
		const word = rules.map(({ number, subjects }) => `${number} ${subjects.join()}`).join('\n');
		return { word, rules: [...ownRules, ...rules] };
	}
}

const sayings = new WeakMap<object, { says: SaidSize; number: number } | undefined>();
let count = 0;

/** What declarations say of sizes, with a number of their own; undefined where that is nothing. */
function sayingOf(
	declarations: AuthorRule['declarations']
): { readonly says: SaidSize; readonly number: number } | undefined {
	if (!sayings.has(declarations)) {
		const says = saidIn(declarations);
		const isNothing = Object.values(says).every((value) => value === undefined || value === false);
		sayings.set(declarations, isNothing ? undefined : { says, number: ++count });
	}
	return sayings.get(declarations);
}

/** What rules say of the elements of some content. */
export function sayingIn(
	nodes: readonly ChildNode[],
	{ rules }: SayingRules,
	picture: Saying['picture']
): Saying {
	const said = new Map<Element, SaidSize>();
	for (const { subjects, says } of rules) {
		for (const subject of subjects) {
			for (const element of namedAmong(nodes, subject)) {
				said.set(element, { ...said.get(element), ...says });
			}
		}
	}
	return { said: (element) => said.get(element), picture };
}
