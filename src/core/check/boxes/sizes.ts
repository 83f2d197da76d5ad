import { plainLayout, plainSite } from '../example.ts';
import { Memory } from '../../lib/memory.ts';
import { error, warning, type Problem } from '../../messages/problem.ts';
import { listWords } from '../../messages/wording.ts';
import type { AreasArrangement, Arrangement } from '../../model/arrange.ts';
import type { Setting, SettingKind } from '../../model/setting.ts';
import type { SiteSettings } from '../../model/site.ts';
import type { Raw, Span } from '../../model/span.ts';
import { bandPlaces } from '../../resolve/bands.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { Size } from '../../settings/definition.ts';
import { coloursIn, sizesIn } from '../../settings/list.ts';
import { isLength, parseLength, type Length } from '../../size/length.ts';
import { splitSizes } from '../../size/css-tokens.ts';
import { isColour } from '../../size/colour.ts';
import { namesIn, substitute, tokensAt } from '../../size/tokens.ts';
import { countTracks, isTrackList, parseTracks } from '../../size/tracks.ts';
import type { LayerCheck } from '../check.ts';

export const sizes: LayerCheck = {
	of: 'layer',
	codes: [
		'size-invalid',
		'size-negative',
		'size-absurd',
		'share-of-nothing',
		'token-unknown',
		'token-not-here',
		'tracks-invalid',
		'columns-open',
		'colour-invalid'
	],
	what: 'Every size and colour can be read with the site’s tokens, in every band.',
	why: 'Browsers leave out what they cannot read, and the box has some other size, or none of the colour.',
	examples: {
		'size-invalid': {
			wrong: plainLayout('region side as aside { width 20; piece hours """<p>Two to six.</p>""" }'),
			mended: plainLayout(
				'region side as aside { width 20px; piece hours """<p>Two to six.</p>""" }'
			)
		},
		'size-negative': {
			wrong: plainLayout(
				'region side as aside { width -20px; piece hours """<p>Two to six.</p>""" }'
			),
			mended: plainLayout(
				'region side as aside { width 20px; piece hours """<p>Two to six.</p>""" }'
			)
		},
		'size-absurd': {
			wrong: plainLayout(
				'region side as aside { width 99999px; max 280px; piece hours """<p>Two to six.</p>""" }'
			),
			mended: plainLayout(
				'region side as aside { width 9999px; max 280px; piece hours """<p>Two to six.</p>""" }'
			)
		},
		'share-of-nothing': {
			wrong: plainLayout(
				'region side as aside { height 50%; piece hours """<p>Two to six.</p>""" }'
			),
			mended: plainLayout(
				'region side as aside { height 200px; piece hours """<p>Two to six.</p>""" }'
			)
		},
		'token-unknown': {
			wrong: plainLayout(
				'region side as aside { width var(--wide); piece hours """<p>Two to six.</p>""" }'
			),
			mended: plainLayout(
				'region side as aside { width 200px; piece hours """<p>Two to six.</p>""" }'
			)
		},
		'tracks-invalid': {
			wrong: plainLayout('arrange areas { "main ." auto; columns 1fr 2 }'),
			mended: plainLayout('arrange areas { "main ." auto; columns 1fr 2px }')
		},
		'columns-open': {
			wrong: plainLayout(
				'region cards as div { arrange columns repeat(auto-fill, 200px); piece bean """<p>Bean</p>""" }'
			),
			mended: plainLayout(
				'region cards as div { arrange columns repeat(3, 200px); piece bean """<p>Bean</p>""" }'
			)
		},
		'colour-invalid': {
			wrong: plainLayout(
				'region side as aside { background #12; piece hours """<p>Two to six.</p>""" }'
			),
			mended: plainLayout(
				'region side as aside { background #123; piece hours """<p>Two to six.</p>""" }'
			)
		},
		'token-not-here': {
			wrong: plainSite(
				'tokens { --gap @wide: 24px }',
				plainLayout('region side as aside { pad var(--gap); piece hours """<p>Two to six.</p>""" }')
			),
			mended: plainSite(
				'tokens { --gap: 16px; --gap @wide: 24px }',
				plainLayout('region side as aside { pad var(--gap); piece hours """<p>Two to six.</p>""" }')
			)
		}
	},
	find(layer, { site }) {
		const checker = checkerFor(site.settings);
		const boxes: readonly Said[] =
			layer.kind === 'layout' ? [layer, ...membersIn(layer.members)] : [];
		return [...piecesIn(layer), ...layer.adjusts, ...boxes].flatMap((box) => checker.box(box));
	}
};

