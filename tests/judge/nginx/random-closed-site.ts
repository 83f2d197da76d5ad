import fc from 'fast-check';

/** Random sites of pages that not everyone may open, with states and names that a configuration could trip over. */

export interface ClosedSite {
	readonly text: string;
	readonly assets: readonly string[];
	/** Paths to ask for, as they stand in a request. */
	readonly addresses: readonly string[];
}

interface RandomPage {
	readonly pattern: readonly string[];
	readonly admit: readonly string[];
	readonly samples: boolean;
	/** Where it was once: in front of its address, and with the name of a file behind. */
	readonly moved: 'nowhere' | 'folder' | 'file' | 'elsewhere';
}

interface RandomClosed {
	readonly files: boolean;
	readonly pages: readonly RandomPage[];
	readonly layouts: readonly {
		readonly pattern: readonly string[];
		readonly admit: readonly string[];
	}[];
	readonly states: readonly {
		readonly kind: 'not-found' | 'denied';
		readonly pattern: readonly string[];
	}[];
	readonly assets: readonly string[];
	/** Roles of all that says some are only this one, where the others would contradict each other. */
	readonly oneRole: boolean;
}

const word = fc.oneof(
	{ weight: 6, arbitrary: fc.constantFrom('a', 'b', 'm', 'closed', 'open', 'x') },
	{ weight: 2, arbitrary: fc.constant(':') },
	{
		weight: 2,
		arbitrary: fc.constantFrom('a%20b', 'a%3Bb', 'x%20%7B%7D%20autoindex%20on%3B', 'caf%C3%A9', 'a%24b', 'a%22b', '%27', 'a.b', 'a%3Fb', '~', 'A', 'a%23', '%5Bx%5D', 'a+b', '404', 'denied', 'not-found')
	}
); // prettier-ignore
/** A parameter is named for its place; the last segment may be the rest. */
const pattern = fc
	.tuple(fc.array(word, { maxLength: 3 }), fc.boolean(), fc.boolean())
	.map(([words, rest, really]) => [
		...words.map((one, index) => (one === ':' ? `:p${index}` : one)),
		...(rest && really ? ['*'] : [])
	]);
const keyOf = (words: readonly string[]): string =>
	words.map((one) => (one.startsWith(':') ? ':' : one)).join('/');
const admit = fc.oneof(
	{ weight: 3, arbitrary: fc.constant<string[]>([]) },
	fc.constantFrom(['keeper'], ['member', 'keeper'])
);

const randomClosed: fc.Arbitrary<RandomClosed> = fc.record({
	files: fc.boolean(),
	pages: fc.uniqueArray(
		fc.record({
			pattern,
			admit,
			samples: fc.boolean(),
			moved: fc.constantFrom('nowhere', 'nowhere', 'folder', 'file', 'elsewhere')
		}),
		{
			minLength: 1,
			maxLength: 7,
			selector: (one) => keyOf(one.pattern)
		}
	),
	layouts: fc.uniqueArray(
		fc.record({ pattern: pattern.filter((words) => words.at(-1) !== '*'), admit }),
		{ maxLength: 2, selector: (one) => keyOf(one.pattern) }
	),
	states: fc.uniqueArray(
		fc.record({ kind: fc.constantFrom<'not-found' | 'denied'>('not-found', 'denied'), pattern }),
		{ maxLength: 3, selector: (one) => `${one.kind} ${keyOf(one.pattern)}` }
	),
	assets: fc.subarray([
		'a/pod.svg',
		'closed/pod.svg',
		'm/leaf.html',
		'leaf/index.html',
		'open/index.html',
		'x.txt'
	]),
	oneRole: fc.boolean()
});

export const closedSites = randomClosed.map(siteOf);

