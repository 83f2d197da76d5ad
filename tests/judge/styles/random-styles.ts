import fc from 'fast-check';

/** Random sites whose layers and parts have styles of their own, made of all that selectors can say. */

/** A rule, with what stands in it. */
interface RandomRule {
	readonly selectors: readonly string[];
	readonly inside: readonly RandomRule[];
	/** Whether what it says stands behind the rules in it. */
	readonly saysLast: boolean;
	/** A group around it. */
	readonly within: string | undefined;
}

export interface RandomStyles {
	readonly outer: RandomLayer & {
		readonly hasDrawer: boolean;
		readonly hasDefault: boolean;
		readonly drawerFirst: boolean;
		readonly regionRules: readonly RandomRule[];
		readonly slotRules: readonly RandomRule[];
	};
	/** A layout inside, with what it puts into the outer one. */
	readonly inner: (RandomLayer & { readonly hasDefault: boolean }) | undefined;
	readonly page: RandomLayer;
	readonly parts: readonly (RandomContent & { readonly rules: readonly RandomRule[] })[];
}

interface RandomContent {
	readonly blocks: readonly Block[];
}

interface RandomLayer extends RandomContent {
	readonly rules: readonly RandomRule[];
	readonly fills: readonly (RandomContent & {
		readonly region: 'side' | 'main' | 'head';
		readonly kind: 'before' | 'after';
	})[];
}

type Block =
	| {
			readonly kind: 'element';
			readonly name: string;
			readonly classes: string;
			readonly inside: readonly Block[];
	  }
	| { readonly kind: 'part'; readonly part: number; readonly inside: readonly Block[] }
	| { readonly kind: 'words'; readonly name: string; readonly classes: string };

const classNames = ['lead', 'row', 'note'] as const;
const elements = ['div', 'section', 'ul'] as const;
const lines = ['p', 'h2', 'b'] as const;

const classes = fc.subarray([...classNames], { maxLength: 2 }).map((list) => list.join(' '));
const { blocks } = fc.letrec<{ blocks: readonly Block[]; block: Block }>((tie) => ({
	blocks: fc.array(tie('block'), { minLength: 1, maxLength: 3, depthIdentifier: 'block' }),
	block: fc.oneof(
		{ depthSize: 'small', depthIdentifier: 'block' },
		fc.record({ kind: fc.constant('words' as const), name: fc.constantFrom(...lines), classes }),
		fc.record({ kind: fc.constant('element' as const), name: fc.constantFrom(...elements), classes, inside: tie('blocks') }),
		fc.record({ kind: fc.constant('part' as const), part: fc.nat(2), inside: tie('blocks') })
	)
})); // prettier-ignore

const simple = fc.oneof(
	{ weight: 4, arbitrary: fc.constantFrom(...classNames.map((one) => `.${one}`)) },
	{ weight: 4, arbitrary: fc.constantFrom(...elements, ...lines, '*', 'main', 'body', 'aside', 'button', 'i', 'hr') },
	{ weight: 3, arbitrary: fc.constantFrom(':first-child', ':last-child', ':nth-child(2)', ':only-child', ':empty', ':has(> b)', ':first-of-type', '[class]') },
	{ weight: 2, arbitrary: fc.constantFrom(':not(.lead)', ':not(div > *)', ':is(.row, p)', ':is(.note b, h2)', ':where(.row) ', ':not(:first-child)', ':is(*)') },
	{ weight: 2, arbitrary: fc.constantFrom(':scope', ':scope.lead', ':not(:scope)') }
); // prettier-ignore
const compound = fc
	.tuple(simple, fc.option(fc.constantFrom(...classNames, 'x'), { nil: undefined, freq: 3 }))
	.map(([one, more]) => `${one.trim()}${more === undefined ? '' : `.${more}`}`);
const combinator = fc.constantFrom(' ', ' > ', ' + ', ' ~ ', '>');
const complex = fc
	.tuple(compound, fc.array(fc.tuple(combinator, compound), { maxLength: 2 }))
	.chain(([first, rest]) =>
		fc
			.constantFrom('', '', '', '::before', ':after', '::marker')
			.map((tail) => first + rest.map(([by, one]) => by + one).join('') + tail)
	);
