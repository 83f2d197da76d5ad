import type { SiteToken } from '../../design-tokens/design-token.ts';
import { readTokens } from '../../design-tokens/read-tokens.ts';
import { siteTokens } from '../../design-tokens/write-tokens.ts';
import { counted } from '../../messages/wording.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { nightWord } from '../../source/read/site.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { setToken } from './tokens.ts';

/**
 * Takes the tokens of a file: new ones are added, those that are there get the file's values, others stay. Throws a
 * CommandRefused with what is wrong in the file; then nothing of it is taken.
 */
export function takeTokens(resolved: ResolvedSite, surgery: Surgery, text: string): string[] {
	const { settings } = resolved.site;
	const bands = settings.bands.map(({ name }) => name.text);
	const read = readTokens(text, bands);
	if ('refused' in read) throw new CommandRefused(read.refused);
	const there = new Map(siteTokens(settings).map((token) => [token.name, token]));
	const fresh = read.tokens.filter(({ name }) => !there.has(name));
	const lines = fresh.flatMap(linesOf);
	const last = settings.tokens.at(-1) ?? settings.night.at(-1);
	if (lines.length > 0 && last) surgery.insertBelow(last.span, lines);
	else if (lines.length > 0)
		surgery.insertInto(settings.span, ['tokens {', ...lines.map((line) => `  ${line}`), '}']);
	let changed = 0;
	for (const token of read.tokens) {
		const old = there.get(token.name);
		if (old) changed += change(resolved, surgery, old, token, bands);
	}
	if (fresh.length + changed === 0)
		throw new CommandRefused('The site has all these tokens already, with these values.');
	return [
		`${counted(fresh.length, 'token')} would be new, and ${counted(changed, 'other')} would have another value.`
	];
}

function linesOf({ name, value, bands, night }: SiteToken): string[] {
	return [
		`${name}: ${value}`,
		...Object.entries(bands).map(([band, other]) => `${name} @${band}: ${other}`),
		...(night === undefined ? [] : [`${name} @${nightWord}: ${night}`])
	];
}

/** Sets what is another; gives 1 where something was. */
function change(
	resolved: ResolvedSite,
	surgery: Surgery,
	old: SiteToken,
	token: SiteToken,
	bands: readonly string[]
): number {
	const [first = ''] = bands;
	const valuesOf = ({ value, bands: others, night }: SiteToken): Map<string, string> =>
		new Map([
			[first, value],
			...Object.entries(others).filter(([band]) => band !== first),
			...(night === undefined ? [] : ([[nightWord, night]] as const))
		]);
	const [before, after] = [valuesOf(old), valuesOf(token)];
	const places = new Set([...before.keys(), ...after.keys()]);
	const others = [...places].filter((place) => before.get(place) !== after.get(place));
	for (const place of others) setToken(resolved, surgery, token.name, after.get(place), place);
	return others.length > 0 ? 1 : 0;
}
