import { isLength, parseLength } from '../../size/length.ts';
import { isName } from '../../model/name.ts';
import { error } from '../../messages/problem.ts';
import { listWords } from '../../messages/wording.ts';
import type { Band, SiteSettings, Token } from '../../model/site.ts';
import { noTrial } from '../../model/trial.ts';
import type { Named } from '../../model/span.ts';
import { plainText } from '../text/template.ts';
import { AllowReader } from './layers/allow.ts';
import { DocumentReader } from './layers/document.ts';
import { Once, readBlock, type ReadContext } from './block.ts';
import { Cursor } from './cursor.ts';

/** `site "Name" { lang, bands, roles, tokens }`. */
export function readSite(cursor: Cursor, context: ReadContext): SiteSettings {
	const name = cursor.takeText('The site');
	const lang = new Once<Named>('The language');
	const dir = new Once<SiteSettings['dir']>('The direction of lines');
	const bands = new Once<Band[]>('The list of bands');
	const address = new Once<string>('The address');
	const urls = new Once<SiteSettings['urls']>('The kind of URLs');
	const tokens: Token[] = [];
	const night: Token[] = [];
	const roles: Named[] = [];
	const allow = new AllowReader();
	const document = new DocumentReader(context);
	cursor.finish({ block: true });
	readBlock(
		cursor.statement.block,
		{
			name: 'a site',
			statements: {
				lang(inner) {
					const word = inner.take('word');
					if (!word) inner.needWord('en', 'The language of the site, such as');
					lang.set(word, inner);
					inner.finish();
				},
				dir(inner) {
					dir.set(inner.takeChoice('direction of lines', ['ltr', 'rtl'])?.text, inner);
					inner.finish();
				},
				address(inner) {
					address.set(readAddress(inner), inner);
					inner.finish();
				},
				urls(inner) {
					urls.set(inner.takeChoice('kind of URLs', ['folders', 'files'])?.text, inner);
					inner.finish();
				},
				bands(inner) {
					inner.finish({ block: true });
					bands.set(readBands(inner, context), inner);
				},
				roles(inner) {
					inner.finish({ block: true });
					for (const statement of inner.needBlock('The list of roles')?.statements ?? []) {
						const role = readRole(new Cursor(statement, context.problems), roles);
						if (role) roles.push(role);
					}
				},
				tokens(inner) {
					inner.finish({ block: true });
					readTokens(inner, tokens, night, context);
				},
				...document.statements,
				allow: allow.read
			}
		},
		context
	);
	const named = bands.value ?? [];
	for (const { band } of tokens) {
		if (!band || named.some((one) => one.name.text === band.text)) continue;
		const known = listWords(named.map((one) => one.name.text));
		context.problems.push(error('band-unknown', band.span, band.text, known));
	}
	const siteName: Named = name
		? { text: plainText(name), span: name.span }
		: { text: '', span: cursor.headSpan };
	return {
		kind: 'site',
		name: siteName,
		lang: lang.value?.text ?? 'en',
		langSpan: lang.value?.span,
		dir: dir.value ?? 'ltr',
		address: address.value,
		urls: urls.value ?? 'folders',
		bands: named,
		tokens,
		night,
		roles,
		document: document.document,
		trial: noTrial,
		allows: allow.allows,
		span: cursor.statement.span
	};
}

/** A whole URL that ends with a slash: pages lie below it. */
function readAddress(cursor: Cursor): string | undefined {
	const text = cursor.takeText('The address of the site');
	if (!text) return undefined;
	const written = plainText(text);
	if (/^https?:\/\/[^/?#\s]+(\/[^?#\s]*)?$/.test(written)) {
		return written.endsWith('/') ? written : `${written}/`;
	}
	cursor.problems.push(error('site-address-invalid', text.span, written));
	return undefined;
}

/** A name that no other role has. */
function readRole(cursor: Cursor, others: readonly Named[]): Named | undefined {
	const name: Named = { text: cursor.head, span: cursor.headSpan };
	cursor.finish();
	if (!isName(name.text)) {
		cursor.problems.push(error('name-invalid', name.span, name.text));
		return undefined;
	}
	if (!others.some((other) => other.text === name.text)) return name;
	cursor.problems.push(error('listed-twice', name.span, 'The role', name.text));
	return undefined;
}

/** Every box is worked out once for each band. */
const mostBands = 20;
/** px; no screen is as wide. */
const widestBand = 100_000;

function readBands(cursor: Cursor, context: ReadContext): Band[] {
	const bands: Band[] = [];
	for (const statement of cursor.needBlock('The list of bands')?.statements ?? []) {
		const inner = new Cursor(statement, context.problems);
		const name: Named = { text: inner.head, span: inner.headSpan };
		if (!isName(name.text)) {
			context.problems.push(error('name-invalid', name.span, name.text));
			continue;
		}
		if (name.text === nightWord) {
			context.problems.push(error('band-night', name.span, name.text));
			continue;
		}
		const from = inner.takeWholeNumber(`The band ${name.text}`, widestBand);
		inner.finish();
		if (from === undefined) continue;
		const before = bands.at(-1);
		if (bands.some((band) => band.name.text === name.text)) {
			context.problems.push(error('band-twice', name.span, name.text));
			continue;
		}
		if (before && from <= before.from) {
			context.problems.push(error('band-order', statement.span, name.text, before.name.text));
			continue;
		}
		if (bands.length === mostBands) {
			context.problems.push(error('too-many', name.span, 'Bands of a site', mostBands));
			break;
		}
		if (!before && from !== 0) {
			context.problems.push(error('band-first', statement.span, name.text));
		}
		bands.push({ name, from, span: statement.span });
	}
	return bands;
}

/** What stands after `@` for the night, in place of a band. */
export const nightWord = 'night';

function readTokens(cursor: Cursor, tokens: Token[], night: Token[], context: ReadContext): void {
	for (const statement of cursor.needBlock('The list of tokens')?.statements ?? []) {
		const inner = new Cursor(statement, context.problems);
		const first = statement.atoms[0];
		if (first?.kind !== 'property' || first.text.length < 3) {
			const known = 'custom properties, such as --gutter: 16px';
			context.problems.push(
				error('unknown-statement', inner.headSpan, inner.head, 'the list of tokens', known)
			);
			continue;
		}
		const band = inner.takeBand();
		const colon = inner.take('symbol');
		if (colon?.text !== ':') {
			context.problems.push(error('word-missing', first.span, ':', `The token ${first.text}`));
			continue;
		}
		const value = inner.takeRest(context.text, `The token ${first.text}`);
		inner.finish();
		if (!value) continue;
		const isNight = band?.text === nightWord;
		const list = isNight ? night : tokens;
		if (isNight && isLength(parseLength(value.text, true))) {
			context.problems.push(error('night-size', value.span, first.text));
			continue;
		}
		if (
			list.some((one) => one.name.text === first.text && (isNight || one.band?.text === band?.text))
		) {
			const where = band ? `${first.text} @${band.text}` : first.text;
			context.problems.push(error('listed-twice', first.span, 'The token', where));
			continue;
		}
		list.push({
			name: { text: first.text, span: first.span },
			band: isNight ? undefined : band,
			value,
			span: statement.span
		});
	}
}