const nestedSelector = fc.oneof(
	complex,
	fc.tuple(fc.constantFrom('& ', '&', '> ', '+ ', '& > ', '.note &', ':is(&) '), compound).map(([a, b]) => (a === '&' || a.endsWith('&') ? a : a + b)),
	compound.map((one) => (/^[.:[]/.test(one) ? `&${one}` : one))
); // prettier-ignore
const within = fc.option(
	fc.constantFrom('@media (min-width: 10px)', '@media print', '@supports (display: grid)'),
	{ nil: undefined, freq: 4 }
);

const innermost: fc.Arbitrary<RandomRule> = fc.record({
	selectors: fc.array(nestedSelector, { minLength: 1, maxLength: 2 }),
	inside: fc.constant<readonly RandomRule[]>([]),
	saysLast: fc.boolean(),
	within
});
const rule: fc.Arbitrary<RandomRule> = fc.record({
	selectors: fc.array(complex, { minLength: 1, maxLength: 3 }),
	inside: fc.oneof(
		{ weight: 3, arbitrary: fc.constant<readonly RandomRule[]>([]) },
		fc.array(innermost, { minLength: 1, maxLength: 2 })
	),
	saysLast: fc.boolean(),
	within
});
const rules = fc.array(rule, { minLength: 1, maxLength: 4 });
const fills = fc.array(
	fc.record({
		region: fc.constantFrom<'side' | 'main' | 'head'>('side', 'main', 'head'),
		kind: fc.constantFrom<'before' | 'after'>('before', 'after'),
		blocks
	}),
	{ maxLength: 2 }
);

export const randomStyles: fc.Arbitrary<RandomStyles> = fc.record({
	outer: fc.record({
		blocks,
		rules,
		fills: fc.constant([]),
		hasDrawer: fc.boolean(),
		hasDefault: fc.boolean(),
		drawerFirst: fc.boolean(),
		regionRules: rules,
		slotRules: rules
	}),
	inner: fc.option(fc.record({ blocks, rules, fills, hasDefault: fc.boolean() }), {
		nil: undefined
	}),
	page: fc.record({ blocks, rules, fills }),
	parts: fc.tuple(
		...[0, 1, 2].map(() => fc.record({ blocks, rules: fc.oneof(rules, fc.constant([])) }))
	)
});

/** Whose style it is, as the marks of the generator and of the page say it. */
export interface Realm {
	readonly kind: 'layer' | 'region' | 'part';
	/** `layout outer`, `layout inner`, `page`; the name of a region of outer, or of a part. */
	readonly name: string;
	/** The style as it is written. */
	readonly css: string;
	/** Numbers of its rules, each of which says `--r<number>`; all say one property besides. */
	readonly rules: readonly number[];
	readonly number: number;
}

export interface StyledSite {
	readonly text: string;
	readonly route: string;
	readonly realms: readonly Realm[];
}

/** The site as text, with what its styles are. */
export function styledSite({ outer, inner, page, parts }: RandomStyles): StyledSite {
	const realms: Realm[] = [];
	let count = 0;
	const style = (kind: Realm['kind'], name: string, list: readonly RandomRule[]): string => {
		if (list.length === 0) return '';
		const own: number[] = [];
		const number = realms.length;
		const css = list
			.map((one) => ruleText(one, number, () => (own.push(++count), count)))
			.join('\n');
		realms.push({ kind, name, css, rules: own, number });
		return `style """\n${css}\n"""\n`;
	};
	const usable = parts.map((_, index) => index);
	const drawer =
		'region menu as nav { show drawer left 200px "Menu"; show in-place @wide; piece links nav from / depth 2 }\n';
	const outerFills = inner ? fillsText(inner, 'inner', usable) : '';
	const route = inner ? '/in' : '/';
	const text = [
		'site "Beds" { bands { narrow 0; wide 900 } }',
		...parts.map(
			(part, index) =>
				`part p${index} { ${style('part', `p${index}`, part.rules)} } """${bounded('part', `p${index}`, partMarkup(part, index))}"""`
		),
		`layout outer at / {\n${style('layer', 'layout outer', outer.rules)}`,
		outer.hasDrawer ? drawer : '',
		outer.drawerFirst ? '' : `region head as header { piece name """${bounded('piece', 'layout outer', markup(outer, usable))}""" }\n`,
		`region main as main { slot; ${outer.hasDefault ? 'piece none """<p class="lead">None</p>"""; ' : ''}${style('region', 'main', outer.slotRules)} }\n`,
		outer.drawerFirst ? 'region head as header { piece name """<p class="row">Beds</p>""" }\n' : '',
		`region side as aside { piece own """${bounded('piece', 'layout outer', '<p class="lead">Side</p><ul class="row"><li><b>Open</b></li></ul>')}"""; ${style('region', 'side', outer.regionRules)} }\n}`,
		inner
			? `layout inner at /in {\n${style('layer', 'layout inner', inner.rules)} region body as div { slot; ${inner.hasDefault ? 'piece none """<p class="lead">None</p>"""' : ''} }\n region foot as footer { piece end """${bounded('piece', 'layout inner', markup(inner, usable))}""" }\n${outerFills} }`
			: '',
		`route ${route} {\n title "Beds"; ${style('layer', 'page', page.rules)} piece one """${bounded('piece', 'page', markup(page, usable))}"""; piece two """<b class="note">plain</b> words"""; ${fillsText(page, 'page', usable)} }`
	].join('\n'); // prettier-ignore
	return { text, route, realms };
}

function fillsText(layer: RandomLayer, who: 'inner' | 'page', usable: readonly number[]): string {
	const owner = who === 'inner' ? 'layout inner' : 'page';
	return layer.fills
		.map(
			({ region, kind, blocks: list }, index) =>
				`fill outer.${region} ${kind} { piece f${index} """${bounded('piece', owner, markup({ blocks: list }, usable))}""" }`
		)
		.join('\n');
}

/** Between two elements that say what stands there, for whoever goes through the page. */
function bounded(kind: 'piece' | 'part', name: string, html: string): string {
	return `<hr data-open="${kind} ${name}">${html}<hr data-close>`;
}

/** A part wraps something in its last block, and uses parts that come after it. */
function partMarkup(part: RandomContent, index: number): string {
	const usable = [0, 1, 2].filter((other) => other > index);
	return `${markup(part, usable)}<div class="row"><hr data-wrap="p${index}">{content}<hr data-unwrap></div>`;
}

function markup({ blocks: list }: RandomContent, usable: readonly number[]): string {
	return list.map((block) => blockText(block, usable)).join('');
}

function blockText(block: Block, usable: readonly number[]): string {
	if (block.kind === 'part') {
		const inside = markup({ blocks: block.inside }, usable);
		const part = usable[block.part % Math.max(1, usable.length)];
		return part === undefined ? `<div>${inside}</div>` : `{use p${part}}${inside}{end}`;
	}
	const attribute = block.classes === '' ? '' : ` class="${block.classes}"`;
	if (block.kind === 'words') return `<${block.name}${attribute}>words</${block.name}>`;
	const inside = markup({ blocks: block.inside }, usable);
	const held = block.name === 'ul' ? `<li>${inside}</li>` : inside;
	return `<${block.name}${attribute}>${held}</${block.name}>`;
}

function ruleText(one: RandomRule, realm: number, next: () => number): string {
	const number = next();
	const content = one.selectors.some((selector) => /::?(before|after)$/.test(selector))
		? "content: '';"
		: '';
	const says = `--r${number}: "yes"; --w${realm}: "${number}"; ${content}`;
	const inside = one.inside.map((inner) => ruleText(inner, realm, next)).join('\n');
	const body = one.saysLast ? `${inside}\n${says}` : `${says}\n${inside}`;
	const text = `${one.selectors.join(', ')} {\n${body}\n}`;
	return one.within === undefined ? text : `${one.within} {\n${text}\n}`;
}
