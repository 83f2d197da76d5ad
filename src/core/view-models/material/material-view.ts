import { fileUses } from '../../edit/site/files.ts';
import { tokenUses } from '../../edit/site/tokens.ts';
import { bandPlace, bandPlaces } from '../../resolve/bands.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { nightWord } from '../../source/read/site.ts';
import { usesAt, type Use } from './uses.ts';

/** A token with its values. */
export interface TokenView {
	readonly name: string;
	/** What is written for each band, and for the night; undefined where the value before it holds. */
	readonly values: readonly (string | undefined)[];
	readonly uses: readonly Use[];
}

/** A file that is no text of the site. */
export interface FileView {
	readonly path: string;
	/** bytes */
	readonly size: number;
	readonly uses: readonly Use[];
}

/** What pages are made of and no page owns. */
export interface MaterialView {
	/** Names of the bands, and the night. */
	readonly bands: readonly string[];
	readonly tokens: readonly TokenView[];
	readonly files: readonly FileView[];
}

/** Tokens in the order of the text, and files by their paths, each with where it is used. */
export function materialView(resolved: ResolvedSite): MaterialView {
	const { bands, tokens, night } = resolved.site.settings;
	const names = [...new Set([...tokens, ...night].map((token) => token.name.text))];
	return {
		bands: [...(bands.length === 0 ? ['all'] : bands.map((band) => band.name.text)), nightWord],
		tokens: names.map((name) => {
			const own = tokens.filter((token) => token.name.text === name);
			const values = bandPlaces(bands).map(
				(place) => own.find((token) => bandPlace(bands, token.band) === place)?.value.text
			);
			values.push(night.find((token) => token.name.text === name)?.value.text);
			return { name, values, uses: usesAt(resolved, tokenUses(resolved, name)) };
		}),
		files: [...resolved.reading.files.assets]
			.map(([path, bytes]) => {
				return { path, size: bytes.length, uses: usesAt(resolved, fileUses(resolved, path)) };
			})
			.sort((a, b) => (a.path < b.path ? -1 : 1))
	};
}
