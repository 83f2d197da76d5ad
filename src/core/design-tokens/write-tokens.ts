import type { SiteSettings } from '../model/site.ts';
import {
	extension,
	isObject,
	isToken,
	propertyOf,
	type JsonGroup,
	type JsonValue,
	type SiteToken
} from './design-token.ts';
import { fileTokens, parsed, siteTokenOf } from './read-tokens.ts';
import { valueOf, type TypedValue } from './value-of.ts';

/** The tokens of a site, each with all its values. */
export function siteTokens({ tokens, night }: SiteSettings): SiteToken[] {
	const names = [...new Set(tokens.map(({ name }) => name.text))];
	return names.map((name) => {
		const own = tokens.filter((token) => token.name.text === name);
		const first = own.find(({ band }) => band === undefined) ?? own[0];
		const others = own.flatMap(({ band, value }) =>
			band && value !== first?.value ? [[band.text, value.text] as const] : []
		);
		return {
			name,
			value: first?.value.text ?? '',
			bands: Object.fromEntries(others),
			night: night.find((token) => token.name.text === name)?.value.text
		};
	});
}

/**
 * The tokens of a site as a file. `before`: a file that is brought up to date; what it says of groups, types, references
 * and descriptions stays as it is, tokens that the site has no more go, and new ones stand at its end.
 */
export function writeTokens(settings: SiteSettings, before = '{}'): string {
	const tokens = siteTokens(settings);
	const writer = new Writer(tokens, parsed(before) ?? {});
	return `${JSON.stringify(writer.file(), undefined, '\t')}\n`;
}

class Writer {
	private readonly paths = new Map<string, readonly string[]>();
	private readonly known: ReadonlyMap<string, SiteToken>;

	constructor(
		private readonly tokens: readonly SiteToken[],
		private readonly before: Readonly<Record<string, unknown>>
	) {
		this.known = new Map(tokens.map((token) => [token.name, token]));
		for (const { path } of fileTokens(before)) this.paths.set(propertyOf(path), path);
		for (const { name } of tokens) {
			if (!this.paths.has(name) && this.isWhole(name)) this.paths.set(name, [name.slice(2)]);
		}
	}

	file(): JsonGroup {
		const file = this.group(this.before, [], undefined);
		const css: JsonGroup = {};
		for (const token of this.tokens) {
			const path = this.paths.get(token.name);
			if (!path) css[token.name] = cssToken(token);
			else if (!hasPath(this.before, path)) file[path[0] ?? ''] = this.token(token, {}, undefined);
		}
		const extensions = this.extensionsOf(
			this.before['$extensions'],
			Object.keys(css).length > 0 ? { css } : {}
		);
		if (extensions) file['$extensions'] = extensions;
		return file;
	}

	/** What a file says of a group, with its tokens as they are now. */
	private group(
		group: Readonly<Record<string, unknown>>,
		path: readonly string[],
		type: string | undefined
	): JsonGroup {
		const own = typeof group['$type'] === 'string' ? group['$type'] : type;
		const written: JsonGroup = {};
		for (const [name, member] of Object.entries(group)) {
			if (path.length === 0 && name === '$extensions') continue;
			if (name.startsWith('$') || !isObject(member)) {
				written[name] = asJson(member);
				continue;
			}
			const inside = [...path, name];
			if (!isToken(member)) {
				written[name] = this.group(member, inside, own);
				continue;
			}
			const token = this.known.get(propertyOf(inside));
			if (token) written[name] = this.token(token, member, own);
		}
		return written;
	}

	private token(
		token: SiteToken,
		said: Readonly<Record<string, unknown>>,
		groupType: string | undefined
	): JsonGroup {
		const type = typeof said['$type'] === 'string' ? said['$type'] : groupType;
		// What says the same already is left as it was written.
		if (isToken(said) && isSame(token, said, type)) return jsonGroup(said);
		const { $value: _value, $extensions: extensions, ...others } = said;
		const value = this.typed(token.value);
		const own = value.type ?? this.typeOf(token.value) ?? type;
		const more = {
			...(Object.keys(token.bands).length > 0 && {
				bands: Object.fromEntries(
					Object.entries(token.bands).map(([band, css]) => [band, this.valueAs(css, own)])
				)
			}),
			...(token.night !== undefined && { night: this.valueAs(token.night, own) })
		};
		const all = this.extensionsOf(extensions, more);
		return {
			...jsonGroup(others),
			...(own !== undefined && own !== groupType && { $type: own }),
			$value: value.value,
			...(all && { $extensions: all })
		};
	}

	/** Another value of a token, which has its type. */
	private valueAs(css: string, type: string | undefined): JsonValue {
		const { type: own, value } = this.typed(css);
		return (own ?? this.typeOf(css)) === type ? value : { css };
	}

	private typed(css: string): TypedValue {
		return this.valueOf(css) ?? { type: undefined, value: { css } };
	}

	private valueOf(css: string): TypedValue | undefined {
		return valueOf(css, (property) => this.paths.get(property));
	}

	/** Of a reference, the type of what it leads to. */
	private typeOf(css: string, depth = 0): string | undefined {
		const property = /^var\(\s*(--[\w-]+)\s*\)$/.exec(css.trim())?.[1];
		const target = property === undefined ? undefined : this.known.get(property);
		if (!target) return this.valueOf(css)?.type;
		return depth > 20 ? undefined : this.typeOf(target.value, depth + 1);
	}

	/** Whether the format has a word for a token's own value; what refers to one that has none has none either. */
	private isWhole(name: string, depth = 0): boolean {
		const css = this.known.get(name)?.value ?? '';
		const property = /^var\(\s*(--[\w-]+)\s*\)$/.exec(css.trim())?.[1];
		if (property !== undefined) return depth < 20 && this.isWhole(property, depth + 1);
		return valueOf(css, () => undefined) !== undefined;
	}

	private extensionsOf(before: unknown, own: JsonGroup): JsonGroup | undefined {
		const others = isObject(before) ? jsonGroup(before) : {};
		delete others[extension];
		if (Object.keys(own).length > 0) others[extension] = own;
		return Object.keys(others).length > 0 ? others : undefined;
	}
}

function cssToken({ value, bands, night }: SiteToken): JsonGroup {
	return {
		value,
		...(Object.keys(bands).length > 0 && { bands }),
		...(night !== undefined && { night })
	};
}

function isSame(
	token: SiteToken,
	said: Readonly<Record<string, unknown>>,
	type: string | undefined
): boolean {
	try {
		const there = siteTokenOf({ path: [token.name.slice(2)], type, said });
		const same = { ...there, name: token.name };
		return (
			JSON.stringify([same.value, sorted(same.bands), same.night]) ===
			JSON.stringify([token.value, sorted(token.bands), token.night])
		);
	} catch {
		return false;
	}
}

function sorted(bands: Readonly<Record<string, string>>): (readonly [string, string])[] {
	return Object.entries(bands).sort(([one], [other]) => (one < other ? -1 : 1));
}

function hasPath(group: Readonly<Record<string, unknown>>, path: readonly string[]): boolean {
	let at: unknown = group;
	for (const name of path) at = isObject(at) ? at[name] : undefined;
	return isToken(at);
}

function jsonGroup(value: Readonly<Record<string, unknown>>): JsonGroup {
	return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, asJson(one)]));
}

/** What came out of JSON, as it is. */
function asJson(value: unknown): JsonValue {
	if (Array.isArray(value)) return value.map(asJson);
	if (isObject(value)) return jsonGroup(value);
	return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'
		? value
		: null;
}
