import { error, warning, type Problem } from '../messages/problem.ts';
import type { Setting, SettingKind } from '../model/setting.ts';
import type { Site } from '../model/site.ts';
import type { Span } from '../model/span.ts';
import { isLength, parseLength, type Length } from '../size/length.ts';
import type { Size } from '../settings/definition.ts';
import { sizesIn } from '../settings/list.ts';
import { splitSizes } from '../size/split.ts';
import { namesIn, substitute, tokensAt } from '../size/tokens.ts';
import { isTrackList, parseTracks } from '../size/tracks.ts';
import { bandPlaces } from './bands.ts';

/** More than any screen has, px: most likely a slip of the hand. */
const absurd = 20_000;

/** Sees whether sizes can be read with the site's tokens, in every band. */
export class SizeChecker {
	private readonly tokens: readonly ReadonlyMap<string, string>[];

	constructor(site: Site) {
		const { tokens, bands } = site.settings;
		this.tokens = bandPlaces(bands).map((place) => tokensAt(tokens, bands, place));
	}

	/** What is wrong with a setting's sizes; one problem at most. */
	setting(setting: Setting): Problem[] {
		for (const size of sizesIn(setting)) {
			const problem = this.size(size, setting.kind, setting.valueSpan);
			if (problem) return [problem];
		}
		return [];
	}

	/** What is wrong with the gap of an arrangement. */
	gap(text: string, span: Span): Problem[] {
		for (const part of splitSizes(text)) {
			const problem = this.size({ text: part, shares: false, words: [] }, 'gap', span);
			if (problem) return [problem];
		}
		return [];
	}

	/** What is wrong with a list of columns or the size of a row. */
	tracks(text: string, shares: boolean, span: Span): Problem[] {
		for (const tokens of this.tokens) {
			const put = substitute(text, (name) => tokens.get(name));
			if (put === undefined) return [this.unknownToken(text, tokens, span)];
			const read = parseTracks(put, { shares });
			if (isTrackList(read)) continue;
			return [
				read.negative
					? error('size-negative', span, text)
					: error('tracks-invalid', span, text, read.why)
			];
		}
		return [];
	}

	private size(size: Size, kind: SettingKind, span: Span): Problem | undefined {
		for (const tokens of this.tokens) {
			const text = substitute(size.text, (name) => tokens.get(name));
			if (text === undefined) return this.unknownToken(size.text, tokens, span);
			if (size.words.includes(text)) continue;
			const read = parseLength(text);
			if (!isLength(read)) {
				return read.negative
					? error('size-negative', span, size.text)
					: error('size-invalid', span, size.text, kind, read.why);
			}
			const problem = sizeProblem(read, size, kind, span);
			if (problem) return problem;
		}
		return undefined;
	}

	private unknownToken(text: string, tokens: ReadonlyMap<string, string>, span: Span): Problem {
		const names = namesIn(text);
		const name = names.find((one) => !tokens.has(one)) ?? names[0] ?? text;
		return error('token-unknown', span, name);
	}
}

function sizeProblem(
	read: Length,
	{ text, shares }: Size,
	kind: SettingKind,
	span: Span
): Problem | undefined {
	if (read.share && !shares) return error('share-of-nothing', span, text, kind);
	const value = read.at(1000, { width: 1000, height: 1000 });
	return value > absurd ? warning('size-absurd', span, text) : undefined;
}
