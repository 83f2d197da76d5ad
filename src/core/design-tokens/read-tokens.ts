import { listWords } from '../messages/wording.ts';
import { cssOf, NoCss, referenceOf } from './css-of.ts';
import {
	extension,
	extensionSchema,
	isObject,
	isToken,
	propertyOf,
	type SiteToken
} from './design-token.ts';

/** A token where it stands in a file. */
export interface FileToken {
	readonly path: readonly string[];
	readonly type: string | undefined;
	/** As it is there. */
	readonly said: Readonly<Record<string, unknown>>;
}

/** The tokens of a file, or a sentence that says why they cannot be taken. */
export type ReadTokens = { readonly tokens: readonly SiteToken[] } | { readonly refused: string };

/** Characters; a file beyond is none of tokens. */
const largest = 5_000_000;
/** More than anyone names, and less than any list can bear. */
const mostTokens = 5000;
/** Groups in each other beyond that are a slip. */
const deepest = 40;

/** Reads a file of tokens. Everything of it is taken, or nothing. */
export function readTokens(text: string, bands: readonly string[]): ReadTokens {
	if (text.length > largest)
		return { refused: `The file has more than ${largest / 1e6} MB: it holds no tokens.` };
	const file = parsed(text);
	if (file === undefined) return { refused: 'The file is no JSON object, so it holds no tokens.' };
	try {
		const tokens = [...new Reader(bands).all(file)];
		if (tokens.length === 0)
			return { refused: 'There is no token in the file: none of its members has a $value.' };
		return { tokens };
	} catch (failure) {
		if (failure instanceof NoTokens) return { refused: failure.message };
		throw failure;
	}
}

/** All tokens of a file in their order, with the types that groups give them. */
export function* fileTokens(
	group: Readonly<Record<string, unknown>>,
	path: readonly string[] = [],
	type?: string
): Generator<FileToken> {
	if (path.length > deepest)
		throw new NoTokens(`Groups stand in each other more than ${deepest} deep.`);
	const own = typeof group['$type'] === 'string' ? group['$type'] : type;
	for (const [name, member] of Object.entries(group)) {
		if (name.startsWith('$') || !isObject(member)) continue;
		const inside = [...path, name];
		if (isToken(member)) {
			const said = typeof member['$type'] === 'string' ? member['$type'] : own;
			yield { path: inside, type: said, said: member };
		} else {
			yield* fileTokens(member, inside, own);
		}
	}
}

/** A token's own values as CSS, its bands and its night. Throws a NoCss. */
export function siteTokenOf({ path, type, said }: FileToken): SiteToken {
	const own = extensionOf(said);
	const bands = Object.entries(own?.bands ?? {}).map(
		([band, value]) => [band, cssOf(value, type)] as const
	);
	return {
		name: propertyOf(path),
		value: cssOf(said['$value'], type),
		bands: Object.fromEntries(bands),
		night: own?.night === undefined ? undefined : cssOf(own.night, type)
	};
}

function extensionOf(said: Readonly<Record<string, unknown>>) {
	const all = said['$extensions'];
	return isObject(all) ? extensionSchema.safeParse(all[extension]).data : undefined;
}

export function parsed(text: string): Readonly<Record<string, unknown>> | undefined {
	try {
		const value: unknown = JSON.parse(text);
		return isObject(value) ? value : undefined;
	} catch {
		return undefined;
	}
}

/** Why a file is not taken, as a sentence. */
class NoTokens extends Error {
	override readonly name = 'NoTokens';
}

class Reader {
	private readonly paths = new Map<string, string>();

	constructor(private readonly bands: readonly string[]) {}

	*all(file: Readonly<Record<string, unknown>>): Generator<SiteToken> {
		const tokens = [...fileTokens(file)];
		if (tokens.length > mostTokens)
			throw new NoTokens(
				`There are ${tokens.length} tokens in the file, and ${mostTokens} is the most that is taken at once.`
			);
		this.checkReferences(tokens);
		for (const token of tokens) yield this.checked(token.path.join('.'), () => siteTokenOf(token));
		for (const [name, said] of Object.entries(extensionOf(file)?.css ?? {})) {
			yield this.checked(name, () => ({ name, bands: {}, night: undefined, ...said }));
		}
	}

	private checked(path: string, make: () => SiteToken): SiteToken {
		const token = this.made(path, make);
		if (!/^--[a-zA-Z][\w-]*$/.test(token.name))
			throw new NoTokens(`${path} cannot be a custom property.`);
		const other = this.paths.get(token.name);
		if (other !== undefined)
			throw new NoTokens(`${other} and ${path} would both be ${token.name}.`);
		this.paths.set(token.name, path);
		const unknown = Object.keys(token.bands).find((band) => !this.bands.includes(band));
		if (unknown !== undefined)
			throw new NoTokens(
				`${path} has a value for ${unknown}, and the site has no band of that name: there is ${listWords(this.bands)}.`
			);
		return token;
	}

	private made(path: string, make: () => SiteToken): SiteToken {
		try {
			return make();
		} catch (failure) {
			if (failure instanceof NoCss)
				throw new NoTokens(`${path} cannot be taken: ${failure.message}.`);
			throw failure;
		}
	}

	/** Each leads to a token, and none back to itself. */
	private checkReferences(tokens: readonly FileToken[]): void {
		const byPath = new Map(tokens.map((token) => [token.path.join('.'), token]));
		const done = new Set<string>();
		const visit = (token: FileToken, way: readonly string[]): void => {
			const path = token.path.join('.');
			if (way.includes(path)) {
				const circle = [...way.slice(way.indexOf(path)), path];
				throw new NoTokens(`Tokens refer to each other in a circle: ${circle.join(' → ')}.`);
			}
			if (done.has(path)) return;
			done.add(path);
			for (const target of referencesIn(token.said)) {
				const next = byPath.get(target);
				if (!next)
					throw new NoTokens(
						`${path} refers to ${target}, and there is no such token in the file.`
					);
				visit(next, [...way, path]);
			}
		};
		for (const token of tokens) visit(token, []);
	}
}

/** What a token refers to, in any of its values. */
function referencesIn(value: unknown): string[] {
	const path = referenceOf(value);
	if (path) return [path.join('.')];
	if (Array.isArray(value)) return value.flatMap(referencesIn);
	if (!isObject(value)) return [];
	return Object.entries(value).flatMap(([name, one]) =>
		name === '$description' ? [] : referencesIn(one)
	);
}
