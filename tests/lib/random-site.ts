import fc from 'fast-check';

/** A random tree of routes and layouts, as data from which both the text and a slow second answer are made. */
export interface RandomSite {
	readonly layouts: readonly {
		readonly name: string;
		readonly at: string;
		readonly onRequest: boolean;
		readonly under: string | undefined;
		readonly locked: boolean;
		readonly fills: readonly RandomFill[];
	}[];
	readonly routes: readonly {
		readonly pattern: string;
		readonly under: string | undefined;
		readonly fills: readonly RandomFill[];
	}[];
}

export interface RandomFill {
	readonly region: string;
	readonly kind: 'instead' | 'before' | 'after' | 'empty';
}

const segment = fc.constantFrom('a', 'b', ':p');
const pattern = fc
	.array(segment, { maxLength: 4 })
	// A parameter's name can stand once in a pattern.
	.map((words) => '/' + words.map((word, i) => (word === ':p' ? `:p${i}` : word)).join('/'));
const under = fc.option(fc.constantFrom('l0', 'l1', 'l2', 'l3', 'none'), {
	nil: undefined,
	freq: 2
});
const fills = fc.array(
	fc.record<RandomFill>({
		region: fc.constantFrom('box', 'l0.box', 'l1.box', 'l2.box', 'slot'),
		kind: fc.constantFrom<RandomFill['kind']>('instead', 'before', 'after', 'empty')
	}),
	{ maxLength: 3 }
);

export const randomSite: fc.Arbitrary<RandomSite> = fc.record({
	layouts: fc
		.array(
			fc.record({ at: pattern, onRequest: fc.boolean(), under, locked: fc.boolean(), fills }),
			{
				minLength: 1,
				maxLength: 4
			}
		)
		.map((list) => list.map((one, index) => ({ ...one, name: `l${index}` }))),
	routes: fc.uniqueArray(fc.record({ pattern, under, fills }), {
		minLength: 1,
		maxLength: 8,
		selector: (route) => route.pattern.replace(/:\w+/g, ':')
	})
});

export function siteText({ layouts, routes }: RandomSite): string {
	const fillText = (list: readonly RandomFill[]): string =>
		list
			.map(({ region, kind }, index) =>
				kind === 'empty'
					? `fill ${region} empty;`
					: `fill ${region} ${kind} { piece f${index} """x""" };`
			)
			.join(' ');
	return [
		'site "Random" { }',
		...layouts.map(
			(one) =>
				`layout ${one.name} at ${one.at} ${one.onRequest ? 'on-request' : ''} { ${one.under ? `under ${one.under};` : ''} ` +
				`region box as div { ${one.locked ? 'locked;' : ''} piece own """x""" }; region slot as main { slot }; ${fillText(one.fills)} }`
		),
		...routes.map(
			(one) =>
				`route ${one.pattern} { ${one.under ? `under ${one.under};` : ''} piece body """x"""; ${fillText(one.fills)} }`
		)
	].join('\n');
}