function siteOf({ files, pages, layouts, states, assets, oneRole }: RandomClosed): ClosedSite {
	const admits = (roles: readonly string[]): string =>
		roles.length === 0 ? '' : `admit ${oneRole ? 'keeper' : roles.join(' ')};`;
	const path = (words: readonly string[]): string => '/' + words.join('/');
	const isOpen = (words: readonly string[]): boolean => words.some((one) => /^[:*]/.test(one));
	const hasRoot = (kind: string): boolean =>
		states.some((one) => one.kind === kind && one.pattern.length === 0);
	const text = [
		`site "Beds" { urls ${files ? 'files' : 'folders'}; roles { visitor; member; keeper } }`,
		...layouts.map(
			(one, index) =>
				`layout l${index} at ${path(one.pattern)} { ${admits(one.admit)} region main as main { slot } }`
		),
		...pages.map(
			(one, index) =>
				`route ${path(one.pattern)} { title "Page ${index}"; ${admits(one.admit)} ${samplesOf(one)} ${movedOf(one)} piece p """<p>This is page ${index}.</p>""" }`
		),
		...['not-found', 'denied']
			.filter((kind) => !hasRoot(kind))
			.map(
				(kind) => `state ${kind} at / { title "${kind}"; piece p """<p>${kind} of all.</p>""" }`
			),
		...states.map(
			(one, index) =>
				`state ${one.kind} at ${path(one.pattern)} { title "State ${index}"; piece p """<p>${one.kind} ${index}.</p>""" }`
		)
	].join('\n');
	// Addresses are asked for as they are written everywhere else: other spellings are another question.
	const spelled = (one: string): string =>
		encodeURIComponent(decodeURIComponent(one)).replaceAll('%24', '$');
	const old = pages.flatMap((one) => {
		const words = oldOf(one);
		return words ? [{ pattern: words }] : [];
	});
	const patterns = [...pages, ...layouts, ...states, ...old].map((one) =>
		one.pattern.map((word) => (/^[:*]/.test(word) ? word : spelled(word)))
	);
	const filled = patterns.flatMap((words) =>
		['a', 'closed', 'kale', 'z%20z'].map((value) =>
			path(words.map((one) => (one === '*' ? `${value}/b` : one.startsWith(':') ? value : one)))
		)
	);
	const asWritten = patterns.filter((words) => !isOpen(words)).map(path);
	const below = [...filled, ...asWritten].flatMap((one) => [
		one,
		`${one}/a`,
		`${one}/nothing/more`
	]);
	const known = [...new Set([...below, '/', '/a', '/nothing'])];
	const addresses = known.flatMap((one) => {
		const plain = one === '/' ? '' : one.replace(/\/$/, '');
		return [one, `${plain}/`, `${plain}/index.html`, `${plain}.html`, `/${plain}/?from=1`];
	});
	const own = ['/access.json', '/nginx.conf', '/nginx.pid', '/.long-eave.json', '/404.html', '/denied.html', '/styles/site.css', '/a%2Fb/', '/closed%2fa', '/%5Ca', '/a%0A', '/-/admit', '/-/admit/0']; // prettier-ignore
	const stateFiles = states.map((one) => `${path(one.pattern.map(spelled))}/${one.kind}.html`);
	const all = [...addresses, ...own, ...stateFiles, ...assets.map((one) => `/${one}`)];
	return { text, assets, addresses: [...new Set(all)].filter((one) => one.startsWith('/')) };
}

/** Addresses of once; under `closed` and `m` they meet branches that are closed. */
function oldOf({ pattern: words, moved }: RandomPage): string[] | undefined {
	if (moved === 'nowhere' || (words.length === 0 && moved !== 'elsewhere')) return undefined;
	return moved === 'elsewhere' ? ['closed', ...words] : ['old', ...words];
}

function movedOf(page: RandomPage): string {
	const words = oldOf(page);
	const end = page.moved === 'file' && page.pattern.at(-1) !== '*' ? '.html' : '';
	const isOpen = /^[:*]/.test(page.pattern.at(-1) ?? '');
	return words ? `moved "/${words.join('/')}${isOpen ? '' : end}";` : '';
}

function samplesOf({ pattern: words, samples }: RandomPage): string {
	const parameters = words.filter((one) => one.startsWith(':'));
	const canSample = samples && parameters.length === 1 && !words.includes('*');
	return canSample ? 'samples "kale", "bean";' : '';
}
