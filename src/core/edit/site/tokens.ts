import { counted } from '../../messages/wording.ts';
import type { Token } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { bandPlace } from '../../resolve/bands.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { nightWord } from '../../source/read/site.ts';
import { bandWord, placeOfBand } from '../boxes/find-box.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';

/** Edits of tokens, the custom properties that all of a site can use. */

/** Sets a token for one band, adding it where there is none of that name, or frees it there. */
export function setToken(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	value: string | undefined,
	bandName: string
): void {
	const { tokens, bands, span, night } = resolved.site.settings;
	checkToken(name);
	if (bandName === nightWord) {
		setNight(resolved, surgery, name, value);
		return;
	}
	const band = placeOfBand(bands, bandName);
	const own = tokens.filter((token) => token.name.text === name);
	const there = own.find((token) => bandPlace(bands, token.band) === band);
	if (value === undefined) {
		if (!there) throw new CommandRefused(`${name} has no value of its own at ${bandName}.`);
		if (tokens.length + night.length === 1) surgery.setInner(span, 'tokens', undefined);
		else surgery.remove(there.span);
		return;
	}
	if (value.trim() === '')
		throw new CommandRefused(`${name} needs a value, such as 16px or #2c6e49.`);
	const line = `${name}${bandWord(bands, band)}: ${value.trim()}`;
	const beside = own.findLast((token) => bandPlace(bands, token.band) < band) ?? own.at(-1);
	const last = tokens.at(-1);
	if (there) surgery.replace(there.value.span, value.trim());
	else if (beside) surgery.insertBehind(beside.span, line);
	else if (last) surgery.insertBelow(last.span, [line]);
	else surgery.insertInto(span, ['tokens {', `  ${line}`, '}']);
}

/** Sets what a token is by night, or frees it. */
function setNight(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	value: string | undefined
): void {
	const own = resolved.site.settings.tokens.findLast((token) => token.name.text === name);
	const there = resolved.site.settings.night.find((token) => token.name.text === name);
	if (value === undefined || value.trim() === '') {
		if (!there) throw new CommandRefused(`${name} has no value of its own for the night.`);
		surgery.remove(there.span);
		return;
	}
	if (there) surgery.replace(there.value.span, value.trim());
	else if (own) surgery.insertBehind(own.span, `${name} @${nightWord}: ${value.trim()}`);
	else throw new CommandRefused(`There is no token ${name} any more.`);
}

/** Renames a token and every use of it in settings, styles and markup. */
export function renameToken(
	resolved: ResolvedSite,
	surgery: Surgery,
	name: string,
	to: string
): void {
	checkToken(to);
	const { tokens } = resolved.site.settings;
	const same = tokens.find((token) => token.name.text === to);
	if (same) throw new CommandRefused(`There is a token ${to} already.`, same.name.span);
	for (const token of declared(resolved, name)) surgery.replace(token.name.span, to);
	for (const use of tokenUses(resolved, name)) surgery.replace(use, to);
}

/** Removes a token with its values for all bands, where nothing uses it. */
export function removeToken(resolved: ResolvedSite, surgery: Surgery, name: string): void {
	const [first, ...others] = tokenUses(resolved, name);
	if (first) {
		throw new CommandRefused(
			`${name} is used in ${counted(1 + others.length, 'place')}: put something else there first.`,
			first
		);
	}
	const { tokens, night, span } = resolved.site.settings;
	const own = declared(resolved, name);
	if (own.length === tokens.length + night.length) surgery.setInner(span, 'tokens', undefined);
	else for (const token of own) surgery.remove(token.span);
}

function declared(resolved: ResolvedSite, name: string): Token[] {
	const { tokens, night } = resolved.site.settings;
	const own = [...tokens, ...night].filter((token) => token.name.text === name);
	if (own.length === 0) throw new CommandRefused(`There is no token ${name} any more.`);
	return own;
}

function checkToken(name: string): void {
	if (/^--[a-zA-Z][a-zA-Z0-9_-]*$/.test(name)) return;
	throw new CommandRefused(
		`${name} cannot be a token: tokens are custom properties, such as --gutter.`
	);
}

/** The places of a token's name in everything that refers to it, or sets it anew in a style. */
export function tokenUses({ reading, site }: ResolvedSite, name: string): Span[] {
	const { file: own, from, to } = site.settings.span;
	const uses = new RegExp(`(var\\(\\s*)(${name})(?![\\w-])|([;{\\s])(${name})(?=\\s*:)`, 'g');
	return [...reading.files.texts].flatMap(([file, text]) =>
		[...text.matchAll(uses)].flatMap(({ index, 1: lead, 3: other }): Span[] => {
			const start = index + (lead ?? other ?? '').length;
			// What the site declares is no use of it.
			const isDeclared = lead === undefined && file === own && start >= from && start < to;
			return isDeclared ? [] : [{ file, from: start, to: start + name.length }];
		})
	);
}
