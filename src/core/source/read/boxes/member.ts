import { error } from '../../../messages/problem.ts';
import type { Member, Region, Wrapper } from '../../../model/site.ts';
import { OwnAttributesReader } from '../attributes.ts';
import { ArrangementsReader } from './arrange.ts';
import { readBlock, type ReadContext, type Vocabulary } from '../block.ts';
import type { Cursor } from '../cursor.ts';
import { takeElement } from './element.ts';
import { readRegion } from './region.ts';
import { SettingsReader } from './setting.ts';

/** Collects the regions and wrappers of a layout, and sees that no name is there twice. */
export class MembersReader {
	readonly members: Member[] = [];
	readonly statements: Vocabulary['statements'];

	constructor(layout: string, context: ReadContext, taken: Set<string> = new Set()) {
		const add = (member: Member | undefined): void => {
			if (!member) return;
			const { text, span } = member.name;
			if (taken.has(text)) context.problems.push(error('region-twice', span, text, layout));
			else this.members.push(member);
			taken.add(text);
		};
		this.statements = {
			region: (cursor) => add(readRegion(cursor, context)),
			wrapper: (cursor) => add(readWrapper(cursor, { layout, context, taken }))
		};
	}
}

/** All regions among members and in their wrappers, in reading order. */
export function regionsOf(members: readonly Member[]): Region[] {
	return members.flatMap((one) => (one.kind === 'region' ? [one] : regionsOf(one.members)));
}

interface Around {
	readonly layout: string;
	readonly context: ReadContext;
	/** Names of regions and wrappers that the layout has already. */
	readonly taken: Set<string>;
}

/** `wrapper NAME [as ELEMENT] { regions, wrappers, an arrangement and settings }`. */
function readWrapper(cursor: Cursor, { layout, context, taken }: Around): Wrapper | undefined {
	const name = cursor.takeName('A wrapper');
	if (!name) return undefined;
	const what = `The wrapper ${name.text}`;
	const element = cursor.takeWord('as') ? takeElement(cursor, what) : undefined;
	const settings = new SettingsReader('wrapper', context);
	const arrangements = new ArrangementsReader(context);
	const attributes = new OwnAttributesReader(`the wrapper ${name.text}`, context);
	const members = new MembersReader(layout, context, taken);
	cursor.finish({ block: true });
	readBlock(
		cursor.needBlock(what),
		{
			name: `the wrapper ${name.text}`,
			statements: {
				...settings.statements,
				arrange: arrangements.read,
				...attributes.statements,
				...members.statements
			}
		},
		context
	);
	return {
		kind: 'wrapper',
		name,
		element: element ?? { text: 'div', span: name.span },
		settings: settings.settings,
		arrangements: arrangements.arrangements,
		attributes: attributes.value,
		members: members.members,
		span: cursor.statement.span
	};
}
