import { isSameBytes } from '../lib/bytes.ts';
import { fingerprint } from '../lib/fingerprint.ts';
import { encodeUtf8, exactText } from '../lib/utf8.ts';
import { isEaveFile, type SiteFiles } from '../model/files.ts';
import { siteText } from '../source/site-text.ts';

/** What is in a file: text, which can be merged line by line, or bytes, which can only be one or the other. */
export type Content =
	| { readonly kind: 'text'; readonly text: string }
	| { readonly kind: 'bytes'; readonly bytes: Uint8Array };

/** Larger ones are only compared (bytes): to keep them twice would cost more than a merge is worth. */
const mostMerged = 1024 * 1024;

const known = new WeakMap<Uint8Array, Content>();

/** The content of a file of a folder. Throws an IntakeError where it should be text of a site and is none. */
export function contentOf(path: string, bytes: Uint8Array): Content {
	let content = known.get(bytes);
	if (!content) {
		content = isEaveFile(path)
			? { kind: 'text', text: siteText(path, bytes) }
			: contentOfAsset(bytes);
		known.set(bytes, content);
	}
	return content;
}

function contentOfAsset(bytes: Uint8Array): Content {
	const text = bytes.length <= mostMerged ? exactText(bytes) : undefined;
	return text === undefined ? { kind: 'bytes', bytes } : { kind: 'text', text };
}

/** The content of a file of the open site; undefined where there is none of that path. */
export function contentIn({ texts, assets }: SiteFiles, path: string): Content | undefined {
	const text = texts.get(path);
	if (text !== undefined) return { kind: 'text', text };
	const bytes = assets.get(path);
	return bytes && contentOf(path, bytes);
}

/** The bytes to write; what a folder's file began with as a mark of its encoding stays (UTF-8, section 6 of RFC 3629). */
export function bytesOf(content: Content, there: Uint8Array | undefined): Uint8Array {
	if (content.kind === 'bytes') return content.bytes;
	const marked = there?.[0] === 0xef && there[1] === 0xbb && there[2] === 0xbf;
	const isMarked = content.text.startsWith('\ufeff');
	return encodeUtf8(marked && !isMarked ? `\ufeff${content.text}` : content.text);
}

/** What is remembered of a content that both sides had: its text, or what its bytes are known by. */
export type Agreed =
	| { readonly kind: 'text'; readonly text: string }
	| { readonly kind: 'bytes'; readonly mark: string };

export function agreedOf(content: Content): Agreed {
	return content.kind === 'text' ? content : { kind: 'bytes', mark: fingerprint(content.bytes) };
}

/** Whether a content is the one that both sides had; undefined: there is no file. */
export function isAgreed(content: Content | undefined, agreed: Agreed | undefined): boolean {
	if (!content || !agreed) return content === agreed;
	if (content.kind === 'text') return agreed.kind === 'text' && content.text === agreed.text;
	return agreed.kind === 'bytes' && fingerprint(content.bytes) === agreed.mark;
}

export function isSame(one: Content | undefined, other: Content | undefined): boolean {
	if (!one || !other) return one === other;
	if (one.kind === 'text') return other.kind === 'text' && one.text === other.text;
	return other.kind === 'bytes' && isSameBytes(one.bytes, other.bytes);
}