/** A box by what it says; pieces arrange nothing. */
interface Said {
	readonly settings: readonly Setting[];
	readonly arrangements?: readonly Arrangement[];
}

const checkers = new Memory<SiteSettings, SizeChecker>();

function checkerFor(settings: SiteSettings): SizeChecker {
	return checkers.get(settings, [], () => new SizeChecker(settings));
}

/** More than any screen has, px: most likely a slip of the hand. */
const absurd = 20_000;

/** Sees whether sizes can be read with the site's tokens, in every band. */
class SizeChecker {
	private readonly tokens: readonly ReadonlyMap<string, string>[];

	constructor(private readonly settings: SiteSettings) {
		const { tokens, bands } = settings;
		this.tokens = bandPlaces(bands).map((place) => tokensAt(tokens, bands, place));
	}

	box({ settings, arrangements = [] }: Said): Problem[] {
		if (settings.length === 0 && arrangements.length === 0) return [];
		return [
			...settings.flatMap((setting) => this.setting(setting)),
			...arrangements.flatMap((one) => [
				...(one.gap ? this.gap(one.gap.text, one.gap.span) : []),
				...(one.kind === 'areas' ? this.areas(one) : []),
				...(one.kind === 'columns' && one.sizes ? this.columns(one.sizes) : [])
			])
		];
	}

	private areas({ rows, columns }: AreasArrangement): Problem[] {
		return [
			...(columns ? this.tracks(columns.text, true, columns.span) : []),
			...rows.flatMap(({ size, sizeSpan }) => (sizeSpan ? this.tracks(size, false, sizeSpan) : []))
		];
	}

	/** What is wrong with columns that members fill in order: how many there are must be known. */
	private columns({ text, span }: Raw): Problem[] {
		const problems = this.tracks(text, true, span);
		if (problems.length > 0) return problems;
		const isOpen = this.tokens.some((tokens) => {
			const read = parseTracks(substitute(text, (name) => tokens.get(name)) ?? '', {
				shares: true
			});
			return (
				isTrackList(read) && (read.repeat !== undefined || read.tracks.length !== countTracks(text))
			);
		});
		return isOpen ? [error('columns-open', span, text)] : [];
	}

	/** What is wrong with a setting's sizes; one problem at most. */
	private setting(setting: Setting): Problem[] {
		for (const size of sizesIn(setting)) {
			const problem = this.size(size, setting.kind, setting.valueSpan);
			if (problem) return [problem];
		}
		for (const colour of coloursIn(setting)) {
			const problem = this.colour(colour, setting.valueSpan);
			if (problem) return [problem];
		}
		return [];
	}

	private colour(text: string, span: Span): Problem | undefined {
		for (const tokens of this.tokens) {
			const put = substitute(text, (name) => tokens.get(name));
			if (put === undefined) return this.unknownToken(text, tokens, span);
			if (!isColour(put)) return error('colour-invalid', span, text);
		}
		return undefined;
	}

	/** What is wrong with the gap of an arrangement. */
	private gap(text: string, span: Span): Problem[] {
		for (const part of splitSizes(text)) {
			const problem = this.size({ text: part, shares: false, words: [] }, 'gap', span);
			if (problem) return [problem];
		}
		return [];
	}

	/** What is wrong with a list of columns or the size of a row. */
	private tracks(text: string, shares: boolean, span: Span): Problem[] {
		for (const tokens of this.tokens) {
			const put = substitute(text, (name) => tokens.get(name));
			if (put === undefined) return [this.unknownToken(text, tokens, span)];
			const read = parseTracks(put, { shares });
			if (isTrackList(read)) continue;
			if (read.negative) return [error('size-negative', span, text)];
			const problem = error('tracks-invalid', span, text, read.why);
			const share = shares ? undefined : /^([\d.]+)%$/.exec(text)?.[1];
			if (share === undefined) return [problem];
			const insert = `${share}fr`;
			return [
				{
					...problem,
					mend: { label: `Write ${insert}: so many shares of what is left`, span, insert }
				}
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
		const place = this.tokens.findIndex((one) => one === tokens);
		const band = this.settings.bands[place]?.name.text ?? 'all';
		const known = [...new Set(this.settings.tokens.map((token) => token.name.text))];
		return known.includes(name)
			? error('token-not-here', span, name, band)
			: error('token-unknown', span, name, known.length === 0 ? '' : listWords(known));
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
