import { commonEnds } from '../lib/common-ends.ts';
import { encodeUtf8 } from '../lib/utf8.ts';
import { isEaveFile, textOf, type SiteFiles } from '../model/files.ts';
import type { Change } from '../source/change.ts';
import { IntakeError } from '../source/limits.ts';
import { contentIn, contentOf, isAgreed, isSame, type Agreed, type Content } from './content.ts';
import { mergedText, mergeTexts, type Part } from './merge.ts';

/** What a folder has at a path: bytes, or nothing. */
export type There = Uint8Array | undefined;

/** Both sides changed the same place of a file: neither is written over the other until someone has chosen. */
export interface Conflict {
	readonly path: string;
	/** What the site here has; undefined: it was removed. */
	readonly here: Content | undefined;
	/** What the folder has; undefined: it was removed. */
	readonly there: Content | undefined;
	/** Where both are text: which parts differ. */
	readonly parts: readonly Part[] | undefined;
}

/** What is to be done about a file so that both sides have the same. */
export type Outcome =
	/** Both have this already. */
	| { readonly kind: 'agreed'; readonly content: Content | undefined }
	/** Only here it changed: the folder gets it. */
	| { readonly kind: 'write'; readonly content: Content | undefined }
	/** Only there it changed: it is taken over. */
	| { readonly kind: 'take'; readonly content: Content | undefined }
	/** Both changed, at different places: what comes of both is taken over, and the folder gets it. */
	| { readonly kind: 'merge'; readonly content: Content; readonly there: Content }
	| { readonly kind: 'conflict'; readonly conflict: Conflict }
	/** The folder's file is none that a site can have. */
	| { readonly kind: 'unreadable'; readonly sentence: string };

/** Decides about one file: what both had when they last agreed, what is here, what the folder has. */
export function reconcile(
	path: string,
	agreed: Agreed | undefined,
	files: SiteFiles,
	bytes: There
): Outcome {
	const here = contentIn(files, path);
	let there: Content | undefined;
	try {
		there = bytes && contentOf(path, bytes);
	} catch (failure) {
		if (failure instanceof IntakeError) return { kind: 'unreadable', sentence: failure.message };
		throw failure;
	}
	if (isSame(here, there)) return { kind: 'agreed', content: here };
	if (isAgreed(there, agreed)) return { kind: 'write', content: here };
	if (isAgreed(here, agreed)) return { kind: 'take', content: there };
	return bothChanged(path, agreed, here, there);
}

function bothChanged(
	path: string,
	agreed: Agreed | undefined,
	here: Content | undefined,
	there: Content | undefined
): Outcome {
	if (here?.kind !== 'text' || there?.kind !== 'text') {
		return { kind: 'conflict', conflict: { path, here, there, parts: undefined } };
	}
	const before = agreed?.kind === 'text' ? agreed.text : '';
	const parts = mergeTexts(before, here.text, there.text);
	const merged = mergedText(parts);
	return merged === undefined
		? { kind: 'conflict', conflict: { path, here, there, parts } }
		: { kind: 'merge', content: { kind: 'text', text: merged }, there };
}

/** The change that puts a content at a path of the open site; undefined where it has it already. */
export function changeTo(
	path: string,
	files: SiteFiles,
	content: Content | undefined
): Change | undefined {
	if (isSame(contentIn(files, path), content)) return undefined;
	if (!content) return { kind: 'drop', file: path };
	const text = textOf(files, path);
	if (text !== undefined && content.kind === 'text') {
		const { start, end } = commonEnds(text, content.text);
		const insert = content.text.slice(start, content.text.length - end);
		return { kind: 'edit', file: path, from: start, to: text.length - end, insert };
	}
	if (isEaveFile(path)) return { kind: 'add', file: path, text: textIn(content) };
	return {
		kind: 'put',
		file: path,
		bytes: content.kind === 'text' ? encodeUtf8(content.text) : content.bytes
	};
}

function textIn(content: Content): string {
	if (content.kind === 'text') return content.text;
	throw new RangeError('A file of a site is text.');
}
